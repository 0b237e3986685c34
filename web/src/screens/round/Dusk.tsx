/**
 * Before dusk, as a drawing: for each place where tonight is too cold for somebody, a rail of degrees with tonight's likely
 * band on it, and each plant at the coldest night it takes, as dry or wet as it is now.
 */
import type { RoundPlace, RoundPot, RoundSite } from '@zinc-pail/contract/api';
import { nightItBearsC, placeDefaults } from '@zinc-pail/core';
import { useMemo, useRef, useState } from 'react';
import { useBench } from '../../api/round.ts';
import { PotPicture } from '../../drawing/PotPicture.tsx';
import { useWidth } from '../../parts/useWidth.ts';
import { count, degrees } from '../../reader/amounts.ts';
import { SHELTER_WORDS } from './askAnswers.ts';
import { inDanger } from './lines.ts';
import { type Rail, railOf } from './rail.ts';
import { toggled } from './spots.ts';
import type { Walk } from './useWalk.ts';

const duskId = (siteId: number) => `before-dusk-${siteId}`;

/** Whether somebody stands there in danger tonight who was not seen to. */
const isDangerous = (place: Pick<RoundPlace, 'cold'>): boolean => place.cold.some(({ id }) => inDanger(place, id));

export function Dusk({ site, walk }: { site: RoundSite; walk: Walk }) {
  const places = site.places.filter(isDangerous);
  if (places.length === 0 || (walk.only !== null && walk.only !== 'dusk')) return null;
  return (
    <section id={duskId(site.id)} aria-label={`Before dusk, ${site.name}`} className="mt-1">
      <h3
        title="Each plant stands at the coldest night it takes, as dry or wet as it is now"
        className="border-b-2 border-[var(--ink)] text-[1.0625rem] font-semibold"
      >
        Before dusk
      </h3>
      <ul>
        {places.map((place) => (
          <ColdPlace key={place.id} site={site} place={place} walk={walk} />
        ))}
      </ul>
    </section>
  );
}

const RAIL_PX = 50;
/** Room for a thumb between those that can be picked. */
const THUMB_PX = 44;
/** Drawn so large, where there is room. */
const PLANT_PX = 30;
const LEAST_WIDTH = 280;
/** Those that are safe are drawn smaller. */
const SAFE_PX = 22;
/** A cloth is no use indoors. */
const OUTDOORS = ['in', 'covered', 'left'] as const;
const INDOORS = ['in', 'left'] as const;

interface Standing {
  id: number;
  limitC: number;
  pot: RoundPot;
  danger: boolean;
}

function ColdPlace({ site, place, walk }: { site: RoundSite; place: RoundPlace; walk: Walk }) {
  const [picked, setPicked] = useState<ReadonlySet<number>>(new Set());
  const danger = place.pots.filter(({ id }) => inDanger(place, id));
  const some = danger.filter(({ id }) => picked.has(id));
  const chosen = some.length > 0 ? some : danger;
  return (
    <li className="flex items-center gap-x-3 border-b border-[var(--rule)] py-0.5 max-sm:flex-wrap">
      <p className="w-[150px] shrink-0 text-[0.9375rem] leading-tight max-sm:w-full">
        <strong className="font-semibold">{place.name}</strong>{' '}
        <span className="text-[var(--rust)] sm:block">
          {degrees(place.tonight_c)}, too cold for {danger.length}
        </span>
      </p>
      <RailDrawing place={place} picked={picked} onPick={(id) => setPicked((before) => toggled(before, id))} />
      <span className="flex shrink-0 gap-1.5 max-sm:w-full print:hidden">
        <Shelters
          chosen={chosen}
          hows={placeDefaults(place.kind).outdoors ? OUTDOORS : INDOORS}
          onShelter={(how) => walk.shelter(site, chosen, how)}
        />
      </span>
    </li>
  );
}

function Shelters({
  chosen,
  hows,
  onShelter,
}: {
  chosen: readonly RoundPot[];
  hows: readonly (keyof typeof SHELTER_WORDS)[];
  onShelter(how: keyof typeof SHELTER_WORDS): void;
}) {
  return hows.map((how) => (
    <button
      key={how}
      type="button"
      className={`h-11 border px-2.5 text-[0.9375rem] font-semibold whitespace-nowrap max-sm:flex-1 ${
        how === 'in'
          ? 'border-[var(--clay)] bg-[var(--clay)] text-[var(--color-primary-content)]'
          : 'border-[var(--rule)] hover:border-[var(--ink)]'
      }`}
      aria-label={`${SHELTER_WORDS[how].all(chosen.length)}: ${chosen.map(({ name }) => name).join(', ')}`}
      onClick={() => onShelter(how)}
    >
      {how === 'in' ? SHELTER_WORDS.in.all(chosen.length) : how === 'covered' ? 'Cover' : 'Stay'}
    </button>
  ));
}

