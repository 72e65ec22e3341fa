import { useMutation, useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import type { LibraryMould, MouldView } from '../api/client';
import { Refused } from '../api/client';
import { keepMould, noteUse } from '../api/changes';
import { mouldsQuery } from '../api/queries';
import { useWorkshop } from '../units/workshop';
import { Choice } from '../parts/Choice';
import { NumberField } from '../parts/NumberField';
import { TextField } from '../parts/TextField';
import { TimeField } from '../parts/TimeField';
import { HowNumber } from '../parts/HowNumber';
import { fieldText, localText, wireText } from '../units/format';
import { FromDrawing } from '../stations/ground/FromDrawing';
import { useUnits } from '../units/units';
import { Ledge, Standing } from './Ledge';
import { LeftOvers } from './LeftOvers';
import { LedgesProvider } from './ledges';
import { Materials } from './Materials';
import { Pots } from './Pots';
import { Recipes } from './Recipes';
import { Sequences } from './Sequences';
import { useKept } from './useKept';
import { Ways } from './Ways';
import './CupboardPage.scss';

const fresh: LibraryMould = {
  name: 'New mould',
  outline: { shape: 'round', diameterMm: 100 },
  depthMm: 10,
  from: 'dimensions',
  capacityMl: null,
  cavitiesEach: 1,
  owned: 1,
  note: '',
  cavityDepths: null,
};

/** What the workshop has, on its shelves; the one thing that was taken down is told about beside its shelf. */
export function CupboardPage() {
  const [open, turn] = useState<string | null>(null);
  const ledges = useMemo(() => ({ open, turn }), [open]);
  return (
    <LedgesProvider value={ledges}>
      <main id="main" className="cupboard">
        <h1>Cupboard</h1>
        <p className="hint">Press a thing to take it down, and once more to put it back.</p>
        <div className="carcass">
          <Moulds />
          <Materials />
          <Pots />
          <Recipes />
          <LeftOvers />
          <Sequences />
        </div>
        <Ways />
      </main>
    </LedgesProvider>
  );
}

/** Highest mould on the shelf, CSS pixels. */
const shelfPx = 104;

const timesCast = (n: number) => (n === 0 ? '' : `, cast ${n === 1 ? 'once' : `${n} times`}`);
const saysOf = ({ mould, castings }: MouldView) =>
  `${mould.owned === 0 ? 'none left' : `I own ${mould.owned}`}${timesCast(castings)}`;

/** The moulds at their true relative size. */
function Moulds() {
  const { data: moulds, error } = useQuery(mouldsQuery);
  const kept = useKept(mouldsQuery, keepMould, 'moulds');
  const mould = moulds?.find((m) => m.id === kept.chosen);
  const scale = shelfPx / Math.max(1, ...(moulds ?? []).map((m) => m.heightMm));
  return (
    <Ledge
      label="Moulds"
      hint="At their true relative size. What they hold, and how many there are, goes into every casting."
      add={{ text: 'A new mould', onAdd: () => kept.add(fresh) }}
      beside={
        mould && (
          <Taken
            key={mould.id}
            view={mould}
            refused={kept.refused}
            save={(to) => kept.save(mould.id, mould.version, to)}
          />
        )
      }
    >
      {error && <li className="say-wrong">{error.message}</li>}
      {moulds?.length === 0 && <li className="hint">There is no mould here yet.</li>}
      {moulds?.map((m) => (
        <Standing
          key={m.id}
          chosen={m.id === mould?.id}
          onTake={() => kept.take(m.id)}
          name={m.mould.name}
          says={saysOf(m)}
        >
          <svg
            width={m.widthMm * scale + 8}
            height={m.heightMm * scale + 8}
            viewBox={`${-4 / scale} ${-4 / scale} ${m.widthMm + 8 / scale} ${m.heightMm + 8 / scale}`}
            aria-hidden
          >
            <path d={m.path} fillRule="evenodd" vectorEffect="non-scaling-stroke" />
          </svg>
        </Standing>
      ))}
    </Ledge>
  );
}

type MouldShape = LibraryMould['outline']['shape'];

const shapes: readonly (readonly [MouldShape, string])[] = [
  ['round', 'round'],
  ['oval', 'oval'],
  ['rectangle', 'rectangular'],
  ['drawn', 'a drawn shape'],
];

interface TakenProps {
  view: MouldView;
  refused: Refused | null;
  save: (to: LibraryMould) => void;
}

/** A mould as a sentence, and its log. */
function Taken({ view, refused, save }: TakenProps) {
  const units = useUnits();
  const { mould } = view;
  const { outline } = mould;
  const change = (to: Partial<LibraryMould>) => save({ ...mould, ...to });
  const say = (field: string) => refused?.errors[field]?.[0];
  const size = (label: string, key: 'widthMm' | 'heightMm' | 'diameterMm') => (
    <NumberField
      label={label}
      quiet
      unit="mm"
      value={key in outline ? (outline as unknown as Record<typeof key, number>)[key] : null}
      takes={{ field: `ground.outline.${key}` }}
      error={say(`outline.${key}`)}
      onChange={(v) => change({ outline: { ...outline, [key]: v ?? 0 } as LibraryMould['outline'] })}
    />
  );
  const count = (label: string, key: 'cavitiesEach' | 'owned', unit: string) => (
    <NumberField
      label={label}
      quiet
      unit={unit}
      value={mould[key]}
      error={say(key)}
      onChange={(v) => change({ [key]: Math.round(v ?? 0) })}
    />
  );
  return (
    <div className="taken-mould">
      <section aria-label="The mould">
        <div className="sentence">
          <p>
            <TextField
              label="Name of the mould"
              quiet
              value={mould.name}
              error={say('name')}
              onChange={(name) => change({ name })}
            />
            {' is '}
            <Choice
              label="Shape of the mould"
              quiet
              value={outline.shape}
              choices={shapes.filter(([s]) => s !== 'drawn' || outline.shape === 'drawn')}
              onChange={(shape) =>
                shape !== outline.shape &&
                shape !== 'drawn' &&
                change({ outline: plain(shape, view), cavityDepths: null })
              }
            />
            {', '}
            {outline.shape === 'round' ? (
              <>{size('Diameter', 'diameterMm')} across</>
            ) : outline.shape === 'drawn' || outline.shape === 'slice' ? (
              `${units.part(view.widthMm, 'mm').text} × ${units.show(view.heightMm, 'mm')}`
            ) : (
              <>
                {size('Width', 'widthMm')} by {size('Height', 'heightMm')}
              </>
            )}
            {' and '}
            <NumberField
              label="Depth"
              quiet
              unit="mm"
              value={mould.depthMm}
              takes={{ field: 'ground.mould.depthMm' }}
              error={say('depthMm')}
              onChange={(v) => change({ depthMm: v ?? 0 })}
            />
            {' deep, or '}
            <FromDrawing onRead={(read) => change({ outline: read, cavityDepths: null })} />.
          </p>
          {mould.cavityDepths && (
            <p>
              Its cavities from left to right are{' '}
              {mould.cavityDepths.map((d) => units.show(d.depthMm, 'mm', 1)).join(', ')} deep.
            </p>
          )}
          <p>
            I own {count('How many I own', 'owned', '')}, each with{' '}
            {count('Cavities of one mould', 'cavitiesEach', mould.cavitiesEach === 1 ? 'cavity' : 'cavities')}
            ; one holds{' '}
            <Choice
              label="What it holds"
              quiet
              value={mould.from}
              choices={[
                ['dimensions', 'what its size gives'],
                ['water', 'the water I measured,'],
                ['maker', 'what its maker says,'],
              ]}
              onChange={(from) =>
                change({ from, capacityMl: from === 'dimensions' ? null : (mould.capacityMl ?? round(view)) })
              }
            />{' '}
            {mould.from !== 'dimensions' && (
              <NumberField
                label="Capacity"
                quiet
                unit="ml"
                value={mould.capacityMl}
                takes={{ field: 'ground.mould.capacityMl' }}
                error={say('capacityMl')}
                onChange={(v) => v !== null && change({ capacityMl: v })}
              />
            )}
            {mould.from === 'dimensions' && <HowNumber of={view.capacity} label="Capacity" decimals={0} />}.
          </p>
        </div>
        <TextField
          label="Note"
          value={mould.note}
          lines={2}
          error={say('note')}
          onChange={(note) => change({ note })}
        />
        {refused && Object.keys(refused.errors).length === 0 && (
          <p className="say-wrong">{refused.message}</p>
        )}
      </section>
      <Log view={view} />
    </div>
  );
}

const round = (view: MouldView) => Math.max(1, Math.round(view.capacity.value));

function plain(shape: 'round' | 'oval' | 'rectangle' | 'slice', view: MouldView): LibraryMould['outline'] {
  const [widthMm, heightMm] = [Math.round(view.widthMm), Math.round(view.heightMm)];
  return shape === 'round'
    ? { shape, diameterMm: Math.min(widthMm, heightMm) }
    : { shape: shape === 'oval' ? 'oval' : 'rectangle', widthMm, heightMm };
}

/** What happened to a mould, the latest first: castings of the log, and what is noted here. */
function Log({ view }: { view: MouldView }) {
  const noting = useMutation(noteUse(view.id));
  const { data: workshop } = useWorkshop();
  const [what, setWhat] = useState('');
  const [at, setAt] = useState<string | null>(null);
  const [castings, setCastings] = useState(1);
  const [hottest, setHottest] = useState<number | null>(null);
  const say = (field: string) =>
    noting.error instanceof Refused ? noting.error.errors[field]?.[0] : undefined;
  const when = at ?? workshop?.now.local ?? '';
  const note = () =>
    noting.mutate(
      { at: when, what, castings, hottestC: hottest },
      {
        onSuccess: () => {
          setWhat('');
          setAt(null);
          setHottest(null);
        },
      },
    );
  return (
    <section aria-label="Its log" className="mould-log">
      <h2>Its log: {view.castings === 1 ? '1 casting' : `${view.castings} castings`}</h2>
      {view.uses.length === 0 && (
        <p className="hint">Nothing yet. Castings from the log of a piece come by themselves.</p>
      )}
      <ol>
        {view.uses.map((use, i) => (
          <li key={i}>
            <time>{localText(use.at.local)}</time>
            <span>
              {use.what}
              {use.castings > 0 && (
                <small> {use.castings === 1 ? '1 casting' : `${use.castings} castings`}</small>
              )}
            </span>
            {use.hottest && <HowNumber of={use.hottest} label={`Hottest, ${use.what}`} decimals={0} />}
          </li>
        ))}
      </ol>
      {/* Enter takes what was typed in a field; only the button notes it. */}
      <form
        onKeyDown={(e) => e.key === 'Enter' && e.target instanceof HTMLInputElement && e.preventDefault()}
        onSubmit={(e) => {
          e.preventDefault();
          note();
        }}
      >
        <TextField
          label="What else happened to it"
          value={what}
          live
          error={say('what')}
          onChange={setWhat}
        />
        <TimeField
          label="When"
          value={fieldText(when)}
          error={say('at')}
          onChange={(to) => setAt(wireText(to))}
        />
        <NumberField
          label="Castings"
          unit=""
          value={castings}
          error={say('castings')}
          onChange={(v) => setCastings(Math.round(v ?? 0))}
        />
        <NumberField
          label="Hottest"
          unit="°C"
          empty=""
          value={hottest}
          error={say('hottestC')}
          onChange={setHottest}
        />
        <button type="submit" className="btn btn-outline-primary">
          Note it
        </button>
      </form>
    </section>
  );
}
