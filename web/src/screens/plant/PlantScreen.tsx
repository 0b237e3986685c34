import type { PlantView } from '@zinc-pail/contract/api';
import { isApart } from '@zinc-pail/core';
import { ArrowLeft, ArrowRight } from 'lucide-react';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { ProblemError } from '../../api/client.ts';
import { usePlaces } from '../../api/places.ts';
import { usePlant } from '../../api/plant.ts';
import { useBench } from '../../api/round.ts';
import { PotGlyph } from '../../drawing/PotGlyph.tsx';
import { WeatherMark } from '../../drawing/WeatherMark.tsx';
import { DryCurve } from '../../drawing/DryCurve.tsx';
import { BecauseBars } from '../../drawing/BecauseBars.tsx';
import { alarmWords } from '@zinc-pail/words/outlook';
import { feedWords } from '@zinc-pail/words/feed';
import { cups, litres, shareWords } from '../../reader/amounts.ts';
import { kindOf, wordsFor } from '../../reader/deeds.ts';
import { addDays, fullDay, nearDay } from '../../reader/days.ts';
import { useKeys } from '../../frame/keys.ts';
import { felt, type Felt, wateredAsAdvised, wateredWords } from '../../marking/markEvents.ts';
import { type Marked, useMarks } from '../../marking/Marks.tsx';
import { SEASON_SEEN } from '../../marking/seasonSeen.ts';
import { Name } from '../../naming/Name.tsx';
import { ForYesterday } from '../../marking/ForYesterday.tsx';
import { NotePanel } from '../../marking/NotePanel.tsx';
import { useWritingFor } from '../../marking/writingFor.ts';
import { sawPlant } from '../../frame/recent.ts';
import { units } from '../../reader/units.ts';
import { StateMark } from '../../naming/StateMark.tsx';
import { useTitle } from '../../frame/title.ts';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { Book } from './Book.tsx';
import { Cautions } from './Cautions.tsx';
import { ChangePanel } from './ChangePanel.tsx';
import { CopiesPanel, EndPanel } from './EndPanel.tsx';
import { Family } from './Family.tsx';
import { Flowering, Growth } from './Growth.tsx';
import { Happened } from './Happened.tsx';
import { Hardening } from './Hardening.tsx';
import { LookOver } from './LookOver.tsx';
import { Pictures } from './Pictures.tsx';
import { MovePanel } from '../list/MovePanel.tsx';
import { PotDrawing } from './PotDrawing.tsx';
import { PotHistory } from './PotHistory.tsx';
import { plantFacts } from '@zinc-pail/words/plantPage';
import { PotPanel } from './PotPanel.tsx';
import { RepotPanel } from './RepotPanel.tsx';
import { Rules } from './Rules.tsx';
import { Schools } from './Schools.tsx';
import { StoryView } from './StoryView.tsx';
import { Ways } from './Ways.tsx';
import { WAY_WORDS } from '@zinc-pail/words/ways';

export default function PlantScreen() {
  const plantId = Number(useParams().plantId);
  const plant = usePlant(plantId);
  const ended = plant.error instanceof ProblemError && plant.error.problem.status === 410;
  useEffect(() => {
    if (plant.data) sawPlant({ id: plant.data.id, name: plant.data.name, number: plant.data.number });
  }, [plant.data]);
  if (ended) return <StoryView plantId={plantId} />;
  if (plant.isPending) return <Waiting what="the plant" />;
  if (plant.isError && !plant.data) return <Failed error={plant.error} again={() => void plant.refetch()} />;
  return <Plant key={plant.data.id} plant={plant.data} />;
}

type Panel = 'note' | 'weigh' | 'pot' | 'repot' | 'move' | 'change' | 'end' | 'look-over' | 'copies' | null;

