/** Everything that is known, as open files to take away. */
import type { Kit } from '../../api/kit.ts';
import { SectionHead } from '../../forms/Fields.tsx';

export function PapersOut({ kit }: { kit: Kit }) {
  const out = (href: string, name: string, what: string) => (
    <li key={href} className="border-b border-[var(--rule)]">
      <a className="flex min-h-12 flex-wrap items-center gap-x-3" href={href}>
        <span className="underline">{name}</span> <span className="text-[0.875rem] text-[var(--ink-2)]">{what}</span>
      </a>
    </li>
  );
  return (
    <section aria-labelledby="out" className="mb-8">
      <SectionHead id="out">To take away</SectionHead>
      <ul>
        {out('/api/export/plants.csv', 'All plants as CSV', 'a row each, past plants too; it can be imported again')}
        {out('/api/export/darwin-core.csv', 'In Darwin Core terms', 'as herbaria and gardens exchange')}
        {kit.sites.map((site) =>
          out(`/api/export/garden/${site.id}`, `${site.name} as a garden file`, 'everything, journals and weather too'),
        )}
        {out('/api/export/round.ics', 'The round as a calendar file', 'once, as it is now')}
      </ul>
    </section>
  );
}
