interface Spot {
  x: number;
  y: number;
}

/**
 * The way from the lip of a jug to a cup. One that stands in a row above it is reached round the numbers of that row: up over the
 * jug, where nothing is written, and from above into the cup.
 */
export function streamTo(from: Spot, end: Spot, above: boolean) {
  if (above) {
    const left = from.x - 40 - 0.35 * (end.x - from.x);
    return `M${from.x} ${from.y}C${left} ${end.y - 60} ${end.x} ${end.y - 30} ${end.x} ${end.y}`;
  }
  const top = Math.max(4, Math.min(from.y, end.y) - 22);
  return `M${from.x} ${from.y}C${from.x + 26} ${top} ${end.x} ${top - 6} ${end.x} ${end.y}`;
}
