import { useQuery } from '@tanstack/react-query';

import { api, take } from '../api/client';

/** What the workshop knows of materials by class. */
export const useMaterials = () =>
  useQuery({ queryKey: ['materials'], queryFn: () => take(api.GET('/api/materials')), staleTime: Infinity })
    .data;
