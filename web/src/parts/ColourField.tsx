import { useId, useRef, useState } from 'react';
import { OverlayTrigger, Popover } from 'react-bootstrap';
import { ShadeBoard } from './ShadeBoard';
import './Fields.scss';

interface ColourProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
}

/** A colour that nothing is mixed for: a swatch that opens to any shade. Only the one that is settled on is taken. */
export function ColourField({ label, value, onChange }: ColourProps) {
  const id = useId();
  const [open, setOpen] = useState(false);
  const [tried, setTried] = useState<string | null>(null);
  const button = useRef<HTMLButtonElement>(null);
  const toggle = (to: boolean) => {
    const inside = document.activeElement?.closest('.shade-popover');
    setOpen(to);
    setTried(null);
    if (!to && inside) button.current?.focus({ preventScroll: true });
  };
  return (
    <OverlayTrigger
      trigger="click"
      rootClose
      show={open}
      onToggle={toggle}
      onEntered={(popover) => {
        if (!popover.contains(document.activeElement)) popover.focus({ preventScroll: true });
      }}
      placement="auto"
      overlay={
        <Popover
          id={id}
          className="shade-popover"
          tabIndex={-1}
          onKeyDown={(e) => {
            if (e.key === 'Escape') toggle(false);
          }}
        >
          <Popover.Body>
            <ShadeBoard
              value={value}
              onTry={setTried}
              onTake={(to) => {
                setTried(null);
                if (to !== value) onChange(to);
              }}
            />
            <button type="button" className="btn btn-primary" onClick={() => toggle(false)}>
              Done
            </button>
          </Popover.Body>
        </Popover>
      }
    >
      <button
        ref={button}
        type="button"
        className="colour-well"
        style={{ background: tried ?? value }}
        aria-label={label}
        title={label}
        data-colour={value}
      />
    </OverlayTrigger>
  );
}
