import { useEffect, useRef, useState } from 'react';
import { PhotoColour } from './PhotoColour';
import type { Shade } from './shade';
import { hexOf, run, shadeOf, strongest } from './shade';
import { TextField } from './TextField';
import { typedColour, typedColourRange } from './typedColour';
import { useNewest } from './typed';
import './ShadeBoard.scss';

interface Props {
  value: string;
  /** Each shade on the way, while a slider is held. */
  onTry?: (colour: string) => void;
  /** The shade that is settled on. */
  onTake: (colour: string) => void;
  /** Whether a colour can be taken from a picture here. */
  photo?: boolean;
}

const sliders = [
  ['l', 'Darker to lighter', 1, 0.01],
  ['c', 'Duller to stronger', strongest, 0.004],
  ['h', 'Hue', 360, 2],
] as const;

/** So many shades may be on their way at once. */
const most = 60;

/** Any shade: lighter, stronger, of another hue; typed; or from a picture. */
export function ShadeBoard({ value, onTry, onTake, photo = true }: Props) {
  const [shade, setShade] = useState(() => shadeOf(value));
  const [unread, setUnread] = useState<string | null>(null);
  // What was changed elsewhere is shown; what was settled on here comes back while the next one is looked for.
  const [known, setKnown] = useState(value);
  const [taken, setTaken] = useState<string[]>([]);
  if (value !== known) {
    setKnown(value);
    if (!taken.includes(value)) setShade(shadeOf(value, shade));
  }
  const settle = (hex: string) => {
    setTaken((all) => [...all.slice(-most), hex]);
    onTake(hex);
  };
  const take = (hex: string) => {
    setUnread(null);
    setShade((now) => shadeOf(hex, now));
    settle(hex);
  };
  return (
    <div className="shade-board">
      {sliders.map(([key, label, to, step]) => (
        <Slider
          key={key}
          label={label}
          to={to}
          step={step}
          value={shade[key]}
          track={run(shade, key)}
          onTry={(v) => {
            const tried = { ...shade, [key]: v } satisfies Shade;
            setShade(tried);
            onTry?.(hexOf(tried));
          }}
          onTake={(v) => settle(hexOf({ ...shade, [key]: v }))}
        />
      ))}
      <div className="line">
        <TextField
          label="or typed"
          value={unread ?? value}
          error={unread === null ? undefined : typedColourRange}
          onChange={(text) => {
            const colour = typedColour(text);
            if (colour) take(colour);
            else setUnread(text);
          }}
        />
        {photo && <PhotoColour label="From a picture" onPick={take} />}
      </div>
    </div>
  );
}

interface SliderProps {
  label: string;
  to: number;
  step: number;
  value: number;
  track: string;
  onTry: (value: number) => void;
  onTake: (value: number) => void;
}

/** React tells every value on the way; only the browser tells the one that is settled on. */
function Slider({ label, to, step, value, track, onTry, onTake }: SliderProps) {
  const input = useRef<HTMLInputElement>(null);
  const give = useNewest(onTake);
  useEffect(() => {
    const range = input.current;
    const settle = () => range && give(Number(range.value));
    range?.addEventListener('change', settle);
    return () => range?.removeEventListener('change', settle);
  }, [give]);
  return (
    <label>
      <span>{label}</span>
      <input
        ref={input}
        type="range"
        min={0}
        max={to}
        step={step}
        value={value}
        style={{ '--track': track } as React.CSSProperties}
        onChange={(e) => onTry(Number(e.target.value))}
      />
    </label>
  );
}
