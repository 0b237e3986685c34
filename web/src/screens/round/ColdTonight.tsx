import type { ColdPot, PlantView, Shelter } from '@zinc-pail/contract/api';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { ask, wordsOf } from '../../api/client.ts';
import { roundKey } from '../../api/round.ts';
import { Wrong } from '../../forms/Fields.tsx';
import { useMarks } from '../../marking/Marks.tsx';
import { Name } from '../../naming/Name.tsx';
import { count, degrees } from '../../words/amounts.ts';

export interface ColdLine {
  pot: ColdPot;
  place: string;
  /** the site's own day */
  today: string;
}

const SHOWN = 5;
const DEEDS: readonly (readonly [Shelter, string])[] = [
  ['in', 'in'],
  ['covered', 'covered'],
  ['left', 'stays'],
];
const DONE = { in: 'brought in', covered: 'covered', left: 'stays out' } as const;
const SAID = {
  in: 'brought in for the night',
  covered: 'covered for the night',
  left: 'left out for the night',
} as const;

/** Pots that tonight is too cold for, or nearly: asked for until each is seen to. */
export function ColdTonight({ lines }: { lines: readonly ColdLine[] }) {
  const [all, setAll] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const { mark } = useMarks();
  const queries = useQueryClient();
  const open = lines.filter(({ pot }) => pot.done === null);
  const below = open.filter(({ pot }) => !pot.near);
  const seenTo = lines.length - open.length;
  const shelter = async ({ pot, today }: ColdLine, how: Shelter) => {
    try {
      setWrong(null);
      const before = await ask<PlantView>(`/plants/${pot.id}`);
      const target = { plantId: pot.id, name: pot.name, today, seen: null, before };
      if (await mark([target], () => [{ type: 'sheltered', date: today, how }], SAID[how]))
        await queries.invalidateQueries({ queryKey: roundKey });
    } catch (error) {
      setWrong(wordsOf(error));
    }
  };
  return (
    <>
      <p>
        {below.length === 0 ? (
          open.length === 0 ? (
            'No pot is below its own limit.'
          ) : (
            'No pot is below its own limit; these are close to it.'
          )
        ) : (
          <strong className="text-[var(--rust)]">
            {count(below.length, 'pot')} below {below.length === 1 ? 'its' : 'their'} limit. Move or cover by dusk.
          </strong>
        )}
      </p>
      <Wrong words={wrong} />
      <ul>
        {open.slice(0, all ? undefined : SHOWN).map((line) => (
          <li
            key={line.pot.id}
            className="flex flex-wrap items-center justify-between gap-x-2 border-t border-[var(--rule)] text-[15px] leading-tight"
          >
            <span className="py-1">
              <Link to={`/plants/${line.pot.id}`} className="underline">
                <Name written={line.pot.name} />
              </Link>{' '}
              ({degrees(line.pot.limit_c)}
              {line.pot.chance > 0 && line.pot.chance < 1 ? `, ${Math.round(100 * line.pot.chance)} in a hundred` : ''})
              <span className="block text-[13px] text-[var(--ink-2)]">{line.place}</span>
            </span>
            <span className="flex">
              {DEEDS.map(([how, words]) => (
                <button
                  key={how}
                  type="button"
                  className="h-11 px-1.5 underline"
                  aria-label={`${line.pot.name}: ${words}`}
                  onClick={() => void shelter(line, how)}
                >
                  {words}
                </button>
              ))}
            </span>
          </li>
        ))}
      </ul>
      {open.length > SHOWN && !all && (
        <button type="button" className="h-11 underline" onClick={() => setAll(true)}>
          and {open.length - SHOWN} more
        </button>
      )}
      {seenTo > 0 && (
        <p className="text-[15px] text-[var(--ink-2)]">
          Seen to:{' '}
          {lines
            .filter(({ pot }) => pot.done !== null)
            .map(({ pot }) => `${pot.name}, ${DONE[pot.done!]}`)
            .join('; ')}
          .
        </p>
      )}
    </>
  );
}
