import type { PlantView } from '@zinc-pail/contract/api';
import { ArrowLeft } from 'lucide-react';
import { useCallback, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { usePlant } from '../../api/plant.ts';
import { DryCurve } from '../../drawing/DryCurve.tsx';
import { BecauseBars } from '../../drawing/BecauseBars.tsx';
import { longDay, nearDay } from '../../parts/days.ts';
import { useKeys } from '../../parts/keys.ts';
import { felt, type Felt, wateredAsAdvised } from '../../parts/markEvents.ts';
import { useMarks } from '../../parts/Marks.tsx';
import { Name } from '../../parts/Name.tsx';
import { NotePanel } from '../../parts/NotePanel.tsx';
import { StateMark } from '../../parts/StateMark.tsx';
import { Failed, Waiting } from '../../parts/Waiting.tsx';
import { litres } from '../../parts/amounts.ts';
import { Book } from './Book.tsx';
import { Cautions } from './Cautions.tsx';
import { PotDrawing } from './PotDrawing.tsx';
import { Schools } from './Schools.tsx';
import { Ways } from './Ways.tsx';

export default function PlantScreen() {
  const plantId = Number(useParams().plantId);
  const plant = usePlant(plantId);
  if (plant.isPending) return <Waiting what="the plant" />;
  if (plant.isError && !plant.data) return <Failed error={plant.error} again={() => void plant.refetch()} />;
  return <Plant plant={plant.data} />;
}

function Plant({ plant }: { plant: PlantView }) {
  const { outlook, site } = plant;
  const [noting, setNoting] = useState(false);
  const { mark, busy } = useMarks();
  const pot = useMemo(() => ({ plantId: plant.id, name: plant.name, today: site.today, before: outlook }), [plant, site, outlook]);
  const water = useCallback(() => {
    const { events, said } = wateredAsAdvised(outlook, site.today);
    void mark(pot, events, said);
  }, [mark, outlook, pot, site.today]);
  const feel = useCallback(
    (how: Felt) => {
      const { events, said } = felt(how, site.today);
      void mark(pot, events, said);
    },
    [mark, pot, site.today],
  );
  useKeys(useMemo(() => ({ w: water, n: () => setNoting(true), '1': () => feel('wet'), '2': () => feel('damp'), '3': () => feel('dry') }), [water, feel]));
  return (
    <div className="px-3 pb-12 pt-3 sm:px-6">
      <Link to="/" className="inline-flex min-h-11 items-center gap-1 text-[var(--ink-2)] hover:text-[var(--ink)]"><ArrowLeft aria-hidden="true" size={18} /> Round</Link>
      <header className="mb-3 border-b-2 border-[var(--ink)] pb-2">
        <h1 className="text-[28px] leading-tight"><Name written={plant.name} /></h1>
        <p className="flex flex-wrap gap-x-4 text-[16px] text-[var(--ink-2)]">
          <span>number {plant.number}</span>
          <StateMark state={outlook.state} />
          <span>{plant.place.name}</span>
          {plant.provenance && <span>{plant.provenance}</span>}
        </p>
      </header>
      <div className="grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_320px]">
        <section aria-labelledby="now">
          <h2 id="now" className="text-xl">
            <strong className="font-semibold">{outlook.verdict.head}.</strong> <span className="font-[family-name:var(--font-sans)] text-[17px] text-[var(--ink-2)]">{outlook.verdict.reason}</span>
          </h2>
          <div className="my-3 flex flex-wrap gap-2">
            <button type="button" className={`btn h-11 px-5 ${outlook.verdict.kind === 'water' ? 'btn-primary' : ''}`} disabled={busy.has(plant.id)} onClick={water}>Watered</button>
            {(['wet', 'damp', 'dry'] as const).map((how) => (
              <button key={how} type="button" className="btn h-11 min-w-16" disabled={busy.has(plant.id)} onClick={() => feel(how)}>Felt {how}</button>
            ))}
            <button type="button" className="btn h-11" onClick={() => setNoting(true)}>Note something…</button>
          </div>
          <DryCurve outlook={outlook} journal={plant.journal} today={site.today} />
          {outlook.alarm && <p role="note" className="my-3 border-l-4 border-[var(--rust)] bg-[var(--frame)] p-3 text-[16px]"><strong>Something changed.</strong> {outlook.alarm.text}</p>}
          <Facts plant={plant} />
          <div className="mt-6"><Schools outlook={outlook} today={site.today} /></div>
          <div className="mt-6 grid grid-cols-1 gap-x-10 gap-y-6 xl:grid-cols-2">
            <section aria-labelledby="why">
              <h2 id="why" className="mb-1 border-b-2 border-[var(--ink)] pb-1 text-[17px] font-semibold">Why this day</h2>
              <p className="text-[15px] text-[var(--ink-2)]">From full to dry takes about {Math.round(outlook.cycle_days)} days here now, against {Math.round(outlook.reference_days)} for the same plant in a plain 9 cm plastic pot on a mild bright bench:</p>
              <BecauseBars reasons={outlook.because} />
            </section>
            <Book plant={plant} />
          </div>
        </section>
        <aside className="grid content-start gap-6">
          <PotDrawing plant={plant} />
          <Ways outlook={outlook} />
          <Cautions outlook={outlook} />
        </aside>
      </div>
      {noting && <NotePanel plantId={plant.id} name={plant.name} today={site.today} outlook={outlook} onClose={() => setNoting(false)} />}
    </div>
  );
}

function Facts({ plant }: { plant: PlantView }) {
  const { outlook, site } = plant;
  const { rate, water } = outlook;
  const facts: [string, string][] = [
    ['Window', water ? `${nearDay(water.earliest, site.today)} to ${nearDay(water.latest, site.today)}, best ${nearDay(water.ideal, site.today)}: ${litres(water.amount_ml)}` : (outlook.hold?.why ?? 'none in sight')],
    ['Drying', outlook.checks === 0 ? `as reckoned; nobody has looked yet (${rate.p10.toFixed(1)} to ${rate.p90.toFixed(1)} ×)` : `${rate.p50.toFixed(1)} × as fast as reckoned, from ${outlook.checks} ${outlook.checks === 1 ? 'check' : 'checks'} (${rate.p10.toFixed(1)} to ${rate.p90.toFixed(1)})`],
    ['Season', `${outlook.state} since ${longDay(outlook.state_since)}: ${outlook.state_why}${outlook.next_change ? `; ${outlook.next_change.state} from about ${nearDay(outlook.next_change.on, site.today)}` : ''}`],
    ['Its store', `${outlook.thirst.word}${outlook.thirst.wrinkles_in_days ? `; without water the first wrinkles in about ${outlook.thirst.wrinkles_in_days} days` : ''}`],
    ['Its roots', `${outlook.wet_feet.word}${outlook.wet_feet.harms_in_days ? `; in danger in about ${outlook.wet_feet.harms_in_days} days if it stays so` : ''}`],
    ['Last water', outlook.last_watered ? longDay(outlook.last_watered) : 'not on record'],
  ];
  return (
    <dl className="mt-4 grid grid-cols-[6.5rem_minmax(0,1fr)] gap-y-1 text-[16px]">
      {facts.map(([term, fact]) => (
        <div key={term} className="contents">
          <dt className="text-[var(--ink-2)]">{term}</dt>
          <dd>{fact}</dd>
        </div>
      ))}
    </dl>
  );
}
