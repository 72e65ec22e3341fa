import type { Schemas } from '../api/client';

type Step = Pick<Schemas['WeighingStep'], 'fromG' | 'toG'> & { target: { value: number } };

/** Whether so much is near enough: within the range that the workshop gives. */
export const withinOf = (step: Step, grams: number): 'under' | 'good' | 'over' =>
  grams < step.fromG ? 'under' : grams > step.toG ? 'over' : 'good';

/** The target stands at so much of the bar: beyond it there is room to see by how much it is over. */
const targetAt = 80;

/** Where the bar ends, and where the range lies on it, in percent of its length. */
export function barOf(step: Step, grams: number): { at: number; from: number; to: number } {
  const per = step.target.value > 0 ? targetAt / step.target.value : 0;
  const on = (g: number) => Math.min(100, Math.max(0, g * per));
  return { at: on(grams), from: on(step.fromG), to: on(step.toG) };
}

/** What is asked about: a reading in tenths of a gram; nothing for an empty pan. */
export const judgedGrams = (grams: number | null, step: Step) =>
  grams === null || Math.abs(grams) < 0.05 || step.target.value <= 0 ? null : Number(grams.toFixed(1));

/** Cups are marked in steps that people read: so many to a cup, and no more. */
const mostMarks = 6;

/** A marked cup that holds so much, and its marks. */
export function marksOf(ml: number): { holds: number; marks: number[] } {
  const most = Math.max(1, ml * 1.15);
  const ten = 10 ** Math.floor(Math.log10(most / mostMarks));
  const step = [1, 2, 5, 10].map((by) => by * ten).find((s) => most / s <= mostMarks)!;
  const holds = Math.ceil(most / step) * step;
  return { holds, marks: Array.from({ length: Math.round(holds / step) }, (_, i) => (i + 1) * step) };
}
