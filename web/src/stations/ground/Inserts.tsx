import type { Ground } from '../../api/client';
import { NumberAt, TextAt } from '../../parts/At';
import { Choice } from '../../parts/Choice';
import { useEdits } from '../../parts/editing';
import type { Insert } from './kinds';

type InsertShape = 'round' | 'oval' | 'rectangle';

const shapes: readonly (readonly [InsertShape, string])[] = [
  ['round', 'round'],
  ['oval', 'oval'],
  ['rectangle', 'rectangular'],
];

/** Inserts that stand in the mould while it is filled. */
export function Inserts({ ground }: { ground: Ground }) {
  const { edit, say } = useEdits();
  const { mould } = ground;
  if (!mould || ground.outline.shape === 'drawn') return null;
  const inserts = mould.inserts ?? [];
  const wrong = say('ground.mould.inserts');
  return (
    <>
      {inserts.map((insert) => (
        <OneInsert key={insert.id} insert={insert} />
      ))}
      <p>
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'stand-insert' })}
        >
          {inserts.length === 0 ? 'Stand an insert in it' : 'Another insert'}
        </button>
        {wrong && (
          <span className="field-error" role="alert">
            {wrong}
          </span>
        )}
      </p>
    </>
  );
}

function OneInsert({ insert }: { insert: Insert }) {
  const { edit, say } = useEdits();
  const { outline } = insert;
  const at = `ground.mould.inserts[${insert.id}]`;
  const size = (label: string, key: 'widthMm' | 'heightMm' | 'diameterMm') => (
    <NumberAt
      place={`${at}.outline.${key}`}
      label={`${label} of ${insert.name}`}
      quiet
      unit="mm"
      value={key in outline ? (outline as unknown as Record<typeof key, number>)[key] : null}
    />
  );
  const height = (label: string, key: 'floorMm' | 'recessMm') => (
    <NumberAt
      place={`${at}.${key}`}
      label={`${label} of ${insert.name}`}
      quiet
      unit="mm"
      value={insert[key]}
    />
  );
  return (
    <p className="insert">
      with an insert, <TextAt place={`${at}.name`} label="Name of the insert" quiet value={insert.name} />
      {', '}
      <Choice
        label={`Shape of ${insert.name}`}
        quiet
        value={outline.shape as InsertShape}
        choices={shapes}
        onChange={(shape) => edit({ do: 'shape-insert', insert: insert.id, shape })}
      />
      {', '}
      {outline.shape === 'round' ? (
        <>{size('Diameter', 'diameterMm')} across</>
      ) : (
        <>
          {size('Width', 'widthMm')} by {size('Height', 'heightMm')}
        </>
      )}
      ,{' '}
      <NumberAt
        place={`${at}.heightMm`}
        label={`Height of ${insert.name} above its foot`}
        quiet
        empty="to the top"
        unit="mm"
        value={insert.heightMm ?? null}
      />{' '}
      high, its foot {height('Foot', 'floorMm')} above the floor; its hollow is filled{' '}
      {insert.recessMm === 0 ? 'flush, or recessed by' : 'recessed by'} {height('Recess', 'recessMm')}{' '}
      <button
        type="button"
        className="btn btn-outline-primary"
        onClick={() => void edit({ do: 'take-insert-out', insert: insert.id })}
      >
        without {insert.name}
      </button>
      {say(at) && <span className="field-error">{say(at)}</span>}
    </p>
  );
}
