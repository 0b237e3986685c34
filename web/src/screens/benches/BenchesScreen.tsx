import type { PlacePot, PlaceView } from '@zinc-pail/contract/keeping';
import { CROWDED_FROM, isApart, type Light, lampHoursShort } from '@zinc-pail/core';
import { placeAdviceWords } from '@zinc-pail/words/placement';
import { DndContext, type DragEndEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { useCallback, useState } from 'react';
import { Link, useParams } from 'react-router';
import { usePlaces } from '../../api/places.ts';
import { type Kit, useKit } from '../../api/kit.ts';
import { count, degrees } from '../../reader/amounts.ts';
import { todayIn } from '../../reader/days.ts';
import { compassWord, KIND_WORDS } from '@zinc-pail/words/places';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { FilterField } from '../../finding/FilterField.tsx';
import { useMeant } from '../../finding/useMeant.ts';
import { BENCH_TABS, DoorTabs } from '../../parts/DoorTabs.tsx';
import { Explained } from '../../parts/Legend.tsx';
import { benchOf, BenchPlan } from './BenchPlan.tsx';
import { LightDrawing } from './LightDrawing.tsx';
import { SettingBar } from './SettingBar.tsx';
import { useSetting } from './useSetting.ts';
import { BenchShelf } from './BenchShelf.tsx';
import { PlacePanel } from './PlacePanel.tsx';
import { ReadingsPanel } from './ReadingsPanel.tsx';

const AIR_WORDS = { still: 'still air', gentle: 'gentle air', breezy: 'breezy' } as const;

export default function BenchesScreen() {
  const places = usePlaces();
  const kit = useKit();
  if (places.isPending || kit.isPending) return <Waiting what="the benches" />;
  if (places.isError && !places.data) return <Failed error={places.error} again={() => void places.refetch()} />;
  if (kit.isError && !kit.data) return <Failed error={kit.error} again={() => void kit.refetch()} />;
  return <Benches places={places.data} kit={kit.data} />;
}

const PLAN = ['plan'] as const;
const SHELF = ['shelf', 'pot', 'weather'] as const;

function Benches({ places, kit }: { places: PlaceView[]; kit: Kit }) {
  const [editing, setEditing] = useState<PlaceView | 'new' | null>(null);
  const [reading, setReading] = useState<PlaceView | null>(null);
  const side = useParams().view === 'side';
  const todayOf = useCallback(
    (place: Pick<PlaceView, 'site_id'>) =>
      todayIn(kit.sites.find((site) => site.id === place.site_id)?.time_zone ?? 'UTC'),
    [kit.sites],
  );
  const todayAt = useCallback(
    (siteName: string) => todayIn(kit.sites.find(({ name }) => name === siteName)?.time_zone ?? 'UTC'),
    [kit.sites],
  );
  const { words, say, meant } = useMeant(todayAt);
  const shown = meant === null ? places : places.filter((place) => place.pots.some(({ id }) => meant.has(id)));
  const pots = useSetting(places, todayOf);
  const { sensors, dropped } = useDropping(places, pots);
  return (
    <div className="px-3 pb-12 pt-4 sm:px-6">
      <BenchesHead
        words={words}
        found={meant?.size ?? null}
        onWords={say}
        settable={!side && places.length > 0}
        pots={pots}
        onNew={kit.sites.length > 0 ? () => setEditing('new') : null}
      />
      {places.length === 0 && (
        <p className="max-w-prose">
          {kit.sites.length === 0 ? (
            <>
              First say where your garden is, in the{' '}
              <Link to="/shed" className="underline">
                shed
              </Link>
              ; then make its benches here.
            </>
          ) : (
            'No bench yet. Make the first: a sill, a shelf, a corner of the balcony.'
          )}
        </p>
      )}
      {places.length > 0 && <Explained of={side ? SHELF : PLAN} />}
      <DndContext sensors={sensors} onDragEnd={dropped} accessibility={{ screenReaderInstructions: HOW_TO_MOVE }}>
        {shown.map((place) => (
          <PlaceSection
            key={place.id}
            place={place}
            all={places}
            many={kit.sites.length > 1}
            household={kit.collection}
            today={todayOf(place)}
            side={side}
            meant={meant}
            pots={pots}
            onEdit={() => setEditing(place)}
            onRead={() => setReading(place)}
          />
        ))}
      </DndContext>
      {pots.setting && (
        <SettingBar
          places={places}
          inHand={pots.inHand}
          told={pots.told}
          onMove={(to) => void pots.moveTo([...pots.inHand], to, null)}
          onDone={pots.turn}
        />
      )}
      {editing && (
        <PlacePanel place={editing === 'new' ? null : editing} sites={kit.sites} onClose={() => setEditing(null)} />
      )}
      {reading && (
        <ReadingsPanel
          place={reading}
          timeZone={kit.sites.find((site) => site.id === reading.site_id)?.time_zone ?? 'UTC'}
          onClose={() => setReading(null)}
        />
      )}
    </div>
  );
}

interface HeadProps {
  /** what the filter says, and how many plants it means */
  words: string;
  found: number | null;
  onWords(words: string): void;
  /** pots can be moved in this view */
  settable: boolean;
  pots: ReturnType<typeof useSetting>;
  /** null before there is a site to stand at */
  onNew: (() => void) | null;
}

function BenchesHead({ words, found, onWords, settable, pots, onNew }: HeadProps) {
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-5 gap-y-1">
      <h1 className="text-2xl font-semibold">Benches</h1>
      <DoorTabs label="Benches" tabs={BENCH_TABS} keep />
      <FilterField value={words} onChange={onWords} />
      {found !== null && (
        <span role="status" className="text-[0.9375rem]">
          {count(found, 'plant')}
        </span>
      )}
      <span className="ml-auto flex flex-wrap items-center gap-x-4 print:hidden">
        {settable && (
          <button type="button" className="h-11 underline" aria-pressed={pots.setting} onClick={pots.turn}>
            {pots.setting ? 'Done moving' : 'Move the pots'}
          </button>
        )}
        <Link to="/walk" className="flex h-11 items-center underline">
          Order of the walk
        </Link>
        <button type="button" className="btn h-11" disabled={!onNew} onClick={() => onNew?.()}>
          A new bench
        </button>
      </span>
    </div>
  );
}

