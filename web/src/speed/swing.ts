import { changeLayer, filled, type FilledLayer } from '../piece/filled';
import type { LayerView, Piece } from '../api/client';

const changed = <T>(all: readonly T[], at: number, change: (one: T) => T) =>
  all.map((one, i) => (i === at ? change(one) : one));

/** A layer with what a hand would take first moved by so many millimetres from where it is. */
function moved(layer: FilledLayer, plan: LayerView | undefined, byMm: number): FilledLayer {
  const { layout } = layer;
  switch (layout?.kind) {
    case 'fields': {
      const others = (layout.moved ?? []).filter((m) => m.field !== 1);
      const { xMm, yMm } = layout.moved?.find((m) => m.field === 1) ??
        plan?.regions.find((r) => r.id === 'field-1')?.anchor ?? { xMm: 0, yMm: 0 };
      return { ...layer, layout: { ...layout, moved: [...others, { field: 1, xMm: xMm + byMm, yMm }] } };
    }
    case 'pools': {
      const strokes = changed(layout.strokes, 0, (s) => ({
        ...s,
        spots: s.spots.map((p) => ({ ...p, yMm: p.yMm + byMm })),
      }));
      return { ...layer, layout: { ...layout, strokes } };
    }
    case 'puddle':
    case 'petals':
      return { ...layer, layout: { ...layout, xMm: layout.xMm + byMm } };
    case 'marble': {
      const streakPercent = Math.min(95, Math.max(5, layout.streakPercent + byMm / 4));
      return { ...layer, layout: { ...layout, streakPercent } };
    }
    case 'flood':
      return layer;
    case 'lines':
      return widened(layer, byMm);
    default:
      return layer.hearts.length === 0
        ? widened(layer, byMm)
        : { ...layer, hearts: changed(layer.hearts, 0, (h) => ({ ...h, xMm: h.xMm + byMm })) };
  }
}

/** The first band that does not fill the rest, wider; never by more than a part of itself, as there may be little room. */
function widened(layer: FilledLayer, byMm: number): FilledLayer {
  const at = layer.bands.findIndex((b) => !b.fillsRest);
  const bands = changed(layer.bands, at, (b) => ({ ...b, widthMm: b.widthMm * (1 + byMm / 200) }));
  return { ...layer, bands };
}

/** A piece with what a hand would take first in its lowest layer moved; the same piece where nothing is there to take. */
export function swung(piece: Piece, layers: readonly LayerView[], byMm: number): Piece {
  return changeLayer(piece, piece.layers[0]!.id, (l) => moved(l, layers[0], byMm));
}

/** Whether a hand can move anything of the piece's lowest layer. */
export const canSwing = (piece: Piece) => {
  const { layout, hearts, bands } = filled(piece, piece.layers[0]!);
  if (layout?.kind === 'flood') return false;
  if (layout?.kind === 'pools') return layout.strokes.length > 0;
  return layout ? layout.kind !== 'lines' || bands.length > 1 : hearts.length > 0 || bands.length > 1;
};
