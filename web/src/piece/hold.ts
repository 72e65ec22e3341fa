import type { Edit } from '../editor/PieceEditor';
import type { Hold } from './Grip';

export interface Spot {
  x: number;
  y: number;
}

/** What is done while something is held: what the hand asks for, moved by so much in mm and being where it is in mm. */
export type HoldOf = (change: (byX: number, byY: number, to: Spot) => Edit[]) => Hold;

/** A number more by so much. */
export const nudge = (place: string, by: number): Edit => ({ do: 'nudge', place, by });
