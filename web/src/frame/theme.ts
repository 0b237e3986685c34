/** Light or dusk: the system's choice until the keeper makes one. */
import { useCallback, useState } from 'react';

type Theme = 'bench' | 'dusk';
const KEY = 'zinc-theme';

function systemTheme(): Theme {
  return window.matchMedia('(prefers-color-scheme: dark)').matches ? 'dusk' : 'bench';
}

function stored(): Theme | null {
  const value = localStorage.getItem(KEY);
  return value === 'bench' || value === 'dusk' ? value : null;
}

function wear(theme: Theme): void {
  document.documentElement.dataset.theme = theme;
}

const chosen = stored();
if (chosen) wear(chosen);

export function useTheme(): [Theme, () => void] {
  const [theme, setLook] = useState<Theme>(() => stored() ?? systemTheme());
  const turn = useCallback(() => {
    setLook((before) => {
      const next = before === 'bench' ? 'dusk' : 'bench';
      localStorage.setItem(KEY, next);
      wear(next);
      return next;
    });
  }, []);
  return [theme, turn];
}
