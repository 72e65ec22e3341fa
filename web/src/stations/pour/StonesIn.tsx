import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ownMaterialsQuery } from '../../api/queries';
import { Choice } from '../../parts/Choice';
import { NumberField } from '../../parts/NumberField';
import { useEdits } from '../../parts/editing';
import { useStation } from '../station';

/** What stones lie in the resin of a region: what they take up is not mixed. */
export function StonesIn({ layerId, region }: { layerId: string; region: string }) {
  const { piece } = useStation();
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
        <NumberField
          key={stoneId}
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
    </div>
  );
}
