import type { Painting } from '../api/client';

export type Paints = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Paths parsed once per painting: a repaint at another scale or with another region lit only fills them again. */
const parsed = new WeakMap<
  Painting,
  { outline: Path2D; paths: Path2D[]; panel: Path2D | null; clips: Path2D[] }
>();

export function pathsOf(painting: Painting) {
  let known = parsed.get(painting);
  if (!known) {
    known = {
      outline: new Path2D(painting.outline),
      paths: painting.paths.map((p) => new Path2D(p.path)),
      panel: painting.panels ? new Path2D(painting.panels.outline) : null,
      clips: painting.clips.map((c) => new Path2D(c)),
    };
    parsed.set(painting, known);
  }
  return known;
}

/** Whether a shape is a rectangle, as outlines and panels write one: it is clipped as one, which costs nothing. */
export const isBox = (shape: string) => /^M0 0L[\d.]+ 0L[\d.]+ [\d.]+L0 [\d.]+Z$/.test(shape);

/** How wide and high a rectangle is. */
export function boxOf(text: string): [width: number, height: number] {
  const [, width, , height] = text.match(/^M0 0L([\d.]+) 0L([\d.]+) ([\d.]+)L/)!.map(Number);
  return [width!, height!];
}

/** Whether what tells colourants apart and the weather are painted: not on the draft of a drag, and not in light from behind. */
export const isFull = (painting: Painting) =>
  (painting.look.filtersFrom ?? null) === null && painting.look.full;
