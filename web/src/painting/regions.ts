import type { Painting } from '../api/client';
import type { Paints } from './paths';
import { pathsOf } from './paths';
import { clipped, eachCopy, eachInset } from './sheets';

/** The region at a point, in millimetres: the innermost body of the topmost layer that covers it. */
export function regionAt(
  context: Paints,
  painting: Painting,
  xMm: number,
  yMm: number,
  layerId: string,
): string | null {
  context.save();
  context.setTransform(1, 0, 0, 1, 0, 0);
  const found = regionIn(context, painting, xMm, yMm, layerId);
  context.restore();
  return found;
}

function regionIn(
  context: Paints,
  painting: Painting,
  xMm: number,
  yMm: number,
  layerId: string,
): string | null {
  const { outline, paths, panel, clips } = pathsOf(painting);
  if (!context.isPointInPath(outline, xMm, yMm)) return null;
  for (const inset of painting.insets) {
    const inside =
      !inset.below && regionIn(context, inset.painting, xMm - inset.xMm, yMm - inset.yMm, layerId);
    if (inside) return inside;
  }
  // A point on any panel is one on the panel that is mapped.
  const places = panel
    ? painting.panels!.copies.map((c) => (c.mirrored ? c.fromMm - xMm : xMm - c.fromMm))
    : [xMm];
  const x = places.find((at) => !panel || context.isPointInPath(panel, at, yMm));
  let found: string | null = null;
  painting.paths.forEach((p, i) => {
    const ours = p.material?.startsWith(`${layerId}/`);
    if (!ours || p.region === null || !p.fill || x === undefined) return;
    const { clip } = p;
    if (clip !== null && clip !== undefined && !context.isPointInPath(clips[clip]!, x, yMm, 'evenodd'))
      return;
    if (context.isPointInPath(paths[i]!, x, yMm, 'evenodd')) found = p.region;
  });
  return found;
}

/** Dims everything but some regions of a layer, so that they seem lit. */
export function light(
  context: Paints,
  painting: Painting,
  layerId: string,
  regions: ReadonlySet<string>,
  veil: string,
) {
  const { outline } = pathsOf(painting);
  context.save();
  context.clip(outline);
  context.fillStyle = veil;
  context.fill(outline);
  lightIn(context, painting, layerId, regions, veil);
  context.restore();
}

function lightIn(
  context: Paints,
  painting: Painting,
  layerId: string,
  regions: ReadonlySet<string>,
  veil: string,
) {
  const { outline, paths, panel, clips } = pathsOf(painting);
  context.save();
  context.clip(outline);
  eachCopy(context, painting, panel, () =>
    painting.paths.forEach((p, i) => {
      if (p.role === 'edge' || p.role === 'facet' || !p.fill) return;
      if (!p.material?.startsWith(`${layerId}/`)) return;
      clipped(context, clips, p.clip, () => {
        context.globalCompositeOperation = 'destination-out';
        context.fillStyle = '#000';
        context.fill(paths[i]!, 'evenodd');
        if (p.region !== null && regions.has(p.region)) return;
        context.globalCompositeOperation = 'source-over';
        context.fillStyle = veil;
        context.fill(paths[i]!, 'evenodd');
      });
    }),
  );
  eachInset(context, painting, false, (inside) => lightIn(context, inside, layerId, regions, veil));
  context.restore();
}
