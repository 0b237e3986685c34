/** Beside a pot that the weather is after: a frost flower or a sun, always with its word. */
import type { RoundPot } from '@zinc-pail/contract/api';

const FROST = [0, 60, 120].map((turn) => `rotate(${turn})`);
const RAYS = [0, 45, 90, 135, 180, 225, 270, 315];

export type WeatherDanger = 'frost' | 'heat';

/** What of the weather stands in the reasons of a pot's judgement. */
export function weatherDanger({ task }: Pick<RoundPot, 'task'>): WeatherDanger | null {
  const codes = task.judgement.because.map(({ code }) => code);
  if (codes.includes('below-limit')) return 'frost';
  return codes.includes('too-hot') ? 'heat' : null;
}

export function WeatherGlyph({ danger, size = 16 }: { danger: WeatherDanger; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="-8 -8 16 16" aria-hidden="true" className="shrink-0">
      {danger === 'frost'
        ? FROST.map((turn) => (
            <path
              key={turn}
              transform={turn}
              d="M0,-7V7M-2.4,-5.4L0,-3.4L2.4,-5.4M-2.4,5.4L0,3.4L2.4,5.4"
              fill="none"
              stroke="var(--dusk)"
              strokeWidth="1.5"
            />
          ))
        : [
            <circle key="sun" r="3" fill="var(--rust)" />,
            ...RAYS.map((turn) => (
              <path key={turn} transform={`rotate(${turn})`} d="M0,-4.6V-7.4" stroke="var(--rust)" strokeWidth="1.6" />
            )),
          ]}
    </svg>
  );
}

export function WeatherMark({ pot }: { pot: Pick<RoundPot, 'task'> }) {
  const danger = weatherDanger(pot);
  if (!danger) return null;
  return (
    <span
      className={`inline-flex items-center gap-1 whitespace-nowrap font-semibold ${danger === 'frost' ? 'text-[var(--dusk)]' : 'text-[var(--rust)]'}`}
    >
      <WeatherGlyph danger={danger} />
      {danger === 'frost' ? 'too cold tonight' : 'too hot'}
    </span>
  );
}
