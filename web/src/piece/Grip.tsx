import { inBurst } from '../editor/burst';
import { useFields } from '../parts/fields';
import { moves } from './moves';

/** What a grip does while it is held; distances in pixels from where it was taken. */
export interface Hold {
  take?: () => void;
  /** By how much since it was taken, and where in the drawing the hand is, in pixels. */
  move: (event: PointerEvent, by: { x: number; y: number }, at: { x: number; y: number }) => void;
  drop: (event: PointerEvent, by: { x: number; y: number }, at: { x: number; y: number }) => void;
  /** It is let go of: nothing of what the hand did is kept. */
  leave: () => void;
}

/** What a grip tells of itself. */
interface Told {
  name: string;
  value: number;
  /** The value as it is spoken. */
  words: string;
  /** Place of the field whose range it moves in, without the names of entries. */
  takes: string;
  /** How many of what is shown make one of what is kept. */
  per?: number;
}

interface Props {
  /** Where it lies in the drawing, pixels. */
  at: readonly [number, number];
  size: number;
  tells: Told;
  dot?: boolean;
  /** How far round it the hand is taken, pixels. */
  touch?: number;
  hold: Hold;
  onFocus?: () => void;
  /** By one, or by ten with shift; right and up add. */
  onStep: (by: number) => void;
  /** For a grip that moves both ways: up and down on their own, down adds. */
  onStepDown?: (by: number) => void;
}

const usualTouch = 22;

/** A round grip on the map: dragged by hand, moved by the arrow keys, told to a screen reader as a slider. */
export function Grip({
  at: [x, y],
  size,
  tells: { name, value, words, takes, per = 1 },
  dot,
  touch = usualTouch,
  hold,
  onFocus,
  onStep,
  onStepDown,
}: Props) {
  const range = useFields().ranges[takes];
  const press = (e: React.PointerEvent<SVGGElement>) => {
    if (e.button !== 0) return;
    e.stopPropagation();
    const grip = e.currentTarget;
    grip.setPointerCapture(e.pointerId);
    grip.focus({ preventScroll: true });
    const from = { x: e.clientX, y: e.clientY };
    let moved = false;
    hold.take?.();
    const by = (event: PointerEvent) => ({ x: event.clientX - from.x, y: event.clientY - from.y });
    const where = (event: PointerEvent) => {
      const drawing = grip.ownerSVGElement!.getBoundingClientRect();
      return { x: event.clientX - drawing.x, y: event.clientY - drawing.y };
    };
    const move = (event: PointerEvent) => {
      moved = true;
      hold.move(event, by(event), where(event));
    };
    const off = () => {
      grip.removeEventListener(moves, move);
      grip.removeEventListener('pointerup', drop);
      grip.removeEventListener('pointercancel', drop);
      window.removeEventListener('keydown', leave, true);
    };
    const drop = (event: PointerEvent) => {
      off();
      if (moved || hold.take) hold.drop(event, by(event), where(event));
    };
    const leave = (event: KeyboardEvent) => {
      if (event.key !== 'Escape') return;
      // What is chosen stays so: the next one lets go of that.
      event.stopPropagation();
      off();
      hold.leave();
    };
    window.addEventListener('keydown', leave, true);
    grip.addEventListener(moves, move);
    grip.addEventListener('pointerup', drop);
    grip.addEventListener('pointercancel', drop);
  };
  const key = (e: React.KeyboardEvent) => {
    const step = e.shiftKey ? 10 : 1;
    const vertical = onStepDown ?? ((by: number) => onStep(-by));
    const presses: Partial<Record<string, () => void>> = {
      ArrowLeft: () => onStep(-step),
      ArrowRight: () => onStep(step),
      ArrowUp: () => vertical(-step),
      ArrowDown: () => vertical(step),
    };
    const press = presses[e.key];
    if (!press) return;
    inBurst(name, press);
    e.preventDefault();
  };
  return (
    <g
      tabIndex={0}
      role="slider"
      aria-label={name}
      aria-valuenow={value}
      aria-valuetext={words}
      aria-valuemin={range && range.from * per}
      aria-valuemax={range && range.to * per}
      transform={`translate(${x} ${y})`}
      onPointerDown={press}
      onKeyDown={key}
      onFocus={onFocus}
    >
      <circle r={touch} className="reach" />
      <circle r={size} className="grip" />
      {dot && <circle r="2.5" className="dot" />}
    </g>
  );
}
