import type { Reckoned } from '../api/client';
import { HowNumber } from './HowNumber';
import './Figure.scss';

interface Props {
  term: string;
  of?: Reckoned | null;
  decimals?: number;
  /** Said where the number is not known. */
  unknown?: string;
  /** What the number means. */
  children?: React.ReactNode;
}

/** A number under its name, in a list of figures. */
export function Figure({ term, of, decimals, unknown, children }: Props) {
  return (
    <div>
      <dt>{term}</dt>
      <dd>
        {of ? (
          <>
            <HowNumber of={of} label={term} decimals={decimals} /> {children && <em>{children}</em>}
          </>
        ) : (
          <em>{unknown}</em>
        )}
      </dd>
    </div>
  );
}
