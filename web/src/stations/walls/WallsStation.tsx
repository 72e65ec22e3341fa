import { Told } from '../../parts/Told';
import { localText } from '../../units/format';
import { useStation } from '../station';
import { Dryings } from './Dryings';
import { EdgeTape } from './EdgeTape';
import { LineList } from './LineList';
import { NewLine } from './NewLine';
import { Rubber } from './Rubber';
import { WallsSentence } from './WallsSentence';
import './WallsStation.scss';

/** What holds resin back, from when one may pour, and every line of the piece. */
export function WallsStation() {
  const { layerPlan, secondLook } = useStation();
  const { says, numbers, state, pourFrom, toLay } = layerPlan.walls;
  return (
    <>
      <h2 className="walls-answer" data-state={state}>
        <Told words={`${says}.`} numbers={numbers} label="What of it" />
        {pourFrom && state !== 'runs-over' && (
          <span>
            {toLay.length > 0 ? ' Laid now, pour from ' : ' Pour from '}
            <b>{localText(pourFrom.local)}</b>.
          </span>
        )}
      </h2>
      {secondLook}
      <WallsSentence />
      <LineList />
      <NewLine />
      <Dryings />
      <EdgeTape />
      <Rubber />
    </>
  );
}
