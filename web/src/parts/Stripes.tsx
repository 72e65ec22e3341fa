import type { SequenceView } from '../api/client';
import { stripesOf } from './sequences';
import './Stripes.scss';

/** A sequence as stripes, the middle at the left and the rim at the right. */
export function Stripes({ of }: { of: SequenceView }) {
  return (
    <span className="stripes" aria-hidden>
      {stripesOf(of).map((s) => (
        <i key={s.id} style={{ flexGrow: s.share, background: s.colour }} />
      ))}
    </span>
  );
}
