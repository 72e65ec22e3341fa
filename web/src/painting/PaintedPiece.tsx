import { useLayoutEffect, useMemo, useRef } from 'react';
import type { Painting } from '../api/client';
import type { Shape } from './DraftLoop';
import type { Drafts } from './Drafts';
import { paint, shadow } from './brush';
import { light } from './regions';
import type { View } from './place';
import { sized } from './place';
import './PaintedPiece.scss';

interface Props {
  painting: Painting;
  /** Where it lies, and how far it is tilted to be looked at, degrees. */
  view: View & { tiltDeg?: number };
  /** Size of the frame, CSS pixels. */
  width: number;
  height: number;
  /** What it shows, for those who cannot see it. */
  label: string;
  /** Regions to light, and their layer; none dims nothing. */
  lit?: ReadonlySet<string>;
  layerId?: string;
  /** Paints what a drag gives; its draft stands in for the painting while it has a form. */
  drafts?: Drafts;
  drafted?: Shape | null;
  /** Whether the painting stays in sight under a drag: it is not what the draft is of. */
  stays?: boolean;
}

/** A piece painted to scale on canvases: its shadow, itself, and what dims it. Only what has changed is painted again. */
export function PaintedPiece(props: Props) {
  const { painting, view, width, height, label, lit, layerId = '', drafts, drafted = null, stays } = props;
  const ground = useRef<HTMLCanvasElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const veil = useRef<HTMLCanvasElement>(null);
  const frame = useRef<HTMLDivElement>(null);
  const { pixelsPerMm, x, y, tiltDeg } = view;
  const ratio = window.devicePixelRatio || 1;
  const place = useMemo(
    () => ({ width, height, ratio, view: { pixelsPerMm, x, y } }),
    [width, height, ratio, pixelsPerMm, x, y],
  );
  const outline = drafted?.outline ?? painting.outline;

  // Its canvas is given away to the thread that paints on it, so it is made anew for each.
  useLayoutEffect(() => {
    if (!drafts) return;
    const given = document.createElement('canvas');
    const within = frame.current;
    within?.append(given);
    drafts.send({ canvas: given });
    // Another may stand in its place by then.
    return () => within?.replaceChildren();
  }, [drafts]);
  useLayoutEffect(() => drafts?.send({ place }), [drafts, place]);

  useLayoutEffect(() => {
    const context = sized(ground.current, place);
    if (context) shadow(context, outline);
  }, [outline, place]);

  useLayoutEffect(() => {
    const context = sized(canvas.current, place);
    if (context) paint(context, painting, place.view.pixelsPerMm, tiltDeg);
  }, [painting, place, tiltDeg]);

  useLayoutEffect(() => {
    if (!lit?.size) {
      veil.current?.getContext('2d')?.reset();
      return;
    }
    const context = sized(veil.current, place);
    const paper = getComputedStyle(document.documentElement).getPropertyValue('--paper').trim();
    if (context) light(context, painting, layerId, lit, `color-mix(in srgb, ${paper} 72%, transparent)`);
  }, [painting, place, lit, layerId]);

  return (
    <div
      className="painted"
      style={{ width, height }}
      role="img"
      aria-label={label}
      data-drafted={(drafted && !stays) || undefined}
      data-stays={stays || undefined}
    >
      <canvas ref={ground} style={{ width, height }} />
      <canvas ref={canvas} style={{ width, height }} className="picture" />
      <div ref={frame} className="draft" />
      <canvas ref={veil} style={{ width, height }} className="veil" />
    </div>
  );
}
