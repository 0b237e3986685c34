import type { RoundPlace, RoundPot, RoundSite, RoundView } from '@zinc-pail/contract/api';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { useRound } from '../../api/round.ts';
import { count, degrees, litres } from '../../parts/amounts.ts';
import { longDay } from '../../parts/days.ts';
import { useKeys } from '../../parts/keys.ts';
import { felt, type Felt, wateredAsAdvised } from '../../parts/markEvents.ts';
import { type Marked, useMarks } from '../../parts/Marks.tsx';
import { NotePanel } from '../../parts/NotePanel.tsx';
import { Failed, Waiting } from '../../parts/Waiting.tsx';
import { Bench } from './Bench.tsx';
import { Sidebar } from './Sidebar.tsx';

export interface Spot {
  site: RoundSite;
  place: RoundPlace;
  pot: RoundPot;
}

export function RoundScreen() {
  const round = useRound();
  if (round.isPending) return <Waiting what="the round" />;
  if (round.isError && !round.data) return <Failed error={round.error} again={() => void round.refetch()} />;
  if (round.data.sites.every((site) => site.places.length === 0)) return <Empty />;
  return <Round round={round.data} />;
}

function Empty() {
  return (
    <div className="p-6">
      <h1 className="text-2xl font-semibold">Nothing on the benches yet</h1>
      <p className="my-2 max-w-prose">Start once without <code>--empty</code> to walk round the demo collection.</p>
    </div>
  );
}

function marked({ pot, site }: Spot): Marked {
  return { plantId: pot.id, name: pot.name, today: site.today, before: pot.outlook };
}

/** Pots that want something today, or whose mark was just made, stand in the walk; the rest is folded away bench by bench. */
function isCalling(pot: RoundPot, touched: ReadonlySet<number>): boolean {
  return pot.outlook.verdict.kind !== 'leave' || touched.has(pot.id);
}

function Round({ round }: { round: RoundView }) {
  const [open, setOpen] = useState<ReadonlySet<number>>(new Set());
  const [touched, setTouched] = useState<ReadonlySet<number>>(new Set());
  const [here, setHere] = useState<number | null>(null);
  const [noting, setNoting] = useState<Spot | null>(null);
  const { mark } = useMarks();
  const navigate = useNavigate();

  const spots = useMemo(() => round.sites.flatMap((site) => site.places.flatMap((place) => place.pots.map((pot) => ({ site, place, pot })))), [round]);
  const shown = useMemo(() => spots.filter(({ place, pot }) => open.has(place.id) || isCalling(pot, touched)), [spots, open, touched]);
  const current = shown.find(({ pot }) => pot.id === here) ?? null;

  const touch = useCallback((id: number) => setTouched((before) => new Set(before).add(id)), []);
  const water = useCallback(
    (spot: Spot) => {
      touch(spot.pot.id);
      const { events, said } = wateredAsAdvised(spot.pot.outlook, spot.site.today);
      void mark(marked(spot), events, said);
    },
    [mark, touch],
  );
  const feel = useCallback(
    (spot: Spot, how: Felt) => {
      touch(spot.pot.id);
      const { events, said } = felt(how, spot.site.today);
      void mark(marked(spot), events, said);
    },
    [mark, touch],
  );
  const note = useCallback(
    (spot: Spot) => {
      touch(spot.pot.id);
      setNoting(spot);
    },
    [touch],
  );
  const step = useCallback(
    (by: number) => {
      const at = shown.findIndex(({ pot }) => pot.id === here);
      const next = shown[at < 0 ? (by > 0 ? 0 : shown.length - 1) : Math.min(shown.length - 1, Math.max(0, at + by))];
      if (!next) return;
      setHere(next.pot.id);
      document.getElementById(`pot-${next.pot.id}`)?.focus();
    },
    [shown, here],
  );
  const fold = useCallback((placeId: number) => {
    setOpen((before) => {
      const after = new Set(before);
      if (!after.delete(placeId)) after.add(placeId);
      return after;
    });
  }, []);

  useKeys(
    useMemo(
      () => ({
        j: () => step(1), ArrowDown: () => step(1), k: () => step(-1), ArrowUp: () => step(-1),
        w: () => current && water(current), n: () => current && note(current),
        '1': () => current && feel(current, 'wet'), '2': () => current && feel(current, 'damp'), '3': () => current && feel(current, 'dry'),
        l: () => (current ? fold(current.place.id) : setOpen((before) => (before.size > 0 ? new Set() : new Set(spots.map(({ place }) => place.id))))),
        Enter: (event: KeyboardEvent) => {
          const target = event.target as HTMLElement;
          if (target.closest('button, a')) return target.click();
          if (current) void navigate(`/plants/${current.pot.id}`);
        },
      }),
      [step, current, water, note, feel, fold, spots, navigate],
    ),
  );

  return (
    <div className="grid min-h-full lg:grid-cols-[minmax(0,1fr)_318px]">
      <div className="px-3 pb-10 pt-4 sm:px-6">
        <h1 className="sr-only">Round</h1>
        {round.sites.map((site, i) => (
          <section key={site.id} aria-labelledby={`site-${site.id}`} className={i > 0 ? 'mt-12 border-t-4 border-double border-[var(--rule)] pt-5' : ''}>
            <SiteHead site={site} many={round.sites.length > 1} />
            {site.places.map((place) => (
              <Bench
                key={place.id} site={site} place={place} calling={(pot) => isCalling(pot, touched)} open={open.has(place.id)} here={here}
                onFold={() => fold(place.id)} onHere={setHere} onWater={(pot) => water({ site, place, pot })} onFeel={(pot, how) => feel({ site, place, pot }, how)}
                onNote={(pot) => note({ site, place, pot })}
              />
            ))}
          </section>
        ))}
      </div>
      <Sidebar sites={round.sites} />
      {noting && <NotePanel plantId={noting.pot.id} name={noting.pot.name} today={noting.site.today} outlook={noting.pot.outlook} onClose={() => setNoting(null)} />}
    </div>
  );
}

function SiteHead({ site, many }: { site: RoundSite; many: boolean }) {
  const pots = site.places.flatMap((place) => place.pots);
  const of = (kind: string) => pots.filter((pot) => pot.outlook.verdict.kind === kind).length;
  const asleep = pots.filter((pot) => pot.outlook.state === 'resting').length;
  const canMl = pots.reduce((sum, pot) => sum + (pot.outlook.verdict.kind === 'water' ? (pot.outlook.water?.amount_ml ?? 0) : 0), 0);
  const coldest = Math.min(...site.nights_c);
  return (
    <header>
      <h2 id={`site-${site.id}`} className="text-[26px] font-semibold leading-tight">
        {longDay(site.today)}{many && <span className="font-normal text-[var(--ink-2)]">, {site.name}</span>}
      </h2>
      <p className="mb-2 mt-1 text-[17px]">
        <strong className="font-semibold">{count(of('water'), 'pot')} to water</strong>, {of('check')} to feel first, {of('soon')} soon, {of('leave')} to leave alone
        {asleep > 0 && `, ${asleep} of them asleep`}. {canMl > 0 && <span className="lg:hidden">Carry {litres(canMl)}. </span>}Nights outside stay above {degrees(Math.floor(coldest))} this week.
      </p>
    </header>
  );
}
