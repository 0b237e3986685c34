/** What was wrong with what was typed, told at the field itself. */
import { createContext, useContext, useEffect } from 'react';

/** Words by field: its name, or its path from the body with strokes, `lamp/hours`; or its label, as `byLabel` makes it. */
export const Faults = createContext<ReadonlyMap<string, string>>(new Map());

/** Under which words that begin with a label are kept: "Best from: a number" belongs to "Best from, °C". */
export const byLabel = (label: string): string => `label ${label.toLowerCase()}`;

const UNIT = /,.*$/;

/**
 * The words for a field, and the marks that its control bears while they stand.
 *
 * @param at the field's name in what is sent; none for a field that is told by its label
 */
export function useFault(id: string, at: string | undefined, label: string): string | null {
  const faults = useContext(Faults);
  const words =
    (at === undefined ? undefined : faults.get(at)) ??
    faults.get(byLabel(label)) ??
    faults.get(byLabel(label.replace(UNIT, ''))) ??
    null;
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
