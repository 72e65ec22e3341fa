import { useCallback, useState } from 'react';
import { Opened } from './Opened';
import { ShadeBoard } from './ShadeBoard';
import { useShut } from './shut';
import './Fields.scss';

interface ColourProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
}

/** A colour that nothing is mixed for: a swatch that opens to any shade. Only the one that is settled on is taken. */
export function ColourField({ label, value, onChange }: ColourProps) {
  const [tried, setTried] = useState<string | null>(null);
  const forget = useCallback(() => setTried(null), []);
  return (
    <Opened
      className="shade-popover"
      onShut={forget}
      button={(ref) => (
        <button
          ref={ref}
          type="button"
          className="colour-well"
          style={{ background: tried ?? value }}
          aria-label={label}
          title={label}
          data-colour={value}
        />
      )}
    >
      <ShadeBoard
        value={value}
        onTry={setTried}
        onTake={(to) => {
          setTried(null);
          if (to !== value) onChange(to);
        }}
      />
      <Done />
    </Opened>
  );
}

function Done() {
  return (
    <button type="button" className="btn btn-primary" onClick={useShut()}>
      Done
    </button>
  );
}
