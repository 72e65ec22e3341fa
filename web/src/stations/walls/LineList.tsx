import type { LinePlan } from '../../api/client';
import type { Line } from '../../editor/filled';
import { HowNumber } from '../../parts/HowNumber';
import { useEdits } from '../../parts/editing';
import { useUnits } from '../../units/units';
import { useWorkshop } from '../../units/workshop';
import { fieldText, localText, wireText } from '../../units/format';
import { useStation } from '../station';
import { LineDetail } from './LineDetail';
import { Swatch } from './Swatch';

const kinds = { resin: 'line', paste: 'paste', relief: 'raised line' } as const;

/** What a line is, in a word or two. */
export const kindOfLine = ({ material, course }: Line) =>
  material.kind === 'barrier' ? (course.kind === 'round' ? 'dam' : 'wall') : kinds[material.kind];

/** What something in a line is called: "wall, mere from cream". */
export const nameOfLine = (line: Line, plan?: LinePlan) => `${kindOfLine(line)}, ${plan?.name ?? '…'}`;

/** Every line of the layer: how long, how much, and when resin may meet it. */
export function LineList() {
  const { piece, layer, layerPlan, selected, select } = useStation();
  const { edit } = useEdits();
  const units = useUnits();
  const now = useWorkshop().data?.now.local;
  const dams = layer.id === piece.layers[0]?.id ? (piece.lines ?? []).filter((l) => l.layerId == null) : [];
  const all = [...layer.lines, ...dams];
  const laid = all.filter((l) => l.laid);
  const { toLay } = layerPlan.walls;
  if (all.length === 0) return null;
  const at = wireText(fieldText(now));
  return (
    <section aria-label="Lines" className="lines">
      <h3>
        Lines
        {toLay.length > 0 && (
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => void edit({ do: 'mark-laid', lines: toLay, done: true, at })}
          >
            {toLay.length === 1 ? 'It is laid' : `All ${toLay.length} are laid`}
          </button>
        )}
        {toLay.length === 0 && laid.length > 0 && (
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => void edit({ do: 'mark-laid', lines: laid.map((l) => l.id), done: false })}
          >
            Not laid after all
          </button>
        )}
      </h3>
      <ul>
        {all.map((line) => {
          const plan = layerPlan.lines.find((l) => l.lineId === line.id);
          const open = selected?.kind === 'line' && selected.id === line.id;
          const name = nameOfLine(line, plan);
          return (
            <li key={line.id} data-open={open || undefined}>
              <div className="line-head">
                <button
                  type="button"
                  className="line-name"
                  aria-expanded={open}
                  onClick={() => select(open ? null : { kind: 'line', id: line.id })}
                >
                  <Swatch line={line} />
                  <span>
                    <b>{name}</b>
                    <small>{stateOf(line, plan, (v) => units.show(v, 'h', v < 1 ? 2 : 1))}</small>
                  </span>
                </button>
                {plan && (
                  <span className="line-takes">
                    <HowNumber of={plan.length} label={`${name}, long`} decimals={0} />
                    {plan.grams ? (
                      <HowNumber of={plan.grams} label={`${name}, takes`} decimals={0} />
                    ) : (
                      plan.ml && <HowNumber of={plan.ml} label={`${name}, takes`} decimals={1} />
                    )}
                    {plan.tubes && <HowNumber of={plan.tubes} label={`${name}, tubes`} decimals={2} />}
                  </span>
                )}
              </div>
              {open && <LineDetail line={line} plan={plan} name={name} />}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** When resin may meet it, in a few words. */
function stateOf(line: Line, plan: LinePlan | undefined, hours: (h: number) => string) {
  if (!plan) return '';
  if (plan.length.value === 0) return 'its border is gone';
  if (line.material.kind === 'resin' || line.material.kind === 'paste')
    return `laid last, ${Math.ceil(plan.draw.value)} min by hand`;
  if (plan.dry === null) return 'of what, and how high?';
  if (plan.ready) return `ready ${localText(plan.ready)}`;
  return line.laid
    ? `laid; ready ${hours(plan.dry.value)} after that`
    : `not laid; dries ${hours(plan.dry.value)}`;
}
