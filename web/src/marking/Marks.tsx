/** Marks made and taken back, wherever they are made: one bar tells what each changed and offers undo. */
import type { JournalEvent, MarksResult, RoundPot } from '@zinc-pail/contract/api';
import { afterWords } from '@zinc-pail/words/after';
import { doubledWords } from '@zinc-pail/words/round';
import { Undo2 } from 'lucide-react';
import { createContext, type ReactNode, useCallback, useContext, useMemo, useRef, useState } from 'react';
import { ProblemError, wordsOf } from '../api/client.ts';
import { useJournal } from '../api/journal.ts';
import { nearDay } from '../reader/days.ts';
import { useKeys } from '../frame/keys.ts';
import { Name } from '../naming/Name.tsx';
import { count } from '../reader/amounts.ts';
import { wordsFor } from '../reader/deeds.ts';
import { units } from '../reader/units.ts';

/** A pot that a mark is for, as it stood before. */
export interface Marked {
  plantId: number;
  name: string;
  today: string;
  /** the revision under which it was seen; null where a doubled mark does no harm */
  seen: number | null;
  before: Pick<RoundPot, 'outlook' | 'task'>;
}

type After = Pick<RoundPot, 'outlook' | 'task'>;

interface Done {
  pots: Marked[];
  clientIds: string[];
  said: string;
  after: ReadonlyMap<number, After>;
  already: MarksResult['already'];
  more: string[];
}

type Told =
  | { kind: 'done'; done: Done }
  /** what was done without a mark: a move, say; it is undone where it was done */
  | { kind: 'said'; name: string; words: string }
  | { kind: 'undone'; pots: Marked[]; after: ReadonlyMap<number, After> }
  | { kind: 'failed'; pots: Marked[]; words: string; anyway?: () => void };

interface Marks {
  /** writes the same kind of mark on all of these pots, and resolves to whether it went through */
  mark(pots: Marked[], events: (pot: Marked) => JournalEvent[], said: string): Promise<boolean>;
  undo(): Promise<void>;
  /** what was done to a plant otherwise than by a mark */
  say(name: string, words: string): void;
  /** takes these marks of one pot back, made now or before a reload */
  takeBack(pot: Marked, clientIds: string[]): Promise<void>;
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
  const alone = useCallback(
    async (pots: Marked[], action: () => Promise<void>, again?: () => void): Promise<boolean> => {
      if (pots.some((pot) => inFlight.current.has(pot.plantId))) return false;
      for (const pot of pots) inFlight.current.add(pot.plantId);
      setBusy(new Set(inFlight.current));
      try {
        await action();
        return true;
      } catch (error) {
        const anyway = again && isOdd(error) ? again : undefined;
        setTold({ kind: 'failed', pots, words: wordsOf(error), ...(anyway ? { anyway } : {}) });
        return false;
      } finally {
        for (const pot of pots) inFlight.current.delete(pot.plantId);
        setBusy(new Set(inFlight.current));
      }
    },
    [],
  );

  const mark = useCallback(
    function markThem(
      pots: Marked[],
      events: (pot: Marked) => JournalEvent[],
      said: string,
      anyway = false,
    ): Promise<boolean> {
      const action = async () => {
        const result = await journal.write(
          pots.map((pot) => ({ plantId: pot.plantId, seen: pot.seen, events: events(pot) })),
          anyway,
        );
        const done: Done = {
          pots,
          clientIds: result.clientIds,
          said,
          after: new Map(result.done.map(({ plant_id, pot }) => [plant_id, pot])),
          already: result.already,
          more: [...new Set(result.done.flatMap((one) => one.advice.map((note) => afterWords(note, units()))))].slice(
            0,
            3,
          ),
        };
        if (result.clientIds.length > 0) setPast((before) => [...before, done]);
        setTold({ kind: 'done', done });
      };
      return alone(pots, action, anyway ? undefined : () => void markThem(pots, events, said, true));
    },
    [alone, journal],
  );

  const voidMarks = useCallback(
    (pots: Marked[], clientIds: string[]) =>
      alone(pots, async () => {
        const gone = new Set(clientIds);
        const result = await journal.takeBack(clientIds);
        // Of a mark on many pots those of the others can still be taken back.
        setPast((before) =>
          before
            .map((done) => ({ ...done, clientIds: done.clientIds.filter((id) => !gone.has(id)) }))
            .filter((done) => done.clientIds.length > 0),
        );
        setTold({ kind: 'undone', pots, after: new Map(result.done.map(({ plant_id, pot }) => [plant_id, pot])) });
      }),
    [alone, journal],
  );
  const undo = useCallback(async () => {
    const last = past.at(-1);
    if (last) await voidMarks(last.pots, last.clientIds);
  }, [voidMarks, past]);
  const takeBack = useCallback(
    async (pot: Marked, clientIds: string[]) => void (await voidMarks([pot], clientIds)),
    [voidMarks],
  );

