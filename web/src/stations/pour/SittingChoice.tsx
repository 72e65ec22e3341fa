import { useSearchParams } from 'react-router';
import { TextAt } from '../../parts/At';
import { Choice } from '../../parts/Choice';
import { useEdits } from '../../parts/editing';
import { localText } from '../../units/format';
import { useStation } from '../station';

/** The sittings of the layer: which is looked at, what it is called, and what else it can be poured with. */
export function SittingChoice() {
  const { piece, plan, layer, layerPlan, sittingPlan } = useStation();
  const [, setSearch] = useSearchParams();
  const { edit } = useEdits();
  const sittings = plan.sittings.filter((s) => layerPlan.sittingIds.includes(s.sittingId));
  const own = piece.sittings.find((s) => s.id === sittingPlan.sittingId)!;
  const at = plan.sittings.indexOf(sittingPlan);
  const others = plan.sittings.filter((s) => s !== sittingPlan && !s.poured);
  const move = (by: number) => void edit({ do: 'move-sitting', sitting: own.id, by });
  return (
    <div className="sitting-choice">
      {sittings.length > 1 && (
        <ol aria-label={`Sittings of ${layer.name}`}>
          {sittings.map((s) => (
            <li key={s.sittingId}>
              <button
                type="button"
                aria-pressed={s === sittingPlan}
                onClick={() => setSearch({ layer: layer.id, sitting: s.sittingId }, { replace: true })}
              >
                <b>{s.name}</b>{' '}
                <small>
                  {s.done ? 'poured' : s.span ? localText(s.span.start.local) : 'no start yet'}
                  {', '}
                  {s.pours.length === 1 ? 'one pour' : `${s.pours.length} pours`}
                </small>
              </button>
            </li>
          ))}
        </ol>
      )}
      {plan.sittings.length > 1 && (
        <details>
          <summary>This sitting: {sittingPlan.name}</summary>
          <p className="line">
            <TextAt
              place={`sittings[${own.id}].name`}
              label="Name of the sitting"
              value={own.name ?? sittingPlan.name}
            />
          </p>
          {!sittingPlan.poured && (
            <p className="row-buttons">
              <button
                type="button"
                className="btn btn-outline-primary"
                disabled={at === 0}
                onClick={() => move(-1)}
              >
                Earlier
              </button>
              <button
                type="button"
                className="btn btn-outline-primary"
                disabled={at === plan.sittings.length - 1}
                onClick={() => move(1)}
              >
                Later
              </button>
              {own.rest.length > 1 && (
                <button
                  type="button"
                  className="btn btn-outline-primary"
                  onClick={() => void edit({ do: 'pour-layer-apart', layer: layer.id })}
                >
                  Pour {layer.name} by itself
                </button>
              )}
            </p>
          )}
          {!sittingPlan.poured && others.length > 0 && (
            <Choice
              label="Pour it together with"
              value="none"
              choices={[['none', 'no other'], ...others.map((s) => [s.sittingId, s.name] as const)]}
              onChange={(into) =>
                into === 'none' ? undefined : edit({ do: 'join-sittings', sitting: own.id, into })
              }
            />
          )}
        </details>
      )}
    </div>
  );
}
