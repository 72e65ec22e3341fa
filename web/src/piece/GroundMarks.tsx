import type { Ground, PlanView } from '../api/client';
import { useEdits } from '../parts/editing';
import { useUnits } from '../units/units';
import { useWorkshop } from '../units/workshop';
import type { Shape } from '../painting/DraftLoop';
import type { Frame } from './StageHandles';
import './GroundMarks.scss';

type Standing = PlanView['ground']['standing'];

interface DriftsProps {
  ground: Ground;
  plan: PlanView['ground'];
  /** All that is painted. */
  shape: Shape;
  /** One panel of a set; all of it where there is no set. */
  panel: Shape;
  frame: Frame;
}

/** Where resin would collect, on every panel of a set by itself: each has a level of its own. */
export function Drifts({ ground: { set }, plan, shape, panel, frame }: DriftsProps) {
  if (!set) return <Drift standing={plan.standing} shape={shape} frame={frame} />;
  return Array.from({ length: set.count }, (_, i) => {
    const standing = i === 0 ? plan.standing : plan.panels?.find((p) => p.panel === i + 1)?.standing;
    if (!standing) return null;
    const fromMm = i * (panel.widthMm + set.gapMm);
    const outline = `M0 0H${panel.widthMm}V${panel.heightMm}H0Z`;
    return (
      <Drift
        key={i}
        standing={standing}
        shape={{ ...panel, outline }}
        frame={{ ...frame, px: (mm) => frame.px(fromMm + mm) }}
        number={i + 1}
      />
    );
  });
}

interface DriftProps {
  standing: Standing;
  shape: Shape;
  frame: Frame;
  /** Which panel it is. */
  number?: number;
}

/** Less than this is shown as nothing, mm. */
const leastShown = 0.005;

/** The deepest blue of a film that collects, and what it lacks where it is thin. */
const most = 0.55;

/**
 * Where resin would collect: the side that lies lower is tinted, with by how much the film is deeper or thinner at each corner.
 */
function Drift({ standing, shape, frame: { px, py }, number = 1 }: DriftProps) {
  const [fall, arrow] = [`drift-fall-${number}`, `drift-arrow-${number}`];
  const units = useUnits();
  const deeper = standing.corners.map((c) => c.value);
  const { widthMm, heightMm } = shape;
  if (deeper.length < 4) return null;
  const [tl, tr, bl] = deeper as [number, number, number];
  // Down the slope, from the thinnest corner to the deepest.
  const [gx, gy] = [(tr - tl) / widthMm, (bl - tl) / heightMm];
  const steep = Math.hypot(gx, gy);
  // What is level enough says so and no more.
  if (standing.level || steep === 0)
    return (
      <g className="drift" aria-hidden>
        <text x={px(widthMm / 2)} y={py(heightMm) - 12} textAnchor="middle">
          level enough: {units.show(standing.drift?.value ?? 0, 'mm', 2)} from side to side
        </text>
      </g>
    );
  const reach = (Math.abs(gx) * widthMm + Math.abs(gy) * heightMm) / (2 * steep);
  const [mx, my] = [widthMm / 2, heightMm / 2];
  const end = (by: number) => ({
    x: px(mx + (by * reach * gx) / steep),
    y: py(my + (by * reach * gy) / steep),
  });
  const [thin, deep] = [end(-1), end(1)];
  const strength = Math.min(1, (standing.drift?.value ?? 0) / (0.5 * standing.thinnest.value));
  const corners = [
    [0, 0],
    [widthMm, 0],
    [0, heightMm],
    [widthMm, heightMm],
  ] as const;
  return (
    <g className="drift" aria-hidden>
      <defs>
        <linearGradient
          id={fall}
          gradientUnits="userSpaceOnUse"
          x1={thin.x}
          y1={thin.y}
          x2={deep.x}
          y2={deep.y}
        >
          <stop offset="0" stopColor="#fff" stopOpacity={most * strength} />
          <stop offset="0.5" stopColor="#fff" stopOpacity="0" />
          <stop offset="0.5" stopColor="#1d4f6b" stopOpacity="0" />
          <stop offset="1" stopColor="#1d4f6b" stopOpacity={most * strength} />
        </linearGradient>
      </defs>
      <g transform={`translate(${px(0)} ${py(0)}) scale(${px(1) - px(0)})`}>
        <path d={shape.outline} fillRule="evenodd" fill={`url(#${fall})`} className="drift-film" />
      </g>
      <path
        className="drift-way"
        d={`M${(2 * thin.x + deep.x) / 3} ${(2 * thin.y + deep.y) / 3}L${(thin.x + 2 * deep.x) / 3} ${(thin.y + 2 * deep.y) / 3}`}
        markerEnd={`url(#${arrow})`}
      />
      <marker id={arrow} viewBox="0 0 10 10" refX="8" refY="5" markerWidth="8" markerHeight="8" orient="auto">
        <path d="M0 0L10 5L0 10z" />
      </marker>
      {corners.map(([x, y], i) => (
        <text
          key={i}
          x={px(x) + (x === 0 ? 8 : -8)}
          // Below the piece, clear of the shims.
          y={py(y) + (y === 0 ? 20 : 17)}
          textAnchor={x === 0 ? 'start' : 'end'}
        >
          {deeper[i]! >= leastShown ? '+' : ''}
          {units.show(deeper[i]!, 'mm', 2)}
        </text>
      ))}
    </g>
  );
}

