import { useRef } from 'react';
import { Link } from 'react-router';
import type { Piece } from '../api/client';
import { PaintedPiece } from '../painting/PaintedPiece';
import type { Picture } from './MapStage';
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
  const { widthMm, heightMm } = drafted ?? painting;
  const pixelsPerMm = Math.min((width - 2 * margin) / widthMm, (height - 2 * margin) / heightMm);
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
          view={{
            pixelsPerMm,
            x: (width - widthMm * pixelsPerMm) / 2,
            y: (height - heightMm * pixelsPerMm) / 2,
          }}
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
