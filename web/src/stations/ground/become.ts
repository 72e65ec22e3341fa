import type { Ground } from '../../api/client';
import { Refused, api, take } from '../../api/client';
import type { components } from '../../api/schema';

export type GroundChange = Omit<components['schemas']['GroundChange'], 'ground' | 'anotherRim'> & {
  anotherRim?: boolean;
};

/** Changes a ground in a way that takes others with it; what goes with what is the workshop's to know. */
export function become(
  ground: Ground,
  change: GroundChange,
  then: (ground: Ground) => void,
  failed: (sentence: string) => void,
) {
  take(api.POST('/api/grounds/become', { body: { ground, anotherRim: false, ...change } }))
    .then(then)
    .catch((e: unknown) => failed(e instanceof Refused ? e.message : 'That could not be done.'));
}
