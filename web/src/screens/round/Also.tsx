import { units } from '../../reader/units.ts';
import type { JournalEvent, PlantView, RoundSite } from '@zinc-pail/contract/api';
import { alsoWords } from '@zinc-pail/words/round';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { ask, wordsOf } from '../../api/client.ts';
import { roundKey } from '../../api/round.ts';
import { Wrong } from '../../forms/Fields.tsx';
import { Folding } from '../../parts/Folding.tsx';
import { useMarks } from '../../marking/Marks.tsx';
import { Name } from '../../naming/Name.tsx';

const SHOWN = 2;

type Arrival = Extract<JournalEvent, { type: 'arrival' }>;
const SETTLED: Partial<Record<RoundSite['also'][number]['kind'], [Partial<Arrival>, string]>> = {
  sleeve: [{ sleeve_off: true }, 'sleeve and foil are off'],
  peat: [{ peat_off: true }, 'peat is off'],
  pests: [{ pests: false }, 'clean by now'],
};

/** The last look on arrival with what is otherwise now. */
function arrivalAgain(
  { journal }: PlantView,
  kind: RoundSite['also'][number]['kind'],
  date: string,
): [Arrival, string] {
  const last = journal.find(({ event, voided }) => event.type === 'arrival' && !voided)?.event as Arrival | undefined;
  const [change, said] = SETTLED[kind] ?? [{}, 'looked over'];
  const seen = last ?? {
    pests: false,
    sleeve_off: true,
    hole: true,
    peat_off: true,
    roots: 'not-seen',
    name_checked: false,
  };
  return [{ ...seen, ...change, type: 'arrival', date } as Arrival, said];
}

/** What today asks for besides water: minutes of sun, how a move went, whether a new one may join the others. */
export function Also({ site }: { site: RoundSite }) {
  const [done, setDone] = useState<ReadonlySet<string>>(new Set());
  const [all, setAll] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const { mark } = useMarks();
  const queries = useQueryClient();
  const left = site.also.filter((one) => !done.has(`${one.kind}-${one.plant_id}`));
  if (left.length === 0) return null;
  /** Takes the line away once `act` says that it was written. */
  const settle = async (one: RoundSite['also'][number], act: () => Promise<boolean>) => {
    try {
      setWrong(null);
      if (await act()) setDone((before) => new Set(before).add(`${one.kind}-${one.plant_id}`));
    } catch (error) {
      setWrong(wordsOf(error));
    }
  };
  /** Writes a mark that may hang on what is in the plant's book. */
  const write = (one: RoundSite['also'][number], entry: (before: PlantView) => [JournalEvent, said: string]) =>
    settle(one, async () => {
      const before = await ask<PlantView>(`/plants/${one.plant_id}`);
      const [event, said] = entry(before);
      return mark(
        [{ plantId: one.plant_id, name: one.plant, today: site.today, seen: null, before }],
        () => [event],
        said,
      );
    });
  /** What was found when it came is put right: looked over anew, the rest as it was seen. */
  const settled = (one: RoundSite['also'][number]) =>
    write(one, (before) => arrivalAgain(before, one.kind, site.today));
  const holed = (one: RoundSite['also'][number]) =>
    settle(one, async () => {
      const { version, outlook, mix } = await ask<PlantView>(`/plants/${one.plant_id}`);
      const pot = { ...outlook.pot, holes: true };
      const body = { client_id: crypto.randomUUID(), kind: 'set-right', pot, mix_id: mix.id };
      await ask(`/plants/${one.plant_id}/pottings`, { method: 'POST', version, body });
      await queries.invalidateQueries();
      return true;
    });
  const join = (one: RoundSite['also'][number]) =>
    settle(one, async () => {
      const { version } = await ask<{ version: number }>(`/plants/${one.plant_id}`);
      await ask(`/plants/${one.plant_id}`, { method: 'PATCH', version, body: { quarantine_until: null } });
      await queries.invalidateQueries({ queryKey: roundKey });
      return true;
    });
  return (
    <Folding label="Also today" head={`Also today: ${left.length}`} edge="var(--lichen)">
      <Wrong words={wrong} />
      <ul>
        {left.slice(0, all ? undefined : SHOWN).map((one) => (
          <li
            key={`${one.kind}-${one.plant_id}`}
            className="flex min-h-11 flex-wrap items-center gap-x-3 text-[0.9375rem]"
          >
            <span>
              <Link to={`/plants/${one.plant_id}`} className="-my-3 inline-block py-3 hover:underline">
                <Name written={one.plant} />
              </Link>
              : {alsoWords(one, site.today, units())}
            </span>
            <span className="flex gap-2">
              {one.kind === 'sun' && (
                <button
                  type="button"
                  className="h-11 px-2 underline"
                  onClick={() =>
                    void write(one, () => [
                      { type: 'sun', date: site.today, minutes: one.minutes ?? 0 },
                      `${one.minutes ?? 0} minutes of sun`,
                    ])
                  }
                >
                  had it
                </button>
              )}
              {(one.kind === 'review' || one.kind === 'potted-look') &&
                (['better', 'same', 'worse'] as const).map((answer) => (
                  <button
                    key={answer}
                    type="button"
                    className="h-11 px-2 underline"
                    onClick={() =>
                      void write(one, () => [
                        { type: 'review', date: site.today, answer },
                        `${one.kind === 'review' ? 'after its move' : 'after its potting'}: ${answer}`,
                      ])
                    }
                  >
                    {answer}
                  </button>
                ))}
              {one.kind === 'quarantine' && (
                <button type="button" className="h-11 px-2 underline" onClick={() => void join(one)}>
                  clean, let it join
                </button>
              )}
              {(one.kind === 'sleeve' || one.kind === 'peat') && (
                <button type="button" className="h-11 px-2 underline" onClick={() => void settled(one)}>
                  it is off
                </button>
              )}
              {one.kind === 'hole' && (
                <button type="button" className="h-11 px-2 underline" onClick={() => void holed(one)}>
                  it has one now
                </button>
              )}
              {one.kind === 'pests' && (
                <>
                  <Link to={`/clinic/${one.plant_id}`} className="flex h-11 items-center px-2 underline">
                    in the clinic
                  </Link>
                  <button type="button" className="h-11 px-2 underline" onClick={() => void settled(one)}>
                    clean by now
                  </button>
                </>
              )}
              {one.kind === 'arrival' && (
                <Link to={`/plants/${one.plant_id}?look-over`} className="flex h-11 items-center px-2 underline">
                  look it over
                </Link>
              )}
            </span>
          </li>
        ))}
      </ul>
      {left.length > SHOWN && !all && (
        <button type="button" className="h-11 underline" onClick={() => setAll(true)}>
          and {left.length - SHOWN} more
        </button>
      )}
    </Folding>
  );
}
