import createClient from 'openapi-fetch';
import { Refused } from './client';
import type { Schemas } from './client';
import type { paths } from './schema';

/** Ways to ask the workshop. Only this room, and the painter of drafts in its worker, ask by hand: all else goes by queries and changes. */
export const api = createClient<paths>({
  baseUrl: globalThis.location.origin,
  fetch: (request) => fetch(request),
});

interface Problem {
  title?: string;
  detail?: string;
  errors?: Record<string, string[]>;
}

/** The data of an answer, or a thrown `Refused` with a sentence for the person. */
export async function take<T>(
  answer: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<NonNullable<T>> {
  let got;
  try {
    got = await answer;
  } catch (e) {
    // Nobody waits for it any more.
    if (e instanceof DOMException && e.name === 'AbortError') throw e;
    throw new Refused(0, 'The workshop is not answering. Is it still running?', {});
  }
  if (got.data !== undefined && got.data !== null) return got.data;
  const problem = (got.error ?? {}) as Problem;
  throw new Refused(
    got.response.status,
    problem.detail ?? problem.title ?? 'The workshop could not do that.',
    problem.errors ?? {},
  );
}

/** What a piece would be with changes that are not kept. */
export const preview = (id: string, body: Partial<Schemas['PreviewPiece']>, signal?: AbortSignal) =>
  take(
    api.POST('/api/pieces/{id}/preview', {
      params: { path: { id } },
      body: body as Schemas['PreviewPiece'],
      signal,
    }),
  );
