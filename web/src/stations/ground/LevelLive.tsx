import { useState } from 'react';
import { Link } from 'react-router';
import type { LevelShows, Reckoned } from '../../api/client';
import { decimalsOfStep } from '../../units/format';
import { useLive } from '../../parts/live';
import { useUnits } from '../../units/units';
import './LevelLive.scss';

const size = 92;
/** The bubble is at the edge of its glass at so many degrees. */
const full = 0.6;

/** The way the bubble goes: to the higher side. */
const off = (deg: number) => (Math.max(-1, Math.min(1, deg / full)) * size) / 2.6;

/** The two-axis level, live; its reading is taken with a press. */
export function LevelLive({ needed, onTake }: { needed: Reckoned; onTake: (shows: LevelShows) => void }) {
  const [on, setOn] = useState(false);
  if (!on)
    return (
      <p>
        <button type="button" className="btn btn-outline-primary" onClick={() => setOn(true)}>
          Lay the level on it
        </button>
      </p>
    );
  return <Lying needed={needed} onTake={onTake} onOff={() => setOn(false)} />;
}

interface LyingProps {
  needed: Reckoned;
  onTake: (shows: LevelShows) => void;
  onOff: () => void;
}

function Lying({ needed, onTake, onOff }: LyingProps) {
  const live = useLive();
  const units = useUnits();
  const shows = live?.level;
  const tells = !shows || shows.stepDeg / 2 <= needed.value;
  return (
    <div className="level-live" role="group" aria-label="Level, live">
      <svg width={size} height={size} viewBox={`${-size / 2} ${-size / 2} ${size} ${size}`} aria-hidden>
        <circle r={size / 2 - 2} className="level-glass" />
        <circle r={size / 7 + 3} className="level-ring" />
        <path
          d={`M${-size / 2 + 6} 0H${size / 2 - 6}M0 ${-size / 2 + 6}V${size / 2 - 6}`}
          className="level-cross"
        />
        {shows && (
          <circle cx={off(shows.acrossDeg)} cy={off(shows.alongDeg)} r={size / 7} className="level-bubble" />
        )}
      </svg>
      <div>
        <p role="status">
          {shows
            ? `Right side ${words(shows.acrossDeg, shows.stepDeg, units.show)}, ` +
              `lower side ${words(shows.alongDeg, shows.stepDeg, units.show)}.`
            : 'No level answers.'}
        </p>
        {shows && (
          <p className="hint">
            It shows steps of {units.show(shows.stepDeg, '°', decimalsOfStep(shows.stepDeg))}; this piece asks
            for {units.show(needed.value, '°', 3)}.
            {!tells && ' That is finer than it shows: check with a dish of water too.'}
          </p>
        )}
        <div className="row-buttons">
          <button
            type="button"
            className="btn btn-primary"
            disabled={!shows}
            onClick={() => shows && onTake(shows)}
          >
            Take this reading
          </button>
          <button type="button" className="btn btn-outline-primary" onClick={onOff}>
            Level away
          </button>
          <Link to="/stand-ins">simulated: tilt it</Link>
        </div>
      </div>
    </div>
  );
}

function words(deg: number, step: number, show: (value: number, unit: string, decimals?: number) => string) {
  if (deg === 0) return 'even';
  return `${show(Math.abs(deg), '°', decimalsOfStep(step))} ${deg > 0 ? 'higher' : 'lower'}`;
}
