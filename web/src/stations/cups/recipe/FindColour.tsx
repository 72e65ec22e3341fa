import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Cup } from '../../../editor/filled';
import type { CupVolume, Schemas } from '../../../api/client';
import { said } from '../../../api/client';
import { findMixtures } from '../../../api/changes';
import { Choice } from '../../../parts/Choice';
import { ColourField } from '../../../parts/ColourField';
import { useEdits } from '../../../parts/editing';
import { HowNumber } from '../../../parts/HowNumber';
import { PhotoColour } from '../../../parts/PhotoColour';
import { TextField } from '../../../parts/TextField';
import { useUnits } from '../../../units/units';
import { useStation } from '../../station';
import { coloursAtHand, nearWords, useColourantNames } from './colourants';
import { typedColour, typedColourRange } from './typedColour';

/** What to mix for a colour that is wanted, from the colourants at hand. */
export function FindColour({ cup, plan }: { cup: Cup; plan: CupVolume | undefined }) {
  const { piece, layer, layerPlan } = useStation();
  const { edit } = useEdits();
  const units = useUnits();
  const names = useColourantNames();
  const finding = useMutation(findMixtures);
  const [wanted, setWanted] = useState(plan?.colour ?? cup.colour);
  const [asked, setAsked] = useState(wanted);
  const [unread, setUnread] = useState<string | null>(null);
  const depth =
    layerPlan.colours.find((c) => c.cupId === cup.id)?.opacity.inputs.find((i) => i.name === 'depth')
      ?.value ?? layer.depthMm;
  const ml = plan && plan.mixMl.value > 0 ? plan.mixMl.value : 100;
  const shown = new Map(layerPlan.colours.flatMap((c) => (c.colour ? [[c.cupId, c.colour] as const] : [])));
  const others = layer.recipes.filter((r) => r.id !== cup.id && shown.has(r.id));
  const find = (colour: string) => {
    setUnread(null);
    setWanted(colour);
    setAsked(colour);
    finding.mutate({
      colour,
      ground: piece.ground.colour,
      depthMm: depth,
      resin: layer.resin.system,
      ml,
      besides: coloursAtHand(piece.recipes, names),
    });
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
        As it is to be seen {units.show(depth, 'mm')} deep on the ground of this piece, from your colourants
        in the Cupboard and those in these cups; {units.show(ml, 'ml', 0)} of it.
      </p>
      {finding.error && <p className="say-wrong">{said(finding.error)}</p>}
      {finding.data && (
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
