import { useQuery } from '@tanstack/react-query';

import type { Piece } from '../api/client';
import { api, take } from '../api/client';
import { setAt } from '../parts/editing';

/** What the workshop knows of materials by class. */
export const useMaterials = () =>
  useQuery({ queryKey: ['materials'], queryFn: () => take(api.GET('/api/materials')), staleTime: Infinity })
    .data;

type Systems = NonNullable<ReturnType<typeof useMaterials>>['resinSystems'];

/** Sets a value of a piece by its place. One part of a typical ratio changed makes the whole ratio the artist's own. */
export function setInPiece(
  piece: Piece,
  place: string,
  value: number | null,
  systems: Systems | undefined,
): Piece {
  const [, sittingId] = /^sittings\[([^\]]+)\]\.resin\.ratio\./.exec(place) ?? [];
  const resin = piece.sittings.find((s) => s.id === sittingId)?.resin;
  const ratio = resin && (resin.ratio ?? systems?.find((s) => s.id === resin.system)?.ratio);
  return setAt(ratio ? setAt(piece, `sittings[${sittingId}].resin.ratio`, ratio) : piece, place, value);
}
