import type { Reckoned } from '../api/client';
import { HowNumber } from './HowNumber';

/** In a sentence a number says what it takes to judge it, and no more. */
const decimalsIn = (value: number) => (Number.isInteger(value) || value >= 100 ? 0 : value < 1 ? 2 : 1);

/** A sentence with its numbers, each open to its formula. */
export function Told({ words, numbers, label }: { words: string; numbers: Reckoned[]; label: string }) {
  return words.split(/(\{\d\}[.,;]?)/).map((part, i) => {
    const number = i % 2 === 1 ? numbers[Number(part[1])] : undefined;
    return number ? (
      // What ends a sentence stays with its number.
      <span key={i} className="with-comma">
        <HowNumber of={number} label={label} decimals={decimalsIn(number.value)} />
        {part.slice(3)}
      </span>
    ) : (
      part
    );
  });
}