/** Marks of one key on this plant. */
function useDeeds(plant: PlantView) {
  const { mark, busy } = useMarks();
  const { site } = plant;
  const date = addDays(site.today, -useWritingFor());
  const pot = useMemo(
    (): Marked => ({ plantId: plant.id, name: plant.name, today: site.today, seen: plant.revision, before: plant }),
    [plant, site],
  );
  const water = useCallback(
    () => void mark([pot], () => wateredAsAdvised(plant, date), wateredWords(plant)),
    [mark, plant, pot, date],
  );
  const feel = useCallback((how: Felt) => void mark([pot], () => felt(how, date), `felt ${how}`), [mark, pot, date]);
  return { pot, water, feel, busy: busy.has(plant.id) };
}

function Plant({ plant }: { plant: PlantView }) {
  const { outlook, site } = plant;
  useTitle(plant.name);
  const [search] = useSearchParams();
  const [panel, setPanel] = useState<Panel>(search.has('look-over') ? 'look-over' : search.has('move') ? 'move' : null);
  const { pot, water, feel, busy } = useDeeds(plant);
  useKeys(
    useMemo(
      () => ({
        w: water,
        n: () => setPanel('note'),
        '1': () => feel('wet'),
        '2': () => feel('damp'),
        '3': () => feel('dry'),
      }),
      [water, feel],
    ),
  );
  return (
    <div className="px-3 pb-12 pt-3 sm:px-6">
      <ForYesterday today={site.today} />
      <Head plant={plant} />
      <div className="grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_320px]">
        <section aria-labelledby="now">
          <Today plant={plant} />
          <Buttons plant={plant} busy={busy} onWater={water} onFeel={feel} onPick={setPanel} />
          <Happened plant={plant} />
          <TaskWords plant={plant} />
          <DryCurve outlook={outlook} journal={plant.journal} today={site.today} />
          {outlook.alarm && (
            <p role="note" className="my-3 border-l-4 border-[var(--rust)] bg-[var(--frame)] p-3 text-[1rem]">
              <strong>Something changed.</strong> {alarmWords(outlook.alarm)}
            </p>
          )}
          <Facts plant={plant} />
          <div className="mt-6 grid grid-cols-1 gap-x-10 gap-y-6 xl:grid-cols-2">
            <Book plant={plant} />
            <Pictures plant={plant} />
            <Why outlook={outlook} />
            <Schools outlook={outlook} today={site.today} />
            <Growth plant={plant} />
            <Flowering plant={plant} />
          </div>
        </section>
        <aside className="grid content-start gap-6">
          <div>
            <PotDrawing plant={plant} />
            <PotHistory plant={plant} />
          </div>
          <Ways plant={plant} />
          <Rules plant={plant} />
          <Hardening plant={plant} />
          <Family plant={plant} />
          <Cautions outlook={outlook} poisonous={plant.record.poisonous} />
        </aside>
      </div>
      <OpenPanel panel={panel} plant={plant} pot={pot} onClose={() => setPanel(null)} />
    </div>
  );
}

/** Who it is and how it looks, where it stands and who stands beside it, and what is in doubt of it. */
function Head({ plant }: { plant: PlantView }) {
  const { outlook, record, site } = plant;
  const navigate = useNavigate();
  return (
    <>
      <div className="flex flex-wrap items-center justify-between gap-x-4 print:hidden">
        <button
          type="button"
          className="inline-flex min-h-11 items-center gap-1 text-[var(--ink-2)] hover:text-[var(--ink)]"
          onClick={() => void (window.history.length > 1 ? navigate(-1) : navigate('/'))}
        >
          <ArrowLeft aria-hidden="true" size={18} /> Back
        </button>
        <Beside plant={plant} />
      </div>
      <header className="mb-3 flex items-end gap-4 border-b-2 border-[var(--ink)] pb-2">
        <Portrait plant={plant} />
        <div className="min-w-0">
          <h1 className="text-[1.75rem] leading-tight">
            <Name written={plant.name} />
          </h1>
          <p className="flex flex-wrap gap-x-4 text-[1rem] text-[var(--ink-2)]">
            <span>number {plant.number}</span>
            <StateMark state={outlook.state} />
            <WeatherMark pot={plant} />
            <span>{plant.place.name}</span>
            {record.name_sure !== 'sure' && (
              <span className="font-semibold text-[var(--straw)]">
                name{' '}
                {record.name_sure === 'likely' ? 'likely, not sure: a little drier' : 'unknown: kept to the dry side'}
              </span>
            )}
            {isApart(record.quarantine_until, site.today) && (
              <span className="font-semibold text-[var(--straw)]">
                apart until {nearDay(record.quarantine_until!, site.today)}
              </span>
            )}
            {record.other_names && <span>{record.other_names}</span>}
            {plant.provenance && <span>{plant.provenance}</span>}
          </p>
        </div>
      </header>
    </>
  );
}

