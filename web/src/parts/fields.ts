import { useQuery } from '@tanstack/react-query';
import { createContext, use } from 'react';
import { fieldsQuery } from '../api/queries';
import type { components } from '../api/schema';

export type AcceptedRange = components['schemas']['AcceptedRange'];
type FieldsView = components['schemas']['FieldsView'];

/** What number fields take; empty until the workshop has told. */
export const FieldsContext = createContext<FieldsView>({ ranges: {}, most: {}, usual: {}, unpainted: [] });

export const useFields = () => use(FieldsContext);

/** How many of something a piece takes, by its place; beyond them none is offered. */
export const useMost = (place: string) => useFields().most[place] ?? Infinity;

export const useFieldsFromWorkshop = () => useQuery(fieldsQuery).data;

/** What is wrong with a value, in the shown unit; null when nothing is. */
export function outside(
  range: AcceptedRange | undefined,
  value: number,
  show: (value: number) => { text: string; unit: string },
): string | null {
  if (!range) return null;
  const low = range.fromExcluded ? value <= range.from : value < range.from;
  if (!low && value <= range.to) return null;
  const { text, unit } = show(range.to);
  const upTo = unit === '' ? text : `${text} ${unit}`;
  return `${range.what} must be ${range.fromExcluded ? 'above' : 'from'} ${show(range.from).text} to ${upTo}.`;
}
