import { Choice, NumberField, TextField } from '../../parts/Fields';
import type { PartProps } from './parts';
import type { Insert, Mould } from './kinds';
import { boxOf } from './kinds';

type InsertShape = 'round' | 'oval' | 'rectangle';

const shapes: readonly (readonly [InsertShape, string])[] = [
  ['round', 'round'],
  ['oval', 'oval'],
  ['rectangle', 'rectangular'],
];

/** The same place and size in another shape. */
function shaped(insert: Insert, shape: InsertShape): Insert {
  const [widthMm, heightMm] = boxOf(insert.outline);
  const outline =
    shape === 'round'
      ? { shape, diameterMm: Math.min(widthMm, heightMm) }
      : { shape, widthMm, heightMm: shape === 'oval' && widthMm === heightMm ? heightMm * 0.7 : heightMm };
  return { ...insert, outline };
}

/** Inserts that stand in the mould while it is filled. */
export function Inserts({ ground, say, set }: PartProps) {
  const { mould } = ground;
  if (!mould || ground.outline.shape === 'drawn') return null;
  const inserts = mould.inserts ?? [];
  const keep = (to: Insert[]) => set({ mould: { ...mould, inserts: to.length > 0 ? to : null } });
  return (
    <>
      {inserts.map((insert, i) => (
        <OneInsert
          key={insert.id}
          insert={insert}
          say={(field) => say(`ground.mould.inserts[${insert.id}].${field}`)}
          onChange={(to) => keep(inserts.with(i, to))}
          onDrop={() => keep(inserts.filter((x) => x.id !== insert.id))}
        />
      ))}
      <p>
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => keep([...inserts, next(ground.outline, mould)])}
        >
          {inserts.length === 0 ? 'Stand an insert in it' : 'Another insert'}
        </button>
        {say('ground.mould.inserts') && (
          <span className="field-error" role="alert">
            {say('ground.mould.inserts')}
          </span>
        )}
      </p>
    </>
  );
}

/** A further insert, beside the others as far as there is room. */
function next(outline: PartProps['ground']['outline'], mould: Mould): Insert {
  const [width, height] = boxOf(outline);
  const across = Math.max(5, Math.round(Math.min(width, height) / 4));
  const taken = mould.inserts ?? [];
  const places = [0.5, 0.25, 0.75, 0.38, 0.62];
  const at = places[taken.length % places.length]!;
  const number = Math.max(0, ...taken.map((i) => Number(i.id.split('-')[1]) || 0)) + 1;
  return {
    id: `insert-${number}`,
    name: number === 1 ? 'hollow' : `hollow ${number}`,
    outline: { shape: 'round', diameterMm: across },
    xMm: Math.round(width * at - across / 2),
    yMm: Math.round(height / 2 - across / 2),
    floorMm: 0,
    recessMm: 0,
  };
}

interface OneProps {
  insert: Insert;
  say: (field: string) => string | undefined;
  onChange: (insert: Insert) => void;
  onDrop: () => void;
}

function OneInsert({ insert, say, onChange, onDrop }: OneProps) {
  const { outline } = insert;
  const size = (label: string, key: 'widthMm' | 'heightMm' | 'diameterMm') => (
    <NumberField
      label={`${label} of ${insert.name}`}
      quiet
      unit="mm"
      width={44}
      value={key in outline ? (outline as unknown as Record<typeof key, number>)[key] : null}
      takes={`ground.mould.inserts.outline.${key}`}
      error={say(`outline.${key}`)}
      onChange={(v) => onChange({ ...insert, outline: { ...outline, [key]: v ?? 0 } as Insert['outline'] })}
    />
  );
  const height = (label: string, key: 'floorMm' | 'recessMm') => (
    <NumberField
      label={`${label} of ${insert.name}`}
      quiet
      unit="mm"
      width={40}
      value={insert[key]}
      takes={`ground.mould.inserts.${key}`}
      error={say(key)}
      onChange={(v) => onChange({ ...insert, [key]: v ?? 0 })}
    />
  );
  return (
    <p className="insert">
      with an insert,{' '}
      <TextField
        label="Name of the insert"
        quiet
        value={insert.name}
        width={110}
        error={say('name')}
        onChange={(name) => onChange({ ...insert, name })}
      />
      {', '}
      <Choice
        label={`Shape of ${insert.name}`}
        quiet
        value={outline.shape as InsertShape}
        choices={shapes}
        onChange={(shape) => onChange(shaped(insert, shape))}
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
      <NumberField
        label={`Height of ${insert.name} above its foot`}
        quiet
        optional
        unit="mm"
        width={66}
        placeholder="to the top"
        value={insert.heightMm ?? null}
        takes="ground.mould.inserts.heightMm"
        error={say('heightMm')}
        onChange={(heightMm) => onChange({ ...insert, heightMm })}
      />{' '}
      high, its foot {height('Foot', 'floorMm')} above the floor; its hollow is filled{' '}
      {insert.recessMm === 0 ? 'flush, or recessed by' : 'recessed by'} {height('Recess', 'recessMm')}{' '}
      <button type="button" className="btn btn-outline-primary" onClick={onDrop}>
        without {insert.name}
      </button>
      {say('') && <span className="field-error">{say('')}</span>}
    </p>
  );
}
