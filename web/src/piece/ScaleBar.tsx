import { useEffect, useRef, useState } from 'react';
import { useNewest } from '../parts/typed';
import { isFree, singleKeys } from '../units/singleKeys';
import { useUnits } from '../units/units';
import { closest } from '../editor/view';
import './ScaleBar.scss';

/** The scale bar is shorter than this, pixels; while it is dragged it may be as long as it likes. */
const longest = 190;
/** A key brings it nearer by so much. */
const step = 1.25;

const byKey: Partial<Record<string, number>> = {
  '+': step,
  '=': step,
  '-': 1 / step,
  ArrowRight: step,
  ArrowUp: step,
  ArrowLeft: 1 / step,
  ArrowDown: 1 / step,
};

interface Props {
  pixelsPerMm: number;
  zoom: number;
  onZoom: (by: number) => void;
}

/** How long so many millimetres are in the picture; drawn out longer the piece comes nearer. */
export function ScaleBar({ pixelsPerMm, zoom, onZoom }: Props) {
  const units = useUnits();
  // What is drawn out stays the same length of the piece.
  const [held, setHeld] = useState<{ mm: number; text: string; from: number; zoom: number } | null>(null);
  const bar = held ?? units.scaleBars.find((b) => b.mm * pixelsPerMm < longest) ?? units.scaleBars.at(-1)!;
  const width = bar.mm * pixelsPerMm;
  const long = useRef(0);
  const give = useNewest(onZoom);
  const now = useNewest((factor: number) => onZoom(zoom * factor));
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const factor = e.key.startsWith('Arrow') ? undefined : byKey[e.key];
      if (factor === undefined || !isFree(e) || !singleKeys()) return;
      e.preventDefault();
      now(factor);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [now]);
  return (
    <span
      className="scale"
      role="slider"
      tabIndex={0}
      aria-label="Scale: drawn out longer, the piece comes nearer"
      title="Draw it out longer to come nearer; + and − do it too, a double press shows the whole piece"
      aria-valuemin={100}
      aria-valuemax={100 * closest}
      aria-valuenow={Math.round(100 * zoom)}
      aria-valuetext={`${bar.text}, ${Math.round(100 * zoom)} % of the whole piece`}
      onDoubleClick={() => onZoom(1)}
      onKeyDown={(e) => {
        const factor = byKey[e.key];
        if (factor !== undefined) onZoom(zoom * factor);
        else if (e.key === 'Home') onZoom(1);
        else return;
        e.preventDefault();
      }}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        long.current = width;
        setHeld({ mm: bar.mm, text: bar.text, from: e.clientX, zoom });
      }}
      onPointerMove={(e) => {
        if (!held) return;
        const to = Math.max(20, long.current + e.clientX - held.from);
        give((held.zoom * to) / long.current);
      }}
      onPointerUp={() => setHeld(null)}
      onPointerCancel={() => setHeld(null)}
    >
      <span className="scale-bar" style={{ width }}>
        {bar.text}
      </span>
      <i className="scale-grip" aria-hidden />
    </span>
  );
}
