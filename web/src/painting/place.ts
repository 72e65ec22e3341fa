import type { Paints } from './paths';

/** Where a piece is seen: pixels to a millimetre, and where its top left lies in the frame. */
export interface View {
  pixelsPerMm: number;
  x: number;
  y: number;
}

/** A frame of so many CSS pixels, the screen's pixels to one of them, and the view in it. */
export interface Place {
  width: number;
  height: number;
  ratio: number;
  view: View;
}

/**
 * Paths are painted by the processor: a draft is painted whole and handed over, and where a graphics card is only emulated,
 * fetching it back from there takes ten times as long as painting it.
 */
export const byProcessor = { willReadFrequently: true };

/** The canvas at the screen's resolution, cleared and scaled to millimetres. */
export function sized(canvas: HTMLCanvasElement | OffscreenCanvas | null, place: Place) {
  const context = canvas?.getContext('2d', byProcessor) as Paints | null | undefined;
  if (!canvas || !context) return null;
  const { width, height, ratio, view } = place;
  const pixels = [Math.max(1, Math.round(width * ratio)), Math.max(1, Math.round(height * ratio))] as const;
  if (canvas.width !== pixels[0] || canvas.height !== pixels[1]) [canvas.width, canvas.height] = pixels;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, canvas.width, canvas.height);
  context.setTransform(
    view.pixelsPerMm * ratio,
    0,
    0,
    view.pixelsPerMm * ratio,
    view.x * ratio,
    view.y * ratio,
  );
  return context;
}

/** Where a painting lies in a frame that it fits into, in the middle, with so many pixels round it for its shadow. */
export function fitted(
  frame: { width: number; height: number },
  shape: { widthMm: number; heightMm: number },
  margin: number,
): View {
  const pixelsPerMm = Math.min(
    (frame.width - 2 * margin) / shape.widthMm,
    (frame.height - 2 * margin) / shape.heightMm,
  );
  return {
    pixelsPerMm,
    x: (frame.width - shape.widthMm * pixelsPerMm) / 2,
    y: (frame.height - shape.heightMm * pixelsPerMm) / 2,
  };
}
