import { useMutation } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import type { PieceView } from '../api/client';
import { said } from '../api/client';
import { takeOff } from '../api/changes';

/** Takes the piece off the shelf: it is kept aside for a while and comes back by a press there. */
export function TakeOff({ view }: { view: PieceView }) {
  const navigate = useNavigate();
  const taking = useMutation(takeOff(view.id));
  const failed = said(taking.error);
  const off = () => taking.mutate(undefined, { onSuccess: () => void navigate('/') });
  return (
    <section aria-label="Off the shelf">
      <h2>Off the shelf</h2>
      <p className="hint">
        A piece that is taken off is kept aside for 30 days of use, with its versions and its log, and comes
        back by a press on the shelf’s page. After that it is gone for good.
      </p>
      <p className="row-buttons">
        <button type="button" className="btn btn-outline-primary" onClick={off}>
          Take {view.piece.name} off the shelf
        </button>
      </p>
      {failed && (
        <p className="say-wrong" role="alert">
          {failed}
        </p>
      )}
    </section>
  );
}
