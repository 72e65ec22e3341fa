import { useQuery } from '@tanstack/react-query';
import { Link, NavLink, Navigate, Route, Routes, useParams } from 'react-router';
import { api, take } from './api/client';
import { Ribbon } from './parts/Ribbon';
import { localText } from './parts/format';
import { PiecePage } from './piece/PiecePage';
import { NewPiece } from './shelf/NewPiece';
import { Shelf } from './shelf/Shelf';

export function App() {
  return (
    <>
      <a className="visually-hidden-focusable skip" href="#main">
        To the piece
      </a>
      <Head />
      <Ribbon />
      <Routes>
        <Route path="/" element={<Shelf />} />
        <Route path="/new" element={<NewPiece />} />
        <Route path="/pieces/:id" element={<ToGround />} />
        <Route path="/pieces/:id/:station" element={<Opened />} />
        <Route path="*" element={<Navigate to="/" replace />} />
      </Routes>
    </>
  );
}

function ToGround() {
  const { id } = useParams();
  return <Navigate to={`/pieces/${id}/map`} replace />;
}

/** A page of its own for each piece, so that nothing of one is left over on the next. */
function Opened() {
  const { id = '', station = 'map' } = useParams();
  return <PiecePage key={id} id={id} station={station} />;
}

function Head() {
  const { data } = useQuery({
    queryKey: ['workshop'],
    queryFn: () => take(api.GET('/api/workshop')),
    refetchInterval: 30_000,
  });
  return (
    <header className="head">
      <Link to="/" className="brand">
        <img src="/lantern.svg" alt="" width="24" height="24" />
        Moss Lantern
      </Link>
      <nav aria-label="Pages">
        <NavLink to="/" end>
          Shelf
        </NavLink>
      </nav>
      <p className="now">
        {data?.demo && <span className="demo">demo workshop</span>}
        {data && (
          <>
            {localText(data.now.local)} <small>{data.timeZone}</small>
          </>
        )}
      </p>
    </header>
  );
}
