import type { MaterialView } from '../api/client';

/** What a material looks like as it stands on its shelf. */
export function Thing({ of }: { of: MaterialView }) {
  const [wide, high, drawn] = lookOf(of);
  return (
    <svg width={wide} height={high} viewBox={`0 0 ${wide} ${high}`} aria-hidden>
      {drawn}
    </svg>
  );
}

const powders = new Set(['mica', 'interference', 'glitter']);
const drops = new Set(['alcohol-ink', 'dye', 'lacing']);
const plain = '#cfc7b4';

function lookOf({
  kind,
  id,
  like,
  colour,
  looks,
  leftPercent,
}: MaterialView): [number, number, React.ReactNode] {
  const own = colour ?? plain;
  const left = leftPercent;
  switch (kind) {
    case 'resin':
      return [58, 64, bottles(left)];
    case 'rubber':
      return [50, 48, bucket(left)];
    case 'colourant':
      return powders.has(like)
        ? [44, 48, jar(own, left)]
        : drops.has(like)
          ? [30, 56, dropper(own, left)]
          : [46, 34, tub(own, left)];
    case 'stone':
      return [46, 50, stones(looks?.dry ?? plain, id.length, left)];
    case 'barrier':
      return id === 'tape' ? [40, 40, roll] : id === 'putty' ? [46, 34, tub('#d9d2c2', 100)] : [24, 60, tube];
    case 'tape':
      return [40, 40, roll];
    case 'pen':
      return [16, 64, pen];
    case 'leaf':
      return [40, 44, booklet];
    default:
      return [46, 60, board];
  }
}

type Left = number | null;

interface Inside {
  x: number;
  top: number;
  wide: number;
  bottom: number;
  colour: string;
  left: Left;
}

/** What is in a vessel, up to its level; where nobody has looked it is only hinted at. */
function Inside({ x, top, wide, bottom, colour, left }: Inside) {
  const high = ((bottom - top) * (left ?? 100)) / 100;
  return (
    <>
      <rect
        x={x}
        y={bottom - high}
        width={wide}
        height={high}
        rx={Math.min(3, high / 2)}
        fill={colour}
        opacity={left === null ? 0.4 : 1}
      />
      {left !== null && left > 0 && left < 100 && (
        <path className="level" d={`M${x} ${bottom - high}h${wide}`} />
      )}
    </>
  );
}

const bottles = (left: Left) => (
  <>
    <Inside x={4} top={22} wide={28} bottom={61} colour="#e0d08c" left={left} />
    <path className="pot-glass" d="M12 16V6h12v10q9 2 9 8v34q0 4-4 4H7q-4 0-4-4V24q0-6 9-8z" />
    <Inside x={38} top={37} wide={16} bottom={61} colour="#c4d9d3" left={left} />
    <path className="pot-glass" d="M42 32v-9h8v9q5 2 5 6v20q0 4-4 4H41q-4 0-4-4V38q0-4 5-6z" />
  </>
);
const bucket = (left: Left) => (
  <>
    <Inside x={9} top={13} wide={32} bottom={45} colour="#b9c6cf" left={left} />
    <path className="pot-glass" d="M4 12h42l-5 34H9zM6 12Q25-8 44 12" />
  </>
);
const jar = (colour: string, left: Left) => (
  <>
    <rect className="lid" x="6" y="2" width="32" height="9" rx="2" />
    <Inside x={7} top={14} wide={30} bottom={45} colour={colour} left={left} />
    <path className="pot-glass" d="M6 12v30q0 4 4 4h24q4 0 4-4V12z" />
  </>
);
const dropper = (colour: string, left: Left) => (
  <>
    <path className="pot-glass" d="M11 18V9l4-8 4 8v9" />
    <Inside x={5} top={22} wide={20} bottom={53} colour={colour} left={left} />
    <path className="pot-glass" d="M8 18h14q4 3 4 7v25q0 4-4 4H8q-4 0-4-4V25q0-4 4-7z" />
  </>
);
const tub = (colour: string, left: Left) => (
  <>
    <rect className="lid" x="2" y="3" width="42" height="7" rx="2" />
    <Inside x={5} top={12} wide={36} bottom={31} colour={colour} left={left} />
    <path className="pot-glass" d="M4 10h38v18q0 4-4 4H8q-4 0-4-4z" />
  </>
);
const stones = (colour: string, turn: number, left: Left) => (
  <>
    <rect className="lid" x="7" y="2" width="32" height="8" rx="2" />
    <g opacity={left === null ? 0.55 : 1}>
      {Array.from({ length: Math.ceil((22 * (left ?? 100)) / 100) }, (_, i) => {
        // From the bottom up, as stones lie.
        const deep = (i * 17 + turn * 3) % 26;
        return (
          <circle
            key={i}
            cx={11 + ((i * 11 + turn * 5) % 26)}
            cy={46 - (deep * (left ?? 100)) / 100}
            r={2.4 + ((i + turn) % 3)}
            fill={colour}
            stroke="#20302a"
            strokeWidth="0.5"
          />
        );
      })}
    </g>
    <path className="pot-glass" d="M5 11v33q0 4 4 4h28q4 0 4-4V11z" />
  </>
);
const tube = <path className="pot-glass" d="M10 12L12 1l2 11h4l2 46H4l2-46z" style={{ fill: '#efe7d6' }} />;
const roll = (
  <>
    <circle cx="20" cy="20" r="18" fill="#d9c89a" stroke="#20302a" strokeWidth="1.5" />
    <circle cx="20" cy="20" r="9" fill="none" stroke="#20302a" strokeWidth="1.5" />
  </>
);
const pen = <path className="pot-glass" d="M4 62V14L8 2l4 12v48z" style={{ fill: '#d9c46a' }} />;
const booklet = (
  <path className="pot-glass" d="M3 42V6l5-4h29v36l-5 4zM8 2v36h29" style={{ fill: '#e2c876' }} />
);
const board = <path className="pot-glass" d="M12 4h30v54H12zM12 4L4 9v49h8" style={{ fill: '#d8bf92' }} />;
