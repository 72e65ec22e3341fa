let key: string | null = null;

/** Makes a change that follows others of its kind, as arrow keys do: a burst of them is one step to undo. */
export function inBurst(of: string, press: () => void) {
  key = of;
  try {
    press();
  } finally {
    key = null;
  }
}

/** What the change that is being made is a burst of; null for a change by itself. */
export const burstOf = () => key;
