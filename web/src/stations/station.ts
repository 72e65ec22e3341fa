import { createContext, use } from 'react';
import type { FilledLayer, Layout, Places } from '../editor/filled';
import type { Selected } from '../editor/selection';
import type { Finding, LayerView, Piece, PieceView, PlanView, SittingView } from '../api/client';

/** What every station and its parts work on: the piece, the layer that is looked at, and everything worked out. */
export interface AtStation {
  piece: Piece;
  layer: FilledLayer;
  layerIndex: number;
  plan: PlanView;
  layerPlan: LayerView;
  /** The sitting that is looked at, of those that fill something of the layer. */
  sittingPlan: SittingView;
  view: PieceView;
  /** Cup that is looked at. */
  cup: string | null;
  setCup: (id: string | null) => void;
  /** The zone of the layer that is worked in; null for the layer as a whole. */
  zone: string | null;
  /** The layer as a whole, where a zone of it is worked in. */
  whole: FilledLayer;
  chooseZone: (id: string | null) => void;
  /** What of the map is chosen. */
  selected: Selected;
  select: (selected: Selected) => void;
  /** What is worked in, as commands name it. */
  here: { layer: string; zone: string | null };
  /** Where the fields of this layer stand. */
  at: Places;
  /** What the second look sees here. */
  found: Finding[];
  /** The same in words, with its remedies. */
  secondLook: React.ReactNode;
}

const StationContext = createContext<AtStation | null>(null);
export const StationProvider = StationContext.Provider;

/** What the station works on. */
export function useStation(): AtStation {
  const at = use(StationContext);
  if (!at) throw new Error('There is no station here.');
  return at;
}

/** How often what is mapped is poured at once, in words: in mirrored panels, or in a mould's cavities. Null for once. */
export function timesPoured({ set, mould }: Piece['ground']): { of: string; words: string } | null {
  if (set?.mirrored) return { of: 'panel', words: set.count === 2 ? 'both' : `all ${set.count}` };
  const pieces = set ? 1 : Math.min(mould?.pieces ?? 1, mould?.cavities ?? 1);
  return pieces > 1 ? { of: 'piece', words: `the ${pieces} that are cast at once` } : null;
}

/** The first pour of a sitting that is still to come. */
export const nextOf = (sitting: SittingView) => sitting.pours.find((s) => !s.done);

/** The ways of laying out, in the words of the sentence that chooses one. */
export const layoutKinds = [
  ['rings', 'rings from hearts'],
  ['lines', 'stripes from the rim to the middle'],
  ['fields', 'fields in threes'],
  ['pools', 'pools between walls'],
  ['puddle', 'one puddle of many colours'],
  ['petals', 'petals drawn with a tool'],
  ['marble', 'marble with a mixed cup'],
  ['flood', 'one colour over all'],
] as const;

/** A layout, where it is of a kind. */
export type LaidOutAs<K extends Layout['kind']> = Extract<Layout, { kind: K }>;

export const kindOf = (layer: FilledLayer) => layer.layout.kind;

/** The stations that exist, in working order. */
export const stations = ['ground', 'map', 'walls', 'cups', 'pour', 'cure', 'story'] as const;
export type Station = (typeof stations)[number];
export const stationNames: Record<Station, string> = {
  ground: 'Ground',
  map: 'Map',
  walls: 'Walls',
  cups: 'Cups',
  pour: 'Pour',
  cure: 'Cure',
  story: 'Story',
};

/** What a region is called, by its colour and where it lies; of one that is not worked out yet, what else is known of it. */
export const regionName = (plan: LayerView, regionId: string, unknown = '…') =>
  plan.regions.find((r) => r.id === regionId)?.name ?? unknown;
