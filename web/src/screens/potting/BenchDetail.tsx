/** One plant on the potting bench: old pot beside new, to scale; what the step does; of what, how deep, in which steps. */
import type { Kit } from '@zinc-pail/contract/keeping';
import type { BenchPlant } from '@zinc-pail/contract/potting';
import {
  DEPTH_WORDS,
  MATERIAL_WORDS,
  needWords,
  blockWords,
  pottingSteps,
  ROOTING_WORDS,
  suitsWords,
} from '@zinc-pail/words/potting';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { useJournal } from '../../api/journal.ts';
import { PotGlyph } from '../../drawing/PotGlyph.tsx';
import { SectionHead } from '../../forms/Fields.tsx';
import { Name } from '../../naming/Name.tsx';
import { centimetres } from '../../reader/amounts.ts';
import { units } from '../../reader/units.ts';
import { PotItPanel } from './PotItPanel.tsx';

/** Room for one of the two drawings. */
const WIDE = 220;
const ON_A_PHONE = 160;
const PHONE_PX = 480;

export function BenchDetail({ plant, kit, today }: { plant: BenchPlant; kit: Kit; today: string }) {
  const [potting, setPotting] = useState(false);
  const { old, next } = plant;
  const drawingPx = window.innerWidth < PHONE_PX ? ON_A_PHONE : WIDE;
  const widest = Math.max(old.pot.top_mm, next.pot.top_mm, plant.diameter_mm, 1);
  const tallest = Math.max(old.pot.depth_mm, next.pot.depth_mm) + plant.height_mm + 6;
  const pxPerMm = Math.min((drawingPx - 4) / widest, (drawingPx - 4) / tallest);
  const drawn = (pot: typeof old.pot, label: string) => (
    <PotGlyph
      pot={pot}
      name={plant.name}
      form={plant.form}
      state="growing"
      diameterMm={plant.diameter_mm}
      heightMm={plant.height_mm}
      size={drawingPx}
      pxPerMm={pxPerMm}
      label={label}
    />
  );
  return (
    <section aria-labelledby="bench-plant">
      <SectionHead id="bench-plant">{`${plant.number} at ${plant.place}`}</SectionHead>
      <p className="slab text-[1.1875rem]">
        <Link to={`/plants/${plant.id}`} className="underline">
          <Name written={plant.name} />
        </Link>
      </p>
      <p>
        {plant.need.reasons.length > 0
          ? `${capital(plant.need.reasons.map((reason) => needWords(reason, units())).join('; '))}.`
          : 'Nothing asks for a new pot.'}{' '}
        {plant.tight && 'It likes its roots tight: wait for strong signs. '}
        {plant.rootShy && 'It dislikes root work: no more than needed. '}
      </p>
      {plant.blocks.map((block) => (
        <p key={block.code} className="mt-1 border-l-4 border-[var(--straw)] pl-2">
          Not now, but for a rescue: {blockWords(block, today, units())}.
        </p>
      ))}
      {plant.blocks.length > 0 && (
        <p className="mt-1">
          A rescue goes now into a pot just large enough for its roots, {size(plant.interim)}; its final pot then waits
          here for its season.
        </p>
      )}
      <p className="mt-1">When: {suitsWords(plant.suits, today)}</p>
      <div className="mt-2 flex items-end justify-center gap-2 bg-[var(--frame)] p-2">
        {drawn(old.pot, `the pot it has, ${centimetres(old.pot.top_mm)} across`)}
        {drawn(next.pot, `the next pot, ${centimetres(next.pot.top_mm)} across`)}
      </div>
      <Step plant={plant} />
      <p className="mt-2">
        <b>Pot:</b> {ROOTING_WORDS[next.rooting]}, with a hole. <b>Of what:</b>{' '}
        {plant.materials
          .slice(0, 3)
          .map(
            ({ material, codes }) =>
              `${material}${codes.length > 0 ? ` (${codes.map((code) => MATERIAL_WORDS[code]).join(', ')})` : ''}`,
          )
          .join('; ')}
        . Last: {plant.materials.at(-1)!.material}.
      </p>
      <p>
        <b>How deep:</b> {DEPTH_WORDS[plant.depth]}
      </p>
      <ol className="mt-2 list-decimal pl-5">
        {pottingSteps({ first: plant.first, depth: plant.depth, cautions: plant.cautions, holes: next.pot.holes })
          .filter((step) => step !== DEPTH_WORDS[plant.depth])
          .map((step) => (
            <li key={step}>{step}</li>
          ))}
      </ol>
      <button type="button" className="btn btn-primary mt-3 h-11 px-6" onClick={() => setPotting(true)}>
        Pot it…
      </button>{' '}
      {plant.need.verdict !== 'none' && <FitsButton plant={plant} today={today} />}
      {potting && <PotItPanel plant={plant} kit={kit} today={today} onClose={() => setPotting(false)} />}
    </section>
  );
}

const KMH_PER_MS = 3.6;
/** The lean, and the gust, that tip it over. */
const tips = ({ tipsAtDeg, tipsInWindMS }: BenchPlant['old']['stand']) =>
  `${tipsAtDeg}°, gusts of ${Math.round(tipsInWindMS * KMH_PER_MS)} km/h`;

function Step({ plant }: { plant: BenchPlant }) {
  const { old, next } = plant;
  const days = ({ p10, p50, p90 }: { p10: number; p50: number; p90: number }) =>
    `${Math.round(p50)} (${Math.round(p10)} to ${Math.round(p90)})`;
  const rows: [string, string, string][] = [
    ['across × deep', size(old.pot), size(next.pot)],
    ['weight, drained', `${old.stand.weightG} g`, `${next.stand.weightG} g`],
    ['tips from', tips(old.stand), tips(next.stand)],
    ['days to dry now', days(old.days.now), days(next.days.now)],
    ['and in winter', days(old.days.winter), days(next.days.winter)],
  ];
  return (
    <>
      <table className="mt-2 w-full text-[0.9375rem]">
        <thead>
          <tr className="text-left text-[var(--ink-2)]">
            <th className="font-normal">pot</th>
            <th className="font-normal">now</th>
            <th className="font-normal">next</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([what, was, is]) => (
            <tr key={what} className="border-t border-[var(--rule)]">
              <th scope="row" className="text-left font-normal text-[var(--ink-2)]">
                {what}
              </th>
              <td>{was}</td>
              <td>{is}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className={next.tooLarge ? 'mt-1 border-l-4 border-[var(--straw)] pl-2 font-semibold' : 'mt-1'}>
        {next.times.toFixed(2)} times the mix it has
        {next.tooLarge
          ? ': a large step. Mix without roots stays wet; a pot just wide enough first, and this one later.'
          : '.'}
      </p>
    </>
  );
}

function size(pot: BenchPlant['old']['pot']): string {
  return `${centimetres(pot.top_mm)} × ${centimetres(pot.depth_mm)}, ${pot.material}`;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** Looked at, and it fits: an answer that sets the next look a year on. */
function FitsButton({ plant, today }: { plant: BenchPlant; today: string }) {
  const journal = useJournal();
  const fits = useMutation({
    mutationFn: () => journal.write([{ plantId: plant.id, seen: null, events: [{ type: 'pot-fits', date: today }] }]),
  });
  return (
    <button type="button" disabled={fits.isPending} className="btn mt-3 h-11 px-4" onClick={() => fits.mutate()}>
      Looked: it fits
    </button>
  );
}
