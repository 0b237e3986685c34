/**
 * One pot of the walk: the plant in its pot, its name, a sentence that begins with what to do, its strip, and the answers
 * to that sentence. What else is asked of it follows in the same line; the whole why unfolds below.
 */
import type { DoneToday, RoundPot } from '@zinc-pail/contract/api';
import { isApart } from '@zinc-pail/core';
import { eventWords } from '@zinc-pail/words/events';
import { alsoLineWords, type LineWords, lineWords, pottingLineWords, stepLineWords } from '@zinc-pail/words/line';
import type { Speaking } from '@zinc-pail/words/reasons';
import { Ellipsis, Undo2 } from 'lucide-react';
import { memo } from 'react';
import { Link } from 'react-router';
import { PotPicture } from '../../drawing/PotPicture.tsx';
import { Strip } from '../../drawing/Strip.tsx';
import { marked } from '../../marking/markEvents.ts';
import { useMarks } from '../../marking/Marks.tsx';
import { Name } from '../../naming/Name.tsx';
import { nearDay } from '../../reader/days.ts';
import { kindOf } from '../../reader/deeds.ts';
import { stripWords } from '../../reader/strip.ts';
import { units } from '../../reader/units.ts';
import { alsoAnswers, type AskAnswer, judgedAnswers, pottingAnswers, stepAnswers } from './askAnswers.ts';
import { LineMore } from './LineMore.tsx';
import { type Ask, askId, lastMark, type Line } from './lines.ts';
import { type DrawnLine, sameLine } from './sameLine.ts';

export interface LineHandlers {
  onHere(id: number): void;
  onAnswer(line: Line, ask: Ask, answer: AskAnswer): void;
  onNote(line: Line): void;
  onChoose(id: number): void;
  onMore(id: number): void;
}

type PotLineProps = LineHandlers & DrawnLine;

const CHOSEN = 'bg-[color-mix(in_oklab,var(--clay)_12%,var(--paper))]';
const CURRENT = 'bg-[var(--frame)] shadow-[inset_4px_0_0_var(--clay)]';
/** Of hundreds, lines out of sight are not laid out. They are about so high; of few it would only make them jump. */
const FAR = '[content-visibility:auto] [contain-intrinsic-size:auto_46px] max-sm:[contain-intrinsic-size:auto_94px]';

function OneLine({ line, current, chosen, choosing, back, more, far, ...on }: PotLineProps) {
  const { pot, site, asks, done } = line;
  const rests = done.length > 0 && !asks.some(({ kind }) => kind === 'judged');
  return (
    <li
      id={`pot-${pot.id}`}
      tabIndex={-1}
      aria-current={current || undefined}
      onFocus={() => on.onHere(pot.id)}
      data-line={pot.number}
      data-testid={`pot-${pot.number}`}
      data-rests={rests || undefined}
      className={`${far ? FAR : ''} border-b border-[var(--rule)] py-0.5 ${chosen ? CHOSEN : ''} ${current ? CURRENT : ''}`}
    >
      <AskRow line={line} ask={rests ? null : (asks[0] ?? null)} back={back} on={on}>
        <div className="flex flex-wrap items-baseline gap-x-2 text-[1.0625rem] leading-none">
          <Link to={`/plants/${pot.id}`} className="-my-3.5 inline-block py-3.5 hover:underline">
            <Name written={pot.name} />
          </Link>
          <Number pot={pot} choosing={choosing || chosen} chosen={chosen} onChoose={() => on.onChoose(pot.id)} />
          {isApart(pot.quarantine_until, site.today) && (
            <span className="text-[0.875rem] font-semibold text-[var(--straw)]">
              in quarantine until {nearDay(pot.quarantine_until!, site.today)}
            </span>
          )}
        </div>
      </AskRow>
      {asks.slice(rests ? 0 : 1).map((ask) => (
        <AskRow key={askId(pot.id, ask)} line={line} ask={ask} back={back} on={on} further />
      ))}
      {more && <LineMore line={line} onNote={() => on.onNote(line)} />}
    </li>
  );
}

/** Drawn again when its pot is: a step of the walk touches two lines only. */
export const PotLine = memo(OneLine, sameLine);

function Number({
  pot,
  choosing,
  chosen,
  onChoose,
}: {
  pot: RoundPot;
  choosing: boolean;
  chosen: boolean;
  onChoose(): void;
}) {
  if (!choosing) return <span className="text-[0.9375rem] text-[var(--ink-2)]">{pot.number}</span>;
  return (
    <label className="-my-3 inline-flex h-12 min-w-11 cursor-pointer items-center gap-1 text-[0.9375rem] text-[var(--ink-2)]">
      <input
        type="checkbox"
        className="checkbox checkbox-xs"
        checked={chosen}
        onChange={onChoose}
        aria-label={`Choose ${pot.name}, ${pot.number}`}
      />
      {pot.number}
    </label>
  );
}

interface AskRowProps {
  line: Line;
  /** null on a line that is done, or that asks for nothing */
  ask: Ask | null;
  back: number;
  /** not the first of its line: without pot and strip */
  further?: boolean;
  on: LineHandlers;
  children?: React.ReactNode;
}

const COLUMNS =
  'grid grid-cols-[48px_minmax(0,1fr)] items-center gap-x-3 sm:grid-cols-[48px_minmax(0,1fr)_auto] ' +
  'xl:grid-cols-[48px_minmax(0,1fr)_180px_278px]';