/** A pot let go on its own bench is nudged there; on another it goes over, those in hand with it. */
function useDropping(places: PlaceView[], pots: ReturnType<typeof useSetting>) {
  // A tap takes in hand, a drag of a few pixels moves.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  const dropped = ({ active, over, delta }: DragEndEvent) => {
    const id = Number(active.id);
    const place = pots.placeOf(id);
    if (!place) return;
    const pxPerMm = (document.querySelector(`[data-bench="${place.id}"]`)?.clientWidth ?? 1) / benchOf(place).widthMm;
    const target = places.find((one) => `bench-${one.id}` === over?.id);
    if (!target || target.id === place.id) return pots.nudge(id, { x: delta.x / pxPerMm, y: delta.y / pxPerMm });
    const down = active.rect.current.translated;
    const ground = document.querySelector(`[data-bench="${target.id}"]`)?.getBoundingClientRect();
    const scale = ground ? ground.width / benchOf(target).widthMm : 1;
    const at =
      down && ground
        ? {
            x: Math.round((down.left + down.width / 2 - ground.left) / scale),
            y: Math.round((down.top + down.height / 2 - ground.top) / scale),
          }
        : null;
    void pots.moveTo([...pots.together(id, place)], target, at);
  };
  return { sensors, dropped };
}

const HOW_TO_MOVE = {
  draggable: 'Arrow keys move a pot by a centimetre, with shift by five; space selects it.',
};

interface PlaceSectionProps {
  place: PlaceView;
  all: readonly PlaceView[];
  many: boolean;
  household: { has_pets: boolean; has_children: boolean };
  today: string;
  /** seen from the side, not from above */
  side: boolean;
  /** those that the filter means; null while all are */
  meant: ReadonlySet<number> | null;
  pots: ReturnType<typeof useSetting>;
  onEdit(): void;
  onRead(): void;
}

/** Air, the hour of the sun, draughts: with whom they concern. */
function Advice({ place, all }: { place: PlaceView; all: readonly PlaceView[] }) {
  const named = (ids: readonly number[]) => names(place.pots.filter(({ id }) => ids.includes(id)));
  const placeName = (advice: PlaceView['advice'][number]) =>
    'to' in advice ? (all.find(({ id }) => id === advice.to)?.name ?? null) : null;
  return (
    <>
      {place.advice.map((advice) => (
        <p
          key={'hazard' in advice ? advice.hazard : advice.code}
          className="mt-1 border-l-4 border-[var(--straw)] pl-2 text-[0.9375rem]"
        >
          {placeAdviceWords(advice, named(advice.plants), placeName(advice))}
        </p>
      ))}
    </>
  );
}

function PlaceSection({ place, all, many, household, today, side, meant, pots, onEdit, onRead }: PlaceSectionProps) {
  return (
    <section aria-labelledby={`bench-${place.id}`} className="mb-8">
      <div className="flex flex-wrap items-baseline gap-x-4 border-b-2 border-[var(--ink)]">
        <h2 id={`bench-${place.id}`} className="text-[1.1875rem] font-semibold">
          {place.name}
        </h2>
        <span className="text-[0.9375rem] text-[var(--ink-2)]">
          {KIND_WORDS[place.kind]}
          {place.aspect_deg !== null && `, facing ${compassWord(place.aspect_deg)}`}, {AIR_WORDS[place.air]}
          {place.lamp && `, lamp ${place.lamp.hours} h${place.lamp_by_hand ? ' by hand' : ''}`}
          {place.floor_c !== null && `, heated to ${degrees(place.floor_c)}`}
          {many && `, ${place.site}`}
        </span>
        {place.quarantine && <span className="font-semibold text-[var(--straw)]">quarantine</span>}
        <span className="ml-auto flex">
          <button
            type="button"
            className="h-11 px-3 text-[0.9375rem] underline"
            aria-label={`Thermometer at ${place.name}`}
            onClick={onRead}
          >
            thermometer
          </button>
          <button
            type="button"
            className="h-11 px-3 text-[0.9375rem] underline"
            aria-label={`Change ${place.name}`}
            onClick={onEdit}
          >
            change
          </button>
        </span>
      </div>
      {side ? (
        <BenchShelf placeId={place.id} today={today} meant={meant} />
      ) : (
        <BenchPlan
          place={place}
          today={today}
          meant={meant}
          setting={pots.setting}
          inHand={pots.inHand}
          onHand={pots.toggle}
          onNudge={pots.nudge}
        />
      )}
      <Facts place={place} />
      <LightDrawing place={place} />
      <LampWords place={place} />
      <Advice place={place} all={all} />
      <Dangers place={place} household={household} today={today} />
    </section>
  );
}

