/** What was wrong with what was typed, told at the field itself. */
import { createContext, useContext, useEffect } from 'react';

/** Words by field: its name, or its path from the body with strokes, `lamp/hours`. */
export const Faults = createContext<ReadonlyMap<string, string>>(new Map());

/**
 * The words for a field, and the marks that its control bears while they stand.
 *
 * @param at the field's name in what is sent; none for a field that is never told alone
 */
export function useFault(id: string, at: string | undefined): string | null {
  const faults = useContext(Faults);
  const words = at === undefined ? null : (faults.get(at) ?? null);
  useEffect(() => {
    const control = document.getElementById(id);
    if (!control || words === null) return;
    control.setAttribute('aria-invalid', 'true');
    control.setAttribute('aria-describedby', `${id}-fault`);
    return () => {
      control.removeAttribute('aria-invalid');
      control.removeAttribute('aria-describedby');
    };
  }, [id, words]);
  return words;
}
