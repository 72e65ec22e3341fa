import { useQuery } from '@tanstack/react-query';
import { api, take } from '../../api/client';
import { TextField } from '../../parts/Fields';
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
        <div>
          <dt>Area</dt>
          <dd>
            <HowNumber of={plan.ground.area} label="Area" />
          </dd>
        </div>
        <div>
          <dt>Perimeter</dt>
          <dd>
            <HowNumber of={plan.ground.perimeter} label="Perimeter" decimals={0} />
          </dd>
        </div>
        <div>
          <dt>Sides</dt>
          <dd>
            <HowNumber of={plan.ground.sideArea} label="Area of the sides" />
          </dd>
        </div>
      </dl>
      {plan.ground.parts.length > 1 && (
        <section aria-label="Parts">
          <h3>{plan.ground.parts.length} parts, from left to right</h3>
          <ol className="parts">
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
