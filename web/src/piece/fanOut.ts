/** A grip or something else that takes the hand, in pixels. */
export interface Place {
  x: number;
  y: number;
  /** How far round it the hand is taken. */
  touch: number;
}

/** Steps up and down in which a place is looked for, pixels. */
const step = 4;
const farthest = 160;

/**
 * Grips that stand on one line, moved up or down so that none takes the hand of another: each as little as it needs, in their
 * order, the one that is held first.
 */
export function fanOut(
  grips: readonly (Place | null)[],
  others: readonly Place[],
  held: number,
): (Place | null)[] {
  const taken: Place[] = [...others];
  const placed: (Place | null)[] = grips.map(() => null);
  const order = grips.map((_, i) => i).sort((a, b) => Number(b === held) - Number(a === held) || a - b);
  for (const i of order) {
    const grip = grips[i];
    if (!grip) continue;
    let found = grip;
    for (let by = 0; by <= farthest; by += step) {
      const free = [by, -by]
        .map((dy) => ({ ...grip, y: grip.y + dy }))
        .find((at) => taken.every((t) => Math.hypot(t.x - at.x, t.y - at.y) >= t.touch + at.touch));
      if (free) {
        found = free;
        break;
      }
    }
    placed[i] = found;
    taken.push(found);
  }
  return placed;
}
