import type { Painting } from '../api/client';
import type { Paints } from './paths';
import { boxOf, isBox, isFull } from './paths';
import { byProcessor } from './place';

/** Clips by a shape; one by a path costs as much as three fills for everything that is painted in it. */
export function clipTo(context: Paints, text: string, shape: Path2D) {
  if (!isBox(text)) return context.clip(shape, 'evenodd');
  context.beginPath();
  context.rect(0, 0, ...boxOf(text));
  context.clip();
}

/** Takes away what lies outside a shape: a fill of its outside, at the price of one. Nothing may lie beneath. */
export function cut(context: Paints, shape: Path2D, { widthMm, heightMm }: Painting) {
  const outside = new Path2D(shape);
  outside.rect(-widthMm, -heightMm, 3 * widthMm, 3 * heightMm);
  context.save();
  context.globalAlpha = 1;
  context.globalCompositeOperation = 'destination-out';
  context.fillStyle = '#000';
  context.fill(outside, 'evenodd');
  context.restore();
}

/** Sheets to paint on by themselves, one for each that lies open on another. */
const sheets: OffscreenCanvas[] = [];
let open = 0;

/** Whether a painting may be painted on sheets: not where it blends with what is there, or none are to be had. */
const takesSheets = (painting: Painting) =>
  typeof OffscreenCanvas !== 'undefined' &&
  !isFull(painting) &&
  (painting.look.filtersFrom ?? null) === null &&
  !painting.paths.some((p) => p.glass);

/** Draws within a shape: on a sheet of its own, which is cut along the shape and laid on what is there. */
export function within(
  context: Paints,
  painting: Painting,
  text: string,
  shape: Path2D,
  draw: (context: Paints) => void,
) {
  context.save();
  if (isBox(text) || !takesSheets(painting)) {
    clipTo(context, text, shape);
    draw(context);
  } else {
    const laid = onSheet(context, context.getTransform(), (own) => {
      draw(own);
      cut(own, shape, painting);
    });
    context.resetTransform();
    context.globalAlpha = 1;
    context.drawImage(laid, 0, 0);
  }
  context.restore();
}

/** Draws on a blank sheet as large as a canvas. */
export function onSheet(
  { canvas: { width, height } }: Paints,
  at: DOMMatrix2DInit,
  draw: (context: Paints) => void,
) {
  const sheet = (sheets[open++] ??= new OffscreenCanvas(1, 1));
  const own = sheet.getContext('2d', byProcessor)!;
  if (sheet.width !== width || sheet.height !== height) [sheet.width, sheet.height] = [width, height];
  own.reset();
  own.setTransform(at);
  own.lineJoin = 'round';
  try {
    draw(own);
  } finally {
    open--;
  }
  return sheet;
}

export type Clip = Painting['paths'][number]['clip'] | undefined;

/** Draws within the part of a layer that a path belongs to. */
export function clipped(context: Paints, clips: Path2D[], clip: Clip, draw: () => void) {
  if (clip === null || clip === undefined) return draw();
  context.save();
  context.clip(clips[clip]!, 'evenodd');
  draw();
  context.restore();
}

/**
 * A draft of panels that are all alike is painted once and copied, each to the nearest pixel of its place. Not where one
 * is larger than the canvas, as when it is looked at from near.
 */
function copied(context: Paints, painting: Painting, draw: (context: Paints) => void) {
  if (!takesSheets(painting) || !isBox(painting.panels!.outline)) return false;
  const { a, d, e, f } = context.getTransform();
  const [wide, high] = boxOf(painting.panels!.outline).map((mm, i) => Math.ceil(mm * Math.abs(i ? d : a)));
  if (wide! > context.canvas.width || high! > context.canvas.height) return false;
  const once = onSheet(context, { a: Math.abs(a), b: 0, c: 0, d, e: 0, f: 0 }, draw);
  for (const { fromMm, mirrored } of painting.panels!.copies) {
    context.save();
    context.setTransform(mirrored ? -1 : 1, 0, 0, 1, Math.round(e + a * fromMm), Math.round(f));
    context.drawImage(once, 0, 0, wide!, high!, 0, 0, wide!, high!);
    context.restore();
  }
  return true;
}

/** Does something once, or for each panel in its own place, clipped by it. */
export function eachCopy(
  context: Paints,
  painting: Painting,
  panel: Path2D | null,
  draw: (context: Paints) => void,
) {
  if (!panel) return draw(context);
  if (copied(context, painting, draw)) return;
  for (const copy of painting.panels!.copies) {
    context.save();
    context.translate(copy.fromMm, 0);
    context.scale(copy.mirrored ? -1 : 1, 1);
    within(context, painting, painting.panels!.outline, panel, draw);
    context.restore();
  }
}

export function eachInset(
  context: Paints,
  painting: Painting,
  below: boolean,
  draw: (inside: Painting, xMm: number, yMm: number) => void,
) {
  for (const inset of painting.insets) {
    if (inset.below !== below) continue;
    context.save();
    context.translate(inset.xMm, inset.yMm);
    draw(inset.painting, inset.xMm, inset.yMm);
    context.restore();
  }
}
