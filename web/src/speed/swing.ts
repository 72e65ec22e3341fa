import type { Edit, LayerView, Piece } from '../api/client';
import { filled, wallsOf } from '../editor/filled';

/** What a hand would take first in a piece's lowest layer, moved by so many millimetres; nothing where there is nothing to take. */
export function swing(piece: Piece, layers: readonly LayerView[], byMm: number): Edit[] {
  const { id: layer, layout } = piece.layers[0]!;
  const at = `layers[${layer}].layout`;
  switch (layout.kind) {
    case 'fields': {
      const anchor = layers[0]?.regions.find((r) => r.id === 'field-1')?.anchor ?? { xMm: 0, yMm: 0 };
      return [{ do: 'move-field', layer, field: 1, ...anchor, byXMm: byMm, byYMm: 0 }];
    }
    case 'pools': {
      const [wall] = wallsOf(filled(piece, piece.layers[0]!));
      return (wall?.course.spots ?? []).map((_, spot) => ({
        do: 'move-wall-spot',
        layer,
        wall: wall!.id,
        spot,
        byXMm: 0,
        byYMm: byMm,
      }));
    }
    case 'puddle':
    case 'petals':
      return [{ do: 'nudge', place: `${at}.xMm`, by: byMm }];
    case 'marble':
      return [{ do: 'nudge', place: `${at}.streakPercent`, by: byMm / 4 }];
    case 'flood':
      return [];
    default: {
      const heart = layout.kind === 'rings' ? layout.hearts[0] : undefined;
      if (heart) return [{ do: 'move-heart', layer, heart: heart.id, xMm: heart.xMm + byMm, yMm: heart.yMm }];
      // Never by more than a part of itself, as there may be little room.
      const band = layout.bands.find((b) => !b.fillsRest);
      return band ? [{ do: 'widen-band', layer, band: band.id, byMm: (band.widthMm * byMm) / 200 }] : [];
    }
  }
}

/** Whether a hand can move anything of the piece's lowest layer. */
export const canSwing = (piece: Piece) => swing(piece, [], 1).length > 0;
