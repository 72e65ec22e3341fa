import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import type { Recipe, Schemas } from '../../api/client';
import { offersQuery, seenQuery } from '../../api/queries';
import { TextAt } from '../../parts/At';
import { useEdits } from '../../parts/editing';
import { HowNumber } from '../../parts/HowNumber';
import { PhotoColour } from '../../parts/PhotoColour';
import { ShadeBoard } from '../../parts/ShadeBoard';
import { useUnits } from '../../units/units';
import { capital } from '../../units/words';
import { useColourantNames } from '../cups/recipe/colourants';
import { Mixtures, useMixtures } from '../cups/recipe/FindColour';
import { useStation } from '../station';
import { usePouredOn } from './pouredOn';
import './ColourChooser.scss';

type Offer = Schemas['ColourOffer'];

interface Props {
  cup: Recipe;
  onDone: () => void;
}

/** What was done last, and the name before it. */
interface Last {
  by: 'shade' | 'offer';
  name: string;
}

/** What a cup is tinted with, chosen by how it will look where it is poured. */
export function ColourChooser({ cup, onDone }: Props) {
  const { layer, sittingPlan, layerPlan } = useStation();
  const { say } = useEdits();
  const { over } = usePouredOn(cup.id);
  const [tried, setTried] = useState<string | null>(null);
  const [last, setLast] = useState<Last | null>(null);
  // Of several after each other the name before the first is told.
  const act = (by: Last['by']) => setLast((now) => (now?.by === by ? now : { by, name: cup.name }));
  const mixed = (cup.of?.length ?? 0) > 0 || cup.doses.length > 1;
  const head = useRef<HTMLHeadingElement>(null);
  useEffect(() => head.current?.focus({ preventScroll: true }), []);
  const plan = sittingPlan.cups.cups.find((c) => c.cupId === cup.id);
  const from = useMixtures(cup, plan);
  const problem = say(`recipes[${cup.id}].colour`) ?? say(`recipes[${cup.id}].doses`);
  const shown = layerPlan.colours.find((c) => c.cupId === cup.id)?.colour ?? null;
  return (
    <section
      className="colour-chooser"
      aria-label={`The colour of ${cup.name}`}
      onKeyDown={(e) => {
        if (e.key !== 'Escape') return;
        e.stopPropagation();
        onDone();
      }}
    >
      <div className="chooser-head">
        <h2 ref={head} tabIndex={-1}>
          {cup.name}
        </h2>
        <button type="button" className="btn btn-primary" onClick={onDone}>
          Done
        </button>
      </div>
      <Now cup={cup} tried={tried} shown={mixed ? shown : null} />
      {problem && <p className="field-error">{problem}</p>}
      <Renamed cup={cup} last={last} />
      <Offers cup={cup} onTake={() => act('offer')} />
      {!mixed && cup.doses.length > 0 && (
        <details className="recipe-part" open>
          <summary>Another shade of it</summary>
          <Shades cup={cup} onTry={setTried} onTake={() => act('shade')} />
        </details>
      )}
      <details className="recipe-part">
        <summary>From a picture</summary>
        <PhotoColour label="Choose a picture" onPick={from.find} />
        {from.asked && (
          <>
            <p className="hint">
              The nearest that can be mixed from your colourants and those in these cups, as it is seen over{' '}
              {over}:
            </p>
            <Mixtures cup={cup} from={from} />
          </>
        )}
      </details>
      {!cup.secondOf && (
        <p className="line">
          <TextAt place={`recipes[${cup.id}].name`} label="It is called" value={cup.name} />
        </p>
      )}
      <p className="hint">
        Each swatch runs from nothing at its left to the full depth of the pour, over {over} ({layer.name}).
      </p>
    </section>
  );
}

