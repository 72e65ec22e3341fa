import { createContext, use } from 'react';

/** Which shelf something was taken down from: one thing of the whole cupboard is looked at. */
interface Ledges {
  open: string | null;
  turn: (ledge: string | null) => void;
}

const LedgesContext = createContext<Ledges>({ open: null, turn: () => undefined });
export const LedgesProvider = LedgesContext.Provider;
export const useLedges = () => use(LedgesContext);
