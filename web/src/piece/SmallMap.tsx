import { useRef } from 'react';
import type { Piece } from '../api/client';
import { PaintedPiece } from '../painting/PaintedPiece';
import { viewOf, whole } from '../editor/view';
import type { Picture } from './MapStage';
import { useRoom } from './useRoom';
import './SmallMap.scss';

interface Props {
  piece: Piece;
  layerId: string;
  picture: Pick<Picture, 'painting' | 'drafts' | 'drafted' | 'lit'>;
  children?: React.ReactNode;
}

/** The piece, small, where the stage shows something else. */
export function SmallMap({ piece, layerId, picture: { painting, drafts, drafted, lit }, children }: Props) {
  const room = useRef<HTMLDivElement>(null);
  const { width, height } = useRoom(room);
  return (
    <section className="small-map" aria-label="The piece, small">
      <div ref={room} className="small-room">
        {width > 0 && (
          <PaintedPiece
            painting={painting}
            view={viewOf({ width, height: height + 38 }, drafted ?? painting, whole)}
            width={width}
            height={height}
            label={piece.name}
            lit={lit}
            layerId={layerId}
            drafts={drafts}
            drafted={drafted}
          />
        )}
      </div>
      {children}
    </section>
  );
}
