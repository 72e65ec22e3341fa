import type { Edit } from '../api/client';
import type { FilledLayer, Line } from '../editor/filled';
import type { Selected } from '../editor/selection';
import { useEdits } from '../parts/editing';
import { useUnits } from '../units/units';
import { Grip } from './Grip';
import type { HoldOf } from './grips';
import { nudge } from './grips';

interface Props {
  layer: FilledLayer;
  here: { layer: string; zone: string | null };
  selected: Selected;
  px: (mm: number) => number;
  py: (mm: number) => number;
  hold: HoldOf;
}

/** What of the chosen line can be taken hold of: the spots it was drawn through, or the middle and the edge of a ring. */
export function LineHandles({ layer, here, selected, ...rest }: Props) {
  const at = layer.lines.findIndex((l) => selected?.kind === 'line' && l.id === selected.id);
  const line = layer.lines[at];
  if (line?.course.kind === 'drawn')
    return <DrawnHandles line={line} course={line.course} number={at + 1} here={here} {...rest} />;
  return line?.course.kind === 'ring' ? <RingHandles line={line} course={line.course} {...rest} /> : null;
}

type Frame = Pick<Props, 'px' | 'py' | 'hold'>;

interface DrawnProps extends Frame {
  line: Line;
  course: Extract<Line['course'], { kind: 'drawn' }>;
  number: number;
  here: Props['here'];
}

function DrawnHandles({ line, course: { spots }, number, here, px, py, hold }: DrawnProps) {
  const { edit } = useEdits();
  const units = useUnits();
  const mm = (v: number) => units.show(v, 'mm');
  const move = (spot: number, byXMm: number, byYMm: number): Edit => ({
    do: 'move-wall-spot',
    ...here,
    wall: line.id,
    spot,
    byXMm,
    byYMm,
  });
  return (
    <>
      <path className="lever" d={spots.map((s, i) => `${i ? 'L' : 'M'}${px(s.xMm)} ${py(s.yMm)}`).join('')} />
      {spots.map((s, i) => (
        <Grip
          key={i}
          at={[px(s.xMm), py(s.yMm)]}
          size={6}
          tells={{
            name: `${line.material.kind === 'barrier' ? 'Wall' : 'Line'} ${number}, spot ${i + 1}`,
            value: s.xMm,
            words: `${mm(s.xMm)} from the left, ${mm(s.yMm)} from the top`,
            takes: 'layers.layout.pools.xMm',
          }}
          hold={hold((byX, byY) => [move(i, byX, byY)])}
          onStep={(by) => void edit(move(i, by, 0))}
          onStepDown={(by) => void edit(move(i, 0, by))}
        />
      ))}
    </>
  );
}

interface RingProps extends Frame {
  line: Line;
  course: Extract<Line['course'], { kind: 'ring' }>;
}

function RingHandles({ line, course, px, py, hold }: RingProps) {
  const { edit } = useEdits();
  const units = useUnits();
  const mm = (v: number) => units.show(v, 'mm');
  const place = `lines[${line.id}].course`;
  const by = (field: string, mm: number) => nudge(`${place}.${field}`, Math.round(mm));
  const edge = course.xMm + course.diameterMm / 2;
  return (
    <>
      <path className="lever" d={`M${px(course.xMm)} ${py(course.yMm)}H${px(edge)}`} />
      <Grip
        at={[px(course.xMm), py(course.yMm)]}
        size={8}
        dot
        tells={{
          name: 'Middle of the ring',
          value: course.xMm,
          words: `${mm(course.xMm)} from the left, ${mm(course.yMm)} from the top`,
          takes: 'lines.course.xMm',
        }}
        hold={hold((byX, byY) => [by('xMm', byX), by('yMm', byY)])}
        onStep={(x) => void edit(by('xMm', x))}
        onStepDown={(y) => void edit(by('yMm', y))}
      />
      <Grip
        at={[px(edge), py(course.yMm)]}
        size={7}
        tells={{
          name: 'Width of the ring',
          value: course.diameterMm,
          words: mm(course.diameterMm),
          takes: 'lines.course.diameterMm',
        }}
        hold={hold((byX) => [by('diameterMm', 2 * byX)])}
        onStep={(x) => void edit(by('diameterMm', x))}
      />
    </>
  );
}
