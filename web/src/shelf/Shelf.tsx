import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { Link } from 'react-router';
import type { ShelfView } from '../api/client';
import { shelfQuery } from '../api/queries';
import { useSize } from '../parts/useSize';
import { Aside } from './Aside';
import { EmptyShelf } from './EmptyShelf';
import { useUnits } from '../units/units';
import './Shelf.scss';

const gap = 28;
/** A board with the names below it. */
const foot = 92;
/** About as wide as a name with its size. */
const plate = 140;
// Not so small that a coaster vanishes beside a large panel: a long shelf scrolls instead.
const least = 0.28;
const most = 1.15;

/** All pieces at their true relative size, standing on the boards of one shelf. */
export function Shelf() {
  const { data, error } = useQuery(shelfQuery);
  const board = useRef<HTMLDivElement>(null);
  const size = useSize(board);

  const scale = scaleOf(data ?? [], size);
  const boards = boardsAt(data ?? [], size.width, scale);
  return (
    <main id="main" className="shelf">
      <div className="page-head">
        <h1>Shelf</h1>
        <Link className="btn btn-primary" to="/new">
          Start a piece
        </Link>
      </div>
      <Aside />
      {error && <p className="say-wrong">{error.message}</p>}
      <div ref={board} className="shelf-board">
        {data?.length === 0 && <EmptyShelf />}
        {size.height > 0 &&
          boards.map((row, i) => (
            <ul key={i}>
              {row.map((p) => (
                <li key={p.id} style={{ marginInline: gap / 2 }}>
                  <Standing piece={p} scale={scale} />
                </li>
              ))}
            </ul>
          ))}
      </div>
    </main>
  );
}

const widthAt = (piece: ShelfView, scale: number) => gap + Math.max(plate, piece.widthMm * scale);

/** The pieces on as many boards as they need at a scale, each board as full as it gets. */
function boardsAt(pieces: ShelfView[], width: number, scale: number): ShelfView[][] {
  const boards: ShelfView[][] = [];
  let left = 0;
  for (const piece of pieces) {
    const wide = widthAt(piece, scale);
    if (boards.length === 0 || wide > left) {
      boards.push([]);
      left = width - gap;
    }
    boards.at(-1)!.push(piece);
    left -= wide;
  }
  return boards;
}

/** The largest scale at which all stand on the boards that there is room for, each with its name below it. */
function scaleOf(pieces: ShelfView[], size: { width: number; height: number }): number {
  const fits = (scale: number) => {
    const boards = boardsAt(pieces, size.width, scale);
    const high = boards.reduce((sum, row) => sum + Math.max(...row.map((p) => p.heightMm * scale)) + foot, 0);
    return (
      high <= size.height &&
      boards.every((row) => row.reduce((sum, p) => sum + widthAt(p, scale), gap) <= size.width)
    );
  };
  let [low, high] = [least, most];
  for (let i = 0; i < 14; i++) {
    const middle = (low + high) / 2;
    if (fits(middle)) low = middle;
    else high = middle;
  }
  return low;
}

function Standing({ piece, scale }: { piece: ShelfView; scale: number }) {
  // In steps, so that a page of another width mostly asks for a picture it has already.
  const wanted = piece.widthMm * scale * (window.devicePixelRatio || 1);
  const pixels = Math.min(6000, Math.max(64, Math.ceil(wanted / 64) * 64));
  const units = useUnits();
  const size = `${units.part(piece.widthMm, 'mm').text} × ${units.show(piece.heightMm, 'mm')}`;
  const state = piece.problem ?? pouredWords(piece);
  return (
    <Link to={`/pieces/${piece.id}/map`} className="standing">
      <span
        className="stand"
        style={{
          width: piece.widthMm * scale,
          height: piece.heightMm * scale,
          marginBottom: -piece.footMm * scale,
        }}
      >
        <img
          src={`/api/pieces/${piece.id}/picture.png?version=${piece.version}&saved=${piece.savedAt.at}&of=${piece.picture}&width=${pixels}`}
          alt={`${piece.name}, painted from its map`}
        />
      </span>
      <span className="plate">
        <b>{piece.name}</b>
        <small>
          {size} · {state}
        </small>
      </span>
    </Link>
  );
}

function pouredWords({ poured, begun, layers }: ShelfView) {
  if (begun > 0) {
    if (layers === 1) return 'half poured';
    const half = begun === 1 ? 'one half poured' : `${begun} half poured`;
    return poured === 0 ? `${half}, of ${layers} layers` : `${poured} of ${layers} layers poured, ${half}`;
  }
  if (poured === 0) return 'planned';
  if (poured < layers) return `${poured} of ${layers} layers poured`;
  return layers === 1 ? 'poured' : layers === 2 ? 'both layers poured' : `all ${layers} layers poured`;
}
