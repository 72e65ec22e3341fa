import { useQuery } from '@tanstack/react-query';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { shelfQuery } from '../api/queries';
import { PaintedPiece } from '../painting/PaintedPiece';
import { fixed } from '../units/format';
import { usualLook } from '../piece/LookBar';
import { usePiece } from '../piece/usePiece';
import { canSwing, swing } from './swing';
import './SpeedPage.scss';

interface Result {
  name: string;
  answers: number;
  median: number;
  p95: number;
}

/** How quickly the map follows the hand on this machine, measured on every piece. Nothing is saved. */
export function SpeedPage() {
  const { data: pieces } = useQuery(shelfQuery);
  const [results, setResults] = useState<Result[]>([]);
  const [turn, setTurn] = useState<number | null>(null);
  const [search] = useSearchParams();
  const seconds = Number(search.get('seconds')) || usualSeconds;
  const running = turn !== null ? pieces?.[turn] : undefined;
  return (
    <main id="main" className="speed">
      <h1>How quick it is here</h1>
      <p>
        Drags what a hand would take first in every piece, {seconds} s each, a move every {everyMs} ms as a
        mouse makes them, and measures every painted answer from the move it answers to the frame that shows
        it. Nothing is saved.
      </p>
      {pieces?.length === 0 && <p>There is no piece on the shelf yet.</p>}
      {pieces && pieces.length > 0 && (
        <button type="button" className="btn btn-primary" disabled={turn !== null} onClick={() => setTurn(0)}>
          {running ? `Dragging ${running.name}…` : 'Drag every piece'}
        </button>
      )}
      <div className="speed-bench">
        <table className="amounts speed-parts" aria-label="Drags of the demo">
          <thead>
            <tr>
              <th scope="col">piece</th>
              <th scope="col">painted answers</th>
              <th scope="col">median</th>
              <th scope="col">95 of 100 within</th>
            </tr>
          </thead>
          <tbody>
            {results.map((r, i) => (
              <tr key={i}>
                <th scope="row">{r.name}</th>
                <td>{r.answers}</td>
                <td>{fixed(r.median, 0)} ms</td>
                <td>{fixed(r.p95, 0)} ms</td>
              </tr>
            ))}
          </tbody>
        </table>
        {running && (
          <Dragged
            key={running.id}
            id={running.id}
            name={running.name}
            moves={Math.round((1000 * seconds) / everyMs)}
            onDone={(result) => {
              if (result) setResults((r) => [...r, result]);
              setTurn((t) => (t !== null && t + 1 < pieces!.length ? t + 1 : null));
            }}
          />
        )}
      </div>
    </main>
  );
}

const everyMs = 8;
const usualSeconds = 3;

interface DraggedProps {
  id: string;
  name: string;
  moves: number;
  onDone: (result: Result | null) => void;
}

/** A piece that is dragged by itself as soon as it is painted. */
function Dragged({ id, name, moves, onDone }: DraggedProps) {
  // All layers are painted, as on the piece's page when it is opened.
  const page = usePiece(id, null, usualLook);
  const frame = useRef<HTMLDivElement>(null);
  const started = useRef(false);
  const [room, setRoom] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setRoom({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    if (frame.current) observer.observe(frame.current);
    return () => observer.disconnect();
  }, []);
  const { painting, view } = page;
  const scale = painting ? Math.min(room.width / painting.widthMm, room.height / painting.heightMm) : 0;

  const measure = async () => {
    const { piece, plan } = view!;
    if (!plan || !canSwing(piece)) return onDone(null);
    performance.clearMeasures('hand-to-paint');
    for (let i = 0; i < moves; i++) {
      const by = 60 * Math.sin((i / moves) * 4 * Math.PI);
      page.editor.drag(swing(piece, plan.layers, by), performance.now());
      await new Promise((done) => setTimeout(done, everyMs));
    }
    page.editor.letGo();
    const times = performance
      .getEntriesByName('hand-to-paint')
      .map((e) => e.duration)
      .sort((a, b) => a - b);
    const at = (share: number) => times[Math.min(times.length - 1, Math.floor(times.length * share))] ?? 0;
    onDone({ name, answers: times.length, median: at(0.5), p95: at(0.95) });
  };
  useEffect(() => {
    if (started.current || !view || scale <= 0) return;
    started.current = true;
    void measure();
  });

  return (
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
  );
}