function AskRow({ line, ask, back, further = false, on, children }: AskRowProps) {
  const { pot, site } = line;
  return (
    <div className={COLUMNS}>
      {further ? <span /> : <PotPicture pot={pot} size={46} pxPerMm={0.3} />}
      <div className="min-w-0">
        {children}
        <Sentence line={line} ask={ask} />
      </div>
      <div className="hidden xl:block">
        {!further && <Strip outlook={pot.outlook} today={site.today} label={stripWords(pot, site.today)} />}
      </div>
      <div className="flex gap-1.5 max-sm:col-span-2 max-sm:mt-1 sm:justify-end print:[&>button]:hidden">
        {!further && (
          <span className="hidden size-5 border-2 border-[var(--ink)] print:inline-block" aria-hidden="true" />
        )}
        {ask === null && line.done.length > 0 && <TakeBack pot={pot} today={site.today} done={line.done} />}
        {ask && <AnswerButtons line={line} ask={ask} back={back} on={on} />}
        {!further && (
          <button
            type="button"
            title="More"
            aria-label={`More on ${pot.name}`}
            className="grid h-11 w-11 shrink-0 place-items-center text-[var(--ink-2)] hover:text-[var(--ink)]"
            onClick={() => on.onMore(pot.id)}
          >
            <Ellipsis aria-hidden="true" size={20} />
          </button>
        )}
      </div>
    </div>
  );
}

function wordsOfAsk(ask: Ask, pot: RoundPot, speaking: Speaking): LineWords {
  switch (ask.kind) {
    case 'judged':
      return lineWords(pot.task.judgement, speaking);
    case 'step':
      return stepLineWords(ask.step, speaking);
    case 'also':
      return alsoLineWords(ask.task, speaking);
    case 'potting':
      return pottingLineWords(ask.plan, speaking);
  }
}

function toneOf(line: Line, ask: Ask | null): string {
  if (ask?.kind !== 'judged') return 'text-[var(--ink)]';
  const kind = kindOf(line.pot, line.site.today);
  return kind === 'act' ? 'text-[var(--rust)]' : kind === 'water' ? 'text-[var(--clay)]' : 'text-[var(--straw)]';
}

function Sentence({ line, ask }: { line: Line; ask: Ask | null }) {
  const { pot, site, done } = line;
  const speaking = { units: units(), today: site.today };
  if (ask === null && done.length > 0)
    return (
      <p className="mt-0.5 text-[0.9375rem] leading-tight">
        <strong className="font-semibold text-[var(--lichen)]">
          {done.map(({ event }) => eventWords(event, units())).join('. ')}.
        </strong>{' '}
        <span className="text-[var(--ink-2)]">Done for today.</span>
      </p>
    );
  const { head, reason } = wordsOfAsk(ask ?? { kind: 'judged' }, pot, speaking);
  return (
    <p className="mt-0.5 text-[0.9375rem] leading-tight">
      <strong className={`font-semibold ${toneOf(line, ask)}`}>{head}.</strong>{' '}
      <span className="text-[var(--ink-2)]">{reason}</span>
    </p>
  );
}

function answersOf(line: Line, ask: Ask): AskAnswer[] {
  switch (ask.kind) {
    case 'judged':
      return judgedAnswers(line);
    case 'step':
      return stepAnswers(ask.step);
    case 'also':
      return alsoAnswers(ask.task);
    case 'potting':
      return pottingAnswers(line.pot.id);
  }
}

const ANSWER =
  'flex h-11 min-w-[58px] flex-col items-center justify-center border px-2.5 text-[0.9375rem] leading-none ' +
  'font-semibold disabled:opacity-60 max-sm:flex-1';
const FILLED = 'border-[var(--clay)] bg-[var(--clay)] text-[var(--color-primary-content)]';

/** The answers of equal weight; one of them is filled where the sentence calls for a deed. */
function AnswerButtons({ line, ask, back, on }: { line: Line; ask: Ask; back: number; on: LineHandlers }) {
  const { busy } = useMarks();
  const { pot } = line;
  const writing = busy.has(pot.id);
  const waters = ask.kind === 'judged' && kindOf(pot, line.site.today) === 'water';
  const yesterday = back > 0 && waters ? ' yesterday' : '';
  const asked =
    ask.kind === 'judged' ? '' : `, ${wordsOfAsk(ask, pot, { units: units(), today: line.site.today }).head}`;
  return answersOf(line, ask).map((answer) => (
    <button
      key={answer.label}
      type="button"
      disabled={writing}
      className={`${ANSWER} ${answer.filled ? FILLED : 'border-[var(--rule)] hover:border-[var(--ink)]'}`}
      aria-label={
        waters
          ? `Watered${yesterday}: ${pot.name}`
          : `${answer.label}${answer.leads ? ` ${answer.leads}` : ''}: ${pot.name}${asked}, ${answer.said}`
      }
      onClick={() => on.onAnswer(line, ask, answer)}
    >
      <span className="whitespace-nowrap">
        {answer.label}
        {yesterday}
      </span>{' '}
      {answer.leads && (
        <span className="mt-0.5 whitespace-nowrap text-[0.8125rem] font-normal text-[var(--ink-2)]">
          {answer.leads}
        </span>
      )}
    </button>
  ));
}

/** A line that is done can be undone till tomorrow, after a reload too. */
function TakeBack({ pot, today, done }: { pot: RoundPot; today: string; done: readonly DoneToday[] }) {
  const { takeBack, busy } = useMarks();
  const last = lastMark(done);
  return (
    <button
      type="button"
      disabled={busy.has(pot.id)}
      title="Undo"
      className="grid size-11 place-items-center border border-[var(--rule)] hover:border-[var(--ink)]"
      aria-label={`Undo: ${pot.name}, ${eventWords(last[0]!.event, units())}`}
      onClick={() =>
        void takeBack(
          marked(pot, today),
          last.map(({ client_id: id }) => id),
        )
      }
    >
      <Undo2 aria-hidden="true" size={18} />
    </button>
  );
}
