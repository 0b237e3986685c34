/** What the drawings mean: told where they stand until it is understood, then from the sheet of keys. */
import type { ReactElement } from 'react';
import { WeatherGlyph } from '../drawing/WeatherMark.tsx';
import { useRemembered } from './remembered.ts';

const DRAWINGS = {
  shelf: {
    head: 'The shelf',
    says:
      'The bench from the side, to one scale, in walking order. A skewer drawn out: to water. Half out: feel it first. ' +
      'Blue sill: asleep. Red sill: act today.',
    picture: (
      <g>
        <path d="M4,18h14l-3,14h-8z" fill="#c07a55" />
        <ellipse cx="11" cy="13" rx="6" ry="6" fill="#6d8240" />
        <path d="M17,2h3l-3,16h-2z" fill="var(--stick-dry)" stroke="var(--wood-edge)" strokeWidth="0.6" />
        <rect x="0" y="33" width="22" height="3" fill="var(--clay)" />
        <path d="M26,22h10l-2,10h-6z" fill="#66716f" />
        <ellipse cx="31" cy="19" rx="4" ry="4" fill="#9aa29a" />
        <rect x="23" y="33" width="16" height="3" fill="var(--dusk)" />
      </g>
    ),
  },
  pot: {
    head: 'Pot and plant',
    says: 'To their measures, in the pot’s own material; faded while it sleeps. A red foot: no hole in it.',
    picture: (
      <g>
        <ellipse cx="20" cy="12" rx="11" ry="9" fill="#6d8240" />
        <path d="M8,20h24l-4,16h-16z" fill="#66716f" />
        <path d="M12,36h16" stroke="var(--rust)" strokeWidth="2" />
      </g>
    ),
  },
  stick: {
    head: 'The stick',
    says: 'As if pulled from the pot: dark as far as it is damp, hatched where that is unsure. At the arrow it is dry enough for this plant.',
    picture: (
      <g>
        <path d="M16,2h8v28l-4,7l-4,-7z" fill="var(--stick-dry)" stroke="var(--wood-edge)" />
        <rect x="16.500" y="24" width="7" height="6" fill="var(--stick-wet)" />
        <path d="M16,30h8l-4,7z" fill="var(--stick-wet)" />
        <path d="M16.500,24l7,-3M16.500,21l7,-3" stroke="var(--stick-wet)" strokeWidth="1.4" />
        <path d="M7,17L14,20.500L7,24z" fill="var(--clay)" />
      </g>
    ),
  },
  strip: {
    head: 'The strip',
    says:
      'How damp the pot was and will be, with its doubt. The stroke is today. The peg is the ' +
      'best day to water, the bracket the first and the last. A blue bar: rest. Blue teeth: nights too cold for a wet ' +
      'pot.',
    picture: (
      <g>
        <path d="M1,8Q10,22 20,26" fill="none" stroke="var(--earth)" strokeWidth="1.6" />
        <path d="M20,24L39,27V34L20,28z" fill="var(--earth)" opacity="0.25" />
        <path d="M20,4V36" stroke="var(--ink)" strokeWidth="1.6" />
        <path d="M26,12v-4h10v4M31,8v-4" fill="none" stroke="var(--clay)" strokeWidth="1.6" />
      </g>
    ),
  },
  rail: {
    head: 'Before dusk',
    says:
      'Degrees from left to right. The blue band is the coming night, and each plant stands at the coldest it takes, as ' +
      'dry or wet as it is now. Those in red are in danger.',
    picture: (
      <g>
        <rect x="10" y="4" width="9" height="22" fill="var(--dusk)" opacity="0.25" />
        <path d="M14,4V26" stroke="var(--dusk)" strokeWidth="2" />
        <path d="M1,27H39" stroke="var(--ink-2)" strokeWidth="2" />
        <path d="M21,27H35" stroke="var(--rust)" strokeWidth="3" />
        <path d="M24,16h8l-2,10h-4z" fill="#c07a55" />
        <ellipse cx="28" cy="13" rx="4" ry="4" fill="#6d8240" />
      </g>
    ),
  },
  plan: {
    head: 'The bench from above',
    says:
      'Each plant in its pot, in its place, with its number. A clay-coloured ring: to water. Straw: check first. ' +
      'Red: act. Green: soon. A broken ring: in quarantine. Below, the light: the stroke is what comes, the bars are what ' +
      'each group does well in.',
    picture: (
      <g>
        <circle cx="20" cy="17" r="14" fill="#c07a55" stroke="var(--clay)" strokeWidth="3" />
        <circle cx="20" cy="17" r="9" fill="#6d8240" />
        <path d="M6,36H34" stroke="var(--rule)" strokeWidth="3" />
        <path d="M6,36H22" stroke="var(--straw)" strokeWidth="3" />
        <path d="M26,33V39" stroke="var(--ink)" strokeWidth="1.5" />
      </g>
    ),
  },
  weather: {
    head: 'Frost and heat',
    says: 'Beside a pot that is in danger of cold tonight, or of heat these days. What to do about it stands on its line of the round.',
    picture: (
      <g transform="translate(12 12)">
        <WeatherGlyph danger="frost" size={18} />
      </g>
    ),
  },
} satisfies Record<string, { head: string; says: string; picture: ReactElement }>;

export type DrawingName = keyof typeof DRAWINGS;

function Entry({ of }: { of: DrawingName }) {
  const { head, says, picture } = DRAWINGS[of];
  return (
    <div className="flex gap-3">
      <svg width="40" height="40" viewBox="0 0 40 40" aria-hidden="true" className="mt-0.5 shrink-0">
        {picture}
      </svg>
      <p className="text-[0.875rem] leading-snug">
        <strong className="block font-semibold">{head}</strong>
        {says}
      </p>
    </div>
  );
}

/** Explains these drawings beside them, until the keeper has understood; this device remembers it. */
export function Explained({ of }: { of: readonly DrawingName[] }) {
  const [understood, keep] = useRemembered('understood');
  const known = understood.split(' ').filter(Boolean);
  const left = of.filter((one) => !known.includes(one));
  if (left.length === 0) return null;
  return (
    <div
      role="note"
      aria-label="What the drawings mean"
      className="my-3 border-y border-[var(--rule)] bg-[var(--frame)] px-3 py-2 print:hidden"
    >
      <div className={`grid gap-x-6 gap-y-2 ${left.length > 1 ? 'sm:grid-cols-2' : ''}`}>
        {left.map((one) => (
          <Entry key={one} of={one} />
        ))}
      </div>
      <button type="button" className="h-11 underline" onClick={() => keep([...new Set([...known, ...of])].join(' '))}>
        Understood
      </button>{' '}
      <span className="text-[0.875rem] text-[var(--ink-2)]">Also in the list of keys: ?</span>
    </div>
  );
}

/** All of them, for the sheet of keys. */
export function Legend() {
  return (
    <section>
      <h3 className="mb-2 border-b border-[var(--rule)] font-semibold">What the drawings mean</h3>
      <div className="grid gap-3 sm:grid-cols-2">
        {(Object.keys(DRAWINGS) as DrawingName[]).map((one) => (
          <Entry key={one} of={one} />
        ))}
      </div>
    </section>
  );
}
