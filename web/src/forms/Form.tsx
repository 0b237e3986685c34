/** A form whose fields tell their own faults; the first of them takes the focus. */
import { type FormEvent, type ReactNode, useEffect, useMemo, useRef } from 'react';
import { faultsOf, wordsOf } from '../api/client.ts';
import { Faults } from './faults.ts';
import { Wrong } from './Fields.tsx';

interface FormProps {
  /** what came of the last sending: a refusal, or what kept it from being sent */
  error: unknown;
  onSubmit(): void;
  className?: string;
  children: ReactNode;
}

/** A form whose fields with `at` tell their own faults; what belongs to none of them is told at its foot. */
export function Form({ error, onSubmit, className, children }: FormProps) {
  const ref = useRef<HTMLFormElement>(null);
  const faults = useMemo(() => faultsOf(error), [error]);
  useEffect(() => {
    if (faults.size > 0) ref.current?.querySelector<HTMLElement>('[aria-invalid=true]')?.focus();
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
      <Rest error={error} faults={faults} />
    </form>
  );
}

/** Faults that no field of the form tells. */
function Rest({ error, faults }: { error: unknown; faults: ReadonlyMap<string, string> }) {
  return error == null || faults.size > 0 ? null : <Wrong words={wordsOf(error)} />;
}
