/** A shelf of things of one kind: each told, changed and dropped; dropping asks once, on the line itself. */
import { type ComponentType, type ReactNode, useState } from 'react';
import { wordsOf } from '../../api/client.ts';
import { Wrong } from '../../forms/Fields.tsx';

interface LedgerProps<T> {
  items: readonly T[];
  /** "Another water" */
  another: string;
  /** what goes with one, said before it goes */
  goes: string;
  Words: ComponentType<{ item: T }>;
  /** the form that adds one, or puts this one right */
  Panel: ComponentType<{ item: T | null; onDone(): void }>;
  onDrop(id: number): Promise<unknown>;
}

/** Where nothing stands yet the form is open at once. */
export function Ledger<T extends { id: number; name: string }>({
  items,
  another,
  goes,
  Words,
  Panel,
  onDrop,
}: LedgerProps<T>) {
  const [open, setOpen] = useState<T | 'new' | null>(items.length === 0 ? 'new' : null);
  return (
    <>
      <ul className="mb-4 border-t border-[var(--rule)]">
        {items.map((item) => (
          <LedgerLine
            key={item.id}
            name={item.name}
            goes={goes}
            onChange={() => setOpen(item)}
            onDrop={() => onDrop(item.id)}
          >
            <Words item={item} />
          </LedgerLine>
        ))}
      </ul>
      {open === null ? (
        <button type="button" className="btn h-11" onClick={() => setOpen('new')}>
          {another}
        </button>
      ) : (
        <Panel
          key={open === 'new' ? 'new' : open.id}
          item={open === 'new' ? null : open}
          onDone={() => setOpen(null)}
        />
      )}
    </>
  );
}

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
              Save
            </button>
          </div>
          <Wrong words={error === null ? null : wordsOf(error)} />
        </div>
      )}
    </li>
  );
}
