import type { QueryClient } from '@tanstack/react-query';
import { MutationObserver, mutationOptions } from '@tanstack/react-query';
import { api, preview, take } from './ask';
import type {
  MaterialView,
  Edit,
  Ground,
  KeptSequence,
  LevelSteering,
  LibraryMould,
  OwnMaterial,
  PaintPot,
  SaveRun,
  Schemas,
} from './client';
import { Refused } from './client';
import {
  leftOversQuery,
  levelQuery,
  mouldsQuery,
  ownMaterialsQuery,
  pieceQuery,
  potsQuery,
  pricesQuery,
  waysQuery,
  recipesQuery,
  ribbonQuery,
  scaleQuery,
  sequencesQuery,
  shelfQuery,
  versionsQuery,
  weighingQuery,
} from './queries';

/** Everything that the page has the workshop change, each with what it makes old. */

/** Time before something is sent again that was not answered, ms. */
export const retryAfterMs = 3000;

/** Whether it is not known if the workshop has it: it is sent again, with its id, so that it is taken once. */
const unanswered = (e: unknown) => e instanceof Refused && ![400, 404, 409, 422].includes(e.status);

/** Sends something until it is answered; each time it is not, that is told. */
export async function sent<T>(
  queries: QueryClient,
  send: () => Promise<T>,
  onUnanswered: (message: string) => void,
): Promise<T> {
  const sending = new MutationObserver<T, Error, void>(queries, {
    mutationFn: send,
    networkMode: 'always',
    retry: (_, e) => unanswered(e),
    retryDelay: retryAfterMs,
  });
  let told = 0;
  const stop = sending.subscribe(({ failureCount, failureReason }) => {
    if (failureCount > told && unanswered(failureReason)) onUnanswered(failureReason!.message);
    told = failureCount;
  });
  try {
    return await sending.mutate();
  } finally {
    stop();
  }
}

export const editPiece = (id: string, body: Schemas['EditPiece']) =>
  take(api.POST('/api/pieces/{id}/edit', { params: { path: { id } }, body }));

export const stepPiece = (id: string, body: Schemas['StepPiece']) =>
  take(api.POST('/api/pieces/{id}/step', { params: { path: { id } }, body }));

/** What follows from pieces: the ribbon and the shelf. */
export function pieceKept(queries: QueryClient) {
  void queries.invalidateQueries({ queryKey: ribbonQuery.queryKey });
  void queries.invalidateQueries({ queryKey: shelfQuery.queryKey });
}

/** Works a remedy out without keeping it, to be looked at. */
export const tryOut = (id: string) =>
  mutationOptions({
    mutationFn: (body: Parameters<typeof preview>[1]) =>
      preview(id, { ...body, detail: 'full', numbers: true }),
  });

/** A new piece, on the shelf. */
export const newPiece = mutationOptions({
  mutationFn: (body: Schemas['NewPiece']) => take(api.POST('/api/pieces', { body })),
  onSuccess: (_made, _body, _before, { client }) => pieceKept(client),
});

/** A piece that was kept as a file. */
export const bringPiece = mutationOptions({
  mutationFn: async (file: File) =>
    take(api.POST('/api/pieces/import', { body: { text: await file.text() } })),
  onSuccess: (_made, _file, _before, { client }) => pieceKept(client),
});

/** The ground of a piece that is not made yet, with changes. */
export const changeGround = mutationOptions({
  mutationFn: (body: { ground: Ground; commands: Edit[] }) => take(api.POST('/api/grounds/edit', { body })),
});

/** The strokes of an SVG drawing, as lines to be laid. */
export const readLines = mutationOptions({
  mutationFn: async (file: File) =>
    take(api.POST('/api/lines/svg', { body: { svg: await file.text(), dpi: null } })),
});

/** The outline of an SVG drawing. */
export const readDrawing = mutationOptions({
  mutationFn: async ({ file, dpi }: { file: File; dpi: number }) =>
    take(api.POST('/api/outlines/svg', { body: { svg: await file.text(), dpi } })),
});

