import type { DoneToday, RoundPlace, RoundPot, RoundSite } from '@zinc-pail/contract/api';
import { group } from 'd3';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { memo, useMemo } from 'react';
import { useNavigate } from 'react-router';
import { useBench } from '../../api/round.ts';
import { useFoldedShelves, useNear } from './shelves.ts';
import { EmptyShelf, Shelf } from '../../drawing/Shelf.tsx';
import { degrees } from '../../reader/amounts.ts';
import { StripAxis } from '../../drawing/Strip.tsx';
import { kindOf } from '../../reader/deeds.ts';
import type { Felt } from '../../marking/markEvents.ts';
import { PotRow } from './PotRow.tsx';

export interface BenchHandlers {
  onHere(id: number): void;
  onWater(pot: RoundPot): void;
  onFeel(pot: RoundPot, how: Felt): void;
  onNote(pot: RoundPot): void;
  onChoose(pot: RoundPot): void;
}

interface BenchProps extends BenchHandlers {
  site: RoundSite;
  place: RoundPlace;
  /** the pots that are shown */
  pots: readonly RoundPot[];
  /** its shelf is fetched before it is near */
  atOnce: boolean;
  open: boolean;
  loading: boolean;
  here: number | null;
  chosen: ReadonlySet<number>;
  /** days back for which marks are written */
  back: number;
  onFold(): void;
  onChooseDue(): void;
}

interface OwnShelfProps {
  pots: readonly RoundPot[];
  today: string;
  back: number;
  onPot(pot: RoundPot): void;
}

/** Drawn anew only when its pots change: a step of the walk must not redraw a wall of them. A tap means the same meanwhile. */
const OwnShelf = memo(
  ({ pots, today, onPot }: OwnShelfProps) => (
    <div className="mt-3">
      <Shelf pots={pots} today={today} names="due" onPot={onPot} />
    </div>
  ),
  (before, after) => before.pots === after.pots && before.today === after.today && before.back === after.back,
);

/** About so high is a row of a shelf, and so many pots stand in one: room that is kept until they come. */
const SHELF_REM = 11;
const A_ROW = 14;
const NONE_DONE: readonly DoneToday[] = [];

/** One bench in the walk: its climate, its pots that want something, and how many don't. */
export function Bench({
  site,
  place,
  pots,
  atOnce,
  open,
  loading,
  here,
  chosen,
  back,
  onFold,
  onChooseDue,
  onHere,
  onWater,
  onFeel,
  onNote,
  onChoose,
}: BenchProps) {
  const { folded, turn } = useFoldedShelves(place.id, place.pots.length + place.left);
  const shelf = !folded;
  const [near, ref] = useNear<HTMLElement>(atOnce);
  const navigate = useNavigate();
  const all = useBench(place.id, shelf && near);
  const done = useMemo(() => group(place.done, ({ plant_id: id }) => id), [place.done]);
  const due = pots.filter((pot) => kindOf(pot, site.today) === 'water');
  const allChosen = due.length > 0 && due.every((pot) => chosen.has(pot.id));
  const others = place.left - place.asleep;
  const why = [others > 0 && `${others} not yet`, place.asleep > 0 && `${place.asleep} asleep`]
    .filter(Boolean)
    .join(', ');
  return (
    <section ref={ref} aria-labelledby={`place-${place.id}`} className="mt-4">
      <div
        className={`sticky z-[5] flex flex-wrap items-end gap-x-3 border-b-2 border-[var(--ink)] bg-[var(--paper)] pb-1 ${back > 0 ? 'top-11' : 'top-0'}`}
      >
        <h3 id={`place-${place.id}`} className="text-[1.0625rem] font-semibold">
          {place.name}
        </h3>
        {place.quarantine && <span className="text-[0.9375rem] font-semibold text-[var(--straw)]">quarantine</span>}
        <span className="text-[0.9375rem] text-[var(--ink-2)]">
          {degrees(place.today.tmin_c)} to {degrees(place.today.tmax_c)} today{' '}
          <span className="max-sm:hidden">· air {place.today.rh_pct} %</span>
        </span>
        <button
          type="button"
          aria-expanded={shelf}
          aria-label={`${shelf ? 'Fold' : 'Show'} the shelf of ${place.name}`}
          className="flex h-11 items-end px-2 pb-px text-[0.9375rem] underline hover:text-[var(--clay)]"
          onClick={turn}
        >
          {shelf ? 'fold' : 'the shelf'}
        </button>
        {due.length > 1 && (
          <button
            type="button"
            aria-pressed={allChosen}
            className="flex h-11 items-end px-2 pb-px text-[0.9375rem] underline hover:text-[var(--clay)]"
            onClick={onChooseDue}
          >
            {allChosen ? 'clear selection' : `select the ${due.length} to water`}
          </button>
        )}
        {pots.length > 0 && (
          <div className="ml-auto mr-[148px] hidden w-[324px] xl:block">
            <StripAxis today={site.today} />
          </div>
        )}
      </div>
      {place.pots.length + place.left === 0 && <EmptyShelf placeId={place.id} />}
      {shelf && !all.data && (
        <div
          style={{ height: `${SHELF_REM * Math.ceil((place.pots.length + place.left) / A_ROW)}rem` }}
          aria-hidden="true"
        />
      )}
      {shelf && all.data && (
        <OwnShelf
          pots={all.data}
          today={site.today}
          back={back}
          onPot={(pot) => (kindOf(pot, site.today) === 'water' ? onWater(pot) : void navigate(`/plants/${pot.id}`))}
        />
      )}
      <ul>
        {pots.map((pot) => (
          <PotRow
            key={pot.id}
            pot={pot}
            today={site.today}
            current={here === pot.id}
            chosen={chosen.has(pot.id)}
            back={back}
            done={done.get(pot.id) ?? NONE_DONE}
            onHere={() => onHere(pot.id)}
            onWater={() => onWater(pot)}
            onFeel={(how) => onFeel(pot, how)}
            onNote={() => onNote(pot)}
            onChoose={() => onChoose(pot)}
          />
        ))}
      </ul>
      {place.left > 0 && (
        <button
          type="button"
          aria-expanded={open}
          className="flex min-h-11 w-full items-center gap-2 text-left text-[var(--ink-2)] hover:text-[var(--ink)]"
          onClick={onFold}
        >
          {open ? <ChevronUp aria-hidden="true" size={18} /> : <ChevronDown aria-hidden="true" size={18} />}
          {loading
            ? 'Looking at the rest…'
            : open
              ? 'Fold the pots to leave alone'
              : `${place.left} to leave alone: ${why}`}
        </button>
      )}
    </section>
  );
}
