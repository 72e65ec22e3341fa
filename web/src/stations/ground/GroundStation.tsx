import { useQuery } from '@tanstack/react-query';
import { api, take } from '../../api/client';
import { TextField } from '../../parts/Fields';
import { Figure } from '../../parts/Figure';
import { HowNumber } from '../../parts/HowNumber';
import type { StationProps } from '../station';
import { GroundSentence } from './GroundSentence';
import { Prepare } from './Prepare';
import { Stand } from './Stand';

export function GroundStation({ id, piece, layer, layerIndex, plan, edit, say, secondLook }: StationProps) {
  const { data: workshop } = useQuery({
    queryKey: ['workshop'],
    queryFn: () => take(api.GET('/api/workshop')),
  });
  const { ground } = piece;
  const set = (change: Partial<typeof ground>) => edit((p) => ({ ...p, ground: { ...p.ground, ...change } }));
  return (
    <>
      <h2>Ground</h2>
      {secondLook}
      <TextField
        label="Name"
        value={piece.name}
        width="100%"
        error={say('name')}
        onChange={(name) => edit((p) => ({ ...p, name }))}
      />
      <GroundSentence ground={ground} say={say} onChange={(to) => edit((p) => ({ ...p, ground: to }))} />
      <dl className="figures">
        <Figure term="Area" of={plan.ground.area} />
        <Figure term="Perimeter" of={plan.ground.perimeter} decimals={0} />
        {!plan.ground.mould && <Figure term="Sides" of={plan.ground.sideArea} />}
      </dl>
      {plan.ground.mould && <MouldFigures mould={plan.ground.mould} />}
      {plan.ground.parts.length > 1 && (
        <section aria-label="Parts">
          <h3>{plan.ground.parts.length} parts, from left to right</h3>
          <ol className="part-list">
            {plan.ground.parts.map((part, i) => (
              <li key={i}>
                <HowNumber of={part.area} label={`Area of part ${i + 1}`} />
                {part.layerMl[layerIndex] && (
                  <HowNumber
                    of={part.layerMl[layerIndex]}
                    label={`${layer.name} in part ${i + 1}`}
                    decimals={1}
                  />
                )}
              </li>
            ))}
          </ol>
          <p className="hint">What {layer.name} takes in each, without reserve.</p>
        </section>
      )}
      <a
        className="picture-link"
        href={`/api/pieces/${id}/outline.svg`}
        download={`${piece.name} outline.svg`}
      >
        Outline as SVG, in real mm
      </a>
      <Stand ground={ground} plan={plan.ground} say={say} onChange={set} />
      <Prepare ground={ground} plan={plan.ground} now={workshop?.now.local} onChange={set} />
    </>
  );
}

/** What the mould holds, what is left of it, and how often it is filled. */
function MouldFigures({ mould }: { mould: NonNullable<StationProps['plan']['ground']['mould']> }) {
  const { castings } = mould;
  return (
    <section aria-label="Mould">
      <dl className="figures">
        <Figure term="A cavity holds" of={mould.capacity} decimals={0} />
        <Figure term="For the layers" of={mould.body} decimals={0} />
        <Figure term="Depth left" of={mould.room} decimals={1}>
          {mould.room.value < 0 && 'too deep: it runs over'}
        </Figure>
      </dl>
      <p>
        {castings.length === 1
          ? castings[0] === 1
            ? 'One casting of one piece.'
            : `One casting of ${castings[0]}.`
          : `${castings.length} castings, of ${castings.join(' + ')}.`}{' '}
        {castings[0]! > 1 && `The cups are for ${castings[0]} pieces at once.`}
      </p>
    </section>
  );
}
