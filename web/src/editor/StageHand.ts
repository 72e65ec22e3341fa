import type { Edit } from '../api/client';
import type { Grab } from './tools';
import type { Room, Spot, Zoom } from './view';
import { nearer } from './view';

/** A finger, pen or mouse, in pixels of the stage. */
export interface Pointer extends Spot {
  id: number;
  time: number;
  touch: boolean;
}

/** The stage as it is when a hand comes down. */
export interface Stage {
  room: Room;
  zoom: Zoom;
  pixelsPerMm: number;
  toMm: (at: Spot) => Spot;
  /** Whether a hand draws a wall here. */
  draws: boolean;
  /** Whether a hand moves the view, whatever lies under it. */
  pans: boolean;
  /** What the hand takes; null for nothing. What lies elsewhere is turned to by the page. */
  take: (at: Pointer) => Grab | null;
}

/** What becomes of it. */
export interface Effects {
  select: (grab: Grab) => void;
  drag: (commands: Edit[], time: number) => void;
  keep: (commands: Edit[]) => void;
  giveUp: () => void;
  wall: (spots: Spot[]) => void;
  trace: (spots: Spot[] | null) => void;
  zoom: (to: Zoom) => void;
}

type State =
  | { is: 'free' }
  | { is: 'pressed'; by: Pointer; stage: Stage; grab: Grab | null; far: boolean }
  | { is: 'drawing'; by: Pointer; stage: Stage; spots: Spot[] }
  | { is: 'pinching'; stage: Stage; apart: number; middle: Spot };

/** A hand that has not gone farther has pressed, not dragged, pixels. */
const slack = 4;
/** A wall is longer than this, pixels. */
const shortest = 8;

/**
 * What hands do on the stage: they take something by its area and drag it, draw a wall, or move the view; two fingers move and
 * zoom it, and what the first had taken is let go.
 */
export class StageHand {
  private state: State = { is: 'free' };
  private readonly fingers = new Map<number, Spot>();

  constructor(private readonly effects: Effects) {}

  get is() {
    return this.state.is;
  }

  press(by: Pointer, stage: Stage) {
    if (by.touch) this.fingers.set(by.id, by);
    if (this.fingers.size === 2) {
      this.letGo();
      this.state = { is: 'pinching', stage, ...this.pinch() };
      return;
    }
    if (this.state.is !== 'free') return;
    if (stage.draws && !stage.pans) {
      this.state = { is: 'drawing', by, stage, spots: [stage.toMm(by)] };
      return;
    }
    const grab = stage.pans ? null : stage.take(by);
    if (grab) this.effects.select(grab);
    this.state = { is: 'pressed', by, stage, grab, far: false };
  }

  move(by: Pointer) {
    if (this.fingers.has(by.id)) this.fingers.set(by.id, by);
    const { state } = this;
    if (state.is === 'pinching' && this.fingers.size === 2) {
      const { stage, apart, middle } = state;
      const now = this.pinch();
      this.effects.zoom(
        nearer(stage.room, stage.zoom, (stage.zoom.by * now.apart) / Math.max(apart, 1), middle, now.middle),
      );
    } else if (state.is === 'drawing' && state.by.id === by.id) {
      state.spots.push(state.stage.toMm(by));
      this.effects.trace([...state.spots]);
    } else if (state.is === 'pressed' && state.by.id === by.id) {
      const { stage, grab } = state;
      state.far ||= Math.hypot(by.x - state.by.x, by.y - state.by.y) > slack;
      if (!state.far) return;
      if (grab?.change) this.effects.drag(grab.change(stage.toMm(by)), by.time);
      else if (stage.zoom.by > 1)
        this.effects.zoom({
          by: stage.zoom.by,
          x: stage.zoom.x + by.x - state.by.x,
          y: stage.zoom.y + by.y - state.by.y,
        });
    }
  }

  lift(by: Pointer) {
    this.fingers.delete(by.id);
    const { state } = this;
    if (state.is === 'pinching') {
      if (this.fingers.size === 0) this.state = { is: 'free' };
    } else if (state.is === 'drawing' && state.by.id === by.id) {
      this.state = { is: 'free' };
      this.effects.trace(null);
      const spots = [...state.spots, state.stage.toMm(by)];
      const from = spots[0]!;
      const far = (s: Spot) => Math.hypot(s.x - from.x, s.y - from.y) * state.stage.pixelsPerMm;
      if (spots.some((s) => far(s) > shortest)) this.effects.wall(spots);
    } else if (state.is === 'pressed' && state.by.id === by.id) {
      this.state = { is: 'free' };
      if (state.far && state.grab?.change) this.effects.keep(state.grab.change(state.stage.toMm(by)));
    }
  }

  /** The hand was taken away: nothing of what it did is kept. */
  cancel(by: Pointer) {
    this.fingers.delete(by.id);
    if ('by' in this.state && this.state.by.id === by.id) this.letGo();
    else if (this.state.is === 'pinching' && this.fingers.size === 0) this.state = { is: 'free' };
  }

  /** The person lets go of it: nothing of what the hand did is kept. */
  giveUp() {
    this.fingers.clear();
    this.letGo();
  }

  private letGo() {
    const { state } = this;
    this.state = { is: 'free' };
    if (state.is === 'drawing') this.effects.trace(null);
    if (state.is === 'pressed' && state.far && state.grab?.change) this.effects.giveUp();
  }

  private pinch() {
    const [a, b] = [...this.fingers.values()] as [Spot, Spot];
    return {
      apart: Math.hypot(a.x - b.x, a.y - b.y),
      middle: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 },
    };
  }
}