/** As it is, or as it would be: how it looks, what it is, and how much it hides. */
function Now({ cup, tried, shown }: { cup: Recipe; tried: string | null; shown: string | null }) {
  const units = useUnits();
  const names = useColourantNames();
  const { on, over } = usePouredOn(cup.id);
  const { data } = useQuery({
    ...seenQuery({
      ...on,
      colour: tried ?? cup.seen ?? cup.colour,
      doses: cup.doses.map((d) => (tried || cup.seen ? { ...d, colour: null } : d)),
    }),
    enabled: !cup.of,
  });
  const [first, ...more] = cup.doses;
  const flakes = cup.doses.length === 1 ? data?.tilted : null;
  return (
    <>
      <Wedge wedge={data?.wedge ?? (shown ? [on.ground, shown] : [on.ground])} className="now" />
      <p>
        {cup.of
          ? `Filled from ${cup.of.length === 1 ? 'another cup and tinted further' : 'several cups'}: its colour comes from theirs.`
          : !first
            ? 'Clear resin, nothing stirred in.'
            : more.length > 0
              ? `Mixed from ${cup.doses.map((d) => names(d)).join(', ')}.`
              : `${capital(names(first))}, ${loadOf(first)}.`}{' '}
        {data && first && data.hides.value < 0.5 && `It deepens ${over} and hides nothing of it.`}
        {data && first && data.hides.value >= 0.5 && (
          <>
            Hides <HowNumber of={data.hides} label={`How much ${cup.name} hides`} decimals={0} /> of {over} at{' '}
            {units.show(on.depthMm, 'mm')}.
          </>
        )}
      </p>
      {flakes && <Tilted of={flakes} />}
    </>
  );
}