/** The piece once more, in other colours. */
export const copyPiece = (id: string) =>
  mutationOptions({
    mutationFn: (body: Schemas['CopyPiece']) =>
      take(api.POST('/api/pieces/{id}/copy', { params: { path: { id } }, body })),
    onSuccess: (_made, _body, _before, { client }) => pieceKept(client),
  });

/** A finished piece becomes the ground of a new one. */
export const pourOver = (id: string) =>
  mutationOptions({
    mutationFn: () => take(api.POST('/api/pieces/{id}/rework', { params: { path: { id } } })),
    onSuccess: (_made, _body, _before, { client }) => client.invalidateQueries(),
  });

export const takeOff = (id: string) =>
  mutationOptions({
    mutationFn: () => take(api.DELETE('/api/pieces/{id}', { params: { path: { id } } })),
    onSuccess: (_left, _body, _before, { client }) => void client.invalidateQueries(),
  });

export const putBack = mutationOptions({
  mutationFn: (id: string) => take(api.POST('/api/aside/{id}/put-back', { params: { path: { id } } })),
  onSettled: (_back, _error, _id, _before, { client }) => client.invalidateQueries(),
});

/** What happens to the versions of a piece that have a name. */
export type VersionChange =
  | { do: 'name'; basedOn: number; name: string }
  | { do: 'take'; basedOn: number; revision: number }
  | { do: 'forget'; revision: number };

export const changeVersions = (id: string) =>
  mutationOptions({
    mutationFn: (change: VersionChange): Promise<unknown> => {
      const path = { id };
      if (change.do === 'name') {
        const { basedOn, name } = change;
        return take(api.POST('/api/pieces/{id}/versions', { params: { path }, body: { basedOn, name } }));
      }
      const params = { path: { id, revision: change.revision } };
      if (change.do === 'forget') return take(api.DELETE('/api/pieces/{id}/versions/{revision}', { params }));
      const body = { basedOn: change.basedOn };
      return take(api.POST('/api/pieces/{id}/versions/{revision}/take', { params, body }));
    },
    onSuccess: (_now, _change, _before, { client }) => {
      void client.invalidateQueries({ queryKey: versionsQuery(id).queryKey });
      void client.invalidateQueries({ queryKey: pieceQuery(id).queryKey });
      pieceKept(client);
    },
  });

/** What happened to a layer; the piece follows, with its windows. */
export const keepRun = (id: string) =>
  mutationOptions({
    mutationFn: ({ runId, body }: { runId: string; body: SaveRun }) =>
      take(api.PUT('/api/pieces/{id}/runs/{runId}', { params: { path: { id, runId } }, body })),
    onSuccess: (view, _run, _before, { client }) => {
      client.setQueryData(pieceQuery(id).queryKey, view);
      pieceKept(client);
    },
  });

/** A thing of the cupboard as it is to be, made to a version of it; 0 for a new one. */
export interface Keeping<Thing> {
  id: string;
  basedOn: number;
  thing: Thing;
}

export const keepMould = mutationOptions({
  mutationFn: ({ id, basedOn, thing }: Keeping<LibraryMould>) =>
    take(api.PUT('/api/moulds/{id}', { params: { path: { id } }, body: { basedOn, mould: thing } })),
  onSuccess: (now, _thing, _before, { client }) => client.setQueryData(mouldsQuery.queryKey, now),
});

/** Notes what happened to a mould. */
export const noteUse = (id: string) =>
  mutationOptions({
    mutationFn: (body: Schemas['NoteUse']) =>
      take(api.POST('/api/moulds/{id}/uses', { params: { path: { id } }, body })),
    onSuccess: (now, _use, _before, { client }) => client.setQueryData(mouldsQuery.queryKey, now),
  });

export const keepPot = mutationOptions({
  mutationFn: ({ id, basedOn, thing }: Keeping<PaintPot>) =>
    take(api.PUT('/api/pots/{id}', { params: { path: { id } }, body: { basedOn, pot: thing } })),
  onSuccess: (now, _thing, _before, { client }) => client.setQueryData(potsQuery.queryKey, now),
});

