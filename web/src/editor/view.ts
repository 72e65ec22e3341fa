/** A place, in mm or in pixels. */
export interface Spot {
  x: number;
  y: number;
}

/** How near a piece is looked at, and how far it is moved from where it fits, pixels. */
export interface Zoom extends Spot {
  by: number;
}

export interface Room {
  width: number;
  height: number;
}

export const whole: Zoom = { by: 1, x: 0, y: 0 };

const margin = 14;
/** What stands at the foot of the stage takes so many pixels. */
const below = 52;
/** No nearer than this. */
export const closest = 8;

const middleOf = (room: Room): Spot => ({ x: room.width / 2, y: (room.height - below + margin) / 2 });

/** Where a piece of a size lies in a room, and how large. */
export function viewOf(room: Room, size: { widthMm: number; heightMm: number }, zoom: Zoom) {
  const fit = Math.min(
    (room.width - 2 * margin) / size.widthMm,
    (room.height - margin - below) / size.heightMm,
  );
  const pixelsPerMm = fit * zoom.by;
  const middle = middleOf(room);
  return {
    pixelsPerMm,
    x: middle.x - (size.widthMm * pixelsPerMm) / 2 + zoom.x,
    y: middle.y - (size.heightMm * pixelsPerMm) / 2 + zoom.y,
  };
}

/** The view so much nearer, with what lay at one place of the room at another, or still there; never farther than the whole. */
export function nearer(room: Room, now: Zoom, by: number, from: Spot, to: Spot = from): Zoom {
  const next = Math.min(closest, Math.max(1, by));
  if (next === 1) return whole;
  const middle = middleOf(room);
  const keep = (f: number, t: number, m: number, shift: number) => t - m - ((f - m - shift) * next) / now.by;
  return { by: next, x: keep(from.x, to.x, middle.x, now.x), y: keep(from.y, to.y, middle.y, now.y) };
}
