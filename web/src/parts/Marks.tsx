/** Marks made and taken back, wherever they are made: one bar tells what each changed and offers undo. */
import type { JournalEvent } from '@zinc-pail/contract/api';
import type { OutlookView } from '@zinc-pail/core';
import { Undo2 } from 'lucide-react';
import { createContext, type ReactNode, useCallback, useContext, useMemo, useRef, useState } from 'react';
import { ProblemError } from '../api/client.ts';
import { useJournal } from '../api/journal.ts';
import { nearDay } from './days.ts';
import { useKeys } from './keys.ts';
import { Name } from './Name.tsx';

/** The pot that a mark is for, as it stood before. */
export interface Marked {
  plantId: number;
  name: string;
  today: string;
  before: OutlookView;
}

interface Done extends Marked {
  clientIds: string[];
  said: string;
  after: OutlookView;
}

type Told = { kind: 'done'; done: Done } | { kind: 'undone'; name: string; outlook: OutlookView; today: string } | { kind: 'failed'; name: string; words: string };

interface Marks {
  /** writes, and resolves to whether it went through */
  mark(pot: Marked, events: JournalEvent[], said: string): Promise<boolean>;
  undo(): Promise<void>;
  /** pots whose mark is on its way */
  busy: ReadonlySet<number>;
  told: Told | null;
  canUndo: boolean;
}

const MarksContext = createContext<Marks | null>(null);

export function useMarks(): Marks {
  const marks = useContext(MarksContext);
  if (!marks) throw new Error('useMarks wants a MarksProvider above it');
  return marks;
}

export function MarksProvider({ children }: { children: ReactNode }) {
  const journal = useJournal();
  const [past, setPast] = useState<Done[]>([]);
  const [told, setTold] = useState<Told | null>(null);
  const [busy, setBusy] = useState<ReadonlySet<number>>(new Set());
  const inFlight = useRef(new Set<number>());

  /** One mark a pot at a time: a key held down must not water twice. */
  const alone = useCallback(async (plantId: number, name: string, action: () => Promise<void>): Promise<boolean> => {
    if (inFlight.current.has(plantId)) return false;
    inFlight.current.add(plantId);
    setBusy(new Set(inFlight.current));
    try {
      await action();
      return true;
    } catch (error) {
      setTold({ kind: 'failed', name, words: error instanceof ProblemError ? error.problem.detail : 'It could not be written.' });
      return false;
    } finally {
      inFlight.current.delete(plantId);
      setBusy(new Set(inFlight.current));
    }
  }, []);

  const mark = useCallback(
    (pot: Marked, events: JournalEvent[], said: string) =>
      alone(pot.plantId, pot.name, async () => {
        const { entries, outlook } = await journal.write(pot.plantId, events);
        const done = { ...pot, clientIds: entries.map((entry) => entry.client_id), said, after: outlook };
        setPast((before) => [...before, done]);
        setTold({ kind: 'done', done });
      }),
    [alone, journal],
  );

  const undo = useCallback(async () => {
    const last = past.at(-1);
    if (!last) return;
    await alone(last.plantId, last.name, async () => {
      const outlook = await journal.takeBack(last.plantId, last.clientIds);
      setPast((before) => before.filter((done) => done !== last));
      setTold({ kind: 'undone', name: last.name, outlook, today: last.today });
    });
  }, [alone, journal, past]);

  const marks = useMemo(() => ({ mark, undo, busy, told, canUndo: past.length > 0 }), [mark, undo, busy, told, past.length]);
  return <MarksContext.Provider value={marks}>{children}</MarksContext.Provider>;
}

function nextWords(outlook: OutlookView, today: string): string {
  return outlook.water ? nearDay(outlook.water.ideal, today) : `held until ${nearDay(outlook.hold!.until, today)}`;
}

/** What the last mark changed. */
export function MarkBar() {
  const { told, undo, canUndo } = useMarks();
  useKeys(useMemo(() => ({ u: () => void undo() }), [undo]));
  return (
    <div aria-live="polite" className={told ? 'sticky bottom-0 z-10 border-t-2 border-[var(--ink)] bg-[var(--color-neutral)] px-3 py-1 text-[var(--color-neutral-content)] sm:px-6' : ''}>
      {told && (
        <div className="flex min-h-12 items-center gap-4">
          <p data-testid="told">
            {told.kind === 'done' && (
              <>
                <Name written={told.done.name} />: {told.done.said}. Next drink {nextWords(told.done.after, told.done.today)}
                {nextWords(told.done.before, told.done.today) !== nextWords(told.done.after, told.done.today) && `, was ${nextWords(told.done.before, told.done.today)}`}.
              </>
            )}
            {told.kind === 'undone' && <><Name written={told.name} />: taken back. Next drink {nextWords(told.outlook, told.today)} again.</>}
            {told.kind === 'failed' && <><Name written={told.name} /> was not marked. {told.words}</>}
          </p>
          {canUndo && (
            <button type="button" className="ml-auto flex h-11 shrink-0 items-center gap-2 border border-current px-4 font-semibold" onClick={() => void undo()}>
              <Undo2 aria-hidden="true" size={18} /> Undo
            </button>
          )}
        </div>
      )}
    </div>
  );
}