function RailDrawing({
  place,
  picked,
  onPick,
}: {
  place: RoundPlace;
  picked: ReadonlySet<number>;
  onPick(id: number): void;
}) {
  const ref = useRef<HTMLDivElement>(null);
  const width = Math.max(LEAST_WIDTH, useWidth(ref, 460));
  // Plants stand on it once all of them are known: the scale is theirs.
  const all = useBench(place.id, true).data;
  const pots = all ?? place.pots;
  const rail = useMemo(() => {
    const standing = pots.map((pot): Standing => {
      const cold = place.cold.find(({ id }) => id === pot.id);
      const { traits, moisture } = pot.outlook;
      return {
        id: pot.id,
        pot,
        limitC: cold?.limit_c ?? nightItBearsC(traits, moisture.p50),
        danger: inDanger(place, pot.id),
      };
    });
    return railOf(standing, { bandC: place.night_band_c, width, gap: THUMB_PX });
  }, [pots, place, width]);
  return (
    <div ref={ref} className="relative min-w-0 flex-1 max-sm:basis-full" style={{ height: RAIL_PX }}>
      <Scale rail={rail} place={place} width={width} />
      {(all ? rail.plants : []).map(({ plant, at, foot }) => (
        <OnRail
          key={plant.id}
          plant={plant}
          at={at}
          foot={foot}
          picked={picked.has(plant.id)}
          onPick={() => onPick(plant.id)}
        />
      ))}
    </div>
  );
}

const BAR_Y = RAIL_PX - 16;

function Scale({ rail, place, width }: { rail: Rail<Standing>; place: RoundPlace; width: number }) {
  const [low, high] = place.night_band_c;
  const tonight = rail.x(place.tonight_c);
  const inRed = rail.plants.filter(({ plant }) => plant.danger).map(({ foot }) => foot);
  const names = rail.plants.flatMap(({ plant }) =>
    plant.danger ? [`${plant.pot.name} to ${degrees(plant.limitC)}`] : [],
  );
  return (
    <svg
      width={width}
      height={RAIL_PX}
      role="img"
      aria-label={`Tonight ${degrees(low)} to ${degrees(high)}. Too cold for ${count(names.length, 'pot')}: ${names.join(', ')}`}
      className="absolute inset-0"
    >
      <rect
        x={rail.x(low) - 1}
        width={Math.max(4, rail.x(high) - rail.x(low) + 2)}
        height={BAR_Y}
        fill="var(--dusk)"
        opacity="0.18"
      />
      <path d={`M${tonight},0V${BAR_Y}`} stroke="var(--dusk)" strokeWidth="2.5" />
      <path d={`M8,${BAR_Y}H${width - 8}`} stroke="var(--ink-2)" strokeWidth="3" opacity="0.55" />
      {inRed.length > 0 && (
        <path
          d={`M${Math.min(...inRed) - 9},${BAR_Y}H${Math.max(...inRed) + 9}`}
          stroke="var(--rust)"
          strokeWidth="4"
        />
      )}
      {rail.ticks.map((celsius) => (
        <text key={celsius} x={rail.x(celsius)} y={RAIL_PX - 2} textAnchor="middle" fontSize="12" fill="var(--ink-2)">
          {degrees(celsius)}
        </text>
      ))}
    </svg>
  );
}

function OnRail({
  plant: { pot, danger, limitC },
  at,
  foot,
  picked,
  onPick,
}: {
  plant: Standing;
  at: number;
  foot: number;
  picked: boolean;
  onPick(): void;
}) {
  const size = danger ? PLANT_PX : SAFE_PX;
  const drawing = <PotPicture pot={pot} size={size} pxPerMm={0.2} stick={false} />;
  if (!danger)
    return (
      <span
        className="pointer-events-none absolute opacity-30"
        style={{ left: at - size / 2, top: BAR_Y - size - 1 }}
        aria-hidden="true"
      >
        {drawing}
      </span>
    );
  return (
    <>
      <svg
        className="pointer-events-none absolute left-0 top-0 overflow-visible"
        width="1"
        height={RAIL_PX}
        aria-hidden="true"
      >
        <path d={`M${at},${BAR_Y - 2}L${foot},${BAR_Y + 5}`} stroke="var(--rust)" strokeWidth="1.5" />
      </svg>
      <button
        type="button"
        aria-pressed={picked}
        aria-label={`Pick ${pot.name}, safe to ${degrees(limitC)}`}
        title={`${pot.number} ${pot.name}, safe to ${degrees(limitC)}`}
        className={`absolute top-0 flex items-end justify-center ${picked ? 'bg-[color-mix(in_oklab,var(--clay)_22%,transparent)]' : ''}`}
        style={{ left: at - THUMB_PX / 2, width: THUMB_PX, height: THUMB_PX, paddingBottom: THUMB_PX - BAR_Y + 1 }}
        onClick={onPick}
      >
        {drawing}
      </button>
    </>
  );
}
