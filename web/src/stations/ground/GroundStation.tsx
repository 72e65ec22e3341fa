import { TextField } from '../../parts/Fields';
import { HowNumber } from '../../parts/HowNumber';
import type { StationProps } from '../station';
import { GroundSentence } from './GroundSentence';

export function GroundStation({ piece, plan, edit, say }: StationProps) {
  return (
    <>
      <h2>Ground</h2>
      <TextField
        label="Name"
        value={piece.name}
        width="100%"
        error={say('name')}
        onChange={(name) => edit((p) => ({ ...p, name }))}
      />
      <GroundSentence
        ground={piece.ground}
        say={say}
        onChange={(ground) => edit((p) => ({ ...p, ground }))}
      />
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
    </>
  );
}
