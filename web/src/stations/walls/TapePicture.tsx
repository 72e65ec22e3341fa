import type { PlanView } from '../../api/client';
import { useStation } from '../station';

type Tape = NonNullable<PlanView['tape']>;

const [width, height, pad] = [330, 92, 10];

/** This edge seen from the side: the board, the resin's depth over it, and the runs as they lie on it. */
export function TapePicture({ tape }: { tape: Tape }) {
  const { plan, piece } = useStation();
  const depth = piece.layers.reduce((s, l) => s + (l.within == null ? l.depthMm : 0), 0);
  const [one, ...more] = tape.each;
  const dam = tape.damMm.value;
  // Below the top of the board each run reaches as far as it is wide.
  const high = Math.max(dam, depth) + Math.max(tape.sideMm, one?.widthMm ?? 0) + 4;
  const px = (height - 2 * pad) / high;
  const top = pad + Math.max(dam, depth) * px;
  const from = { 'side-and-dam': -dam, side: 0, dam: -dam, back: tape.sideMm };
  const board = width - 110;
  return (
    <svg
      className="tape-picture"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`The edge of ${piece.name} from the side with its tape, ${tape.corners} corners`}
    >
      <rect
        x="30"
        y={top - depth * px}
        width={board - 30}
        height={depth * px}
        fill="var(--lichen)"
        opacity="0.55"
      />
      <rect x="30" y={top} width={board - 30} height={tape.sideMm * px} fill="#d8c29a" stroke="var(--ink)" />
      {[one, ...more].map(
        (run, i) =>
          run && (
            <g key={run.run}>
              <rect
                x={board + 6 + i * 12}
                y={top + from[run.run] * px}
                width="7"
                height={Math.max(4, Math.min(run.widthMm ?? run.leastMm.value, high) * px)}
                fill={i === 0 ? 'var(--moss)' : 'var(--stone)'}
                stroke="var(--ink)"
              />
              <text
                x={board + 6 + i * 12 + (i === 0 ? 0 : 12)}
                y={i === 0 ? height - 1 : 9}
                className="tape-text"
              >
                {run.clockwise ? '→' : '←'} {run.widthMm ?? '?'}
              </text>
            </g>
          ),
      )}
      <Board tape={tape} ground={plan.ground} />
    </svg>
  );
}

/** The board from above, small, with where a run begins. */
function Board({ tape, ground }: { tape: Tape; ground: PlanView['ground'] }) {
  const { piece } = useStation();
  const { outline } = piece.ground;
  const box =
    'diameterMm' in outline ? outline.diameterMm : 'widthMm' in outline ? outline.widthMm : ground.widthMm;
  const tall =
    'diameterMm' in outline ? outline.diameterMm : 'heightMm' in outline ? outline.heightMm : ground.heightMm;
  const scale = 56 / Math.max(box, tall);
  const [w, h] = [box * scale, tall * scale];
  const [x, y] = [width - 62 + (56 - w) / 2, 16 + (56 - h) / 2];
  return (
    <g>
      <rect
        x={x}
        y={y}
        width={w}
        height={h}
        rx={outline.shape === 'rectangle' ? 0 : Math.min(w, h) / 2}
        fill="none"
        stroke="var(--ink)"
      />
      <circle cx={x + tape.startsAt.xMm * scale} cy={y + tape.startsAt.yMm * scale} r="4" fill="var(--ink)" />
    </g>
  );
}
