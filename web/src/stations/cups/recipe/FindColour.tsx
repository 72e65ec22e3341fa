import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Recipe } from '../../../api/client';
import type { CupVolume, Schemas } from '../../../api/client';
import { said } from '../../../api/client';
import { findMixtures } from '../../../api/changes';
import { Choice } from '../../../parts/Choice';
import { ColourField } from '../../../parts/ColourField';
import { useEdits } from '../../../parts/editing';
import { HowNumber } from '../../../parts/HowNumber';
import { PhotoColour } from '../../../parts/PhotoColour';
import { TextField } from '../../../parts/TextField';
import { typedColour, typedColourRange } from '../../../parts/typedColour';
import { useUnits } from '../../../units/units';
import { usePouredOn } from '../../colour/pouredOn';
import { useStation } from '../../station';
import { coloursAtHand, nearWords, useColourantNames } from './colourants';

/** What to mix for a colour, as it is to be seen where the cup is poured: asked for, and told. */
export function useMixtures(cup: Recipe, plan: CupVolume | undefined) {
  const { piece } = useStation();
  const names = useColourantNames();
  const finding = useMutation(findMixtures);
  const { on } = usePouredOn(cup.id);
  const [asked, setAsked] = useState<string | null>(null);
  const ml = plan && plan.mixMl.value > 0 ? plan.mixMl.value : 100;
  const find = (colour: string) => {
    setAsked(colour);
    const { ground, depthMm, resin } = on;
    finding.mutate({
      ground,
      depthMm,
      resin,
      colour,
      ml,
      besides: coloursAtHand(piece.recipes, names),
    });
  };
  return { find, asked, finding, depthMm: on.depthMm, ml };
}

/** The mixtures that were found, the nearest first. */
export function Mixtures({ cup, from }: { cup: Recipe; from: ReturnType<typeof useMixtures> }) {
  const { edit } = useEdits();
  const { asked, finding } = from;
  return (
    <>
      {finding.error && <p className="say-wrong">{said(finding.error)}</p>}
      {finding.data && asked && (
        <ol className="mixtures" aria-label="Mixtures, the nearest first">
          {finding.data.map((m) => (
            <Mixture
              key={m.names.join('+')}
              of={m}
              wanted={asked}
              onTake={() => void edit({ do: 'take-mixture', recipe: cup.id, doses: m.doses })}
            />
          ))}
        </ol>
      )}
      {finding.data?.length === 0 && (
        <p>There is no colourant with a colour at hand: enter yours in the Cupboard, under Colourants.</p>
      )}
    </>
  );
}

/** What to mix for a colour that is wanted, from the colourants at hand. */
export function FindColour({ cup, plan }: { cup: Recipe; plan: CupVolume | undefined }) {
  const { layer, layerPlan } = useStation();
  const units = useUnits();
  const from = useMixtures(cup, plan);
  const [wanted, setWanted] = useState(plan?.colour ?? cup.colour);
  const [unread, setUnread] = useState<string | null>(null);
  const shown = new Map(layerPlan.colours.flatMap((c) => (c.colour ? [[c.cupId, c.colour] as const] : [])));
  const others = layer.recipes.filter((r) => r.id !== cup.id && shown.has(r.id));
  const find = (colour: string) => {
    setUnread(null);
    setWanted(colour);
    from.find(colour);
  };
  const type = (text: string) => {
    const colour = typedColour(text);
    if (colour) find(colour);
    else setUnread(text);
  };
  return (
    <details className="recipe-part">
      <summary>Find what to mix for a colour</summary>
      <p className="line">
        <ColourField label="Wanted colour" value={wanted} onChange={find} />
        <TextField
          label="or typed"
          value={unread ?? wanted}
          error={unread === null ? undefined : typedColourRange}
          onChange={type}
        />
        {others.length > 0 && (
          <Choice
            label="as in"
            value="none"
            choices={[['none', 'another cup…'], ...others.map((r) => [r.id, r.name] as const)]}
            onChange={(id) => (id === 'none' ? undefined : find(shown.get(id)!))}
          />
        )}
        <button type="button" className="btn btn-outline-primary" onClick={() => find(wanted)}>
          Find mixtures
        </button>
        <PhotoColour label="From a photo" onPick={find} />
      </p>
      <p className="hint">
        As it is to be seen {units.show(from.depthMm, 'mm')} deep over what lies below it, from your
        colourants in the Cupboard and those in these cups; {units.show(from.ml, 'ml', 0)} of it.
      </p>
      <Mixtures cup={cup} from={from} />
    </details>
  );
}

function Mixture({ of, wanted, onTake }: { of: Schemas['MixtureView']; wanted: string; onTake: () => void }) {
  const names = of.names.join(' and ');
  return (
    <li>
      <span className="two-swatches" aria-hidden>
        <i style={{ background: wanted }} />
        <i style={{ background: of.shown }} />
      </span>
      <span className="mixture-parts">
        {of.amounts.all.map((dose, i) => (
          <span key={i}>
            <b>{of.names[i]}</b> {Number(of.doses[i]!.percent.toFixed(2))} %
            {dose.g && (
              <>
                , <HowNumber of={dose.g} label={`${of.names[i]} for this mixture`} decimals={2} />
              </>
            )}
          </span>
        ))}
        <small>
          <HowNumber of={of.apart} label={`How far off is ${names}`} decimals={1} />: {nearWords[of.near]}
        </small>
      </span>
      <button type="button" className="btn btn-outline-primary" onClick={onTake}>
        Mix it<span className="visually-hidden"> from {names}</span>
      </button>
    </li>
  );
}
