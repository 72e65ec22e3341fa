/** Numbers from 0 to 1 that are the same for the same seed. */
export function randomFrom(seed: number) {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 4294967296;
  };
}
