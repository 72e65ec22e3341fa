import { useQuery } from '@tanstack/react-query';
import { api, take } from '../../api/client';
import { TextField } from '../../parts/Fields';
import { HowNumber } from '../../parts/HowNumber';
import type { StationProps } from '../station';
import { GroundSentence } from './GroundSentence';
import { Prepare } from './Prepare';
import { Stand } from './Stand';

export function GroundStation({ piece, plan, edit, say, secondLook }: StationProps) {
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
      <Stand ground={ground} plan={plan.ground} say={say} onChange={set} />
      <Prepare ground={ground} plan={plan.ground} now={workshop?.now.local} onChange={set} />
    </>
  );
}