function Facts({ place }: { place: PlaceView }) {
  const { today, learned, crowded } = place;
  const { factor } = learned;
  return (
    <dl className="mt-2 grid gap-x-8 gap-y-1 text-[0.9375rem] sm:grid-cols-2 lg:grid-cols-4">
      <Fact term="Today">
        {degrees(today.tmin_c)} to {degrees(today.tmax_c)}, air {today.rh_pct} %, tonight {degrees(today.tonight_c)}
      </Fact>
      <Fact term="Light">
        {today.dli_mol} mol a day
        {today.sun_h > 0
          ? `, up to ${today.sun_h} h of sun${place.direct_sun_h === null ? '' : ' by your count'}, ${today.morning_sun_h} of it before noon`
          : ', no direct sun'}
      </Fact>
      <Fact term="Learned">
        {learned.readings === 0
          ? 'no thermometer read yet'
          : `days ${signed(learned.offset_max_c)}, nights ${signed(learned.offset_min_c)} compared with the estimate, from ${count(learned.readings, 'reading')}`}
        ; pots dry {factor.p50.toFixed(2)} × as fast as expected ({factor.p10.toFixed(1)} to {factor.p90.toFixed(1)})
      </Fact>
      <Fact term="Room">
        {count(place.pots.length, 'pot')}
        {crowded === null
          ? '; give its width and depth to see how full it is'
          : `, ${Math.round(crowded * 100)} % of the bench taken`}
        {crowded !== null && crowded > CROWDED_FROM && (
          <strong className="block font-semibold text-[var(--straw)]">
            Too crowded for air to move: space them out, and check between them for pests.
          </strong>
        )}
      </Fact>
    </dl>
  );
}

/** How much longer a lamp would have to burn for those that get too little. */
function LampWords({ place }: { place: PlaceView }) {
  const { today, lamp } = place;
  const dim = place.pots.filter((pot) => pot.light === 'too-dim');
  if (!lamp || dim.length === 0) return null;
  const hours = dim.map((pot) => lampHoursShort(today.dli_mol, pot.wants as Light, lamp.ppfd_umol_m2_s));
  return (
    <p className="text-[0.9375rem]">
      The lamp would have to burn about {Math.max(...hours)} h longer for the neediest of these.
    </p>
  );
}

/** What may harm there, and whom. */
function Dangers({ place, household, today }: Pick<PlaceSectionProps, 'place' | 'household' | 'today'>) {
  const harms = ({ poisonous }: PlacePot) =>
    (household.has_children && poisonous.people) || (household.has_pets && poisonous.pets);
  const harmful = place.within_reach ? place.pots.filter(harms) : [];
  const apart = place.quarantine ? [] : place.pots.filter(({ quarantine_until: until }) => isApart(until, today));
  return (
    <>
      {harmful.length > 0 && (
        <p className="mt-1 border-l-4 border-[var(--rust)] pl-2 text-[0.9375rem]">
          <strong className="font-semibold">
            {count(harmful.length, 'plant')} that must not be eaten, within reach:
          </strong>{' '}
          {names(harmful)}. Mind fallen leaves too.
        </p>
      )}
      {apart.length > 0 && (
        <p className="mt-1 border-l-4 border-[var(--straw)] pl-2 text-[0.9375rem]">
          {count(apart.length, 'plant')} in quarantine {apart.length === 1 ? 'is' : 'are'} among the others:{' '}
          {names(apart)}.
        </p>
      )}
      {place.hazards && <p className="mt-1 border-l-4 border-[var(--rust)] pl-2 text-[0.9375rem]">{place.hazards}</p>}
    </>
  );
}

const NAMED = 4;
function names(pots: PlaceView['pots']): string {
  return `${pots
    .slice(0, NAMED)
    .map((pot) => pot.name)
    .join(', ')}${pots.length > NAMED ? ` and ${pots.length - NAMED} more` : ''}`;
}

function signed(kelvin: number): string {
  return `${kelvin < 0 ? '−' : '+'}${Math.abs(kelvin).toFixed(1)} K`;
}

function Fact({ term, children }: { term: string; children: React.ReactNode }) {
  return (
    <div>
      <dt className="text-[var(--ink-2)]">{term}</dt>
      <dd>{children}</dd>
    </div>
  );
}
