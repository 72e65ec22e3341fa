import type { Look } from '../api/client';

/** From above, cured, in light from the front. */
export const usualLook: Look = { face: 'top', wet: false, light: 'front', tiltDeg: 0, torched: false };

/** What is not as usual, in words. */
export const lookWords = ({ face, wet, light, torched }: Look) =>
  [
    wet && ', just poured',
    face === 'underside' && ', from below',
    light === 'back' && ', with the light behind it',
    torched && ', after the torch',
  ]
    .filter(Boolean)
    .join('');

interface Props {
  look: Look;
  /** How far it is tilted, degrees; null where nothing in it looks otherwise then. */
  tilt: { deg: number; onTilt: (deg: number) => void } | null;
  /** Whether a lacing additive is in a colour of it. */
  laced: boolean;
  /** Why its underside is not seen and no light comes through it; null where both can be. */
  hidden: string | null;
  onLook: (look: Look) => void;
}

/** How the piece is looked at: just poured, from below, with the light behind it. */
export function LookBar({ look, tilt, laced, hidden, onLook }: Props) {
  const below = look.face === 'underside';
  const back = look.light === 'back';
  return (
    <span className="looks" role="group" aria-label="How it is looked at">
      <Toggle
        on={look.wet}
        text="Just poured"
        why="The topmost layer while it is wet: colours blend along their borders"
        onTurn={(wet) => onLook({ ...look, wet, face: 'top' })}
      />
      {laced && (
        <Toggle
          on={look.torched}
          text="After the torch"
          why="Heat opens lacing further: a guess to see by, from the two colours and the drops"
          onTurn={(torched) => onLook({ ...look, torched })}
        />
      )}
      {hidden === null && (
        <>
          <Toggle
            on={below}
            text="Underside"
            why="Turned over, left is right: what was poured first lies in front"
            onTurn={(on) => onLook({ ...look, face: on ? 'underside' : 'top', wet: on ? false : look.wet })}
          />
          <Toggle
            on={back}
            text="Light behind"
            why="What light comes through: clear and dyed resin glow, paste and metal stay dark"
            onTurn={(on) => onLook({ ...look, light: on ? 'back' : 'front' })}
          />
        </>
      )}
      {tilt && (
        <label className="tilt" title="What shimmers looks different from the side">
          <span>{tilt.deg === 0 ? 'from straight above' : <>tilted {tilt.deg}°</>}</span>
          <input
            type="range"
            min={0}
            max={mostTilt}
            step={1}
            value={tilt.deg}
            aria-label="Tilt it to the light"
            aria-valuetext={`${tilt.deg}°`}
            onChange={(e) => tilt.onTilt(Number(e.target.value))}
          />
        </label>
      )}
    </span>
  );
}

/** The most that a piece is tilted to be looked at, degrees. */
const mostTilt = 75;

interface ToggleProps {
  on: boolean;
  text: string;
  why: string;
  onTurn: (on: boolean) => void;
}

const Toggle = ({ on, text, why, onTurn }: ToggleProps) => (
  <button
    type="button"
    className="btn btn-outline-primary"
    aria-pressed={on}
    title={why}
    onClick={() => onTurn(!on)}
  >
    {text}
  </button>
);
