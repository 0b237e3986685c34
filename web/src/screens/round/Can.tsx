/** What to carry: the can to its level, and what goes into it. */
import type { RoundSite } from '@zinc-pail/contract/api';
import { scaleLinear } from 'd3';
import { litres, shareWords } from '../../reader/amounts.ts';
import { SideHead } from './SideHead.tsx';

const TOP_Y = 16;
const FOOT_Y = 78;

/** That of the first site, where the walk begins; what the others take stands below. */
export function Can({ sites }: { sites: readonly RoundSite[] }) {
  const [site, ...others] = sites;
  const lines = site!.can;
  const totalMl = lines.reduce((sum, { ml }) => sum + ml, 0);
  const fills = lines.reduce((sum, line) => sum + line.fills, 0);
  return (
    <section>
      <SideHead>In the can</SideHead>
      <div className="flex items-center gap-3">
        <Drawing ml={totalMl} canMl={site!.can_ml} />
        <p className="leading-tight">
          <strong className="slab block text-2xl font-semibold">{totalMl > 0 ? litres(totalMl) : 'Empty'}</strong>
          {totalMl === 0 ? 'Nothing to carry today.' : fills > 1 && `${fills} fills`}
        </p>
      </div>
      {totalMl > 0 && (
        <ul className="mt-1 text-[0.9375rem]">
          {lines.map((line) => (
            <li key={`${line.water}-${line.feed?.name}-${line.feed?.strength}`} className="py-0.5">
              {lines.length > 1 && `${litres(line.ml)} `}
              {line.water} water
              {line.feed ? <FeedWords feed={line.feed} /> : ', no feed'}
            </li>
          ))}
        </ul>
      )}
      {others
        .filter(({ can }) => can.length > 0)
        .map(({ id, name, can }) => (
          <p key={id} className="mt-1 text-[0.9375rem]">
            {name}: {litres(can.reduce((sum, { ml }) => sum + ml, 0))}
          </p>
        ))}
    </section>
  );
}

/** Its last fill, where there are several. */
function Drawing({ ml, canMl }: { ml: number; canMl: number }) {
  const level = scaleLinear([0, canMl], [FOOT_Y, TOP_Y + 8]).clamp(true)(ml === 0 ? 0 : ml % canMl || canMl);
  const side = (y: number) => 10 + (y - TOP_Y) * 0.16;
  return (
    <svg width="104" height="84" viewBox="0 0 104 84" aria-hidden="true" className="shrink-0">
      <path d={`M10,${TOP_Y}H94L84,${FOOT_Y}H20z`} fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.8" />
      {ml > 0 && (
        <path d={`M${side(level)},${level}H${104 - side(level)}L84,${FOOT_Y}H20z`} fill="var(--dusk)" opacity="0.5" />
      )}
      <path d={`M10,${TOP_Y}C14,2 90,2 94,${TOP_Y}`} fill="none" stroke="var(--ink)" strokeWidth="1.6" />
    </svg>
  );
}

function FeedWords({ feed }: { feed: NonNullable<RoundSite['can'][number]['feed']> }) {
  if (feed.dose === null) return <>, feed at {shareWords(feed.strength)} (name yours in the shed)</>;
  return (
    <>
      :{' '}
      <strong className="font-semibold">
        {feed.dose} {feed.unit}
      </strong>{' '}
      {feed.name}, {shareWords(feed.strength)}
    </>
  );
}
