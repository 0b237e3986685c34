/**
 * What the weather does to pots today, before anything else: each that tonight is too cold for, or nearly, asked for until it
 * is seen to, and each that the heat of these days is too much for. Every one by name, bench by bench.
 */
import type { ColdPot, PlantView, RoundPlace, RoundPot, RoundSite, Shelter } from '@zinc-pail/contract/api';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { ask, wordsOf } from '../../api/client.ts';
import { roundKey } from '../../api/round.ts';
import { Wrong } from '../../forms/Fields.tsx';
import { useMarks } from '../../marking/Marks.tsx';
import { Name } from '../../naming/Name.tsx';
import { count, degrees } from '../../reader/amounts.ts';
import { nearDay } from '../../reader/days.ts';

/** For one, and for several. */
const DEEDS: readonly (readonly [Shelter, string, (pots: number) => string])[] = [
  ['in', 'bring in', (pots) => `bring all ${pots} in`],
  ['covered', 'cover', (pots) => `cover all ${pots}`],
  ['left', 'leave out', (pots) => `leave all ${pots} out`],
];
const DONE = { in: 'brought in', covered: 'covered', left: 'stays out' } as const;
const SAID = {
  in: 'brought in for the night',
  covered: 'covered for the night',
  left: 'left out for the night',
} as const;

export const beforeDuskId = (siteId: number) => `before-dusk-${siteId}`;

interface Heat {
  pot: RoundPot;
  /** °C of the hottest of these days there, and what it bears */
  high: number;
  limit: number;
  on: string;
}

/** Pots that are judged to stand too hot today or in the days that come. */
export function heatOf({ pots }: Pick<RoundPlace, 'pots'>): Heat[] {
  return pots.flatMap((pot) => {
    const reason = pot.task.judgement.because.find(({ code }) => code === 'too-hot');
    return reason ? [{ pot, high: reason.n!.high!, limit: reason.n!.limit!, on: reason.on! }] : [];
  });
}

export function BeforeDusk({ site }: { site: RoundSite }) {
  const [wrong, setWrong] = useState<string | null>(null);
  const { mark } = useMarks();
  const queries = useQueryClient();
  const cold = site.places.flatMap((place) => place.cold);
  const hot = site.places.flatMap((place) => heatOf(place).map((heat) => ({ ...heat, place })));
  const open = cold.filter(({ done }) => done === null);
  const below = open.filter(({ near }) => !near).length;
  if (cold.length === 0 && hot.length === 0) return null;
  const shelter = async (pots: readonly ColdPot[], how: Shelter) => {
    try {
      setWrong(null);
      const views = await Promise.all(pots.map(({ id }) => ask<PlantView>(`/plants/${id}`)));
      const targets = pots.map(({ id, name }, i) => ({
        plantId: id,
        name,
        today: site.today,
        seen: null,
        before: views[i]!,
      }));
      if (await mark(targets, () => [{ type: 'sheltered', date: site.today, how }], SAID[how]))
        await queries.invalidateQueries({ queryKey: roundKey });
    } catch (error) {
      setWrong(wordsOf(error));
    }
  };
  return (
    <section
      id={beforeDuskId(site.id)}
      aria-label={`Before dusk, ${site.name}`}
      className="my-2 border-l-4 border-[var(--rust)] bg-[color-mix(in_oklab,var(--rust)_6%,var(--paper))] py-1 pl-3 pr-2"
    >
      {cold.length > 0 && (
        <>
          <h3 className="text-[1.0625rem] font-semibold text-[var(--rust)]">
            {open.length === 0
              ? 'All done for tonight'
              : below === 0
                ? 'Tonight: none too cold, these are borderline'
                : `Tonight too cold for ${count(below, 'pot')}: move or cover ${below === 1 ? 'it' : 'them'}.`}
          </h3>
          <Wrong words={wrong} />
          <ul>
            {site.places
              .filter((place) => place.cold.length > 0)
              .map((place) => (
                <ColdBench key={place.id} place={place} onShelter={shelter} />
              ))}
          </ul>
        </>
      )}
      {hot.length > 0 && (
        <>
          <h3 className="text-[1.0625rem] font-semibold text-[var(--rust)]">
            Too hot: move {count(hot.length, 'pot')} into shade, the small ones first
          </h3>
          <p className="flex flex-wrap items-center gap-x-4">
            {hot.map(({ pot, high, limit, on, place }) => (
              <Link key={pot.id} to={`/plants/${pot.id}?move`} className="flex min-h-11 items-center hover:underline">
                <span>
                  <Name written={pot.name} />{' '}
                  <span className="text-[0.9375rem] text-[var(--ink-2)]">
                    {place.name}, {degrees(high)} {nearDay(on, site.today)}, takes up to {degrees(limit)}
                  </span>
                </span>
              </Link>
            ))}
          </p>
        </>
      )}
    </section>
  );
}

