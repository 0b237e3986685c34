/** Beside the walk: what to carry, how full the coming weeks are, who comes in and goes out, what is worth checking. */
import type { RoundSite } from '@zinc-pail/contract/api';
import { moveWords } from '@zinc-pail/words/round';
import { scaleLinear } from 'd3';
import { Link } from 'react-router';
import { Name } from '../../naming/Name.tsx';
import { count } from '../../reader/amounts.ts';
import { addDays, shortDay } from '../../reader/days.ts';
import { units } from '../../reader/units.ts';
import { Can } from './Can.tsx';
import { SideHead } from './SideHead.tsx';

export function Sidebar({ sites }: { sites: RoundSite[] }) {
  return (
    <aside
      aria-label="For today"
      className="border-[var(--rule)] bg-[var(--frame)] px-4 py-3 max-lg:border-t lg:border-l lg:px-5 print:hidden"
    >
      {/* Beside a long walk it stays in sight. */}
      <div className="grid gap-5 max-lg:sm:grid-cols-3 lg:sticky lg:top-3 lg:max-h-[calc(100dvh-1.5rem)] lg:content-start lg:overflow-y-auto">
        <Can sites={sites} />
        <Weeks
          today={sites[0]!.today}
          load={sites.reduce<number[]>((sum, site) => site.load.map((n, i) => n + (sum[i] ?? 0)), [])}
        />
        <Moves sites={sites} />
        <WorthChecking sites={sites} />
      </div>
    </aside>
  );
}

const NAMES_SHOWN = 3;

/** Moves that the nights of the coming weeks ask for; a move into more sun lays out its steps by itself. */
function Moves({ sites }: { sites: RoundSite[] }) {
  const moves = sites.flatMap((site) => site.moves.map((move) => ({ ...move, today: site.today })));
  if (moves.length === 0) return null;
  return (
    <section>
      <SideHead>In and out</SideHead>
      <ul className="text-[0.9375rem]">
        {moves.map((move) => (
          <li key={`${move.kind}-${move.place_id}`} className="border-b border-[var(--rule)] py-1">
            <b>{moveWords(move, move.today, units())}</b>:{' '}
            {move.plants.slice(0, NAMES_SHOWN).map((plant, i) => (
              <span key={plant.id}>
                {i > 0 && ', '}
                <Link to={`/plants/${plant.id}?move`} className="-my-3 inline-block py-3 underline">
                  <Name written={plant.name} />
                </Link>
              </span>
            ))}
            {move.plants.length > NAMES_SHOWN && (
              <>
                {' '}
                and{' '}
                <Link
                  to={`/benches/list?q=${encodeURIComponent(move.place)}`}
                  className="-my-3 inline-block py-3 underline"
                >
                  {move.plants.length - NAMES_SHOWN} more
                </Link>
              </>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What the records complain of waits in the clinic: it is no work of today. */
function WorthChecking({ sites }: { sites: RoundSite[] }) {
  const plants = new Set(sites.flatMap(({ clinic }) => clinic.raised.map(({ plant_id: id }) => id))).size;
  if (plants === 0) return null;
  return (
    <Link to="/clinic" className="flex min-h-11 items-center text-[0.9375rem] underline">
      Worth checking: {count(plants, 'plant')}
    </Link>
  );
}

const BAR_PX = 60;
const STEP_PX = 31;

function Weeks({ today, load }: { today: string; load: number[] }) {
  const y = scaleLinear([0, Math.max(1, ...load)], [0, BAR_PX]);
  const fullest = load.indexOf(Math.max(...load));
  return (
    <section>
      <SideHead>To water, week by week</SideHead>
      <svg
        viewBox="0 0 248 98"
        className="w-full max-w-[248px]"
        role="img"
        aria-label={`Waterings to expect in each of the next ${load.length} weeks: ${load.join(', ')}`}
      >
        {load.map((n, i) => (
          <g key={i} transform={`translate(${i * STEP_PX} 0)`}>
            <rect
              y={78 - y(n)}
              width="24"
              height={y(n)}
              fill={i === 0 ? 'var(--clay)' : 'var(--ink-2)'}
              opacity={i === 0 ? 1 : 0.6}
            />
            {(i === 0 || i === fullest) && (
              <text x="12" y={73 - y(n)} textAnchor="middle" fontSize="13" fill="var(--ink)">
                {n}
              </text>
            )}
            {i % 4 === 0 && (
              <text
                x="12"
                y="94"
                textAnchor={i === 0 ? 'start' : 'middle'}
                dx={i === 0 ? -12 : 0}
                fontSize="13"
                fill="var(--ink)"
              >
                {i === 0 ? 'now' : shortDay(addDays(today, i * 7))}
              </text>
            )}
          </g>
        ))}
      </svg>
    </section>
  );
}
