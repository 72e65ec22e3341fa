import type { Ground } from '../../api/client';

/** What a part of the ground's sentence gets. */
export interface PartProps {
  ground: Ground;
  say: (field: string) => string | undefined;
  set: (change: Partial<Ground>) => void;
}
