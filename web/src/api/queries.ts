import { QueryClient, focusManager, keepPreviousData, queryOptions } from '@tanstack/react-query';
import { api, preview, take } from './ask';
import type { Edit, Ground, Look, Schemas } from './client';
import { Refused } from './client';

/**
 * Everything that the page asks of the workshop, by name. What was asked is held, shared and asked again by TanStack Query; what a
 * change makes old is said with the change.
 */

/** Asked once more where the workshop did not answer; what it refused it would refuse again. */
const again = (failures: number, e: Error) => failures < 1 && !(e instanceof Refused && e.status >= 400);

export function newQueries() {
  // What waits to be kept is sent again, and windows are watched, whether or not the page is in front.
  focusManager.setFocused(true);
  return new QueryClient({ defaultOptions: { queries: { retry: again, networkMode: 'always' } } });
}

/** The workshop itself: its clock and its settings. */
export const workshopQuery = queryOptions({
  queryKey: ['workshop'],
  queryFn: () => take(api.GET('/api/workshop')),
  refetchInterval: 30_000,
  // Every part of the page that tells a time reads it; one answer does for all that are drawn together.
  staleTime: 2_000,
});

/** What number fields take. */
export const fieldsQuery = queryOptions({
  queryKey: ['fields'],
  queryFn: () => take(api.GET('/api/fields')),
  staleTime: Infinity,
});

export const formulasQuery = queryOptions({
  queryKey: ['formulas'],
  queryFn: () => take(api.GET('/api/formulas')),
  staleTime: Infinity,
});

export const shelfQuery = queryOptions({
  queryKey: ['shelf'],
  queryFn: () => take(api.GET('/api/pieces')),
});

export const asideQuery = queryOptions({
  queryKey: ['aside'],
  queryFn: () => take(api.GET('/api/aside')),
});

export const ribbonQuery = queryOptions({
  queryKey: ['ribbon'],
  queryFn: () => take(api.GET('/api/ribbon')),
  // What is being worked out anew is asked for again soon.
  refetchInterval: (q) => (q.state.data?.renewing ? 1_000 : 30_000),
});

/** A piece with its plan. Large: it is not compared with what was there. */
export const pieceQuery = (id: string) =>
  queryOptions({
    queryKey: ['piece', id],
    queryFn: ({ signal }) => take(api.GET('/api/pieces/{id}', { params: { path: { id } }, signal })),
    structuralSharing: false,
  });

type QuantityKind = Schemas['QuantityKind'];

/** What of a piece is painted. */
export interface Painted {
  layerId: string | null;
  look: Look;
  /** The mark of the piece: another where it is painted otherwise. */
  mark: string;
  /** The revision that was poured, where it is told of. */
  revision?: number;
  /** Changes that are not kept, made to a revision. */
  unkept?: { revision: number; commands: Edit[] };
}

/** The whole painting of a piece, as it is kept or with changes that are not; the one before stays until it comes. */
export const paintingQuery = (id: string, of: Painted) =>
  queryOptions({
    queryKey: ['painting', id, of],
    queryFn: async ({ signal }) => {
      const { layerId, look, revision, unkept } = of;
      if (unkept) return preview(id, { ...unkept, layerId, detail: 'full', numbers: true, look }, signal);
      const query = { layer: layerId ?? undefined, revision, ...look };
      const painting = await take(
        api.GET('/api/pieces/{id}/painting', { params: { path: { id }, query }, signal }),
      );
      return { painting, plan: null, piece: null };
    },
    placeholderData: keepPreviousData,
    structuralSharing: false,
    refetchOnWindowFocus: false,
    gcTime: 60_000,
  });

/** The painting of a piece that is not kept. */
export const colourwayQuery = (id: string, body: Parameters<typeof preview>[1]) =>
  queryOptions({
    queryKey: ['colourway', id, body],
    queryFn: async ({ signal }) =>
      (await preview(id, { ...body, layerId: null, detail: 'full', numbers: false }, signal)).painting,
    placeholderData: keepPreviousData,
  });

/** The versions of a piece that have a name. */
export const versionsQuery = (id: string) =>
  queryOptions({
    queryKey: ['versions', id],
    queryFn: () => take(api.GET('/api/pieces/{id}/versions', { params: { path: { id } } })),
  });

/** What the program reckons with by class. */
export const materialsQuery = queryOptions({
  queryKey: ['materials'],
  queryFn: () => take(api.GET('/api/materials')),
  staleTime: Infinity,
});

/** The materials of the cupboard, with what the person entered of them. */
export const ownMaterialsQuery = queryOptions({
  queryKey: ['cupboard-materials'],
  queryFn: () => take(api.GET('/api/cupboard/materials')),
});

export const mouldsQuery = queryOptions({
  queryKey: ['moulds'],
  queryFn: () => take(api.GET('/api/moulds')),
});

export const potsQuery = queryOptions({
  queryKey: ['pots'],
  queryFn: () => take(api.GET('/api/pots')),
});

export const sequencesQuery = queryOptions({
  queryKey: ['sequences'],
  queryFn: () => take(api.GET('/api/sequences')),
});

export const pricesQuery = queryOptions({
  queryKey: ['prices'],
  queryFn: () => take(api.GET('/api/prices')),
});

