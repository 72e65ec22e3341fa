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

/** The line of some that runs nearest to a spot; undefined where there are none. */
export const nearest = <T extends Line>(lines: readonly T[], at: Spot): T | undefined =>
  lines.reduce<T | undefined>((best, l) => (!best || away(l, at) < away(best, at) ? l : best), undefined);

/** The line under a hand: one whose region it is, or the nearest of those that were drawn, where it is near enough. */
export function lineAt(
  layer: Pick<FilledLayer, 'lines'>,
  region: string,
  at: Spot,
  slackMm: number,
): Line | null {
  const own = layer.lines.find((l) => l.material.kind !== 'barrier' && l.region === region);
  if (own) return own;
  let [best, least]: [Line | null, number] = [null, Infinity];
  for (const line of layer.lines) {
    const reach = line.section.widthMm / 2 + slackMm;
    const far = away(line, at);
    // Walls are smooth through their spots: what lies on a wall is one, however far its spots are.
    const counts =
      line.material.kind === 'barrier' && region.endsWith('wall') ? far : far <= reach ? far : Infinity;
    if (counts < least) [best, least] = [line, counts];
  }
  return best;
}
