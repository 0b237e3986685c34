import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { ask } from '../../api/client.ts';
import { fullDay } from '../../reader/days.ts';
import { SectionHead } from '../../forms/Fields.tsx';
import { Name } from '../../naming/Name.tsx';

interface GonePlant {
  id: number;
  number: string;
  name: string;
  ended: 'died' | 'given';
  ended_on: string;
  ended_why: string | null;
}

/** Plants that are here no more: their books stay, and what they taught. */
export function Gone() {
  const gone = useQuery({
    queryKey: ['gone'],
    queryFn: async () => (await ask<{ plants: GonePlant[] }>('/gone')).plants,
  });
  return (
    <section aria-labelledby="gone">
      <SectionHead id="gone">Past plants</SectionHead>
      {gone.data?.length === 0 && <p>None yet.</p>}
      <ul className="max-h-96 overflow-auto">
        {(gone.data ?? []).map((plant) => (
          <li
            key={plant.id}
            className="flex min-h-11 flex-wrap items-center gap-x-3 border-b border-[var(--rule)] text-[0.9375rem]"
          >
            <Link to={`/plants/${plant.id}`} className="hover:underline">
              <Name written={plant.name} />
            </Link>{' '}
            <span className="text-[var(--ink-2)]">
              {plant.number}, {plant.ended === 'died' ? 'died' : 'given away'} {fullDay(plant.ended_on)}
              {plant.ended_why && `: ${plant.ended_why}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
