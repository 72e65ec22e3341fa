import { useMutation, useQuery } from '@tanstack/react-query';
import { putBack } from '../api/changes';
import { asideQuery } from '../api/queries';
import { localText } from '../units/format';
import './Aside.scss';

/** The pieces that were taken off the shelf: each comes back by a press, until its time is over. */
export function Aside() {
  const { data } = useQuery(asideQuery);
  const back = useMutation(putBack);
  if (!data || data.length === 0) return null;
  return (
    <details className="kept-aside">
      <summary>{data.length === 1 ? '1 piece kept aside' : `${data.length} pieces kept aside`}</summary>
      <ul>
        {data.map((p) => (
          <li key={p.id}>
            <b>{p.name}</b>
            <span className="hint">gone for good on {localText(p.until.local)} at the earliest</span>
            <button
              type="button"
              className="btn btn-outline-primary"
              aria-label={`Put it back on the shelf: ${p.name}`}
              disabled={back.isPending}
              onClick={() => back.mutate(p.id)}
            >
              Put it back on the shelf
            </button>
          </li>
        ))}
      </ul>
      {back.error && <p className="say-wrong">{back.error.message}</p>}
    </details>
  );
}
