import { NumberAt } from '../../parts/At';
import { HowNumber } from '../../parts/HowNumber';
import { useEdits } from '../../parts/editing';
import { useStation } from '../station';

/** A rim or inserts of mould rubber: how they are shaped, what they take by weight, and how long there is. */
export function Rubber() {
  const { plan, piece } = useStation();
  const { edit } = useEdits();
  const { ground } = piece;
  const casts = ground.rubber ?? [];
  const inserts = (ground.mould?.inserts ?? []).filter((i) => !casts.some((c) => c.insertId === i.id));
  // What is taped has no use for a rim of rubber.
  const rim = ground.edge === 'walled' && casts.every((c) => c.insertId != null);
  if (!rim && inserts.length === 0 && casts.length === 0) return null;
  return (
    <section aria-label="Mould rubber" className="dryings">
      <h3>Mould rubber</h3>
      {casts.length > 0 && (
        <ul>
          {casts.map((cast) => {
            const worked = plan.rubber.find((r) => r.id === cast.id);
            if (!worked) return null;
            const { name } = worked;
            const at = `ground.rubber[${cast.id}]`;
            const isRim = cast.insertId == null;
            const field = (
              key: 'widthMm' | 'heightMm' | 'faceDeg' | 'backDeg',
              label: string,
              unit: string,
            ) => (
              <NumberAt
                place={`${at}.${key}`}
                label={`${name} of rubber, ${label}`}
                quiet
                unit={unit}
                value={cast[key]}
              />
            );
            return (
              <li key={cast.id} className="line-detail">
                <p className="line">
                  <b>{name}</b>{' '}
                  {isRim && (
                    <span className="with-comma">
                      {field('widthMm', 'wide at its foot', 'mm')} wide at its foot,
                    </span>
                  )}{' '}
                  <span className="with-comma">{field('heightMm', 'high', 'mm')} high</span>
                </p>
                <p className="line">
                  its face leans{' '}
                  <span className="with-comma">
                    {field('faceDeg', 'face leans', '°')} away from the resin
                  </span>
                </p>
                {isRim && (
                  <p className="line">
                    its back leans{' '}
                    <span className="with-comma">{field('backDeg', 'back leans', '°')} in</span>
                  </p>
                )}
                <p className="line">
                  crystals pressed in{' '}
                  <NumberAt
                    place={`${at}.crystalsG`}
                    label={`${name} of rubber, crystals`}
                    quiet
                    unit="g"
                    empty="none"
                    value={cast.crystalsG ?? null}
                  />
                </p>
                {worked.undercut && (
                  <p className="say-wrong">
                    It leans over the resin by{' '}
                    <HowNumber of={worked.undercut} label={`${name}, undercut`} decimals={1} />: an undercut.
                  </p>
                )}
                <p>
                  <HowNumber of={worked.grams} label={`${name}, rubber to mix`} decimals={0} />
                  {' to mix: '}
                  <HowNumber of={worked.first} label={`${name}, first part`} decimals={1} />
                  {' and '}
                  <HowNumber of={worked.second} label={`${name}, second part`} decimals={1} />
                  {' on the scale. Pour it and press crystals in within '}
                  <HowNumber of={worked.works} label={`${name}, working time`} decimals={0} />
                  {'; it is firm after '}
                  <span className="with-comma">
                    <HowNumber of={worked.sets} label={`${name}, sets in`} decimals={0} />.
                  </span>
                </p>
                <div className="row-buttons">
                  <button
                    type="button"
                    className="btn btn-outline-primary"
                    aria-label={`Take away: ${name} of rubber`}
                    onClick={() => void edit({ do: 'leave-rubber-out', id: cast.id })}
                  >
                    Take away
                  </button>
                </div>
              </li>
            );
          })}
        </ul>
      )}
      <div className="row-buttons">
        {rim && (
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => void edit({ do: 'cast-of-rubber', insert: null })}
          >
            + A rim of rubber
          </button>
        )}
        {inserts.map((insert) => (
          <button
            key={insert.id}
            type="button"
            className="btn btn-outline-primary"
            onClick={() => void edit({ do: 'cast-of-rubber', insert: insert.id })}
          >
            + {insert.name} of rubber
          </button>
        ))}
      </div>
    </section>
  );
}
