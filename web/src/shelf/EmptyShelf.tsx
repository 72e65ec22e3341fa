import { useMutation, useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import type { Ground } from '../api/client';
import { said } from '../api/client';
import { newPiece } from '../api/changes';
import { startersQuery } from '../api/queries';
import { StarterPicture } from '../stations/map/Starters';
import './EmptyShelf.scss';

/** A round birch panel, as a first piece may be. */
const sample: Ground = {
  outline: { shape: 'round', diameterMm: 300 },
  edge: 'taped-clean',
  sideHeightMm: 20,
  colour: '#e6d6b4',
  base: {
    kind: 'panel',
    material: 'birch-ply',
    thicknessMm: 12,
    backStiffened: false,
    gapsSealed: false,
    sealTested: false,
  },
};

/** What will stand on a shelf that is empty: a sample that can be taken down and changed. */
export function EmptyShelf() {
  const { data } = useQuery(startersQuery(sample));
  const making = useMutation(newPiece);
  const navigate = useNavigate();
  const ring = data?.find((s) => s.starter === 'ring-piece');
  const failed = said(making.error);
  const take = () =>
    making.mutate(
      { name: 'A sample', ground: sample, starter: 'ring-piece' },
      { onSuccess: (made) => void navigate(`/pieces/${made.id}/map`) },
    );
  return (
    <div className="first">
      <div className="first-sample">{ring && <StarterPicture of={ring} />}</div>
      <div className="first-words">
        <h2>An empty shelf</h2>
        <p>
          Your pieces will stand here, each painted from its own map. Start with one panel: its size, a heart,
          a few bands. Moss Lantern works out what to mix for each cup, in which order to pour, and when the
          tape comes off.
        </p>
        <p className="row-buttons">
          <Link className="btn btn-primary" to="/new">
            Start the first piece
          </Link>
          <button
            type="button"
            className="btn btn-outline-primary"
            disabled={making.isPending}
            onClick={take}
          >
            Take this sample down and change it
          </button>
        </p>
        {failed && <p className="say-wrong">{failed}</p>}
      </div>
    </div>
  );
}
