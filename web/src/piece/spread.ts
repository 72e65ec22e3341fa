/** What is written somewhere, by its middle, in pixels: half as wide and half as high. */
export interface Label {
  x: number;
  y: number;
  halfWidth: number;
  halfHeight: number;
}

/** Between two of them stays so much, pixels. */
const gap = 3;
/** Places are looked for on circles so far apart, and no farther away, pixels. */
const step = 8;
const farthest = 240;
const ways = 12;

const overlap = (a: Label, b: Label) =>
  Math.abs(a.x - b.x) < a.halfWidth + b.halfWidth + gap &&
  Math.abs(a.y - b.y) < a.halfHeight + b.halfHeight + gap;

/** Labels moved apart so that none lies over another: each as near to its own place as there is room, in their order. */
export function spread<T extends Label>(labels: readonly T[]): T[] {
  const placed: T[] = [];
  for (const label of labels) {
    placed.push(around(label).find((at) => placed.every((p) => !overlap(p, at))) ?? label);
  }
  return placed;
}

function around<T extends Label>(label: T): T[] {
  const places = [label];
  for (let far = step; far <= farthest; far += step)
    for (let way = 0; way < ways; way++) {
      const turn = (2 * Math.PI * way) / ways;
      places.push({ ...label, x: label.x + far * Math.cos(turn), y: label.y + far * Math.sin(turn) });
    }
  return places;
}
