/** What the clinic asks today: steps of open cases that have come due, and hands that the record raised. */
import type { PlantView, RoundPot, RoundSite } from '@zinc-pail/contract/api';
import { foundIn } from '@zinc-pail/core';
import { causeWords } from '@zinc-pail/words/causes';
import { inspectWords, raisedWords, STEP_WORDS } from '@zinc-pail/words/clinic';
import { useState } from 'react';
import { Link } from 'react-router';
import { ask, wordsOf } from '../../api/client.ts';
import { Wrong } from '../../forms/Fields.tsx';
import { Folding } from '../../parts/Folding.tsx';
import { useMarks } from '../../marking/Marks.tsx';
import { Name } from '../../naming/Name.tsx';
import { nearDay } from '../../reader/days.ts';
import { units } from '../../reader/units.ts';
import { FOUND_WORDS, STEP_ANSWERS, stepEvents } from '../clinic/CaseCard.tsx';

type Line = RoundSite['clinic']['steps'][number];
type Hand = RoundSite['clinic']['raised'][number];
const SHOWN = 3;
const NAMES_SHOWN = 4;

function handsByKind(raised: readonly Hand[]): [string, Hand[]][] {
  const kinds = new Map<string, Hand[]>();
  for (const hand of raised) kinds.set(hand.code, [...(kinds.get(hand.code) ?? []), hand]);
  return [...kinds];
}

export function ClinicToday({ site }: { site: RoundSite }) {
  const { steps, raised, inspect } = site.clinic;
  const [lookedAt, setLookedAt] = useState<number | null>(null);
  const toLook = inspect && inspect.place_id !== lookedAt ? inspect : null;
  const { mark } = useMarks();
  const [done, setDone] = useState<ReadonlySet<string>>(new Set());
  const [all, setAll] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const key = ({ plant_id: id, cause, step, time }: Line) => `${id} ${cause} ${step} ${time}`;
  const left = steps.filter((line) => !done.has(key(line)));
  if (left.length === 0 && raised.length === 0 && !toLook) return null;
  const allClean = async (placeId: number) => {
    try {
      setWrong(null);
      const { pots } = await ask<{ pots: RoundPot[] }>(`/places/${placeId}/pots`);
      const written = await mark(
        pots.map((pot) => ({ plantId: pot.id, name: pot.name, today: site.today, seen: null, before: pot })),
        () => stepEvents(foundIn('axils'), 'look-over', 'clean', site.today),
        'checked, no pests',
      );
      if (written) setLookedAt(placeId);
    } catch (error) {
      setWrong(wordsOf(error));
    }
  };
  const answer = async (line: Line, found: Parameters<typeof stepEvents>[2]) => {
    try {
      setWrong(null);
      const before = await ask<PlantView>(`/plants/${line.plant_id}`);
      const written = await mark(
        [{ plantId: line.plant_id, name: line.plant, today: site.today, seen: null, before }],
        () => stepEvents(line.cause, line.step, found, site.today),
        STEP_WORDS[line.step].head.toLowerCase(),
      );
      if (written) setDone((before) => new Set(before).add(key(line)));
    } catch (error) {
      setWrong(wordsOf(error));
    }
  };
  return (
    <Folding
      label={`From the clinic, ${site.name}`}
      head={`From the clinic: ${left.length + raised.length + (toLook ? 1 : 0)}`}
      edge="var(--clay)"
    >
      <Wrong words={wrong} />
      <ul>
        {left.slice(0, all ? undefined : SHOWN).map((line) => (
          <li key={key(line)} className="flex min-h-11 flex-wrap items-center gap-x-3 text-[0.9375rem]">
            <span>
              <Link to={`/clinic/${line.plant_id}`} className="-my-3 inline-block py-3 hover:underline">
                <Name written={line.plant} />
              </Link>
              : <strong className="font-semibold">{STEP_WORDS[line.step].head}</strong>,{' '}
              {causeWords(line.cause).name.toLowerCase()}
              {line.due < site.today && `, since ${nearDay(line.due, site.today)}`}.
            </span>
            <span className="flex gap-1">
              {(STEP_ANSWERS[line.step] ?? [null]).map((found) => (
                <button
                  key={found}
                  type="button"
                  className="h-11 px-2 underline"
                  aria-label={`${line.plant}, ${STEP_WORDS[line.step].head}: ${found === null ? 'done' : FOUND_WORDS[found]}`}
                  onClick={() => void answer(line, found)}
                >
                  {found === null ? 'done' : FOUND_WORDS[found]}
                </button>
              ))}
            </span>
          </li>
        ))}
        {handsByKind(raised).map(([code, hands]) => {
          const [only, ...others] = hands;
          const one = only!;
          const { head, say } = raisedWords(one, { units: units(), today: site.today });
          return (
            <li key={code} className="min-h-11 py-2 text-[0.9375rem]">
              <strong className="font-semibold">{head}:</strong>{' '}
              {hands.slice(0, NAMES_SHOWN).map((hand, i) => (
                <span key={hand.plant_id}>
                  {i > 0 && ', '}
                  <Link to={`/clinic/${hand.plant_id}`} className="-my-3 inline-block py-3 hover:underline">
                    <Name written={hand.plant} />
                  </Link>
                </span>
              ))}
              {hands.length > NAMES_SHOWN && (
                <>
                  {' '}
                  and{' '}
                  <Link to="/clinic" className="-my-3 inline-block py-3 underline">
                    {hands.length - NAMES_SHOWN} more
                  </Link>
                </>
              )}
              . {others.length === 0 && say}
            </li>
          );
        })}
        {toLook && (
          <li className="flex min-h-11 flex-wrap items-center gap-x-3 text-[0.9375rem]">
            <span>
              <strong className="font-semibold">{toLook.place}:</strong>{' '}
              {inspectWords(toLook, { units: units(), today: site.today })}
            </span>
            <span className="flex gap-1">
              <button type="button" className="h-11 px-2 underline" onClick={() => void allClean(toLook.place_id)}>
                all clean
              </button>
              <Link to="/clinic" className="flex h-11 items-center px-2 underline">
                guests found
              </Link>
            </span>
          </li>
        )}
      </ul>
      {!all && left.length > SHOWN && (
        <button type="button" className="h-11 underline" onClick={() => setAll(true)}>
          and {left.length - SHOWN} more
        </button>
      )}
    </Folding>
  );
}
