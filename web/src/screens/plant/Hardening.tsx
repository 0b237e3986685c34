import type { PlantView } from '@zinc-pail/contract/api';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { max, scaleLinear } from 'd3';
import { ask } from '../../api/client.ts';
import { plantKey } from '../../api/plant.ts';
import { roundKey } from '../../api/round.ts';
import { shortDay } from '../../reader/days.ts';
import { SectionHead } from '../../forms/Fields.tsx';

/** From shade to sun, a bar a day; today's is filled. */
export function Hardening({ plant }: { plant: PlantView }) {
  const steps = plant.record.hardening;
  const queries = useQueryClient();
  const act = useMutation({
    mutationFn: (what: 'scorched' | 'hardening/end') =>
      ask(`/plants/${plant.id}/${what}`, { method: 'POST', body: {} }),
    onSettled: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: plantKey(plant.id) }),
        queries.invalidateQueries({ queryKey: roundKey }),
      ]),
  });
  if (!steps || steps.length === 0) return null;
  const { today } = plant.site;
  const y = scaleLinear([0, max(steps, (step) => step.minutes) ?? 60], [0, 70]);
  const width = 300 / steps.length;
  const now = steps.find((step) => step.date === today);
  return (
    <section aria-labelledby="hardening">
      <SectionHead id="hardening">Out into the sun</SectionHead>
      <svg
        viewBox="0 0 300 96"
        className="w-full"
        role="img"
        aria-label={`Minutes of direct sun day by day: ${steps.map((step) => `${shortDay(step.date)} ${step.minutes}`).join(', ')}`}
      >
        {steps.map((step, i) => (
          <rect
            key={step.date}
            x={i * width + 1}
            y={76 - y(step.minutes)}
            width={Math.max(2, width - 2)}
            height={y(step.minutes)}
            fill={step.date === today ? 'var(--clay)' : step.date < today ? 'var(--ink-2)' : 'none'}
            stroke="var(--ink-2)"
          />
        ))}
        <text x="0" y="92" fontSize="13" fill="var(--ink-2)">
          {shortDay(steps[0]!.date)}
        </text>
        <text x="300" y="92" textAnchor="end" fontSize="13" fill="var(--ink-2)">
          {shortDay(steps.at(-1)!.date)}
        </text>
      </svg>
      <p className="text-[0.9375rem]">
        {now
          ? `Today ${now.minutes} minutes of direct sun, then back to shade.`
          : steps.at(-1)!.date < today
            ? 'The plan is done.'
            : 'It begins later.'}
      </p>
      <div className="mt-1 flex gap-2">
        <button type="button" className="btn h-11" disabled={act.isPending} onClick={() => act.mutate('scorched')}>
          It scorched: a step back
        </button>
        <button
          type="button"
          className="btn btn-ghost h-11"
          disabled={act.isPending}
          onClick={() => act.mutate('hardening/end')}
        >
          End the plan
        </button>
      </div>
    </section>
  );
}
