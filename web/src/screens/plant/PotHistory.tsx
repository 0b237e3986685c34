/** The pots a plant stood in, drawn to one scale, with what each did to its drying. */
import type { PlantView } from '@zinc-pail/contract/api';
import type { PotsOf, PotThatWas } from '@zinc-pail/contract/potting';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ask } from '../../api/client.ts';
import { PotGlyph } from '../../drawing/PotGlyph.tsx';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { centimetres } from '../../reader/amounts.ts';
import { fullDay } from '../../reader/days.ts';

const SIZE = 110;

export function PotHistory({ plant }: { plant: PlantView }) {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2 text-[1rem] underline">Pots it has stood in</summary>
      {open && <Pots plant={plant} />}
    </details>
  );
}

function Pots({ plant }: { plant: PlantView }) {
  const pots = useQuery({
    queryKey: ['pots-of', plant.id, plant.revision],
    queryFn: async () => (await ask<PotsOf>(`/plants/${plant.id}/pots`)).pots,
  });
  if (pots.isError) return <Failed error={pots.error} again={() => void pots.refetch()} />;
  if (!pots.data) return <Waiting what="its pots" />;
  const largest = Math.max(...pots.data.map(({ pot }) => Math.max(pot.top_mm, pot.depth_mm)));
  return (
    <ol className="text-[0.9375rem]">
      {pots.data.map((one, i) => (
        <li key={`${one.from} ${i}`} className="flex gap-3 border-t border-[var(--rule)] py-2">
          <PotGlyph
            pot={one.pot}
            name=""
            form={plant.form}
            state={plant.outlook.state}
            diameterMm={0}
            heightMm={0}
            size={SIZE}
            pxPerMm={(SIZE - 8) / largest}
            label={`${one.pot.material} pot, ${centimetres(one.pot.top_mm)} across, to scale with the others`}
          />
          <div>
            {potLines(one).map((line) => (
              <p key={line}>{line}</p>
            ))}
          </div>
        </li>
      ))}
    </ol>
  );
}

/** How far a new pot moved the plant's drying, and by what. */
export function movedWords(before: PotThatWas, after: PotThatWas): string {
  const [was, is] = [before, after].map(({ reckoned }) => Math.round(reckoned.now.p50));
  const [old, fresh] = [before.pot, after.pot];
  const why = [
    ...(Math.abs(fresh.top_mm * fresh.top_mm * fresh.depth_mm - old.top_mm * old.top_mm * old.depth_mm) >
    0.05 * old.top_mm * old.top_mm * old.depth_mm
      ? [
          `${centimetres(fresh.top_mm)} × ${centimetres(fresh.depth_mm)} after ${centimetres(old.top_mm)} × ${centimetres(old.depth_mm)}`,
        ]
      : []),
    ...(fresh.material === old.material ? [] : [`${fresh.material} after ${old.material}`]),
    ...(after.mix === before.mix ? [] : [`${after.mix} after ${before.mix}`]),
    ...(fresh.top_dressing_mm === old.top_dressing_mm ? [] : ['its top dressing']),
    ...(fresh.holes === old.holes ? [] : [fresh.holes ? 'it has a hole now' : 'it has no hole now']),
  ];
  const moved =
    was === is ? `As before it dries in about ${is} days` : `It dries in about ${is} days now, ${was} before`;
  return `${moved}${why.length > 0 ? `: ${why.join(', ')}` : ''}. Dry-downs of the old pot no longer count.`;
}

/** What is said of one pot: since when, of what, and how it dried. */
export function potLines({ from, to, pot, mix, reckoned, drinks, median_days: gap, against }: PotThatWas): string[] {
  return [
    to === null ? `Since ${fullDay(from)}` : `${fullDay(from)} to ${fullDay(to)}`,
    `${centimetres(pot.top_mm)} × ${centimetres(pot.depth_mm)}, ${pot.material}, in ${mix}`,
    `Where it is now, dry in ${Math.round(reckoned.now.p50)} days, ${Math.round(reckoned.winter.p50)} in winter.`,
    gap === null
      ? `${drinks === 0 ? 'No drinks' : drinks === 1 ? 'One drink' : `${drinks} drinks`} on record, too few to compare.`
      : `${drinks} drinks, ${Math.round(gap)} days between two.`,
    ...(against ? [againstWords(against.times)] : []),
  ];
}

function againstWords(times: number): string {
  const much = Math.max(times, 1 / times);
  if (much < 1.1) return 'It dries as the pot before did at the same time of year.';
  return times > 1
    ? `At the same time of year it lasts ${much.toFixed(1)} times as long as the pot before.`
    : `At the same time of year it dries ${much.toFixed(1)} times as fast as the pot before.`;
}
