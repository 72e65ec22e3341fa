import type { UseMutationOptions } from '@tanstack/react-query';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Keeping } from '../api/changes';
import { Refused } from '../api/client';
import { useLedges } from './ledges';

/** One of the things that a shelf of the cupboard keeps: which is taken down, saving it, and what was refused of it. */
export function useKept<Now, Thing>(
  query: { queryKey: readonly unknown[] },
  keep: UseMutationOptions<Now, Error, Keeping<Thing>>,
  ledge: string,
) {
  const client = useQueryClient();
  const keeping = useMutation(keep);
  const [last, choose] = useState<string | null>(null);
  const { open, turn } = useLedges();
  const chosen = open === ledge ? last : null;
  const save = (id: string, basedOn: number, thing: Thing) =>
    keeping.mutate(
      { id, basedOn, thing },
      {
        onSuccess: () => choose(id),
        // Somebody was faster: what is kept now is shown, with what was refused beside it.
        onError: (e) => {
          if (e instanceof Refused && e.status === 409) void client.invalidateQueries(query);
        },
      },
    );
  return {
    chosen,
    refused: keeping.error instanceof Refused ? keeping.error : null,
    take: (id: string) => {
      keeping.reset();
      choose(id);
      // A press on what is down already puts it back.
      turn(id === chosen ? null : ledge);
    },
    add: (thing: Thing) => {
      turn(ledge);
      save(crypto.randomUUID(), 0, thing);
    },
    save,
  };
}
