/** Light or dusk: the system's choice until the keeper makes one. */
import { useCallback, useState } from 'react';

type Look = 'bench' | 'dusk';
const KEY = 'zinc-look';

function systemLook(): Look {
  return window.matchMedia('(prefers-color-scheme: dark)').matches ? 'dusk' : 'bench';
}

function stored(): Look | null {
  const value = localStorage.getItem(KEY);
  return value === 'bench' || value === 'dusk' ? value : null;
}

function wear(look: Look): void {
  document.documentElement.dataset.theme = look;
}

const chosen = stored();
if (chosen) wear(chosen);

export function useLook(): [Look, () => void] {
  const [look, setLook] = useState<Look>(() => stored() ?? systemLook());
  const turn = useCallback(() => {
    setLook((before) => {
      const next = before === 'bench' ? 'dusk' : 'bench';
      localStorage.setItem(KEY, next);
      wear(next);
      return next;
    });
  }, []);
  return [look, turn];
}
