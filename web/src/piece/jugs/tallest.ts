import { heightFor, sizeFor } from '../../parts/Vessel';

/** A jug is drawn to the scale of the cups, with a little room over what is in it. */
export const jugHeight = (ml: number, largest: number, tallest: number) =>
  Math.max(84, tallest * Math.cbrt((1.14 * ml) / largest));

/** How wide a jug is drawn, pixels: its numbers have room in it. */
export const jugWidth = (height: number) => Math.max(148, height * 0.92);

/** The size of the largest vessel that a sitting is mixed in, ml; what vessels are drawn to scale with. */
export const largestOf = (batchesMl: number[], cupsMl: number[]) =>
  Math.max(120, ...batchesMl.map(sizeFor), ...cupsMl.map(sizeFor));

/** With more cups than this their names take two lines and their numbers are smaller, so that all stand in one row. */
export const manyCups = 5;

/** How wide a cup and the room beside it are at least, pixels. */
const cupRoom = (cups: number) => (cups > manyCups ? 76 : 90);

/** Under a batch stand its cups' numbers, over it its streams, below both its words. */
const besideHeight = 210;
const most = 230;

/**
 * How high the largest vessel is drawn, pixels: of one batch as high as there is room for, the more batches there are the
 * lower.
 */
export function tallestFor(batchesMl: number[], cupsMl: number[], room: { width: number; height: number }) {
  if (batchesMl.length !== 1) return batchesMl.length === 2 ? 92 : 78;
  const largest = largestOf(batchesMl, cupsMl);
  const least = 128;
  const fits = (tallest: number) => {
    const jug = jugHeight(batchesMl[0]!, largest, tallest);
    const high = Math.max(jug, ...cupsMl.map((ml) => heightFor(ml, largest, tallest)));
    const wide = cupsMl.reduce(
      (sum, ml) => sum + Math.max(cupRoom(cupsMl.length), heightFor(ml, largest, tallest) * 0.86 + 26),
      cupsMl.length > 1 ? jugWidth(jug) + 40 : 0,
    );
    return high + besideHeight <= room.height && wide <= room.width;
  };
  let tallest = most;
  while (tallest > least && !fits(tallest)) tallest -= 2;
  return tallest;
}
