import type { RoundPlace, RoundPot, RoundSite } from '@zinc-pail/contract/api';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { degrees } from '../../parts/amounts.ts';
import { StripAxis } from '../../drawing/Strip.tsx';
import type { Felt } from '../../parts/markEvents.ts';
import { PotRow } from './PotRow.tsx';

interface BenchProps {
  site: RoundSite;
  place: RoundPlace;
  calling(pot: RoundPot): boolean;
  open: boolean;
  here: number | null;
  onFold(): void;
  onHere(id: number): void;
  onWater(pot: RoundPot): void;
  onFeel(pot: RoundPot, how: Felt): void;
  onNote(pot: RoundPot): void;
}

/** One bench in the walk: its climate, its pots that want something, and how many don't. */
export function Bench({ site, place, calling, open, here, onFold, onHere, onWater, onFeel, onNote }: BenchProps) {
  const pots = open ? place.pots : place.pots.filter(calling);
  const quiet = place.pots.filter((pot) => !calling(pot));
  const asleep = quiet.filter((pot) => pot.outlook.state === 'resting').length;
  const held = quiet.filter((pot) => pot.outlook.state !== 'resting' && pot.outlook.hold).length;
  const wet = quiet.length - asleep - held;
  const why = [wet > 0 && `${wet} not dry yet`, asleep > 0 && `${asleep} asleep`, held > 0 && `${held} held`].filter(Boolean).join(', ');
  return (
    <section aria-labelledby={`place-${place.id}`} className="mt-4">
      <div className="flex items-end gap-3 border-b-2 border-[var(--ink)] pb-1">
        <h3 id={`place-${place.id}`} className="text-[17px] font-semibold">{place.name}</h3>
        <span className="text-[15px] text-[var(--ink-2)]">
          {degrees(place.today.tmin_c)} to {degrees(place.today.tmax_c)} today · air {place.today.rh_pct} %
        </span>
        {pots.length > 0 && <div className="ml-auto mr-[118px] hidden w-[324px] xl:block"><StripAxis today={site.today} /></div>}
      </div>
      <ul>
        {pots.map((pot) => (
          <PotRow
            key={pot.id} pot={pot} today={site.today} current={here === pot.id} onHere={() => onHere(pot.id)} onWater={() => onWater(pot)}
            onFeel={(how) => onFeel(pot, how)} onNote={() => onNote(pot)}
          />
        ))}
      </ul>
      {quiet.length > 0 && (
        <button type="button" aria-expanded={open} className="flex min-h-11 w-full items-center gap-2 text-left text-[var(--ink-2)] hover:text-[var(--ink)]" onClick={onFold}>
          {open ? <ChevronUp aria-hidden="true" size={18} /> : <ChevronDown aria-hidden="true" size={18} />}
          {open ? 'Fold the pots to leave alone' : `${quiet.length} to leave alone: ${why}`}
        </button>
      )}
    </section>
  );
}