const PORTRAIT_PX = 104;

/** The newest photograph, else the plant as it is drawn. */
function Portrait({ plant }: { plant: PlantView }) {
  // They come with the newest first.
  const [newest] = plant.record.pictures;
  if (newest)
    return (
      <a href="#pictures" className="shrink-0">
        <img
          src={`/api/pictures/${newest.id}/small`}
          alt={`${plant.name} on ${fullDay(newest.day)}`}
          width={PORTRAIT_PX}
          height={PORTRAIT_PX}
          className="size-[6.5rem] border border-[var(--rule)] object-cover"
        />
      </a>
    );
  const { pot, state } = plant.outlook;
  return (
    <PotGlyph
      pot={pot}
      name={plant.name}
      form={plant.form}
      state={state}
      diameterMm={plant.diameter_mm}
      heightMm={plant.height_mm}
      size={PORTRAIT_PX}
      pxPerMm={1}
    />
  );
}

/** The walk along its bench: the pot before it and the next. */
function Beside({ plant }: { plant: PlantView }) {
  const bench = useBench(plant.place.id, true);
  const navigate = useNavigate();
  const at = bench.data?.findIndex(({ id }) => id === plant.id) ?? -1;
  const before = at > 0 ? bench.data![at - 1] : undefined;
  const next = at >= 0 ? bench.data![at + 1] : undefined;
  useKeys(
    useMemo(
      () => ({
        ArrowLeft: () => before && void navigate(`/plants/${before.id}`, { replace: true }),
        ArrowRight: () => next && void navigate(`/plants/${next.id}`, { replace: true }),
      }),
      [before, next, navigate],
    ),
  );
  const link = (pot: typeof next, words: string) =>
    pot && (
      <Link
        to={`/plants/${pot.id}`}
        replace
        className="flex min-h-11 min-w-0 items-center gap-1 hover:underline"
        aria-label={`${words}: ${pot.name}, ${pot.number}`}
      >
        {words === 'Before' && <ArrowLeft aria-hidden="true" size={18} />}
        <span className="max-w-[11rem] truncate">
          <Name written={pot.name} />
        </span>
        {words === 'Next' && <ArrowRight aria-hidden="true" size={18} />}
      </Link>
    );
  return (
    <nav aria-label={`On ${plant.place.name}`} className="flex min-w-0 gap-4 text-[0.9375rem]">
      {link(before, 'Before')}
      {link(next, 'Next')}
    </nav>
  );
}

/** The one answer, and why. */
function Today({ plant }: { plant: PlantView }) {
  const { head, reason, beside, then } = wordsFor(plant, plant.site.today);
  return (
    <h2 id="now" className="text-xl">
      <strong className="font-semibold">{head}.</strong>{' '}
      <span className="font-[family-name:var(--font-sans)] text-[1.0625rem] text-[var(--ink-2)]">
        {[reason, ...beside, then].filter(Boolean).join(' ')}
      </span>
    </h2>
  );
}

interface ButtonsProps {
  plant: PlantView;
  busy: boolean;
  onWater(): void;
  onFeel(how: Felt): void;
  onPick(panel: Panel): void;
}

