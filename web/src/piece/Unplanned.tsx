import { useMutation } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import type { PieceView } from '../api/client';
import { said } from '../api/client';
import { copyPiece } from '../api/changes';
import type { PieceOnPage } from './usePiece';

/** A piece that is kept and yet cannot be worked out: it says so, and nothing of it is out of reach. */
export function Unplanned({ page, view }: { page: PieceOnPage; view: PieceView }) {
  const navigate = useNavigate();
  const copying = useMutation(copyPiece(view.id));
  const failed = said(copying.error);
  const copy = () => {
    const body = { name: `${view.piece.name}, as it was`.slice(0, 120), colours: [] };
    copying.mutate(body, { onSuccess: (made) => void navigate(`/pieces/${made.id}/map`) });
  };
  return (
    <main id="main" className="alone">
      <h1>{view.piece.name}</h1>
      <p className="say-wrong" role="alert">
        {view.problem}
      </p>
      <p className="row-buttons">
        <button
          type="button"
          className="btn btn-primary"
          disabled={!view.canUndo}
          onClick={() => void page.editor.step('undo')}
        >
          Undo the last change
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          disabled={!view.canRedo}
          onClick={() => void page.editor.step('redo')}
        >
          Redo
        </button>
        <a className="btn btn-outline-primary" href={`/api/pieces/${view.id}/piece.json`} download>
          The whole piece as JSON
        </a>
        <button type="button" className="btn btn-outline-primary" onClick={copy}>
          Copy it
        </button>
      </p>
      {failed && <p className="say-wrong">{failed}</p>}
      <p>
        <Link to="/">Back to the shelf</Link>
      </p>
    </main>
  );
}
