import { useQuery } from '@tanstack/react-query';
import { tellTo } from './format';
import { api, take } from '../api/client';

/** The workshop itself: its clock and its settings. */
export const useWorkshop = () =>
  useQuery({
    queryKey: ['workshop'],
    queryFn: async () => {
      const got = await take(api.GET('/api/workshop'));
      tellTo(got.hours);
      return got;
    },
    refetchInterval: 30_000,
  });
