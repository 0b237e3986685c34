import type { DoneToday, LineOutlook, RoundPot } from '@zinc-pail/contract/api';
import { bandOf, drinkOf, isApart, type Judged } from '@zinc-pail/core';
import { holdWords } from '@zinc-pail/words/outlook';
import { Undo2 } from 'lucide-react';
import { memo } from 'react';
import { Link } from 'react-router';
import { PotGlyph } from '../../drawing/PotGlyph.tsx';
import { Stick } from '../../drawing/Stick.tsx';
import { Strip } from '../../drawing/Strip.tsx';
import { WeatherMark } from '../../drawing/WeatherMark.tsx';
import { shareWords } from '../../reader/amounts.ts';
import { kindOf, wordsFor } from '../../reader/deeds.ts';
import { Answers } from '../../marking/Answers.tsx';
import { units } from '../../reader/units.ts';
import { nearDay } from '../../reader/days.ts';
import { type Felt, marked } from '../../marking/markEvents.ts';
import { eventWords } from '@zinc-pail/words/events';
import { useMarks } from '../../marking/Marks.tsx';
import { Name } from '../../naming/Name.tsx';
import { StateMark } from '../../naming/StateMark.tsx';

const COLUMNS =
  'grid grid-cols-[64px_26px_minmax(0,1fr)_auto] items-center gap-x-2 max-sm:grid-cols-[52px_26px_minmax(0,1fr)_auto] ' +
  'xl:grid-cols-[64px_26px_minmax(0,1fr)_324px_140px]';
const CHOSEN = 'bg-[color-mix(in_oklab,var(--clay)_12%,var(--paper))]';
const CURRENT = 'bg-[var(--frame)] shadow-[inset_4px_0_0_var(--clay)]';

interface PotRowProps {
  pot: RoundPot;
  today: string;
  current: boolean;
  chosen: boolean;
  /** days back for which marks are written */
  back: number;
  /** marks of today on it */
  done: readonly DoneToday[];
  onHere(): void;
  onWater(): void;
  onFeel(how: Felt): void;
  onNote(): void;
  onChoose(): void;
}

const TONES: Record<Judged, string> = {
  act: 'text-[var(--rust)]',
  water: 'text-[var(--clay)]',
  look: 'text-[var(--straw)]',
  soon: 'text-[var(--dusk)]',
  leave: 'text-[var(--dusk)]',
};

function Row({ pot, today, current, chosen, back, done, onHere, onWater, onFeel, onNote, onChoose }: PotRowProps) {
  const { outlook } = pot;
  const { busy } = useMarks();
  const rests = done.length > 0 && ['leave', 'soon'].includes(kindOf(pot, today));
  const words = wordsFor(pot, today);
  return (
    <li
      id={`pot-${pot.id}`}
      tabIndex={-1}
      aria-current={current || undefined}
      onFocus={onHere}
      data-testid={`pot-${pot.number}`}
      data-rests={rests || undefined}
      className={`${FAR_ROWS} ${COLUMNS} border-b border-[var(--rule)] py-1 ${chosen ? CHOSEN : ''} ${current ? CURRENT : ''}`}
    >
      <PotGlyph
        pot={outlook.pot}
        name={pot.name}
        pictureId={pot.picture_id}
        form={pot.form}
        state={outlook.state}
        diameterMm={pot.diameter_mm}
        heightMm={pot.height_mm}
        size={64}
        pxPerMm={0.36}
      />
      <Stick moisture={outlook.moisture} dueM={outlook.due_m} height={58} label={stickWords(outlook)} />
      <div className="min-w-0 max-sm:col-span-2">
        <div className="flex flex-wrap items-baseline gap-x-2 text-[1.03125rem] leading-tight">
          <Link to={`/plants/${pot.id}`} className="-my-3 inline-block py-3 hover:underline">
            <Name written={pot.name} />
          </Link>
          <label className="-my-3 inline-flex h-12 min-w-11 cursor-pointer items-center gap-1 text-[0.875rem] text-[var(--ink-2)]">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={chosen}
              onChange={onChoose}
              aria-label={`Choose ${pot.name}, ${pot.number}`}
            />
            {pot.number}
          </label>
          <span className="text-[0.875rem]">
            <StateMark state={outlook.state} />
          </span>
          <span className="text-[0.875rem]">
            <WeatherMark pot={pot} />
          </span>
          {isApart(pot.quarantine_until, today) && (
            <span className="text-[0.875rem] font-semibold text-[var(--straw)]">
              apart until {nearDay(pot.quarantine_until!, today)}
            </span>
          )}
        </div>
        {rests ? (
          <p className="mt-0.5 text-[0.9375rem] leading-snug">
            <strong className="font-semibold text-[var(--lichen)]">
              {done.map(({ event }) => eventWords(event, units())).join('. ')}.
            </strong>{' '}
            <span className="text-[var(--ink-2)]">Done for today. {words.head}.</span>
          </p>
        ) : (
          <div className={current ? '' : 'max-sm:line-clamp-4'}>
            <p className="mt-0.5 text-[0.9375rem] leading-snug">
              <strong className={`font-semibold ${TONES[kindOf(pot, today)]}`}>{words.head}.</strong>{' '}
              <span className="text-[var(--ink-2)]">{[words.reason, ...words.beside].join(' ')}</span>
            </p>
            <Mind pot={pot} today={today} />
          </div>
        )}
      </div>
      <div className="row-start-2 max-sm:[grid-column:1/-1] sm:col-span-4 xl:col-span-1 xl:col-start-4 xl:row-start-1">
        <Strip outlook={outlook} today={today} label={stripWords(outlook, today)} />
      </div>
      <div className="row-start-1 justify-self-end max-sm:row-start-2 max-sm:[grid-column:1/-1] sm:col-start-4 xl:col-start-5">
        <span className="hidden size-5 border-2 border-[var(--ink)] print:inline-block" aria-hidden="true" />
        <span className="flex gap-1 print:hidden">
          {rests && <TakeBack pot={pot} today={today} done={done} busy={busy.has(pot.id)} />}
          <Deed back={back} pot={pot} busy={busy.has(pot.id)} onWater={onWater} onFeel={onFeel} onNote={onNote} />
        </span>
      </div>
    </li>
  );
}

