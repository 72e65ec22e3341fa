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

function lookOf({ kind, id, like, colour, looks }: MaterialView): [number, number, React.ReactNode] {
  const own = colour ?? plain;
  switch (kind) {
    case 'resin':
      return [58, 64, bottles];
    case 'rubber':
      return [50, 48, bucket];
    case 'colourant':
      return powders.has(like)
        ? [44, 48, jar(own)]
        : drops.has(like)
          ? [30, 56, dropper(own)]
          : [46, 34, tub(own)];
    case 'stone':
      return [46, 50, stones(looks?.dry ?? plain, id.length)];
    case 'barrier':
      return id === 'tape' ? [40, 40, roll] : id === 'putty' ? [46, 34, tub('#d9d2c2')] : [24, 60, tube];
    case 'pen':
      return [16, 64, pen];
    case 'leaf':
      return [40, 44, booklet];
    default:
      return [46, 60, board];
  }
}

const bottles = (
  <>
    <rect x="3" y="16" width="30" height="46" rx="4" fill="#e9dfb4" />
    <path className="pot-glass" d="M12 16V6h12v10q9 2 9 8v34q0 4-4 4H7q-4 0-4-4V24q0-6 9-8z" />
    <rect x="37" y="32" width="18" height="30" rx="3" fill="#dfe9e6" />
    <path className="pot-glass" d="M42 32v-9h8v9q5 2 5 6v20q0 4-4 4H41q-4 0-4-4V38q0-4 5-6z" />
  </>
);
const bucket = (
  <>
    <path className="pot-glass" d="M4 12h42l-5 34H9zM6 12Q25-8 44 12" style={{ fill: '#b9c6cf' }} />
  </>
);
const jar = (colour: string) => (
  <>
    <rect className="lid" x="6" y="2" width="32" height="9" rx="2" />
    <path d="M6 24q16-9 32 0v18q0 4-4 4H10q-4 0-4-4z" style={{ fill: colour, stroke: 'none' }} />
    <path className="pot-glass" d="M6 12v30q0 4 4 4h24q4 0 4-4V12z" />
  </>
);
const dropper = (colour: string) => (
  <>
    <path className="pot-glass" d="M11 18V9l4-8 4 8v9" />
    <path
      className="pot-glass"
      d="M8 18h14q4 3 4 7v25q0 4-4 4H8q-4 0-4-4V25q0-4 4-7z"
      style={{ fill: colour }}
    />
  </>
);
const tub = (colour: string) => (
  <>
    <rect className="lid" x="2" y="3" width="42" height="7" rx="2" />
    <path className="pot-glass" d="M4 10h38v18q0 4-4 4H8q-4 0-4-4z" style={{ fill: colour }} />
  </>
);
const stones = (colour: string, turn: number) => (
  <>
    <rect className="lid" x="7" y="2" width="32" height="8" rx="2" />
    {Array.from({ length: 22 }, (_, i) => (
      <circle
        key={i}
        cx={11 + ((i * 11 + turn * 5) % 26)}
        cy={20 + ((i * 17 + turn * 3) % 26)}
        r={2.4 + ((i + turn) % 3)}
        fill={colour}
        stroke="#20302a"
        strokeWidth="0.5"
      />
    ))}
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
