import { useLayoutEffect, useRef } from 'react';
import type { Painting } from '../api/client';
import { light, paint } from './brush';

interface Props {
  painting: Painting;
  /** Width on the page, CSS pixels; the height follows. */
  width: number;
  /** What it shows, for those who cannot see it. */
  label: string;
  /** Regions to light; none dims nothing. */
  lit?: ReadonlySet<string>;
  /** Told when the canvas has been painted. */
  onPainted?: () => void;
}

/** A piece painted to scale on a canvas. */
export function PaintedPiece({ painting, width, label, lit, onPainted }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const veil = useRef<HTMLCanvasElement>(null);
  const height = (width * painting.heightMm) / painting.widthMm;

  useLayoutEffect(() => {
    const context = sized(canvas.current, width, height, painting);
    if (context) paint(context, painting, width / painting.widthMm);
    onPainted?.();
  }, [painting, width, height, onPainted]);

  useLayoutEffect(() => {
    const context = sized(veil.current, width, height, painting);
    if (context && lit && lit.size > 0) light(context, painting, lit, 'rgba(244, 241, 232, 0.72)');
  }, [painting, width, height, lit]);

  return (
    <div className="painted" style={{ width, height }} role="img" aria-label={label}>
      <canvas ref={canvas} style={{ width, height }} />
      <canvas ref={veil} style={{ width, height }} />
    </div>
  );
}

/** The canvas at the screen's resolution, cleared and scaled to millimetres. */
function sized(canvas: HTMLCanvasElement | null, width: number, height: number, painting: Painting) {
  const context = canvas?.getContext('2d');
  if (!canvas || !context) return null;
  const ratio = window.devicePixelRatio || 1;
  const pixels = [Math.max(1, Math.round(width * ratio)), Math.max(1, Math.round(height * ratio))] as const;
  if (canvas.width !== pixels[0] || canvas.height !== pixels[1]) [canvas.width, canvas.height] = pixels;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, canvas.width, canvas.height);
  const scale = pixels[0] / painting.widthMm;
  context.setTransform(scale, 0, 0, scale, 0, 0);
  return context;
}
