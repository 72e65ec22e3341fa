import { useEffect, useState } from 'react';

type Theme = 'day' | 'evening';
const key = 'theme';

/** Daylight or evening: the choice of this browser, else what its system asks for. */
export function useTheme() {
  const [theme, setTheme] = useState<Theme>(() => {
    const kept = localStorage.getItem(key);
    if (kept === 'day' || kept === 'evening') return kept;
    return window.matchMedia('(prefers-color-scheme: dark)').matches ? 'evening' : 'day';
  });
  useEffect(() => {
    document.documentElement.dataset['theme'] = theme;
  }, [theme]);
  const choose = (to: Theme) => {
    localStorage.setItem(key, to);
    setTheme(to);
  };
  return [theme, choose] as const;
}