/** Flakes as they look when the piece is tilted, over light and over dark. */
function Tilted({ of }: { of: Schemas['TiltedColour'] }) {
  const row = (over: string, colours: string[]) => (
    <tr>
      <th scope="row">{over}</th>
      {colours.map((c, i) => (
        <td key={i} style={{ background: c }} aria-label={c} />
      ))}
    </tr>
  );
  return (
    <table className="tilted">
      <caption>As it is tilted, over light and over dark: worked out, not measured.</caption>
      <thead>
        <tr>
          <th />
          {of.anglesDeg.map((a) => (
            <th key={a} scope="col">
              {a}°
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {row('light', of.overLight)}
        {row('dark', of.overDark)}
      </tbody>
    </table>
  );
}

/** Whatever was called by its colour is called by the new one; a name of one's own is asked about. */
function Renamed({ cup, last }: { cup: Recipe; last: Last | null }) {
  const { edit, set } = useEdits();
  const { on } = usePouredOn(cup.id);
  const { data } = useQuery({
    ...seenQuery({ ...on, colour: cup.colour, doses: cup.doses }),
    enabled: !cup.of && cup.doses.length === 1,
  });
  if (cup.secondOf || !last) return null;
  const word = data?.word;
  const still = last.by === 'shade' && word && word !== cup.name && !cup.name.startsWith(`${word} `);
  return (
    <p className="line renamed" role="status">
      {still ? (
        <>
          <span>
            Still called <b>{cup.name}</b>.
          </span>
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => void edit({ do: 'recolour', recipe: cup.id, colour: cup.colour, name: word })}
          >
            Call it {word}
          </button>
        </>
      ) : cup.name !== last.name ? (
        <>
          <span>
            It is called <b>{cup.name}</b> now.
          </span>
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => void set(`recipes[${cup.id}].name`, last.name)}
          >
            Call it {last.name}
          </button>
        </>
      ) : null}
    </p>
  );
}

function Shades({
  cup,
  onTry,
  onTake,
}: {
  cup: Recipe;
  onTry: (colour: string | null) => void;
  onTake: () => void;
}) {
  const { edit } = useEdits();
  return (
    <ShadeBoard
      value={cup.seen ?? cup.colour}
      photo={false}
      onTry={onTry}
      onTake={(colour) => {
        if (colour === (cup.seen ?? cup.colour)) return;
        onTake();
        void edit({ do: 'recolour', recipe: cup.id, colour, name: null }).then(() => onTry(null));
      }}
    />
  );
}

const gilt = 'gilt';

/** What there is to choose from: clear and gold by one press, then what is at hand. */
function Offers({ cup, onTake }: { cup: Recipe; onTake: () => void }) {
  const { edit } = useEdits();
  const { on } = usePouredOn(cup.id);
  const { data } = useQuery(offersQuery(on));
  const take = (o: Pick<Offer, 'kept' | 'name' | 'colour' | 'doses'>) => {
    onTake();
    void edit(
      o.kept === null
        ? { do: 'choose-colour', recipe: cup.id, name: o.name, colour: o.colour, doses: o.doses }
        : { do: 'take-recipe', recipe: cup.id, kept: o.kept },
    );
  };
  const gold = data?.find((o) => o.from === 'usual' && o.name === gilt);
  const sequences = [...new Set(data?.flatMap((o) => o.of ?? []))];
  const group = (title: string, offers: Offer[] | undefined, open = false) =>
    offers && offers.length > 0 ? (
      <details className="recipe-part" open={open} key={title}>
        <summary>{title}</summary>
        <ul className="offers">
          {offers.map((o) => (
            <OneOffer key={`${o.kept}${o.name}${o.colour}`} of={o} cup={cup} onTake={() => take(o)} />
          ))}
        </ul>
      </details>
    ) : null;
  const own = data?.filter((o) => o.from === 'colourant' || o.from === 'recipe');
  return (
    <>
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-outline-primary"
          aria-pressed={!cup.of && cup.doses.length === 0}
          onClick={() => take({ kept: null, name: 'clear', colour: cup.colour, doses: [] })}
        >
          Clear
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          disabled={!gold}
          aria-pressed={gold ? chosen(gold, cup) : false}
          onClick={() => gold && take({ ...gold, name: 'gold vein' })}
        >
          <i className="gold" aria-hidden />
          Gold vein
        </button>
      </div>
      {group('In the Cupboard', own, true)}
      {group(
        'The usual colours',
        data?.filter((o) => o.from === 'usual'),
        own?.length === 0,
      )}
      {sequences.map((name) =>
        group(
          `From the sequence ${name}`,
          data?.filter((o) => o.of === name),
        ),
      )}
    </>
  );
}

function OneOffer({ of, cup, onTake }: { of: Offer; cup: Recipe; onTake: () => void }) {
  const names = useColourantNames();
  const [first] = of.doses;
  const stirredIn = (dose: Offer['doses'][number]) =>
    of.doses.length > 1
      ? `${of.doses.length} colourants`
      : `${names({ ...dose, colourantId: null })}, ${loadOf(dose)}`;
  const hides = of.seen.hides.value < 0.5 ? 'hides nothing' : `hides ${of.seen.hides.value.toFixed(0)} %`;
  return (
    <li>
      <button type="button" className="offer" aria-pressed={chosen(of, cup)} onClick={onTake}>
        <Wedge wedge={of.seen.wedge} />
        <b>{of.name}</b>
        <small>
          {of.mixedFrom > 0 ? 'filled from other cups' : first ? `${stirredIn(first)}; ${hides}` : 'clear'}
        </small>
      </button>
    </li>
  );
}

/** Resin as it runs out to a border: from nothing on the left to its depth. */
function Wedge({ wedge, className }: { wedge: string[]; className?: string }) {
  const stops = wedge.map((c, i) => `${c} ${((45 * i) / Math.max(1, wedge.length - 1)).toFixed(0)}%`);
  return (
    <i
      className={`wedge ${className ?? ''}`}
      style={{ background: stops.length > 1 ? `linear-gradient(to right, ${stops.join(', ')})` : wedge[0] }}
      aria-hidden
    />
  );
}

const chosen = (of: Offer, cup: Recipe) =>
  !cup.of &&
  of.colour === cup.colour &&
  of.doses.length === cup.doses.length &&
  of.doses.every((d, i) => d.colourant === cup.doses[i]!.colourant && d.percent === cup.doses[i]!.percent);

const loadOf = (dose: Recipe['doses'][number]) =>
  dose.byEye
    ? 'by eye'
    : `${Number(dose.percent.toFixed(2))} % ${dose.by === 'volume' ? 'by volume' : ''}`.trim();