/** The last mark of a day, with the drink that it was given in: one thumb wrote both. */
export function lastMark(done: readonly DoneToday[]): DoneToday[] {
  const last = done.at(-1)!;
  const drink = 'with' in last.event ? last.event.with : undefined;
  return done.filter((one) => one === last || one.client_id === drink);
}

/** Drawn anew when its pot is: what its buttons do hangs on nothing else, and a step of the walk touches two rows only. */
export const PotRow = memo(
  Row,
  (before, after) =>
    before.pot === after.pot &&
    before.today === after.today &&
    before.current === after.current &&
    before.chosen === after.chosen &&
    before.back === after.back &&
    before.done === after.done,
);

/** A line that is done can be taken back till tomorrow, after a reload too. */
function TakeBack({ pot, today, done, busy }: Pick<PotRowProps, 'pot' | 'today' | 'done'> & { busy: boolean }) {
  const { takeBack } = useMarks();
  const last = lastMark(done);
  return (
    <button
      type="button"
      disabled={busy}
      title="Take back"
      className="grid size-11 place-items-center border border-[var(--rule)] hover:border-[var(--ink)]"
      aria-label={`Take back: ${pot.name}, ${eventWords(last[0]!.event, units())}`}
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

/** Rows out of sight are not laid out: a bench may have hundreds. They are about so high. */
const FAR_ROWS =
  '[content-visibility:auto] [contain-intrinsic-size:auto_92px] max-sm:[contain-intrinsic-size:auto_190px]';

/** What to mind while it is watered: where the water goes, food, salts, and the keeper's own rule. */
function Mind({ pot, today }: { pot: RoundPot; today: string }) {
  const { task } = pot;
  const kind = kindOf(pot, today);
  if (kind === 'soon' || kind === 'leave') return null;
  const { then, mind, never } = wordsFor(pot, today);
  const food = drinkOf(task.judgement)?.food ?? null;
  const lines = [
    ...(food === null ? [] : [`With food at ${shareWords(food)}.`]),
    ...(then ? [then] : []),
    ...mind,
    ...(kind === 'water' ? [never] : []),
  ];
  if (lines.length === 0 && !task.own_words) return null;
  return (
    <p className="text-[0.875rem] leading-snug text-[var(--ink-2)]">
      {lines.join(' ')}{' '}
      {task.own_words && <strong className="font-semibold text-[var(--ink)]">Yours: {task.own_words}</strong>}
    </p>
  );
}

function Deed({
  pot,
  busy,
  back,
  onWater,
  onFeel,
  onNote,
}: { pot: RoundPot; busy: boolean; back: number } & Pick<PotRowProps, 'onWater' | 'onFeel' | 'onNote'>) {
  const { judgement } = pot.task;
  const [first] = judgement.deeds;
  if (drinkOf(judgement)) {
    return (
      <button
        type="button"
        className="h-11 min-w-[104px] bg-[var(--clay)] px-3 text-[0.9375rem] font-semibold text-[var(--color-primary-content)] disabled:opacity-60"
        disabled={busy}
        aria-label={`Watered${back > 0 ? ' yesterday' : ''}: ${pot.name}`}
        onClick={onWater}
      >
        {busy ? 'Writing…' : back > 0 ? 'Watered yesterday' : 'Watered'}
      </button>
    );
  }
  const asked = judgement.deeds.find((deed) => deed.deed === 'look');
  if (asked?.deed === 'look' && asked.what !== 'underside' && first.deed !== 'act')
    return <Answers look={asked} pot={pot} onFeel={onFeel} />;
  return (
    <button
      type="button"
      disabled={busy}
      className="h-11 min-w-[64px] border border-[var(--rule)] px-3 text-[0.9375rem] text-[var(--ink-2)] hover:border-[var(--ink)] hover:text-[var(--ink)]"
      aria-label={`Note something on ${pot.name}`}
      onClick={onNote}
    >
      Note
    </button>
  );
}

function stickWords(outlook: LineOutlook): string {
  const { p10, p50, p90 } = outlook.moisture;
  return `Probably ${bandOf(p50)}: ${Math.round(p50 * 100)} % of what the pot can give, between ${Math.round(p10 * 100)} and ${Math.round(p90 * 100)}`;
}

function stripWords(outlook: LineOutlook, today: string): string {
  if (!outlook.water) return holdWords(outlook, { units: units(), today });
  return (
    `Water from ${nearDay(outlook.water.earliest, today)}, best ${nearDay(outlook.water.ideal, today)}, at the ` +
    `latest ${nearDay(outlook.water.latest, today)}`
  );
}
