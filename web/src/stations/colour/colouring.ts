import { createContext, use } from 'react';

/** Opens the colours that a cup can be given, in the place of the station. */
const ColouringContext = createContext<(cupId: string) => void>(() => undefined);
export const ColouringProvider = ColouringContext.Provider;
export const useColouring = () => use(ColouringContext);
