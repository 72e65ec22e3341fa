import { useLayoutEffect, useRef } from 'react';
import type { Painting } from '../api/client';
import { light, paint, shadow } from './brush';

/** Where a piece is seen: pixels to a millimetre, and where its top left lies in the frame. */
export interface View {
  pixelsPerMm: number;
  x: number;
  y: number;
}

interface Props {
  painting: Painting;
  view: View;
  /** Size of the frame, CSS pixels. */
  width: number;
  height: number;
  /** What it shows, for those who cannot see it. */
  label: string;
  /** Regions to light, and their layer; none dims nothing. */
  lit?: ReadonlySet<string>;
  layerId?: string;
  /** Told when the canvas has been painted. */
  onPainted?: () => void;
}

/** A piece painted to scale on canvases: its shadow, itself, and what dims it. Only what has changed is painted again. */
export function PaintedPiece({ painting, view, width, height, label, lit, layerId = '', onPainted }: Props) {
  const ground = useRef<HTMLCanvasElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const veil = useRef<HTMLCanvasElement>(null);
  const { pixelsPerMm, x, y } = view;
  const { outline } = painting;

  useLayoutEffect(() => {
    const context = sized(ground.current, width, height, { pixelsPerMm, x, y });
    if (context) shadow(context, outline);
  }, [outline, width, height, pixelsPerMm, x, y]);

  useLayoutEffect(() => {
    const context = sized(canvas.current, width, height, { pixelsPerMm, x, y });
    if (context) paint(context, painting, pixelsPerMm);
    onPainted?.();
  }, [painting, width, height, pixelsPerMm, x, y, onPainted]);

  useLayoutEffect(() => {
    if (!lit?.size) {
      veil.current?.getContext('2d')?.reset();
      return;
    }
    const context = sized(veil.current, width, height, { pixelsPerMm, x, y });
    const paper = getComputedStyle(document.documentElement).getPropertyValue('--paper').trim();
    if (context) light(context, painting, layerId, lit, `color-mix(in srgb, ${paper} 72%, transparent)`);
  }, [painting, width, height, pixelsPerMm, x, y, lit, layerId]);

  return (
    <div className="painted" style={{ width, height }} role="img" aria-label={label}>
      <canvas ref={ground} style={{ width, height }} />
      <canvas ref={canvas} style={{ width, height }} className="picture" />
      <canvas ref={veil} style={{ width, height }} />
    </div>
  );
}

/** The canvas at the screen's resolution, cleared and scaled to millimetres. */
function sized(canvas: HTMLCanvasElement | null, width: number, height: number, view: View) {
  const context = canvas?.getContext('2d');
  if (!canvas || !context) return null;
  const ratio = window.devicePixelRatio || 1;
  const pixels = [Math.max(1, Math.round(width * ratio)), Math.max(1, Math.round(height * ratio))] as const;
  if (canvas.width !== pixels[0] || canvas.height !== pixels[1]) [canvas.width, canvas.height] = pixels;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, canvas.width, canvas.height);
  context.setTransform(
    view.pixelsPerMm * ratio,
    0,
    0,
    view.pixelsPerMm * ratio,
    view.x * ratio,
    view.y * ratio,
  );
  return context;
}
