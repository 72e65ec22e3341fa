import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type Piece = Schemas['Piece'];
export type Ground = Schemas['Ground'];
export type Outline = Schemas['Outline'];
export type Layer = Schemas['Layer'];
export type Recipe = Schemas['Recipe'];
export type Sitting = Schemas['Sitting'];
export type KeptZone = NonNullable<Piece['kept']>[number];
export type PieceView = Schemas['PieceView'];
export type PlanView = Schemas['PlanView'];
export type LayerView = Schemas['LayerView'];
/** A change of a piece, as a named command; what it means is the workshop's to know. */
export type Edit = Schemas['Edit'];
export type EditedView = Schemas['EditedView'];
export type CupVolume = Schemas['CupVolume'];
export type Painting = Schemas['Painting'];
export type Look = Schemas['Look'];
export type PaintPath = Schemas['PaintPath'];
export type Reckoned = Schemas['Reckoned'];
export type Moment = Schemas['Moment'];
export type WindowView = Schemas['WindowView'];
export type Milestone = Schemas['Milestone'];
export type RibbonSpan = Schemas['RibbonSpan'];
export type RunView = Schemas['RunView'];
export type SaveRun = Schemas['SaveRun'];
export type ColourantClass = Schemas['ColourantClass'];
export type Finding = Schemas['Finding'];
export type ShelfView = Schemas['ShelfView'];
export type LibraryMould = Schemas['LibraryMould'];
export type MouldView = Schemas['MouldView'];
export type KeptSequence = Schemas['KeptSequence'];
export type SequenceView = Schemas['SequenceView'];
export type PaintPot = Schemas['PaintPot'];
export type PotView = Schemas['PotView'];
export type MaterialView = Schemas['MaterialView'];
export type MaterialKind = Schemas['MaterialKind'];
export type OwnMaterial = Schemas['OwnMaterial'];
export type PropertyView = Schemas['PropertyView'];
export type LevelShows = Schemas['LevelShows'];
export type LevelSteering = Schemas['LevelSteering'];
export type LiveView = Schemas['LiveView'];

export const api = createClient<paths>({
  baseUrl: globalThis.location.origin,
  fetch: (request) => fetch(request),
});

/** What the server refused, field by field; an empty field name is the request as a whole. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly errors: Record<string, string[]>,
  ) {
    super(message);
  }
}

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
  } catch {
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
