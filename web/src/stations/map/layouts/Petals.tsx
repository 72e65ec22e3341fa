import { NumberAt, WhetherAt } from '../../../parts/At';
import type { LaidOutAs as Of } from '../../station';
import { useStation } from '../../station';
import { BandList } from '../BandList';

/** Rings that a tool is drawn through. */
export function Petals({ layout }: { layout: Of<'petals'> }) {
  const { at } = useStation();
  const field = (
    label: string,
    key: 'petals' | 'pullMm' | 'toolMm' | 'turnDeg' | 'xMm' | 'yMm',
    unit: string,
  ) => <NumberAt place={`${at.layout}.${key}`} label={label} unit={unit} value={layout[key]} />;
  return (
    <>
      <p className="line">
        {field('Strokes of the tool', 'petals', '')}
        <WhetherAt
          place={`${at.layout}.inward`}
          label="Where the tool is drawn"
          value={layout.inward}
          yes="towards the middle"
          no="away from the middle"
        />
        {field('Pull', 'pullMm', 'mm')}
        {field('Tool', 'toolMm', 'mm')}
        {field('Turned', 'turnDeg', '°')}
        {field('From the left', 'xMm', 'mm')}
        {field('From the top', 'yMm', 'mm')}
      </p>
      <p className="hint">
        Drawn from about 10 min after the pour, while the film flows, and no later than when it holds.
      </p>
      <BandList />
    </>
  );
}
