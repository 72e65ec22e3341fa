import { useRef } from 'react';
import { Link } from 'react-router';
import type { Piece } from '../api/client';
import { PaintedPiece } from '../painting/PaintedPiece';
import { fitted } from '../painting/place';
import type { Picture } from './picture';
import { useSize } from '../parts/useSize';
import './SmallMap.scss';

interface Props {
  piece: Piece;
  layerId: string;
  /** Where a press leads: the map. */
  to: string;
  picture: Pick<Picture, 'painting' | 'drafts' | 'drafted' | 'lit'>;
}

/** The piece, small, where the stage shows something else; a press leads to its map. */
export function SmallMap({ piece, layerId, to, picture: { painting, drafts, drafted, lit } }: Props) {
  const room = useRef<HTMLAnchorElement>(null);
  const { width, height } = useSize(room);
  return (
    <Link
      ref={room}
      to={to}
      className="small-map"
      aria-label="The piece, small: to its map"
      title="To the map"
    >
      {width > 0 && (
        <PaintedPiece
          painting={painting}
          view={fitted({ width, height }, drafted ?? painting, margin)}
          width={width}
          height={height}
          label={piece.name}
          lit={lit}
          layerId={layerId}
          drafts={drafts}
          drafted={drafted}
        />
      )}
    </Link>
  );
}

/** Room for its shadow, pixels. */
const margin = 10;