/** Few enough to be done one by one without unfolding. */
const FEW = 3;

/** A bench's tender ones, by name; all at once or one by one. */
function ColdBench({
  place,
  onShelter,
}: {
  place: RoundPlace;
  onShelter(pots: readonly ColdPot[], how: Shelter): Promise<void>;
}) {
  const [singly, setSingly] = useState(false);
  const open = place.cold.filter(({ done }) => done === null);
  const below = open.filter(({ near }) => !near);
  const near = open.filter((pot) => pot.near);
  const done = place.cold.filter((pot) => pot.done !== null);
  const one = open.length <= FEW || singly;
  // Those that are only close to it are seen to one by one.
  const most = below.length > 0 ? below : near;
  return (
    <li className="border-t border-[var(--rule)] py-0.5">
      <div className="flex flex-wrap items-center gap-x-3">
        <strong className="font-semibold">
          {place.name}, {degrees(place.tonight_c)} tonight
        </strong>
        {open.length > FEW && (
          <span className="flex flex-wrap">
            {DEEDS.map(([how, , ofAll]) => (
              <button key={how} type="button" className="h-11 px-2 underline" onClick={() => void onShelter(most, how)}>
                {ofAll(most.length)}
                <span className="sr-only"> of {place.name}</span>
              </button>
            ))}
            <button
              type="button"
              className="h-11 px-2 underline"
              aria-expanded={singly}
              onClick={() => setSingly((before) => !before)}
            >
              {singly ? 'together' : 'one by one'}
            </button>
          </span>
        )}
      </div>
      {one ? (
        <ul>
          {[...below, ...near].map((pot) => (
            <li key={pot.id} className="flex flex-wrap items-center justify-between gap-x-2 sm:justify-start">
              <ColdName pot={pot} />
              <span className="flex">
                {DEEDS.map(([how, words]) => (
                  <button
                    key={how}
                    type="button"
                    className="h-11 min-w-11 px-2 underline"
                    aria-label={`${pot.name}: ${words}`}
                    onClick={() => void onShelter([pot], how)}
                  >
                    {words}
                  </button>
                ))}
              </span>
            </li>
          ))}
        </ul>
      ) : (
        <p className="pb-1">
          {below.map((pot, i) => (
            <span key={pot.id}>
              {i > 0 && ', '}
              <Name written={pot.name} /> <Bears pot={pot} />
            </span>
          ))}
          {below.length > 0 && '. '}
          {near.length > 0 && (
            <span className="text-[0.9375rem] text-[var(--ink-2)]">
              Borderline:{' '}
              {near.map((pot, i) => (
                <span key={pot.id}>
                  {i > 0 && ', '}
                  <Name written={pot.name} /> {degrees(pot.limit_c)}
                </span>
              ))}
              .
            </span>
          )}
        </p>
      )}
      {done.length > 0 && (
        <p className="text-[0.9375rem] text-[var(--ink-2)]">
          Done: {done.map((pot) => `${pot.name}, ${DONE[pot.done!]}`).join('; ')}.
        </p>
      )}
    </li>
  );
}

function ColdName({ pot }: { pot: ColdPot }) {
  return (
    <Link to={`/plants/${pot.id}`} className="flex min-h-11 items-center hover:underline">
      <span>
        <Name written={pot.name} /> <Bears pot={pot} />
      </span>
    </Link>
  );
}

/** What it bears, and how likely that is passed where it is not sure. */
function Bears({ pot }: { pot: ColdPot }) {
  return (
    <span className="whitespace-nowrap text-[0.9375rem] text-[var(--ink-2)]">
      safe to {degrees(pot.limit_c)}
      {pot.near && ', close'}
      {pot.chance > 0 && pot.chance < 1 && `, ${Math.round(100 * pot.chance)} % chance of a colder night`}
    </span>
  );
}
