import { createContext, use } from 'react';
import type { FilledLayer, Layout, Places } from '../editor/filled';
import { inZone } from '../editor/filled';
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
export const nextOf = (sitting: SittingView) =>
  sitting.pours.find(
    (s) =>
      !sitting.poured || sitting.openRegions.some((r) => r.layerId === s.layerId && r.region === s.regionId),
  );

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

export const kindOf = (layer: FilledLayer) => layer.layout?.kind ?? 'rings';

/** The stations that exist, in working order. */
export const stations = ['ground', 'map', 'cups', 'pour', 'cure', 'story'] as const;
export type Station = (typeof stations)[number];
export const stationNames: Record<Station, string> = {
  ground: 'Ground',
  map: 'Map',
  cups: 'Cups',
  pour: 'Pour',
  cure: 'Cure',
  story: 'Story',
};

/**
 * The name of a region: its cup's colour, and which of its bands where the colour is used more than once; in a zone, the
 * zone before it. Where a layout gives a region its cup, that has to be told.
 */
export function regionName(layer: FilledLayer, regionId: string, cupId?: string | null): string {
  const [first, ...rest] = regionId.split('/');
  if (first === 'kept') return rest.length > 1 ? 'dam' : 'reserved spot';
  const zone = rest.length > 0 ? layer.zones?.find((z) => z.id === first) : undefined;
  if (zone) return `${zone.name}: ${regionName(inZone(layer, zone), rest.join('/'), cupId)}`;
  const nameOf = (id: string | null | undefined) => layer.cups.find((c) => c.id === id)?.name ?? '?';
  const { layout } = layer;
  if (layout?.kind === 'lines' && regionId === 'start') return `film below, ${nameOf(layout.startCup)}`;
  if (!layout || layout.kind === 'lines' || layout.kind === 'petals') {
    if (regionId === 'heart') return `heart bed, ${nameOf(layer.heartCup)}`;
    const cup = layer.bands.find((b) => b.id === regionId)?.cup;
    const same = layer.bands.filter((b) => b.cup === cup);
    return same.length > 1 ? `${nameOf(cup)} ${same.findIndex((b) => b.id === regionId) + 1}` : nameOf(cup);
  }
  const number = regionId.split('-').at(-1);
  switch (layout.kind) {
    case 'fields':
      if (regionId === 'vein') return `vein, ${nameOf(layout.vein?.cup)}`;
      return cupId ? `field ${number}, ${nameOf(cupId)}` : `field ${number}`;
    case 'pools': {
      if (regionId === 'wall') return 'walls';
      const at = layout.pools.findIndex((p) => p.id === regionId);
      return at < 0 ? `pool without a cup ${number}` : `pool ${at + 1}, ${nameOf(layout.pools[at]!.cup)}`;
    }
    case 'puddle': {
      if (regionId === 'rest') return `round the puddle, ${nameOf(layout.restCup)}`;
      const at = layout.pours.findIndex((p) => p.id === regionId);
      return `pour ${at + 1}, ${nameOf(layout.pours[at]?.cup)}`;
    }
    case 'marble':
      return regionId === 'streaks'
        ? `streaks, ${nameOf(layout.streakCup)}`
        : `ground, ${nameOf(layout.groundCup)}`;
    case 'flood':
      return `flood, ${nameOf(layout.cup)}`;
  }
}
