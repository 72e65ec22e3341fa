import type { FilledLayer, Line } from './filled';
import type { Spot } from './view';

/** How far a spot is from a line that was drawn through spots, mm. */
function away({ course }: Line, { x, y }: Spot): number {
  if (course.kind === 'ring')
    return Math.abs(Math.hypot(x - course.xMm, y - course.yMm) - course.diameterMm / 2);
  if (course.kind !== 'drawn') return Infinity;
  const { spots } = course;
  return Math.min(
    ...spots.slice(1).map((b, i) => {
      const a = spots[i]!;
      const [dx, dy] = [b.xMm - a.xMm, b.yMm - a.yMm];
      const length = dx * dx + dy * dy;
      const t = length > 0 ? Math.min(1, Math.max(0, ((x - a.xMm) * dx + (y - a.yMm) * dy) / length)) : 0;
      return Math.hypot(x - a.xMm - t * dx, y - a.yMm - t * dy);
    }),
  );
}

/** The line that a region is; of walls that share it the one that runs nearest to a spot. */
export const ofRegion = (lines: readonly Line[], region: string, at: Spot): Line | undefined =>
  lines
    .filter((l) => l.region === region)
    .reduce<Line | undefined>((best, l) => (!best || away(l, at) < away(best, at) ? l : best), undefined);

/** The line under a hand: one whose region it is, or the nearest of those that were drawn, where it is near enough. */
export function lineAt(
  layer: Pick<FilledLayer, 'lines'>,
  region: string,
  at: Spot,
  slackMm: number,
): Line | null {
  // Walls are smooth through their spots: what lies on one is it, however far its spots are.
  const own = ofRegion(layer.lines, region, at);
  if (own) return own;
  let [best, least]: [Line | null, number] = [null, Infinity];
  for (const line of layer.lines) {
    const far = away(line, at);
    if (far <= line.section.widthMm / 2 + slackMm && far < least) [best, least] = [line, far];
  }
  return best;
}
