import { useQuery } from '@tanstack/react-query';
import { api, take } from '../api/client';

export const potsQuery = { queryKey: ['pots'], queryFn: () => take(api.GET('/api/pots')) };

/** The pots of paint in the cupboard. */
export const usePots = () => useQuery(potsQuery).data ?? [];