type Step = PlanView['ground']['preparation'][number];

const places: Record<Step['where'], string> = {
  over: 'over it',
  face: 'on the face',
  rim: 'at the rim',
  under: 'under it',
  back: 'on its back',
};
const order = ['over', 'face', 'rim', 'under', 'back'] as const;

/** What is still to be prepared, from above the piece to its back. */
export const toPrepare = (steps: readonly Step[]) =>
  order.flatMap((where) => steps.filter((s) => !s.done && s.where === where));

/** What is still to be prepared, beside the ground; a tick there is a tick in the list. */
export function ToPrepare({ steps }: { steps: readonly Step[] }) {
  const { edit } = useEdits();
  const units = useUnits();
  const now = useWorkshop().data?.now.local ?? null;
  return (
    <ul className="to-prepare" aria-label="Still to prepare">
      {toPrepare(steps).map((step) => (
        <li key={step.id}>
          <label>
            <input
              type="checkbox"
              aria-label={`Done: ${step.what}`}
              checked={false}
              onChange={() => void edit({ do: 'mark-prepared', step: step.id, done: true, at: now })}
            />
            <span>
              {step.what}
              {step.amount && <b> {units.show(step.amount.value, step.amount.unit, 0)}</b>}
              <small>{places[step.where]}</small>
            </span>
          </label>
        </li>
      ))}
    </ul>
  );
}

interface LeadProps {
  ground: PlanView['ground'];
  shape: Shape;
  frame: Frame;
  height: number;
}

/** From each thing that is to be prepared to where it is done. */
export function Leads({ ground, shape, frame: { px, py }, height }: LeadProps) {
  const steps = toPrepare(ground.preparation);
  const { widthMm, heightMm } = shape;
  const [support] = ground.standing.supports;
  const onFace = steps.filter((s) => s.where === 'face');
  const to = (step: Step): [number, number] => {
    switch (step.where) {
      case 'over':
        return [px(widthMm * 0.4), py(0)];
      case 'rim':
        return [px(0), py(heightMm / 2)];
      case 'under':
        return support ? [px(support.xMm), py(support.yMm)] : [px(0), py(heightMm)];
      case 'back':
        return [px(widthMm * 0.3), py(heightMm)];
      case 'face':
        return [px(widthMm * 0.42), py(heightMm * ((onFace.indexOf(step) + 1) / (onFace.length + 1)))];
    }
  };
  return (
    <g className="leads" aria-hidden>
      {steps.map((step, i) => {
        const y = (height * (i + 0.5)) / steps.length;
        const [x2, y2] = to(step);
        return (
          <g key={step.id} data-where={step.where}>
            <path d={`M0 ${y}C${0.5 * x2} ${y} ${0.5 * x2} ${y2} ${x2} ${y2}`} />
            <circle cx={x2} cy={y2} r={5} />
          </g>
        );
      })}
    </g>
  );
}
