import type { RoundPot } from '@zinc-pail/contract/api';
import { bandWord, type OutlookView, type Verdict } from '@zinc-pail/core';
import { Link } from 'react-router';
import { PotGlyph } from '../../drawing/PotGlyph.tsx';
import { Stick } from '../../drawing/Stick.tsx';
import { Strip } from '../../drawing/Strip.tsx';
import { inUnits, shareWords } from '../../parts/amounts.ts';
import { headOf } from '../../parts/deeds.ts';
import { nearDay } from '../../parts/days.ts';
import type { Felt } from '../../parts/markEvents.ts';
import { useMarks } from '../../parts/Marks.tsx';
import { Name } from '../../parts/Name.tsx';
import { StateMark } from '../../parts/StateMark.tsx';

interface PotRowProps {
  pot: RoundPot;
  today: string;
  current: boolean;
  chosen: boolean;
  onHere(): void;
  onWater(): void;
  onFeel(how: Felt): void;
  onNote(): void;
  onChoose(): void;
}

const TONES: Record<Verdict['kind'], string> = {
  water: 'text-[var(--clay)]',
  check: 'text-[var(--straw)]',
  soon: 'text-[var(--dusk)]',
  leave: 'text-[var(--dusk)]',
};

export function PotRow({ pot, today, current, chosen, onHere, onWater, onFeel, onNote, onChoose }: PotRowProps) {
  const { outlook } = pot;
  const { busy } = useMarks();
  return (
    <li
      id={`pot-${pot.id}`} tabIndex={-1} aria-current={current || undefined} onFocus={onHere} data-testid={`pot-${pot.number}`}
      style={FAR_ROWS} className={`grid grid-cols-[64px_26px_minmax(0,1fr)_auto] items-center gap-x-2 border-b border-[var(--rule)] py-1 xl:grid-cols-[64px_26px_minmax(0,1fr)_324px_110px] ${chosen ? 'bg-[color-mix(in_oklab,var(--clay)_12%,var(--paper))]' : ''} ${current ? 'bg-[var(--frame)] shadow-[inset_4px_0_0_var(--clay)]' : ''}`}
    >
      <PotGlyph pot={outlook.pot} form={pot.form} state={outlook.state} diameterMm={pot.diameter_mm} heightMm={pot.height_mm} size={64} pxPerMm={0.36} />
      <Stick moisture={outlook.moisture} dueM={outlook.due_m} height={58} label={stickWords(outlook)} />
      <div className="min-w-0">
        <div className="flex flex-wrap items-baseline gap-x-2 text-[16.5px] leading-tight">
          <Link to={`/plants/${pot.id}`} className="hover:underline"><Name written={pot.name} /></Link>
          <label className="inline-flex h-6 cursor-pointer items-center gap-1 text-[14px] text-[var(--ink-2)]">
            <input type="checkbox" className="checkbox checkbox-xs" checked={chosen} onChange={onChoose} aria-label={`Choose ${pot.name}, ${pot.number}`} />
            {pot.number}
          </label>
          <span className="text-[14px]"><StateMark state={outlook.state} /></span>
          {pot.quarantine_until && pot.quarantine_until >= today && <span className="text-[14px] font-semibold text-[var(--straw)]">apart until {nearDay(pot.quarantine_until, today)}</span>}
        </div>
        <p className="mt-0.5 text-[15px] leading-snug">
          <strong className={`font-semibold ${TONES[outlook.verdict.kind]}`}>{headOf(pot)}.</strong> <span className="text-[var(--ink-2)]">{inUnits(outlook.verdict.reason)}</span>
        </p>
        <Mind pot={pot} />
      </div>
      <div className="col-span-4 row-start-2 xl:col-span-1 xl:col-start-4 xl:row-start-1"><Strip outlook={outlook} today={today} label={stripWords(outlook, today)} /></div>
      <div className="col-start-4 row-start-1 justify-self-end xl:col-start-5">
        <Deed outlook={outlook} busy={busy.has(pot.id)} name={pot.name} onWater={onWater} onFeel={onFeel} onNote={onNote} />
      </div>
    </li>
  );
}

/** Rows out of sight are not laid out: a bench may have hundreds. */
const FAR_ROWS = { contentVisibility: 'auto', containIntrinsicSize: 'auto 92px' } as const;

/** What to mind while it is watered: where the water goes, food, salts, and the keeper's own rule. */
function Mind({ pot: { outlook, task } }: { pot: RoundPot }) {
  if (outlook.verdict.kind !== 'water' && outlook.verdict.kind !== 'check') return null;
  const lines = [...(outlook.verdict.kind === 'water' && task.feed.kind === 'feed' ? [`With food at ${shareWords(task.feed.strength)}.`] : []), ...task.mind];
  if (lines.length === 0 && !task.own_words) return null;
  return (
    <p className="text-[14px] leading-snug text-[var(--ink-2)]">
      {inUnits(lines.join(' '))} {task.own_words && <strong className="font-semibold text-[var(--ink)]">Yours: {task.own_words}</strong>}
    </p>
  );
}

function Deed({ outlook, busy, name, onWater, onFeel, onNote }: { outlook: OutlookView; busy: boolean; name: string; onWater(): void; onFeel(how: Felt): void; onNote(): void }) {
  if (outlook.verdict.kind === 'water') {
    return (
      <button type="button" className="h-11 min-w-[104px] bg-[var(--clay)] px-3 text-[15px] font-semibold text-[var(--color-primary-content)] disabled:opacity-60" disabled={busy} aria-label={`Watered: ${name}`} onClick={onWater}>
        {busy ? 'Writing…' : 'Watered'}
      </button>
    );
  }
  if (outlook.verdict.kind === 'check') {
    return (
      <div className="flex flex-col gap-px border border-[var(--straw)] sm:flex-row" role="group" aria-label={`${name} felt`}>
        {(['wet', 'damp', 'dry'] as const).map((how) => (
          <button key={how} type="button" disabled={busy} className="h-11 min-w-11 px-1 text-[15px] font-semibold text-[var(--straw)] sm:w-[36px] sm:min-w-0" aria-label={`${name} felt ${how}`} onClick={() => onFeel(how)}>
            {how}
          </button>
        ))}
      </div>
    );
  }
  return (
    <button type="button" disabled={busy} className="h-11 min-w-[64px] border border-[var(--rule)] px-3 text-[15px] text-[var(--ink-2)] hover:border-[var(--ink)] hover:text-[var(--ink)]" aria-label={`Note something on ${name}`} onClick={onNote}>
      Note
    </button>
  );
}

function stickWords(outlook: OutlookView): string {
  const { p10, p50, p90 } = outlook.moisture;
  return `Reckoned ${bandWord(p50)}: ${Math.round(p50 * 100)} % of what the pot can give, between ${Math.round(p10 * 100)} and ${Math.round(p90 * 100)}`;
}

function stripWords(outlook: OutlookView, today: string): string {
  if (!outlook.water) return outlook.hold ? inUnits(outlook.hold.why) : 'No water in sight';
  return `Water from ${nearDay(outlook.water.earliest, today)}, best ${nearDay(outlook.water.ideal, today)}, at the latest ${nearDay(outlook.water.latest, today)}`;
}
