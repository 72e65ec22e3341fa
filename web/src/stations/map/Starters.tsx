import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import type { Ground, Schemas } from '../../api/client';
import { startersQuery } from '../../api/queries';
import { PaintedPiece } from '../../painting/PaintedPiece';
import { fitted } from '../../painting/place';
import { useSize } from '../../parts/useSize';
import './Starters.scss';

export type Starter = Schemas['Starter'];
type StarterView = Schemas['StarterView'];

const words: Record<Starter, string> = {
  'ring-piece': 'A ring piece: three colours and a gold vein round a heart',
  'rim-stripes': 'Stripes from the rim: from the rim to the middle, on clear',
  fields: 'Fields in threes, with a gold vein between them',
  pools: 'Pools between two walls',
  flower: 'A flower: rings with a tool drawn through them',
  marble: 'Marble: streaks of a mixed cup',
};

interface Props {
  ground: Ground;
  /** The one that is chosen; undefined where a press takes it at once. */
  chosen?: Starter | null;
  onTake: (starter: Starter) => void;
}

/** Layouts to begin with, each drawn on this very outline; none of them is empty. */
export function Starters({ ground, chosen, onTake }: Props) {
  const { data } = useQuery(startersQuery(ground));
  return (
    <ul className="starters" aria-label="Layouts to begin with" aria-busy={!data}>
      {(data ?? []).map((starter) => (
        <li key={starter.starter}>
          <button
            type="button"
            aria-pressed={chosen === undefined ? undefined : chosen === starter.starter}
            onClick={() => onTake(starter.starter)}
          >
            <StarterPicture of={starter} />
            <span>{words[starter.starter]}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

/** A layout to begin with, painted as large as there is room for. */
export function StarterPicture({ of: { painting, name } }: { of: StarterView }) {
  const room = useRef<HTMLSpanElement>(null);
  const { width, height } = useSize(room);
  return (
    <span ref={room} className="starter-picture" aria-hidden>
      {width > 0 && height > 0 && (
        <PaintedPiece
          painting={painting}
          view={fitted({ width, height }, painting, margin)}
          width={width}
          height={height}
          label={name}
        />
      )}
    </span>
  );
}

/** Room for its shadow, pixels. */
const margin = 8;
