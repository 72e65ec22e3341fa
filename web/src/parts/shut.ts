import { createContext, use } from 'react';

/** Shuts what was opened over the page, from within it. */
const ShutContext = createContext<() => void>(() => undefined);
export const ShutProvider = ShutContext.Provider;
export const useShut = () => use(ShutContext);
