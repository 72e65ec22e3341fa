import type { Schemas } from '../api/client';

/** Uses of left-over resin: as it lies on the shelf, and as something to do. */
export const leftOverWords: Record<Schemas['LeftOverUse'], { on: string; to: string }> = {
  'cast-stones': { on: 'of cast stones', to: 'cast stones' },
  'spare-casting': { on: 'in a spare casting', to: 'fill a spare mould' },
  'seal-coat': { on: 'as a seal coat', to: 'seal the next ground' },
  'top-up': { on: 'to top up', to: 'top up what stands low' },
};
