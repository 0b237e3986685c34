/** Lines of a shelf: each told, changed and dropped; dropping asks once, on the line itself. */
import { type ReactNode, useState } from 'react';
import { wordsOf } from '../../api/client.ts';
import { Wrong } from '../../forms/Fields.tsx';

interface LedgerLineProps {
  name: string;
  children: ReactNode;
  /** what goes with it, said before it goes */
  goes: string;
  onChange?: () => void;
  onDrop(): Promise<unknown>;
}

export function LedgerLine({ name, children, goes, onChange, onDrop }: LedgerLineProps) {
  const [asking, setAsking] = useState(false);
  const [error, setError] = useState<unknown>(null);
  return (
    <li className="border-b border-[var(--rule)]">
      <div className="flex min-h-12 flex-wrap items-center gap-x-3">
        <span className="min-w-0 grow py-1">
          <strong className="slab text-[1.0625rem] font-semibold">{name}</strong>
          <span className="block text-[0.9375rem]">{children}</span>
        </span>
        {onChange && (
          <button type="button" className="h-11 px-2 underline" aria-label={`Change ${name}`} onClick={onChange}>
            change
          </button>
        )}
        <button
          type="button"
          className="h-11 px-2 underline"
          aria-label={`Drop ${name}`}
          aria-expanded={asking}
          onClick={() => setAsking(!asking)}
        >
          drop
        </button>
      </div>
      {asking && (
        <div role="alertdialog" aria-label={`Drop ${name}?`} className="mb-2 border-l-4 border-[var(--rust)] py-1 pl-3">
          <p className="mb-2">{goes}</p>
          <div className="flex flex-wrap gap-3">
            <button
              type="button"
              className="btn h-11"
              onClick={() => {
                setError(null);
                onDrop().then(() => setAsking(false), setError);
              }}
            >
              Drop it
            </button>
            <button type="button" className="btn h-11" onClick={() => setAsking(false)}>
              Keep it
            </button>
          </div>
          <Wrong words={error === null ? null : wordsOf(error)} />
        </div>
      )}
    </li>
  );
}
