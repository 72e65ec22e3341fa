import type { Fill, PlannedPour } from '../../api/client';
import { NumberAt } from '../../parts/At';
import { Choice } from '../../parts/Choice';
import { NumberField } from '../../parts/NumberField';
import { useEdits } from '../../parts/editing';
import { useFields } from '../../parts/fields';
import { useStation } from '../station';
import { StonesIn } from './StonesIn';

interface Props {
  step: PlannedPour;
  name: string;
}

/** In which sitting a region is poured, how deep, and in what passes. */
export function PourDetail({ step: { layerId, regionId }, name }: Props) {
  const { piece, plan, sittingPlan, view } = useStation();
  const { edit, say } = useEdits();
  const { usual } = useFields();
  const layer = piece.layers.find((l) => l.id === layerId)!;
  const region = plan.layers.find((l) => l.layerId === layerId)?.regions.find((r) => r.id === regionId);
  const passes = piece.sittings.flatMap((s) =>
    (s.fills ?? [])
      .filter((f) => f.layerId === layerId && f.region === regionId)
      .map((fill) => ({ fill, sitting: s.id })),
  );
  const on = { layer: layerId, regions: [regionId] };
  const own = layer.regionDepths?.find((d) => d.region === regionId)?.depthMm ?? null;
  const alike = (plan.layers.find((l) => l.layerId === layerId)?.regions ?? [])
    .filter((r) => r.cupId === region?.cupId && r.fits)
    .map((r) => r.id);
  const noted = view.runs.some((r) =>
    r.pours.some((p) => p.layerId === layerId && p.regionId === regionId && p.pouredMl != null),
  );
  const open = plan.layers.find((l) => l.layerId === layerId)?.openRegions.includes(regionId) ?? false;
  // What is left is taken by a pass over what was poured.
  const taken = passes.length > 1 && passes.at(-1)!.fill.depthMm == null;
  const others = plan.sittings.filter((s) => s.sittingId !== sittingPlan.sittingId && !s.poured);
  const pourIn = (to: string, regions: string[]) =>
    to === 'bare'
      ? edit({ do: 'leave-bare', layer: layerId, regions })
      : edit({ do: 'pour-apart', layer: layerId, regions, sitting: to === 'new' ? null : to });
  const choices = [
    ['here', 'in this sitting'] as const,
    ...others.map((s) => [s.sittingId, `in ${s.name}`] as const),
    ['new', 'in a new sitting before it'] as const,
    ['bare', 'not at all: it stays bare'] as const,
  ];
  return (
    <div className="pour-detail" role="group" aria-label={`How ${name} is poured`}>
      {passes.length < 2 && (
        <>
          <Choice
            label="Poured"
            value="here"
            choices={choices}
            onChange={(to) => (to === 'here' ? undefined : pourIn(to, on.regions))}
          />
          {alike.length > 1 && (
            <Choice
              label={`All ${alike.length} of this colour`}
              value="here"
              choices={choices}
              onChange={(to) => (to === 'here' ? undefined : pourIn(to, alike))}
            />
          )}
        </>
      )}
      {region?.kind !== 'puddle-ring' && region?.kind !== 'line' && (
        <>
          <NumberField
            label="Depth of this region"
            unit="mm"
            empty={layer.depthMm}
            value={own}
            takes={{ field: 'layers.regionDepths.depthMm' }}
            error={say(`layers[${layerId}].regionDepths[${regionId}].depthMm`)}
            onChange={(depthMm) =>
              void edit({ do: 'set-region-depth', layer: layerId, region: regionId, depthMm })
            }
          />
          {passes.length < 2 && (
            <WayOf layerId={layerId} region={regionId} fill={passes[0]?.fill ?? null} label="Laid" />
          )}
          {passes.length === 1 && passes[0]!.fill.way !== 'poured' && (
            <NumberAt
              place={`sittings[${passes[0]!.sitting}].fills[${passes[0]!.fill.id}].depthMm`}
              label="How deep that comes out"
              unit="mm"
              empty={usual[`sittings.fills.${passes[0]!.fill.way}`] ?? ''}
              value={passes[0]!.fill.depthMm ?? null}
            />
          )}
          {passes.length > 1 && (
            <ol className="passes" aria-label={`Passes over ${name}, the lowest first`}>
              {passes.map(({ fill, sitting }) => (
                <Pass key={fill.id} fill={fill} sitting={sitting} />
              ))}
            </ol>
          )}
          <StonesIn layerId={layerId} region={regionId} />
          {noted && !open && (
            <p className="hint">
              All of it is poured. Give the region more depth for another pass, or pour a layer over it.
            </p>
          )}
          <p className="row-buttons">
            {(noted ? (open && !taken ? [false] : []) : [true, false]).map((below) => (
              <button
                key={String(below)}
                type="button"
                className="btn btn-outline-primary"
                onClick={() =>
                  void edit({
                    do: 'add-pass',
                    layer: layerId,
                    region: regionId,
                    sitting: null,
                    below,
                    recipe: null,
                    rest: noted,
                  })
                }
              >
                {noted ? 'Fill the rest with clear' : below ? 'Clear below it' : 'Clear over it'}
              </button>
            ))}
          </p>
        </>
      )}
    </div>
  );
}

const ways = [
  ['poured', 'poured to its depth'],
  ['fingered', 'rubbed on with the finger'],
  ['combed', 'drawn out with a comb'],
  ['domed', 'as a dome'],
  ['drizzled', 'drizzled over what lies there'],
] as const;

/** How a region or a pass is laid. */
function WayOf({
  layerId,
  region,
  fill,
  label,
}: {
  layerId: string;
  region: string;
  fill: Fill | null;
  label: string;
}) {
  const { edit } = useEdits();
  return (
    <Choice
      label={label}
      value={fill?.way ?? 'poured'}
      choices={ways}
      onChange={(way) => edit({ do: 'lay-region', layer: layerId, region, fill: fill?.id ?? null, way })}
    />
  );
}

/** One pass: how deep, from which colour, in which sitting. */
function Pass({ fill, sitting }: { fill: Fill; sitting: string }) {
  const { piece, plan } = useStation();
  const { edit } = useEdits();
  const { usual } = useFields();
  const name = (id: string) => piece.recipes.find((r) => r.id === id)?.name ?? '?';
  return (
    <li>
      <NumberAt
        place={`sittings[${sitting}].fills[${fill.id}].depthMm`}
        label="Depth of the pass"
        quiet
        unit="mm"
        empty={usual[`sittings.fills.${fill.way}`] ?? 'the rest'}
        value={fill.depthMm ?? null}
      />{' '}
      of{' '}
      <Choice
        label="Colour of the pass"
        quiet
        value={fill.recipeId ?? 'own'}
        choices={[
          ['own', "the region's colour"],
          ...piece.recipes.filter((r) => !r.secondOf).map((r) => [r.id, r.name] as const),
        ]}
        onChange={(to) => edit({ do: 'colour-pass', fill: fill.id, recipe: to === 'own' ? null : to })}
      />
      <WayOf layerId={fill.layerId} region={fill.region} fill={fill} label="laid" />
      {plan.sittings.length > 1 && (
        <small className="hint"> in {plan.sittings.find((s) => s.sittingId === sitting)?.name}</small>
      )}
      <button
        type="button"
        className="icon"
        aria-label={`Leave out the pass of ${fill.recipeId ? name(fill.recipeId) : "the region's colour"}`}
        onClick={() => void edit({ do: 'leave-pass-out', fill: fill.id })}
      >
        ×
      </button>
    </li>
  );
}
