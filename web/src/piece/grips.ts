import type { Edit } from '../api/client';
import type { Spot } from '../editor/view';
import type { Hold } from './Grip';

/** What is done while something is held: what the hand asks for, moved by so much in mm and being where it is in mm. */
export type HoldOf = (change: (byX: number, byY: number, to: Spot) => Edit[]) => Hold;

/** A number more by so much. */
export const nudge = (place: string, by: number): Edit => ({ do: 'nudge', place, by });
