import type { Finding } from '../api/client';
import { goToWords, gradeWords } from '../parts/Findings';
import { LookBar } from './LookBar';
import { ScaleBar } from './ScaleBar';
import type { Picture } from './picture';
import './StageParts.scss';

/** A change that is looked at before it is taken. */
export interface Trial {
  label: string;
  /** How many findings would be left. */
  left: number;
  take: () => void;
  leave: () => void;
}

export function TrialBar({ trial: { label, left, take, leave } }: { trial: Trial }) {
  return (
    <div className="trial" role="status" onPointerDown={(e) => e.stopPropagation()}>
      <p>
        <b>How it would look.</b> {label}.{' '}
        {left === 0
          ? 'Nothing else would need a look.'
          : `${left} more ${left === 1 ? 'finding' : 'findings'} would be left.`}
      </p>
      <button type="button" className="btn btn-primary" onClick={take}>
        Do it this way
      </button>
      <button type="button" className="btn btn-outline-primary" onClick={leave}>
        Leave it
      </button>
    </div>
  );
}

/** What a hand draws on the stage. */
export type Drawn = 'wall' | 'resin' | 'paste' | 'relief';

const draw: Record<Drawn, string> = {
  wall: 'walls',
  resin: 'resin',
  paste: 'paste',
  relief: 'outliner',
};
const done: Record<Drawn, string> = {
  wall: 'Walls are drawn: done',
  resin: 'resin: done',
  paste: 'paste: done',
  relief: 'outliner: done',
};
const drawing = {
  wall: 'Draw walls',
  resin: 'Draw in resin',
  paste: 'Draw in paste',
  relief: 'Draw in outliner',
};

interface FootProps {
  pixelsPerMm: number;
  /** Ways to look at the picture; null while something else is looked at. */
  picture: Pick<Picture, 'look' | 'laced' | 'hidden' | 'onLook'> | null;
  /** How far it is tilted; null where nothing in it looks otherwise then. */
  tilt: { deg: number; onTilt: (deg: number) => void } | null;
  /** What can be drawn by hand; null where nothing can. */
  drawing: {
    kinds: readonly Drawn[];
    now: Drawn | null;
    draw: (to: Drawn | null) => void;
    across: () => void;
  } | null;
  zoom: number;
  onZoom: (by: number) => void;
}

/** What stands at the foot of the stage: the scale, how it is looked at, walls, and how near it is. */
export function StageFoot({ pixelsPerMm, picture, tilt, drawing: draws, zoom, onZoom }: FootProps) {
  return (
    <div className="stage-foot" onPointerDown={(e) => e.stopPropagation()}>
      <ScaleBar pixelsPerMm={pixelsPerMm} zoom={zoom} onZoom={onZoom} />
      {picture && (
        <LookBar
          look={picture.look}
          tilt={tilt}
          laced={picture.laced}
          hidden={picture.hidden}
          onLook={picture.onLook}
        />
      )}
      {draws && (
        <span className="walls-bar">
          {draws.kinds.length > 1 && draws.now === null && <small>draw</small>}
          {draws.kinds
            .filter((kind) => draws.now === null || draws.now === kind)
            .map((kind) => (
              <button
                key={kind}
                type="button"
                className="btn btn-outline-primary"
                aria-pressed={draws.now === kind}
                aria-label={draws.now === kind ? done[kind] : drawing[kind]}
                onClick={() => draws.draw(draws.now === kind ? null : kind)}
              >
                {draws.now === kind ? done[kind] : draws.kinds.length === 1 ? drawing[kind] : draw[kind]}
              </button>
            ))}
          {draws.kinds.length === 1 && draws.kinds[0] === 'wall' && draws.now === null && (
            <button type="button" className="btn btn-outline-primary" onClick={draws.across}>
              Put a wall across
            </button>
          )}
          {draws.now === 'wall' && <small>from rim to rim, or round; ends near a wall join on</small>}
        </span>
      )}
      {zoom > 1 && (
        <span className="zoom">
          <small>drag beside the bands, or anywhere with space held</small>
          <button type="button" className="btn btn-outline-primary" onClick={() => onZoom(1)}>
            Whole piece
          </button>
        </span>
      )}
    </div>
  );
}

/** A finding at its place on the map; a press leads to its words. */
export function Pin({
  finding,
  px,
  py,
}: {
  finding: Finding;
  px: (mm: number) => number;
  py: (mm: number) => number;
}) {
  const { xMm, yMm } = finding.pin;
  if (xMm == null || yMm == null) return null;
  return (
    <button
      type="button"
      className="pin"
      data-grade={finding.grade}
      style={{ left: px(xMm), top: py(yMm) }}
      aria-label={`${finding.title}: to its words (${gradeWords[finding.grade]})`}
      title={finding.title}
      onPointerDown={(e) => e.stopPropagation()}
      onClick={() => goToWords(finding)}
    >
      <i className="bi look" aria-hidden />
    </button>
  );
}
