import type { Selected } from '../piece/selection';
import type { Layer, LayerView, Piece, PieceView, PlanView } from '../api/client';

/** What every station gets: the piece, the layer that is looked at, everything worked out, and ways to change it. */
export interface StationProps {
  id: string;
  piece: Piece;
  layer: Layer;
  layerIndex: number;
  plan: PlanView;
  layerPlan: LayerView;
  view: PieceView;
  /** Cup that is looked at. */
  cup: string | null;
  setCup: (id: string | null) => void;
  /** What of the map is chosen. */
  selected: Selected;
  select: (selected: Selected) => void;
  edit: (change: (piece: Piece) => Piece) => void;
  editLayer: (change: (layer: Layer) => Layer) => void;
  /** What the server refused of a field of the document. */
  say: (field: string) => string | undefined;
  /** The same for a field of this layer. */
  sayLayer: (field: string) => string | undefined;
  accept: (view: PieceView) => void;
  /** What the second look sees here, with its remedies. */
  secondLook: React.ReactNode;
}

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

/** The name of a region: its cup's colour, and which of its bands where the colour is used more than once. */
export function regionName(layer: Layer, regionId: string): string {
  const cupOf = (id: string) => (id === 'heart' ? layer.heartCup : layer.bands.find((b) => b.id === id)?.cup);
  const cup = layer.cups.find((c) => c.id === cupOf(regionId));
  if (regionId === 'heart') return `heart bed, ${cup?.name ?? '?'}`;
  const same = layer.bands.filter((b) => b.cup === cup?.id);
  const name = cup?.name ?? '?';
  return same.length > 1 ? `${name} ${same.findIndex((b) => b.id === regionId) + 1}` : name;
}
