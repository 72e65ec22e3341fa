import type { Painting } from '../api/client';
import { finish, ringsOf } from './finish';
import type { Paints } from './paths';
import { isBox, isFull, pathsOf } from './paths';
import { rim } from './rim';
import { clipTo, clipped, cut, eachCopy, eachInset, within } from './sheets';
import { weather } from './weather';

/** Whether a path takes its share of the light that comes through what is painted before it. */
const filters = ({ look, paths }: Painting, path: number) =>
  paths[path]!.glass || path >= (look.filtersFrom ?? Infinity);

/**
 * Paints a piece in millimetres on a canvas with nothing on it: the context is already scaled. Clouds, grain and gloss
 * are left to the full painting, so that a drag repaints in a few milliseconds.
 */
export function paint(
  context: Paints,
  painting: Painting,
  pixelsPerMm: number,
  tiltDeg = painting.look.tiltDeg,
) {
  const { outline } = pathsOf(painting);
  context.save();
  if (isBox(painting.outline)) clipTo(context, painting.outline, outline);
  lay(context, painting, pixelsPerMm, tiltDeg);
  if (!isBox(painting.outline)) cut(context, outline, painting);
  context.restore();
}

/** Lays a piece on what is there; what reaches over its outline is left to be cut off. */
function lay(context: Paints, painting: Painting, pixelsPerMm: number, tiltDeg: number) {
  const { outline, paths, panel, clips } = pathsOf(painting);
  const inset = (inside: Painting) =>
    within(context, inside, inside.outline, pathsOf(inside).outline, (on) =>
      lay(on, inside, pixelsPerMm, tiltDeg),
    );
  if (painting.ground !== null) {
    context.fillStyle = painting.ground;
    context.fillRect(0, 0, painting.widthMm, painting.heightMm);
  }
  context.lineJoin = 'round';
  eachInset(context, painting, true, inset);
  eachCopy(context, painting, panel, (on) => {
    // What follows each other in one part is painted in one.
    for (const run of runsOf(painting)) {
      const draw = (sheet: Paints) => {
        for (const i of run.paths) fillAndStroke(sheet, painting, i, paths[i]!, pixelsPerMm);
      };
      if (run.clip === null) draw(on);
      else within(on, painting, painting.clips[run.clip]!, clips[run.clip]!, draw);
    }
    if (isFull(painting))
      for (const ring of ringsOf(painting, paths))
        clipped(on, clips, ring.clip, () => finish(on, painting, ring, tiltDeg));
  });
  if (isFull(painting)) weather(context, painting, outline);
  eachInset(context, painting, false, inset);
  rim(context, painting.outline, outline, pixelsPerMm);
}

/** The paths that can be seen, those that follow each other in one part of a layer together. */
function runsOf(painting: Painting) {
  const runs: { clip: number | null; paths: number[] }[] = [];
  painting.paths.forEach((p, i) => {
    if (p.opacity === 0) return;
    const clip = p.clip ?? null;
    const last = runs.at(-1);
    if (last?.clip === clip) last.paths.push(i);
    else runs.push({ clip, paths: [i] });
  });
  return runs;
}

function fillAndStroke(context: Paints, painting: Painting, i: number, path: Path2D, pixelsPerMm: number) {
  const p = painting.paths[i]!;
  context.globalAlpha = p.opacity;
  context.globalCompositeOperation = filters(painting, i) ? 'multiply' : 'source-over';
  if (p.fill) {
    context.fillStyle = p.fill;
    context.fill(path, 'evenodd');
  }
  if (p.stroke) {
    context.strokeStyle = p.stroke;
    // A vein's lines meet each other.
    context.lineCap = p.role === 'part' ? 'round' : 'butt';
    context.lineWidth = Math.max(p.strokeMm, 0.35 / pixelsPerMm);
    context.stroke(path);
  }
  context.globalAlpha = 1;
  context.globalCompositeOperation = 'source-over';
}

/** The shadow a piece throws on the bench; it is painted again only when its outline or the view changes. */
export function shadow(context: Paints, outline: string) {
  const ratio = window.devicePixelRatio || 1;
  context.save();
  context.shadowColor = 'rgba(32, 24, 8, 0.45)';
  context.shadowBlur = 10 * ratio;
  context.shadowOffsetY = 5 * ratio;
  context.fillStyle = '#55503f';
  context.fill(new Path2D(outline));
  context.restore();
}
