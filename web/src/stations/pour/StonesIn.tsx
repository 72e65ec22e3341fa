import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { MaterialView, Schemas } from '../../api/client';
import { ownMaterialsQuery } from '../../api/queries';
import { Choice } from '../../parts/Choice';
import { NumberField } from '../../parts/NumberField';
import { HowNumber } from '../../parts/HowNumber';
import { useEdits } from '../../parts/editing';
import { useStation } from '../station';

/** What stones lie in the resin of a region: what they take up is not mixed. */
export function StonesIn({ layerId, region }: { layerId: string; region: string }) {
  const { piece, plan } = useStation();
  const out = plan.layers.find((l) => l.layerId === layerId)?.stonesOut.find((s) => s.regionId === region);
  const { edit, say } = useEdits();
  const kinds = (useQuery(ownMaterialsQuery).data ?? []).filter((m) => m.kind === 'stone');
  const laid = (piece.layers.find((l) => l.id === layerId)?.stones ?? []).filter((s) => s.region === region);
  // One that was chosen and has no weight yet is nothing of the piece.
  const [chosen, setChosen] = useState<string | null>(null);
  const weighed: { stoneId: string; grams: number | null }[] = laid;
  const shown =
    chosen && !laid.some((s) => s.stoneId === chosen)
      ? [...weighed, { stoneId: chosen, grams: null }]
      : weighed;
  const free = kinds.filter((k) => !k.putAway && !shown.some((s) => s.stoneId === k.id));
  return (
    <div className="stones-in" role="group" aria-label="Stones that lie in it">
      {shown.map(({ stoneId, grams }) => (
        <div key={stoneId}>
          <NumberField
            label={`Below its level: ${kinds.find((k) => k.id === stoneId)?.name ?? stoneId}`}
            unit="g"
            empty="none"
            value={grams}
            takes={{ field: 'layers.stones.grams' }}
            error={say(`layers[${layerId}].stones[${region} ${stoneId}].grams`)}
            onChange={(to) =>
              void edit({ do: 'set-region-stones', layer: layerId, region, stone: stoneId, grams: to })
            }
          />
          <Looks of={kinds.find((k) => k.id === stoneId)} />
        </div>
      ))}
      {free.length > 0 && (
        <Choice
          label={shown.length === 0 ? 'Stones that lie in it' : 'and'}
          value="none"
          choices={[
            ['none', shown.length === 0 ? 'none' : 'no others'],
            ...free.map((k) => [k.id, k.name] as const),
          ]}
          onChange={(id) => (id === 'none' ? undefined : setChosen(id))}
        />
      )}
      {laid.length > 0 && <p className="hint">What they take up is not mixed: it is off the pour above.</p>}
      {out && (
        <p className="finding mind">
          <HowNumber of={out.grams} label="Stones that stand out" decimals={0} /> of them stand out of what is
          poured here.
        </p>
      )}
    </div>
  );
}

const does: Record<Schemas['Wetting'], string> = {
  brightens: 'comes out brighter',
  deepens: 'deepens, as a pebble in water',
  dulls: 'comes out duller, as its dry white goes',
  hides: 'hardly shows',
  keeps: 'looks the same',
};

/** A stone dry and in resin. */
function Looks({ of }: { of: MaterialView | undefined }) {
  if (!of?.looks) return null;
  return (
    <p className="hint stone-looks">
      <i style={{ background: of.looks.dry }} title="dry" />
      <i style={{ background: of.looks.inResin }} title="in resin" />
      Left dry, right in clear resin: it {does[of.looks.does]}.
    </p>
  );
}
