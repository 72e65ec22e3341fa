import { useCallback, useLayoutEffect, useRef, useState } from 'react';
import type { Layer, Painting } from '../api/client';
import { PaintedPiece } from '../painting/PaintedPiece';
import { fixed } from '../parts/format';
import { changeHeart } from '../stations/map/layerEdits';

interface Props {
  name: string;
  painting: Painting;
  layer: Layer;
  lit: ReadonlySet<string>;
  /** Whether the heart can be taken hold of. */
  handles: boolean;
  dragLayer: (change: (layer: Layer) => Layer) => void;
  editLayer: (change: (layer: Layer) => Layer) => void;
}

const margin = 14;

/** The piece to scale, with the handles of the map above it. */
export function MapStage({ name, painting, layer, lit, handles, dragLayer, editLayer }: Props) {
  const stage = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setRoom({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    if (stage.current) observer.observe(stage.current);
    return () => observer.disconnect();
  }, []);
  const scale = Math.min(
    (room.width - 2 * margin) / painting.widthMm,
    (room.height - 2 * margin - 26) / painting.heightMm,
  );
  const heart = layer.hearts[0];

  // From the hand's event to the second frame after the painting that answers it.
  const moved = useRef<number | null>(null);
  const onPainted = useCallback(() => {
    const start = moved.current;
    if (start === null) return;
    moved.current = null;
    requestAnimationFrame(() =>
      requestAnimationFrame(() => performance.measure('hand-to-paint', { start, end: performance.now() })),
    );
  }, []);

  const hold = (e: React.PointerEvent<SVGGElement>) => {
    if (!heart) return;
    const grip = e.currentTarget;
    grip.setPointerCapture(e.pointerId);
    const from = { x: e.clientX, y: e.clientY, xMm: heart.xMm, yMm: heart.yMm };
    const at = (event: PointerEvent) => ({
      xMm: Math.round(from.xMm + (event.clientX - from.x) / scale),
      yMm: Math.round(from.yMm + (event.clientY - from.y) / scale),
    });
    const move = (event: PointerEvent) => {
      moved.current ??= event.timeStamp;
      dragLayer((l) => changeHeart(l, heart.id, at(event)));
    };
    const drop = (event: PointerEvent) => {
      grip.removeEventListener('pointermove', move);
      grip.removeEventListener('pointerup', drop);
      grip.removeEventListener('pointercancel', drop);
      moved.current = null;
      editLayer((l) => changeHeart(l, heart.id, at(event)));
    };
    grip.addEventListener('pointermove', move);
    grip.addEventListener('pointerup', drop);
    grip.addEventListener('pointercancel', drop);
  };

  const key = (e: React.KeyboardEvent) => {
    if (!heart) return;
    const step = e.shiftKey ? 10 : 1;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[
      e.key
    ];
    if (!by) return;
    e.preventDefault();
    editLayer((l) => {
      const now = l.hearts.find((h) => h.id === heart.id);
      return now ? changeHeart(l, heart.id, { xMm: now.xMm + by[0]!, yMm: now.yMm + by[1]! }) : l;
    });
  };

  const width = painting.widthMm * scale;
  const bar = [1000, 500, 200, 100, 50, 20, 10].find((mm) => mm * scale < width * 0.42) ?? 10;
  return (
    <div className="stage" ref={stage}>
      {scale > 0 && (
        <div className="slab" style={{ width, height: painting.heightMm * scale }}>
          <PaintedPiece
            painting={painting}
            width={width}
            lit={lit}
            label={`${name}, painted to scale`}
            onPainted={onPainted}
          />
          {handles && heart && (
            <svg className="handles" width={width} height={painting.heightMm * scale}>
              <g
                tabIndex={0}
                role="button"
                aria-label={`Heart, ${fixed(heart.xMm, 0)} mm from the left, ${fixed(heart.yMm, 0)} mm from the top. Arrow keys move it by 1 mm, with shift by 10 mm.`}
                transform={`translate(${heart.xMm * scale} ${heart.yMm * scale})`}
                onPointerDown={hold}
                onKeyDown={key}
              >
                <circle r="22" className="reach" />
                <circle r="9" className="grip" />
                <circle r="2.5" className="dot" />
              </g>
            </svg>
          )}
          <div
            className="scale-bar"
            style={{ width: bar * scale }}
            aria-label={`Scale bar, ${bar} mm`}
            role="img"
          >
            {bar} mm
          </div>
        </div>
      )}
    </div>
  );
}