function Buttons({ plant, busy, onWater, onFeel, onPick }: ButtonsProps) {
  const due = kindOf(plant, plant.site.today) === 'water';
  return (
    <div className="my-3 flex flex-wrap gap-2">
      <button type="button" className={`btn h-11 px-5 ${due ? 'btn-primary' : ''}`} disabled={busy} onClick={onWater}>
        Watered
      </button>
      {(['wet', 'damp', 'dry'] as const).map((how) => (
        <button key={how} type="button" className="btn h-11 min-w-16" disabled={busy} onClick={() => onFeel(how)}>
          Felt {how}
        </button>
      ))}
      <button type="button" className="btn h-11" onClick={() => onPick('weigh')}>
        Weigh…
      </button>
      <button type="button" className="btn h-11" onClick={() => onPick('move')}>
        Move…
      </button>
      <button type="button" className="btn h-11" onClick={() => onPick('repot')}>
        Repot…
      </button>
      <button type="button" className="btn h-11" onClick={() => onPick('note')}>
        Note something…
      </button>
      <Link to={`/clinic/${plant.id}`} className="btn h-11">
        What ails it?
      </Link>
      <Menu plant={plant} onPick={onPick} />
    </div>
  );
}

function Why({ outlook }: { outlook: PlantView['outlook'] }) {
  return (
    <section aria-labelledby="why">
      <h2 id="why" className="mb-1 border-b-2 border-[var(--ink)] pb-1 text-[1.0625rem] font-semibold">
        Why this day
      </h2>
      <p className="text-[0.9375rem] text-[var(--ink-2)]">
        From full to dry takes about {Math.round(outlook.cycle_days)} days here now, against{' '}
        {Math.round(outlook.reference_days)} for the same plant in a plain 9 cm plastic pot on a mild bright bench:
      </p>
      <BecauseBars reasons={outlook.because} />
    </section>
  );
}

interface OpenPanelProps {
  panel: Panel;
  plant: PlantView;
  pot: Marked;
  onClose(): void;
}

function OpenPanel({ panel, plant, pot, onClose }: OpenPanelProps) {
  const places = usePlaces();
  const { today } = plant.site;
  const date = addDays(today, -useWritingFor());
  switch (panel) {
    case 'note':
      return <NotePanel pots={[pot]} date={date} onClose={onClose} />;
    case 'weigh':
      return <NotePanel pots={[pot]} date={date} kind="weight" onClose={onClose} />;
    case 'pot':
      return <PotPanel plant={plant} onClose={onClose} />;
    case 'repot':
      return <RepotPanel plant={plant} onClose={onClose} />;
    case 'move': {
      const elsewhere = places.data?.filter(({ id }) => id !== plant.place.id);
      return elsewhere ? <MovePanel ids={[plant.id]} places={elsewhere} today={today} onClose={onClose} /> : null;
    }
    case 'change':
      return <ChangePanel plant={plant} onClose={onClose} />;
    case 'end':
      return <EndPanel plant={plant} onClose={onClose} />;
    case 'copies':
      return <CopiesPanel plant={plant} onClose={onClose} />;
    case 'look-over':
      return <LookOver plant={plant} onClose={onClose} />;
    case null:
      return null;
  }
}

function Facts({ plant }: { plant: PlantView }) {
  const { outlook, site, task } = plant;
  const facts = [
    ...plantFacts(outlook, task.judgement.sure, { today: site.today, units: units() }),
    ['Last time', lastTimes(plant)] as const,
  ];
  return (
    <dl className="mt-4 grid grid-cols-[6.5rem_minmax(0,1fr)] gap-y-1 text-[1rem]">
      {facts.map(([term, fact]) => (
        <div key={term} className="contents">
          <dt className="text-[var(--ink-2)]">{term}</dt>
          <dd>
            {fact}
            {term === 'Season' && <SeasonTaps plant={plant} />}
          </dd>
        </div>
      ))}
    </dl>
  );
}