export const keepSequence = mutationOptions({
  mutationFn: ({ id, basedOn, thing }: Keeping<KeptSequence>) =>
    take(api.PUT('/api/sequences/{id}', { params: { path: { id } }, body: { basedOn, sequence: thing } })),
  onSuccess: (now, _thing, _before, { client }) => client.setQueryData(sequencesQuery.queryKey, now),
});

/** Keeps the bands of a layout by name. */
export const nameSequence = mutationOptions({
  mutationFn: (body: Schemas['KeepSequence']) => take(api.POST('/api/sequences', { body })),
  onSuccess: (now, _body, _before, { client }) => client.setQueryData(sequencesQuery.queryKey, now),
});

/** Saves a recipe of a piece by its name. */
export const nameRecipe = mutationOptions({
  mutationFn: (body: Schemas['KeepRecipe']) => take(api.POST('/api/recipes', { body })),
  onSuccess: (now, _body, _before, { client }) => client.setQueryData(recipesQuery.queryKey, now),
});

export const keepRecipe = mutationOptions({
  mutationFn: ({ id, basedOn, thing }: Keeping<Schemas['KeptRecipe']>) =>
    take(api.PUT('/api/recipes/{id}', { params: { path: { id } }, body: { basedOn, kept: thing } })),
  onSuccess: (now, _thing, _before, { client }) => client.setQueryData(recipesQuery.queryKey, now),
});

export const takeOutRecipe = mutationOptions({
  mutationFn: (id: string) => take(api.DELETE('/api/recipes/{id}', { params: { path: { id } } })),
  onSuccess: (now, _id, _before, { client }) => client.setQueryData(recipesQuery.queryKey, now),
});

/** What to mix for a wanted colour. */
export const findMixtures = mutationOptions({
  mutationFn: (body: Schemas['WantedMixture']) => take(api.POST('/api/colours/mixtures', { body })),
});

export const keepLeftOver = mutationOptions({
  mutationFn: ({ id, basedOn, thing }: Keeping<Schemas['LeftOver']>) =>
    take(api.PUT('/api/left-overs/{id}', { params: { path: { id } }, body: { basedOn, leftOver: thing } })),
  onSuccess: (now, _thing, _before, { client }) => client.setQueryData(leftOversQuery.queryKey, now),
});

export const takeOutLeftOver = mutationOptions({
  mutationFn: (id: string) => take(api.DELETE('/api/left-overs/{id}', { params: { path: { id } } })),
  onSuccess: (now, _id, _before, { client }) => client.setQueryData(leftOversQuery.queryKey, now),
});

export const takeOutSequence = mutationOptions({
  mutationFn: (id: string) => take(api.DELETE('/api/sequences/{id}', { params: { path: { id } } })),
  onSuccess: (now, _id, _before, { client }) => client.setQueryData(sequencesQuery.queryKey, now),
});

/** A material with the person's own values: windows, cups and pictures follow at once. */
export const keepMaterial = mutationOptions({
  mutationFn: ({ id, basedOn, thing }: Keeping<OwnMaterial>) => {
    const body = { basedOn, material: thing };
    return take(api.PUT('/api/cupboard/materials/{id}', { params: { path: { id } }, body }));
  },
  onSuccess: (now, _thing, _before, { client }) => {
    client.setQueryData(ownMaterialsQuery.queryKey, now);
    return client.invalidateQueries({ predicate: (q) => q.queryKey[0] !== ownMaterialsQuery.queryKey[0] });
  },
});

/** A material of one's own that nothing names is taken out. */
export const takeOutMaterial = mutationOptions({
  mutationFn: ({ kind, id }: Pick<MaterialView, 'kind' | 'id'>) =>
    take(api.DELETE('/api/cupboard/materials/{kind}/{id}', { params: { path: { kind, id } } })),
  onSuccess: (now, _material, _before, { client }) => client.setQueryData(ownMaterialsQuery.queryKey, now),
});

