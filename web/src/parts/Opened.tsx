import { useCallback, useId, useRef, useState } from 'react';
import type { ReactElement, ReactNode, RefObject } from 'react';
import { OverlayTrigger, Popover } from 'react-bootstrap';
import { ShutProvider } from './shut';

interface Props {
  className: string;
  /** The button that opens it; it takes the keys back when it shuts. */
  button: (ref: RefObject<HTMLButtonElement | null>) => ReactElement<{ ref?: unknown }>;
  /** What is in it; it can shut it. */
  children: ReactNode;
  onShut?: () => void;
}

/** Something that a button opens over the page. It lies at the end of the page: the keys go in with it, and come back. */
export function Opened({ className, button, children, onShut }: Props) {
  const id = useId();
  const [open, setOpen] = useState(false);
  const opener = useRef<HTMLButtonElement>(null);
  const toggle = useCallback(
    (to: boolean) => {
      const inside = document.activeElement?.closest(`.${className}`);
      setOpen(to);
      if (!to) onShut?.();
      if (!to && inside) opener.current?.focus({ preventScroll: true });
    },
    [className, onShut],
  );
  const shut = useCallback(() => toggle(false), [toggle]);
  return (
    <OverlayTrigger
      trigger="click"
      rootClose
      show={open}
      onToggle={toggle}
      onEntered={(popover) => {
        // Whoever is in it already is not called away.
        if (!popover.contains(document.activeElement)) popover.focus({ preventScroll: true });
      }}
      placement="auto"
      overlay={
        <Popover
          id={id}
          className={className}
          tabIndex={-1}
          onKeyDown={(e) => {
            if (e.key === 'Escape') shut();
          }}
        >
          <Popover.Body>
            <ShutProvider value={shut}>{children}</ShutProvider>
          </Popover.Body>
        </Popover>
      }
    >
      {button(opener)}
    </OverlayTrigger>
  );
}
