import { NumberAt, TextAt } from '../../parts/At';
import { TimeField } from '../../parts/TimeField';
import { useEdits } from '../../parts/editing';
import { fieldText, localText, wireText } from '../../units/format';
import { useStation } from '../station';

const kinds = [
  ['crackle-paste', 'Crackle paste'],
  ['glue', 'Glue'],
  ['mask', 'Peelable mask'],
  ['other', 'Something else'],
] as const;

/** What else has to dry before the layer is poured: how long, and when it was put on. */
export function Dryings() {
  const { piece, layer, layerPlan } = useStation();
  const { edit } = useEdits();
  const own = (piece.dries ?? []).filter((d) => d.layerId === layer.id);
  return (
    <section aria-label="What else dries" className="dryings">
      <h3>What else has to dry</h3>
      {own.length > 0 && (
        <ul>
          {own.map((d) => {
            const waits = layerPlan.waits.find((w) => w.id === d.id);
            const name = waits?.name ?? d.name ?? '';
            const at = `dries[${d.id}]`;
            const mark = (done: boolean, when: string | null = null) =>
              void edit({ do: 'mark-laid', lines: [d.id], done, at: when });
            return (
              <li key={d.id} className="line-detail">
                <p className="line">
                  <TextAt place={`${at}.name`} label={`What dries: ${name}`} quiet value={name} />
                  <span className="with-comma">
                    <NumberAt
                      place={`${at}.hours`}
                      label={`${name}, dries`}
                      quiet
                      unit="h"
                      empty={waits?.dry ? `${waits.dry.value}, typical` : '?'}
                      value={d.hours ?? null}
                    />
                    {' to dry'}
                  </span>
                </p>
                <p className="hint">
                  {d.laid
                    ? waits?.ready
                      ? `ready ${localText(waits.ready)}`
                      : 'on; say when, and it is known when it is ready'
                    : 'not on yet'}
                </p>
                <div className="row-buttons">
                  <button
                    type="button"
                    className="btn btn-outline-primary"
                    aria-pressed={d.laid != null}
                    aria-label={d.laid ? `It is on: ${name}` : `Mark as on: ${name}`}
                    onClick={() => mark(d.laid == null)}
                  >
                    {d.laid ? 'It is on' : 'Mark as on'}
                  </button>
                  <button
                    type="button"
                    className="btn btn-outline-primary"
                    aria-label={`Take away: ${name}`}
                    onClick={() => void edit({ do: 'take-line-away', line: d.id })}
                  >
                    Take away
                  </button>
                </div>
                {d.laid && (
                  <TimeField
                    label={`${name}, put on at`}
                    value={fieldText(d.laid.at as string | undefined)}
                    onChange={(to) => mark(true, wireText(to))}
                  />
                )}
              </li>
            );
          })}
        </ul>
      )}
      <div className="row-buttons">
        {kinds.map(([kind, words]) => (
          <button
            key={kind}
            type="button"
            className="btn btn-outline-primary"
            onClick={() => void edit({ do: 'add-drying', layer: layer.id, kind })}
          >
            + {words}
          </button>
        ))}
      </div>
    </section>
  );
}
