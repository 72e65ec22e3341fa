import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Refused } from '../../api/client';
import { nameSequence } from '../../api/changes';
import { Stripes } from '../../parts/Stripes';
import { useSequences } from '../../parts/sequences';
import { TextField } from '../../parts/TextField';
import { HowNumber } from '../../parts/HowNumber';
import { useEdits } from '../../parts/editing';
import { useUnits } from '../../units/units';
import { useStation } from '../station';
import './Sequences.scss';

/** Saved sequences: this one to the cupboard, or one of those laid here in place of this one. */
export function Sequences() {
  const { piece, layer, zone, layerPlan, here } = useStation();
  const naming = useMutation(nameSequence);
  const units = useUnits();
  const kept = useSequences();
  const { edit } = useEdits();
  const [name, setName] = useState('');
  const refused = naming.error instanceof Refused ? naming.error : null;
  const [said, setSaid] = useState('');
  const across = Math.min(layerPlan.box.widthMm, layerPlan.box.heightMm);
  const keep = () => {
    const own = piece.layers.find((l) => l.id === layer.id)!;
    const { layout } = own.zones?.find((z) => z.id === zone) ?? own;
    naming.mutate(
      { name, layout, recipes: piece.recipes, acrossMm: across },
      {
        onSuccess: () => {
          setSaid(`${name.trim()} stands in the cupboard.`);
          setName('');
        },
        onError: () => setSaid(''),
      },
    );
  };
  const lay = (id: string, acrossMm: number | null, what: string) =>
    void edit({ do: 'lay-sequence', ...here, sequence: id, acrossMm }).then((laid) => {
      naming.reset();
      setSaid(laid ? `${what} is laid here.` : '');
    });
  return (
    <section aria-label="Sequences" className="sequences">
      <h3>Saved sequences</h3>
      <p className="line">
        <TextField
          label="Save this one as"
          value={name}
          error={refused?.errors.name?.[0]}
          onChange={setName}
        />
        <button type="button" className="btn btn-outline-primary" onClick={keep}>
          Save it
        </button>
      </p>
      {refused && !refused.errors.name && <p className="say-wrong">{refused.message}</p>}
      <p className="hint" role="status">
        {said}
      </p>
      {kept.length > 0 && (
        <ul>
          {kept.map((view) => {
            const { id, sequence } = view;
            return (
              <li key={id}>
                <b>{sequence.name}</b>
                <Stripes of={view} />
                <small>
                  <HowNumber of={view.together} label={`Lines of ${sequence.name}`} decimals={1} /> of lines,
                  kept from {units.show(sequence.acrossMm, 'mm', 0)} across
                </small>
                <span className="row-buttons">
                  <button
                    type="button"
                    className="btn btn-outline-primary"
                    aria-label={`Lay it as it is: ${sequence.name}`}
                    onClick={() => lay(id, null, sequence.name)}
                  >
                    Lay it as it is
                  </button>
                  <button
                    type="button"
                    className="btn btn-outline-primary"
                    aria-label={`Lay it fitted to ${units.show(across, 'mm', 0)}: ${sequence.name}`}
                    onClick={() => lay(id, across, sequence.name)}
                  >
                    Lay it fitted to {units.show(across, 'mm', 0)}
                  </button>
                </span>
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}