  const say = useCallback((name: string, words: string) => setTold({ kind: 'said', name, words }), []);
  const marks = useMemo(
    () => ({ mark, undo, say, takeBack, busy, told, canUndo: past.length > 0 }),
    [mark, undo, say, takeBack, busy, told, past.length],
  );
  return <MarksContext.Provider value={marks}>{children}</MarksContext.Provider>;
}

/** Asked back: a slip of the hand, or meant. */
function isOdd(error: unknown): boolean {
  return error instanceof ProblemError && error.problem.type.endsWith('odd-mark');
}

function nextWords({ outlook, task }: After, today: string): string {
  if (task.due) return nearDay(task.due, today);
  return outlook.hold ? `held until ${nearDay(outlook.hold.until, today)}` : 'not in sight';
}

function Who({ pots }: { pots: readonly Marked[] }) {
  return pots.length === 1 ? <Name written={pots[0]!.name} /> : <strong>{count(pots.length, 'pot')}</strong>;
}

/** What the last mark changed. */
export function MarkBar() {
  const { told, undo, canUndo } = useMarks();
  useKeys(useMemo(() => ({ 'Mod+z': () => void undo() }), [undo]));
  return (
    <div
      aria-live="polite"
      className={
        told
          ? 'sticky bottom-0 max-sm:bottom-[60px] z-10 border-t-2 border-[var(--ink)] bg-[var(--color-neutral)] px-3 py-1 text-[var(--color-neutral-content)] sm:px-6'
          : ''
      }
    >
      {told && (
        <div className="flex min-h-12 items-center gap-4">
          <div data-testid="told">
            {told.kind === 'done' && <DoneWords done={told.done} />}
            {told.kind === 'said' && (
              <p>
                <Name written={told.name} />: {told.words}
              </p>
            )}
            {told.kind === 'undone' && (
              <p>
                <Who pots={told.pots} />: taken back.
                {told.pots.length === 1 &&
                  ` Next drink ${nextWords(told.after.get(told.pots[0]!.plantId) ?? told.pots[0]!.before, told.pots[0]!.today)} again.`}
              </p>
            )}
            {told.kind === 'failed' && (
              <p>
                <Who pots={told.pots} /> {told.pots.length === 1 ? 'was' : 'were'} not marked. {told.words}
              </p>
            )}
          </div>
          {told.kind === 'failed' && told.anyway && (
            <button
              type="button"
              className="ml-auto h-11 shrink-0 border border-current px-4 font-semibold"
              onClick={told.anyway}
            >
              It is meant: write it
            </button>
          )}
          {canUndo && (
            <button
              type="button"
              className="ml-auto flex h-11 shrink-0 items-center gap-2 border border-current px-4 font-semibold"
              onClick={() => void undo()}
            >
              <Undo2 aria-hidden="true" size={18} /> Undo
            </button>
          )}
        </div>
      )}
    </div>
  );
}

const NAMES_TOLD = 3;

function DoneWords({ done }: { done: Done }) {
  const written = done.pots.filter((pot) => done.after.has(pot.plantId));
  const [only] = written;
  return (
    <>
      {written.length === 1 && only && <OneDone pot={only} after={done.after.get(only.plantId)!} said={done.said} />}
      {written.length > 1 && (
        <p>
          <Who pots={written} />: {done.said}. {nextOfMany(written, done.after)}
        </p>
      )}
      {done.already.slice(0, NAMES_TOLD).map((one) => (
        <p key={one.plant_id}>
          <Name written={one.plant} />: {doubledWords(one)}
        </p>
      ))}
      {done.already.length > NAMES_TOLD && <p>and {done.already.length - NAMES_TOLD} more were done already.</p>}
      {done.more.map((words) => (
        <p key={words} className="font-semibold">
          {words}
        </p>
      ))}
    </>
  );
}

function OneDone({ pot, after, said }: { pot: Marked; after: After; said: string }) {
  const [was, now] = [nextWords(pot.before, pot.today), nextWords(after, pot.today)];
  const judged = wordsFor(after, pot.today);
  return (
    <p>
      <Name written={pot.name} />: {said}. <strong className="font-semibold">{judged.head}.</strong> Next drink {now}
      {was !== now && `, was ${was}`}.{judged.then && ` ${judged.then}`}
    </p>
  );
}

function nextOfMany(pots: readonly Marked[], after: ReadonlyMap<number, After>): string {
  const days = pots.flatMap((pot) => after.get(pot.plantId)?.task.due ?? []).sort();
  if (days.length === 0) return '';
  const { today } = pots[0]!;
  const [first, last] = [nearDay(days[0]!, today), nearDay(days.at(-1)!, today)];
  return first === last ? `Next drinks ${first}.` : `Next drinks from ${first} to ${last}.`;
}
