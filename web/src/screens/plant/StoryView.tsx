import type { Story } from '@zinc-pail/contract/keeping';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask } from '../../api/client.ts';
import { plantKey } from '../../api/plant.ts';
import { count } from '../../reader/amounts.ts';
import { fullDay } from '../../reader/days.ts';
import { SectionHead } from '../../forms/Fields.tsx';
import { Name } from '../../naming/Name.tsx';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { eventWords } from '@zinc-pail/words/events';
import { units } from '../../reader/units.ts';
import { lastMonthsWords } from '@zinc-pail/words/postMortem';

const DAYS_A_YEAR = 365;

/** A plant that has gone: what its book tells of its last months. */
export function StoryView({ plantId }: { plantId: number }) {
  const story = useQuery({ queryKey: ['story', plantId], queryFn: () => ask<Story>(`/plants/${plantId}/story`) });
  const queries = useQueryClient();
  const revive = useMutation({
    mutationFn: () => ask(`/plants/${plantId}/revive`, { method: 'POST', body: {} }),
    onSuccess: async () => {
      await queries.resetQueries({ queryKey: plantKey(plantId) });
      await queries.invalidateQueries();
    },
  });
  if (story.isPending) return <Waiting what="its story" />;
  if (story.isError) return <Failed error={story.error} again={() => void story.refetch()} />;
  const { data } = story;
  const years = Math.floor(data.kept_days / DAYS_A_YEAR);
  return (
    <div className="max-w-3xl px-3 pb-12 pt-4 sm:px-6">
      <h1 className="text-[1.75rem] leading-tight">
        <Name written={data.name} />
      </h1>
      <p className="mb-4 text-[1rem] text-[var(--ink-2)]">
        number {data.number} · last at {data.place} · kept{' '}
        {years > 0 ? count(years, 'year') : count(data.kept_days, 'day')} ·{' '}
        {data.ended === 'died' ? 'died' : 'given away'} on {fullDay(data.ended_on)}
        {data.ended_why && `: ${data.ended_why}`}
      </p>
      {data.ended === 'died' && (
        <section aria-labelledby="last" className="mb-6">
          <SectionHead id="last">Its last months, from its notes</SectionHead>
          <ul className="list-disc pl-5">
            {data.last.map((fact, i) => (
              <li key={`${fact.code} ${i}`}>{lastMonthsWords(fact, data.ended_on, units())}</li>
            ))}
          </ul>
          <p className="mt-2 text-[0.9375rem] text-[var(--ink-2)]">
            These are facts, not a verdict. Rot, cold, thirst and pests each leave several of them.
          </p>
        </section>
      )}
      <section aria-labelledby="all">
        <SectionHead id="all">Its notes</SectionHead>
        <ol>
          {data.journal
            .filter((entry) => !entry.voided)
            .slice(0, 200)
            .map((entry) => (
              <li
                key={entry.client_id}
                className="flex min-h-9 items-center gap-3 border-b border-[var(--rule)] text-[0.9375rem]"
              >
                <span className="w-32 shrink-0 text-[var(--ink-2)]">{fullDay(entry.event.date)}</span>
                {eventWords(entry.event, units())}
              </li>
            ))}
        </ol>
      </section>
      <button type="button" className="btn mt-4 h-11" disabled={revive.isPending} onClick={() => revive.mutate()}>
        Undo: it is still here
      </button>
    </div>
  );
}
