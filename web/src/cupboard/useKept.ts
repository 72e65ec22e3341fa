import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Refused } from '../api/client';

/** One of the things that the cupboard keeps: which is taken down, saving it, and what was refused of it. */
export function useKept<View, Thing>(
  query: { queryKey: string[] },
  put: (id: string, basedOn: number, thing: Thing) => Promise<View[]>,
) {
  const client = useQueryClient();
  const [chosen, choose] = useState<string | null>(null);
  const [refused, setRefused] = useState<Refused | null>(null);
  const save = (id: string, basedOn: number, thing: Thing) => {
    put(id, basedOn, thing)
      .then((now) => {
        client.setQueryData(query.queryKey, now);
        setRefused(null);
        choose(id);
      })
      .catch(async (e: unknown) => {
        if (!(e instanceof Refused)) throw e;
        setRefused(e);
        // Somebody was faster: what is kept now is shown, with what was refused beside it.
        if (e.status === 409) await client.invalidateQueries(query);
      });
  };
  return {
    chosen,
    refused,
    take: (id: string) => {
      setRefused(null);
      choose(id);
    },
    add: (thing: Thing) => save(crypto.randomUUID(), 0, thing),
    save,
  };
}
