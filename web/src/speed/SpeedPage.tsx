import { useQuery } from '@tanstack/react-query';
import { useLayoutEffect, useRef, useState } from 'react';
import { api, take } from '../api/client';
import { PaintedPiece } from '../painting/PaintedPiece';
import { fixed } from '../parts/format';
import { usePiece } from '../piece/usePiece';

/** How quickly the map follows the hand on this machine, measured on the largest piece. Nothing is saved. */
export function SpeedPage() {
  const { data } = useQuery({ queryKey: ['shelf'], queryFn: () => take(api.GET('/api/pieces')) });
  const largest = data?.toSorted((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm)[0];
  return (
    <main id="main" className="speed">
      <h1>How quick it is here</h1>
      <p>
        Drags the first heart of the largest piece for three seconds and measures every painted answer, from
        the move it answers to the second frame after it. Nothing is saved.
      </p>
      {largest && <Measured id={largest.id} name={largest.name} />}
      {data && !largest && <p>There is no piece on the shelf yet.</p>}
    </main>
  );
}

interface Result {
  frames: number;
  median: number;
  p95: number;
}

const moves = 180;
const everyMs = 16;

function Measured({ id, name }: { id: string; name: string }) {
  // All layers are painted, as on the piece's page when it is opened.
  const page = usePiece(id, null);
  const frame = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setRoom({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    if (frame.current) observer.observe(frame.current);
    return () => observer.disconnect();
  }, []);
  const [results, setResults] = useState<Result[]>([]);
  const [busy, setBusy] = useState(false);
  const { painting } = page;

  const measure = async () => {
    setBusy(true);
    performance.clearMeasures('hand-to-paint');
    for (let i = 0; i < moves; i++) {
      const swing = Math.round(60 * Math.sin((i / moves) * 4 * Math.PI));
      page.drag((p) => {
        const [first, ...others] = p.layers;
        const [heart, ...hearts] = first!.hearts;
        if (!heart) return p;
        const base = page.view!.piece.layers[0]!.hearts[0]!;
        return {
          ...p,
          layers: [{ ...first!, hearts: [{ ...heart, xMm: base.xMm + swing }, ...hearts] }, ...others],
        };
      }, performance.now());
      await new Promise((done) => setTimeout(done, everyMs));
    }
    await page.settle('newest');
    const times = performance
      .getEntriesByName('hand-to-paint')
      .map((e) => e.duration)
      .sort((a, b) => a - b);
    const at = (share: number) => times[Math.min(times.length - 1, Math.floor(times.length * share))] ?? 0;
    setResults((r) => [...r, { frames: times.length, median: at(0.5), p95: at(0.95) }]);
    setBusy(false);
  };

  const scale = painting ? Math.min(room.width / painting.widthMm, room.height / painting.heightMm) : 0;
  return (
    <>
      <button
        type="button"
        className="btn btn-primary"
        disabled={busy || !painting}
        onClick={() => void measure()}
      >
        {busy ? 'Measuring…' : `Drag ${name}`}
      </button>
      <table className="parts">
        <thead>
          <tr>
            <th scope="col">run</th>
            <th scope="col">painted answers</th>
            <th scope="col">median</th>
            <th scope="col">95 of 100 within</th>
          </tr>
        </thead>
        <tbody>
          {results.map((r, i) => (
            <tr key={i}>
              <th scope="row">{i + 1}</th>
              <td>{r.frames}</td>
              <td>{fixed(r.median, 0)} ms</td>
              <td>{fixed(r.p95, 0)} ms</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div ref={frame} className="speed-frame">
        {painting && scale > 0 && (
          <PaintedPiece
            painting={painting}
            view={{ pixelsPerMm: scale, x: 0, y: 0 }}
            width={painting.widthMm * scale}
            height={painting.heightMm * scale}
            label={`${name}, painted to scale`}
            drafts={page.drafts}
            drafted={page.drafted}
          />
        )}
      </div>
    </>
  );
}
