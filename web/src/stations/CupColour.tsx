import type { Recipe } from '../api/client';
import { useColouring } from './colour/colouring';

interface Props {
  cup: Recipe | undefined;
  /** The colour that it shows: of a mix, that of what is mixed; null for clear resin. */
  shown: string | null;
  /** Whose colour it is, in words. */
  label: string;
}

/** The colour of a cup, to be changed where it is met. */
export function CupColour({ cup, shown, label }: Props) {
  const choose = useColouring();
  if (!cup) return null;
  const mixed = (cup.of?.length ?? 0) > 0 || cup.doses.length > 1;
  const colour = mixed ? shown : cup.doses.length > 0 ? (cup.seen ?? cup.colour) : null;
  return (
    <button
      type="button"
      className="colour-well"
      style={{ background: colour ?? '#dfe9e6' }}
      aria-label={label}
      title={label}
      onClick={() => choose(cup.id)}
    />
  );
}
