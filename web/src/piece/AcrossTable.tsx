import { useState } from 'react';
import './AcrossTable.scss';

const key = 'numbers from across the table';

/** Whether a station's numbers are so large that they are read from across the table; it stays so in this browser. */
export function useAcrossTable() {
  const [far, setFar] = useState(() => localStorage.getItem(key) === 'yes');
  const turn = () => {
    localStorage.setItem(key, far ? 'no' : 'yes');
    setFar(!far);
  };
  return [far, turn] as const;
}

/** The switch between a station as it is worked at and one that is read from across the table. */
export function AcrossTable({ far, onTurn }: { far: boolean; onTurn: () => void }) {
  return (
    <button
      type="button"
      className="across-table btn btn-outline-primary"
      aria-pressed={far}
      title="All numbers so large that they can be read from across the table"
      onClick={onTurn}
    >
      From across the table
    </button>
  );
}