/** How the person works, where a piece does not say otherwise. */
export const waysQuery = queryOptions({
  queryKey: ['ways'],
  queryFn: () => take(api.GET('/api/ways')),
});

/** Recipes that are kept by name. */
export const recipesQuery = queryOptions({
  queryKey: ['recipes'],
  queryFn: () => take(api.GET('/api/recipes')),
});

/** A saved recipe, dosed for so much of a resin. */
export const dosedQuery = (id: string, ml: number, resin: string) =>
  queryOptions({
    queryKey: ['recipes', id, 'dosed', ml, resin],
    queryFn: () =>
      take(api.POST('/api/recipes/{id}/dosed', { params: { path: { id } }, body: { ml, resin } })),
    placeholderData: keepPreviousData,
  });

/** What was made from resin that was left over. */
export const leftOversQuery = queryOptions({
  queryKey: ['left-overs'],
  queryFn: () => take(api.GET('/api/left-overs')),
});

/** What a sitting weighs, and what has been weighed of it. */
export const weighingQuery = (id: string, sitting: string) =>
  queryOptions({
    queryKey: ['weighing', id, sitting],
    queryFn: () =>
      take(api.GET('/api/pieces/{id}/sittings/{sitting}/weighing', { params: { path: { id, sitting } } })),
  });

/** What is said of a reading; nothing is asked where there is none. */
export const judgedQuery = (id: string, sitting: string, stepId: string, grams: number | null) =>
  queryOptions({
    queryKey: ['judged', id, sitting, stepId, grams],
    queryFn: () =>
      take(
        api.POST('/api/pieces/{id}/sittings/{sitting}/weighing/judge', {
          params: { path: { id, sitting } },
          body: { stepId, grams: grams ?? 0 },
        }),
      ),
    enabled: grams !== null,
    gcTime: 10_000,
  });

/** How the simulated scale is steered, by what is on it by now. */
export const scaleQuery = queryOptions({
  queryKey: ['stand-ins', 'scale'],
  queryFn: () => take(api.GET('/api/stand-ins/scale')),
  refetchInterval: 1000,
});

/** How the simulated level is steered. */
export const levelQuery = queryOptions({
  queryKey: ['stand-ins', 'level'],
  queryFn: () => take(api.GET('/api/stand-ins/level')),
});

/** What is kept, and how many steps are older than a day; null for the usual one. */
export const aboutQuery = (before: string | null) =>
  queryOptions({
    queryKey: ['about', before],
    queryFn: () => take(api.GET('/api/about', { params: { query: { before: before ?? undefined } } })),
  });

/** Layouts to begin with, painted on a ground that may belong to no piece yet. */
export const startersQuery = (ground: Ground) =>
  queryOptions({
    queryKey: ['starters', ground],
    queryFn: ({ signal }) => take(api.POST('/api/grounds/starters', { body: { ground }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });

/** A quantity with its unit, as it is typed. */
export const quantityQuery = (text: string, kind: QuantityKind) =>
  queryOptions({
    queryKey: ['quantity', kind, text],
    queryFn: () => take(api.POST('/api/reckon/quantity', { body: { text, kind } })),
    staleTime: Infinity,
  });

/** A moment as people say it; what "tomorrow" is changes with the day. */
export const momentQuery = (text: string) =>
  queryOptions({
    queryKey: ['moment', text],
    queryFn: () => take(api.POST('/api/reckon/moment', { body: { text } })),
    staleTime: 0,
  });

type Answer = Record<string, unknown>;

async function sum(path: string, request: unknown, signal: AbortSignal): Promise<Answer> {
  const asked = fetch(`/api/reckon/${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(request),
    signal,
  });
  return take(
    asked.then(async (response) => {
      const body = (await response.json()) as Answer;
      return response.ok ? { data: body, response } : { data: undefined, error: body, response };
    }),
  );
}

/** A sum of the reckoner; the request is of its own shape for each. */
export const sumQuery = (path: string, request: unknown) =>
  queryOptions<Answer>({
    queryKey: ['sum', path, request],
    queryFn: ({ signal }) => sum(path, request, signal),
    placeholderData: (before) => before as Answer | undefined,
    staleTime: Infinity,
  });

/** The numbers that a piece would have with changes made; nothing is kept. */
export const supposedQuery = (id: string, body: { revision: number; commands: Edit[] }) =>
  queryOptions({
    queryKey: ['supposed', id, body],
    queryFn: async () => (await preview(id, { ...body, layerId: null, detail: null, numbers: true })).plan,
  });

/** The colours that a cup can be given where it is poured. */
export const offersQuery = (body: Schemas['OfferColours']) =>
  queryOptions({
    queryKey: ['colours', 'offered', body],
    queryFn: ({ signal }) => take(api.POST('/api/colours/offered', { body, signal })),
    placeholderData: keepPreviousData,
    staleTime: 0,
  });

/** How a colour would look where it is poured; the one before stays until it comes. */
export const seenQuery = (body: Schemas['TryColour']) =>
  queryOptions({
    queryKey: ['colours', 'seen', body],
    queryFn: ({ signal }) => take(api.POST('/api/colours/seen', { body, signal })),
    placeholderData: keepPreviousData,
    gcTime: 10_000,
  });
