import type { Found } from '@zinc-pail/contract/answers';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { ask } from '../../api/client.ts';
import { Name } from '../../naming/Name.tsx';

/** What earlier losses of the same kind taught. */
export function Lessons({ genus }: { genus: string | null }) {
  const found = useQuery({
    queryKey: ['lessons', genus],
    queryFn: async () =>
      (await ask<{ plants: Found[] }>(`/find?q=${encodeURIComponent(genus ?? '')}`)).plants.filter(
        (one) => one.ended === 'died',
      ),
    enabled: genus !== null,
  });
  if (!genus || !found.data || found.data.length === 0) return null;
  return (
    <div role="note" className="mb-4 border-l-4 border-[var(--straw)] pl-3 text-[0.9375rem]">
      <p className="font-semibold">You lost {found.data.length === 1 ? 'one' : found.data.length} of this genus:</p>
      <ul>
        {found.data.slice(0, 3).map((one) => (
          <li key={one.id}>
            <Link to={`/plants/${one.id}`} className="underline">
              <Name written={one.name} />
            </Link>
            , {one.ended_on}: {one.ended_why ?? 'cause unknown'}
          </li>
        ))}
      </ul>
    </div>
  );
}
