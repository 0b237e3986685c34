/** A form whose fields tell their own faults; the first of them takes the focus. */
import { type FormEvent, type ReactNode, useEffect, useMemo, useRef } from 'react';
import { faultsOf, NotSent, wordsOf } from '../api/client.ts';
import { byLabel, Faults } from './faults.ts';
import { Wrong } from './Fields.tsx';

interface FormProps {
  /** what came of the last sending: a refusal, or what kept it from being sent, in words too */
  error: unknown;
  onSubmit(): void;
  className?: string;
  children: ReactNode;
}

/** A form whose fields with `at` tell their own faults; what belongs to none of them is told at its foot. */
export function Form({ error: given, onSubmit, className, children }: FormProps) {
  const error = useMemo(() => (typeof given === 'string' ? new NotSent(given) : given), [given]);
  const ref = useRef<HTMLFormElement>(null);
  const faults = useMemo(() => labelled(faultsOf(error), error), [error]);
  useEffect(() => {
    const field = faults.size > 0 ? ref.current?.querySelector<HTMLElement>('[aria-invalid=true]') : null;
    (field?.matches('fieldset') ? field.querySelector<HTMLElement>('input') : field)?.focus();
  }, [faults]);
  return (
    <form
      ref={ref}
      noValidate
      className={className}
      onSubmit={(event: FormEvent) => {
        event.preventDefault();
        onSubmit();
      }}
    >
      <Faults.Provider value={faults}>{children}</Faults.Provider>
      {/* What a field of the form tells is not told twice. */}
      {error != null && (
        <div className="[form:has([aria-invalid=true])_&]:hidden">
          <Wrong words={wordsOf(error)} />
        </div>
      )}
    </form>
  );
}

const BY_LABEL = /^([^:.?]{2,60}): (.+)$/;

/** Words that begin with a field's own label belong to it: "Saucer, minutes: a number from 1 to 240 is wanted." */
function labelled(faults: ReadonlyMap<string, string>, error: unknown): ReadonlyMap<string, string> {
  const found = faults.size === 0 && error instanceof NotSent ? BY_LABEL.exec(error.message) : null;
  if (!found) return faults;
  const [, label, words] = found;
  return new Map([[byLabel(label!), `${words!.charAt(0).toUpperCase()}${words!.slice(1)}`]]);
}
