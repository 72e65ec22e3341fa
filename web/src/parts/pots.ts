import { useQuery } from '@tanstack/react-query';
import { potsQuery } from '../api/queries';

/** The pots of paint in the cupboard. */
export const usePots = () => useQuery(potsQuery).data ?? [];
