import type { PlantView } from '@zinc-pail/contract/api';
import { PotGlyph } from '../../drawing/PotGlyph.tsx';
import { Stick } from '../../drawing/Stick.tsx';
import { bandOf, hasSmallHole, type Pot } from '@zinc-pail/core';
import { centimetres, litres } from '../../reader/amounts.ts';
import { shortDay } from '../../reader/days.ts';
import { smallLength } from '../../reader/units.ts';

const SIZE = 230;

function holeWords(pot: Pot): string {
  if (!pot.holes) return 'none: all that is poured stays';
  const told = [pot.hole_count && `${pot.hole_count}`, pot.hole_mm && `${smallLength(pot.hole_mm)} across`].filter(
    Boolean,
  );
  return `${told.length > 0 ? told.join(', ') : 'yes'}${hasSmallHole(pot) ? ': small for it' : ''}`;
}

/** The pot to scale beside the stick as it would come out, and what both are made of. */
export function PotDrawing({ plant }: { plant: PlantView }) {
  const { outlook } = plant;
  const { pot } = outlook;
  const shape = pot.shape === 'square' ? 'square' : pot.shape === 'bowl' ? 'bowl' : 'round';
  return (
    <section aria-labelledby="pot">
      <h2 id="pot" className="border-b-2 border-[var(--ink)] pb-1 text-[1.0625rem] font-semibold">
        Pot and plant
      </h2>
      <div className="flex items-end justify-center gap-3 bg-[var(--frame)] p-3">
        <PotGlyph
          pot={pot}
          name={plant.name}
          form={plant.form}
          state={outlook.state}
          diameterMm={plant.diameter_mm}
          heightMm={plant.height_mm}
          size={SIZE}
          pxPerMm={2.2}
          label={`${shape} ${pot.material} pot, ${centimetres(pot.top_mm)} across, ${centimetres(pot.depth_mm)} deep, drawn to scale`}
        />
        <Stick
          moisture={outlook.moisture}
          dueM={outlook.due_m}
          height={150}
          label={`Now ${bandOf(outlook.moisture.p50)}`}
        />
      </div>
      <dl className="mt-2 grid grid-cols-[6rem_minmax(0,1fr)] text-[0.9375rem]">
        <dt className="text-[var(--ink-2)]">Pot</dt>
        <dd>
          {pot.dark && 'dark '}
          {shape} {pot.material}, {centimetres(pot.top_mm)} × {centimetres(pot.depth_mm)}
          {pot.top_dressing_mm > 0 && `, ${smallLength(pot.top_dressing_mm)} of grit on top`}
          {pot.crocks_mm != null && `, ${smallLength(pot.crocks_mm)} of crocks below`}
        </dd>
        <dt className="text-[var(--ink-2)]">Hole</dt>
        <dd className={pot.holes ? '' : 'font-semibold text-[var(--rust)]'}>{holeWords(pot)}</dd>
        <dt className="text-[var(--ink-2)]">Mix</dt>
        <dd>
          {plant.mix.name}:{' '}
          {plant.mix.parts.map((part) => `${part.parts} ${part.component.replaceAll('-', ' ')}`).join(', ')}
        </dd>
        <dt className="text-[var(--ink-2)]">Holds</dt>
        <dd>
          {litres(outlook.available_ml)} of {litres(outlook.volume_ml)}, for the plant
        </dd>
        <dt className="text-[var(--ink-2)]">Plant</dt>
        <dd>
          {centimetres(plant.diameter_mm)} wide, {centimetres(plant.height_mm)} high, {plant.form.replace('-', ' ')}
        </dd>
        <dt className="text-[var(--ink-2)]">Potted</dt>
        <dd>
          {shortDay(plant.potted_on)} {plant.potted_on.slice(0, 4)}
        </dd>
      </dl>
    </section>
  );
}
