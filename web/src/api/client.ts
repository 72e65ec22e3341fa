import type { components } from './schema';

export type Schemas = components['schemas'];
export type Piece = Schemas['Piece'];
export type Ground = Schemas['Ground'];
export type Outline = Schemas['Outline'];
export type Layer = Schemas['Layer'];
export type Recipe = Schemas['Recipe'];
export type Sitting = Schemas['Sitting'];
export type ReservedSpot = NonNullable<Piece['kept']>[number];
export type PieceView = Schemas['PieceView'];
export type PlanView = Schemas['PlanView'];
export type LinePlan = Schemas['LinePlan'];
export type LayerView = Schemas['LayerView'];
export type SittingView = Schemas['SittingView'];
export type BatchPlan = Schemas['BatchPlan'];
export type PlannedPour = Schemas['PlannedPour'];
export type Fill = NonNullable<Sitting['fills']>[number];
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
export type Remedy = Finding['remedies'][number];
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

/** An error in a sentence for the person; null where there is none. */
export const said = (e: unknown, otherwise = 'That could not be done.') =>
  e === null || e === undefined ? null : e instanceof Refused ? e.message : otherwise;

/** What was refused of one field, or of the whole where it says nothing of a field. */
export const saidOf = (e: unknown, field: string, otherwise: string) =>
  e instanceof Refused ? (e.errors[field]?.[0] ?? e.message) : otherwise;