/** What things cost here; what pieces cost follows. */
export const keepPrices = mutationOptions({
  mutationFn: (body: Schemas['Prices']) => take(api.PUT('/api/prices', { body })),
  onSuccess: (now, _prices, _before, { client }) => {
    client.setQueryData(pricesQuery.queryKey, now);
    return client.invalidateQueries({
      predicate: (q) => ['piece', 'supposed'].includes(q.queryKey[0] as string),
    });
  },
});

/** How the person works: every piece that says nothing else follows. */
export const keepWays = mutationOptions({
  mutationFn: (body: Schemas['Habits']) => take(api.PUT('/api/ways', { body })),
  // One who went on from what was said last is ahead of its answer.
  scope: { id: 'ways' },
  onSuccess: (_now, _ways, _before, { client }) =>
    client.invalidateQueries({ predicate: (q) => q.queryKey[0] !== waysQuery.queryKey[0] }),
});

/** The clock of the workshop, and how hours are told: everything that tells a time follows. */
export const setWorkshop = mutationOptions({
  mutationFn: (body: { timeZone?: string; hours?: number }) =>
    take(api.PUT('/api/workshop', { body: { timeZone: null, hours: null, ...body } })),
  onSuccess: (_now, _body, _before, { client }) => client.invalidateQueries(),
});

/** Lets the steps go that are older than a day. */
export const letStepsGo = mutationOptions({
  mutationFn: (before: string) => take(api.POST('/api/about/let-steps-go', { body: { before } })),
  onSuccess: (_now, _before, _was, { client }) => client.invalidateQueries({ queryKey: ['about'] }),
});

/** Keeps what was weighed: sent again until it is answered, it is taken once. */
export const weighIn = (id: string, sitting: string) =>
  mutationOptions({
    mutationFn: (body: Schemas['WeighIn']) =>
      take(
        api.POST('/api/pieces/{id}/sittings/{sitting}/weighing', { params: { path: { id, sitting } }, body }),
      ),
    retry: (_: number, e: Error) => unanswered(e),
    retryDelay: retryAfterMs,
    onSuccess: (now, _body, _before, { client }) =>
      client.setQueryData(weighingQuery(id, sitting).queryKey, now),
  });

/** Takes back what was weighed last, or everything: sent again until it is answered, it is taken once. */
export const takeWeightBack = (id: string, sitting: string) =>
  mutationOptions({
    mutationFn: (body: Schemas['TakeBackWeight']) =>
      take(
        api.POST('/api/pieces/{id}/sittings/{sitting}/weighing/back', {
          params: { path: { id, sitting } },
          body,
        }),
      ),
    retry: (_: number, e: Error) => unanswered(e),
    retryDelay: retryAfterMs,
    onSuccess: (now, _body, _before, { client }) =>
      client.setQueryData(weighingQuery(id, sitting).queryKey, now),
  });

/** Sets the scale to zero with what is on it. */
export const tareScale = mutationOptions({
  mutationFn: async () => {
    const { response } = await api.POST('/api/live/scale/tare');
    if (!response.ok) throw new Refused(response.status, 'The scale could not be set to zero.', {});
  },
});

export const steerScale = mutationOptions({
  // What is on it changes while it is poured: it is asked for first.
  mutationFn: async (change: (now: Schemas['ScaleSteering']) => Partial<Schemas['ScaleSteering']>) => {
    const now = await take(api.GET('/api/stand-ins/scale'));
    return take(api.PUT('/api/stand-ins/scale', { body: { ...now, ...change(now) } }));
  },
  onSuccess: (now, _body, _before, { client }) => client.setQueryData(scaleQuery.queryKey, now),
});

export const steerLevel = mutationOptions({
  mutationFn: (body: LevelSteering) => take(api.PUT('/api/stand-ins/level', { body })),
  onSuccess: (now, _body, _before, { client }) => client.setQueryData(levelQuery.queryKey, now),
});