/** What is seen of its season overrules what is reckoned, at one tap. */
function SeasonTaps({ plant }: { plant: PlantView }) {
  const { mark } = useMarks();
  const { today } = plant.site;
  const pot: Marked = { plantId: plant.id, name: plant.name, today, seen: null, before: plant };
  return (
    <span className="ml-1 inline-flex flex-wrap gap-x-1">
      {SEASON_SEEN[plant.outlook.state].map(({ label, said, event }) => (
        <button
          key={label}
          type="button"
          className="h-8 px-1.5 text-[0.9375rem] underline"
          onClick={() => void mark([pot], () => [event(today)], said)}
        >
          {label}
        </button>
      ))}
    </span>
  );
}

const LASTS: readonly (readonly [string, string])[] = [
  ['watering', 'watered'],
  ['feeding', 'fed'],
  ['repotting', 'repotted'],
  ['move', 'moved'],
  ['check', 'felt or weighed'],
  ['case-step', 'treated'],
];

/** When each thing was last done, in one line. */
function lastTimes({ journal, site }: PlantView): string {
  return LASTS.map(([type, word]) => {
    const entry = journal.find((one) => !one.voided && one.event.type === type);
    return `${word} ${entry ? nearDay(entry.event.date, site.today) : 'never on record'}`;
  }).join(', ');
}

/** What is done with it now and then: its record, copies, labels, its end. */
function Menu({ plant, onPick }: { plant: PlantView; onPick(panel: Panel): void }) {
  const items: [Exclude<Panel, null>, string][] = [
    ['pot', 'Correct its pot or mix'],
    ['change', 'Change its record'],
    ['look-over', 'Look it over'],
    ['copies', 'Add another, or offsets'],
    ['end', 'Given away, or died'],
  ];
  return (
    <details className="relative">
      <summary className="btn h-11 list-none">More…</summary>
      <ul className="absolute left-0 z-10 w-56 border border-[var(--ink)] bg-[var(--paper)]">
        {items.map(([panel, label]) => (
          <li key={panel}>
            <button
              type="button"
              className="h-11 w-full px-3 text-left hover:bg-[var(--frame)]"
              onClick={(event) => {
                event.currentTarget.closest('details')!.open = false;
                onPick(panel);
              }}
            >
              {label}
            </button>
          </li>
        ))}
        <li>
          <a
            className="flex h-11 items-center px-3 hover:bg-[var(--frame)]"
            href={`/shed/papers-out?labels=${plant.id}`}
          >
            Print its label
          </a>
        </li>
      </ul>
    </details>
  );
}

/** How its next drink goes: way, measure, water, food, and what to mind. */
function TaskWords({ plant }: { plant: PlantView }) {
  const { task, outlook, site } = plant;
  const kitchen = units().volume === 'cups' ? null : cups(task.amount_ml);
  const food = task.food === null ? 'plain.' : `with food at ${shareWords(task.food)}.`;
  const words = wordsFor(plant, site.today);
  return (
    <div className="mb-2 max-w-prose text-[1rem]">
      {outlook.state !== 'resting' && (
        <p>
          Its next drink is {WAY_WORDS[task.way].next}, about {litres(task.amount_ml)}
          {kitchen && ` (${kitchen})`} of {task.water} water, {food} {feedWords(task.feed, site.today, units())}
        </p>
      )}
      <p className="text-[var(--ink-2)]">{[...words.mind, words.never].join(' ')}</p>
      {task.own_words && (
        <p>
          <strong className="font-semibold">Your rule:</strong> {task.own_words}
        </p>
      )}
      {task.hard_to_replace && (
        <p className="text-[var(--ink-2)]">
          Hard to replace: when in doubt, it waits. Think of an insurance cutting or offset.
        </p>
      )}
    </div>
  );
}
