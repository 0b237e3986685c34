import type { PlantView } from '@zinc-pail/contract/api';
import { Link } from 'react-router';
import { fullDay } from '../../reader/days.ts';
import { SectionHead } from '../../forms/Fields.tsx';
import { Name } from '../../naming/Name.tsx';

const SOURCE_WORDS: Record<string, string> = {
  nursery: 'from a nursery',
  swap: 'by a swap',
  seed: 'from seed',
  cutting: 'from a cutting or offset',
  gift: 'a gift',
  found: 'found',
  other: '',
};

function Kin({ one }: { one: { id: number; name: string; number: string; ended?: string | null } }) {
  return (
    <Link to={`/plants/${one.id}`} className="hover:underline">
      <Name written={one.name} />{' '}
      <span className="text-[0.875rem] text-[var(--ink-2)]">
        {one.number}
        {one.ended ? `, ${one.ended === 'died' ? 'died' : 'given away'}` : ''}
      </span>
    </Link>
  );
}

/** Where it came from, its mother above and its offspring below, drawn as a branch. */
export function Family({ plant }: { plant: PlantView }) {
  const {
    mother,
    offspring,
    acquired_on: since,
    source,
    price_minor: price,
    price_currency: currency,
    used_to: usedTo,
    companions,
  } = plant.record;
  return (
    <section aria-labelledby="family">
      <SectionHead id="family">Where it comes from</SectionHead>
      <p className="text-[0.9375rem]">
        {since ? `Here since ${fullDay(since)}` : 'Here, nobody noted since when'}
        {source && SOURCE_WORDS[source] ? `, ${SOURCE_WORDS[source]}` : ''}
        {price !== null && currency ? `, ${(price / 100).toFixed(2)} ${currency}` : ''}.
        {usedTo && ` Used to ${usedTo}.`}
        {companions && ` In its pot too: ${companions}.`}
      </p>
      {plant.record.clashes.map((words) => (
        <p key={words} className="mt-1 border-l-4 border-[var(--straw)] pl-2 text-[0.9375rem]">
          {words}
        </p>
      ))}
      {(mother || offspring.length > 0) && (
        <ul className="mt-1 text-[0.9375rem]">
          {mother && (
            <li className="flex min-h-9 items-center gap-2">
              <Twig kind="mother" />
              <Kin one={mother} />
            </li>
          )}
          <li className="flex min-h-9 items-center gap-2 font-semibold">
            <Twig kind="self" />
            <Name written={plant.name} />
          </li>
          {offspring.map((one, i) => (
            <li key={one.id} className="flex min-h-9 items-center gap-2">
              <Twig kind={i === offspring.length - 1 ? 'last' : 'child'} />
              <Kin one={one} />
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Twig({ kind }: { kind: 'mother' | 'self' | 'child' | 'last' }) {
  return (
    <svg
      width="26"
      height="36"
      viewBox="0 0 26 36"
      aria-hidden="true"
      className="shrink-0"
      fill="none"
      stroke="var(--lichen)"
      strokeWidth="2"
    >
      {kind === 'mother' && <path d="M6 18v18" />}
      {kind === 'self' && <path d="M6 0v18M6 18v18" />}
      {kind === 'child' && <path d="M6 0v36M6 18h14" />}
      {kind === 'last' && <path d="M6 0v18h14" />}
      <circle
        cx={kind === 'child' || kind === 'last' ? 20 : 6}
        cy="18"
        r="4"
        fill={kind === 'self' ? 'var(--lichen)' : 'var(--paper)'}
      />
    </svg>
  );
}
