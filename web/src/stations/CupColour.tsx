import type { Cup } from '../editor/filled';
import { Link, useParams } from 'react-router';
import { useState } from 'react';
import { ColourAt } from '../parts/At';
import './CupColour.scss';

interface Props {
  cup: Cup | undefined;
  /** The colour that it shows: of a mix, that of what is mixed; null for clear resin. */
  shown: string | null;
  /** Whose colour it is, in words. */
  label: string;
  layerId: string;
  setCup: (id: string) => void;
}

/**
 * The colour of a cup, to be changed where it is met. Clear resin takes no colour before a colourant is chosen, and a mix
 * has that of what is mixed: either says so, and shows the way.
 */
export function CupColour({ cup, shown, label, layerId, setCup }: Props) {
  const [asked, setAsked] = useState(false);
  const { id } = useParams();
  if (!cup) return null;
  const mixed = (cup.of?.length ?? 0) > 0 || cup.doses.length > 1;
  if (!mixed && cup.colourant)
    return <ColourAt place={`recipes[${cup.id}].colour`} label={label} value={cup.seen ?? cup.colour} />;
  return (
    <>
      <button
        type="button"
        className="colour-well"
        style={{ background: shown ?? '#dfe9e6' }}
        aria-label={label}
        title={label}
        aria-expanded={asked}
        onClick={() => setAsked(!asked)}
      />
      {asked && (
        <span className="hint colour-hint" role="status">
          {mixed
            ? `${cup.name} is mixed from several: its colour comes from theirs. `
            : `${cup.name} is clear resin: it has no colour until it has a colourant. `}
          <Link to={`/pieces/${id}/cups?layer=${layerId}`} onClick={() => setCup(cup.id)}>
            {mixed ? 'See the cup' : 'Choose a colourant'}
          </Link>
        </span>
      )}
    </>
  );
}
