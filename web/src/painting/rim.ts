import type { Paints } from './paths';
import { isBox } from './paths';
import { byProcessor } from './place';

/** The last rims that were stroked, and where: a drag strokes the same ones again and again. */
const stroked = new Map<string, OffscreenCanvas>();
const rimsKept = 4;

/** A narrow light along the upper left edge and shade along the lower right, as a poured edge has. */
export function rim(context: Paints, text: string, outline: Path2D, pixelsPerMm: number) {
  if (isBox(text) || typeof OffscreenCanvas === 'undefined') return strokeRim(context, outline, pixelsPerMm);
  const { width, height } = context.canvas;
  const at = context.getTransform();
  const key = `${width} ${height} ${at.a} ${at.e} ${at.f} ${text}`;
  let sheet = stroked.get(key);
  if (!sheet) {
    sheet = new OffscreenCanvas(width, height);
    const own = sheet.getContext('2d', byProcessor)!;
    own.setTransform(at);
    own.lineJoin = 'round';
    strokeRim(own, outline, pixelsPerMm);
    if (stroked.size === rimsKept) stroked.delete(stroked.keys().next().value!);
    stroked.set(key, sheet);
  }
  context.save();
  context.resetTransform();
  context.drawImage(sheet, 0, 0);
  context.restore();
}

function strokeRim(context: Paints, outline: Path2D, pixelsPerMm: number) {
  context.lineWidth = Math.max(2.4, 2 / pixelsPerMm);
  context.strokeStyle = 'rgba(20,16,8,0.28)';
  context.stroke(outline);
  context.lineWidth = Math.max(0.9, 1 / pixelsPerMm);
  context.strokeStyle = 'rgba(255,255,255,0.35)';
  context.stroke(outline);
}
