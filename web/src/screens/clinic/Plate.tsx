/** The plant as a plate in a book: large, by its form, in its pot, with numbered places to point at. */
import { PlantFromSide } from '../../drawing/plant/Plant.tsx';
import type { Zone } from './zones.ts';

const WIDTH = 300;
const HEIGHT = 330;
const SOIL = 214;
const MIDDLE = WIDTH / 2;
/** Above the plant, for the highest number. */
const ROOM = 24;

interface PlateProps {
  name: string;
  form: string;
  diameterMm: number;
  heightMm: number;
  zones: readonly Zone[];
  chosen: Zone['id'] | null;
  onChoose(zone: Zone['id']): void;
}

export function Plate({ name, form, diameterMm, heightMm, zones, chosen, onChoose }: PlateProps) {
  const ratio = Math.max(0.35, Math.min(2.2, heightMm / Math.max(1, diameterMm)));
  const width = Math.min(190, 180 / Math.max(0.75, ratio));
  const height = Math.min(190, Math.max(70, width * ratio));
  const roots = chosen === 'roots';
  const top = SOIL - height - ROOM;
  const tall = HEIGHT - top;
  const spot = ([x, y]: Zone['at']) => ({ x: MIDDLE + x * width, y: y >= 0 ? SOIL - y * height : SOIL - y * 96 });
  return (
    <div className="relative mx-auto w-full max-w-[300px]">
      <svg viewBox={`0 ${top} ${WIDTH} ${tall}`} className="block w-full" aria-hidden="true">
        <g transform={`translate(${MIDDLE} ${SOIL})`}>
          <PlantFromSide name={name} form={form} state="waking" width={width} height={height} />
        </g>
        <path d={`M${MIDDLE - 78},${SOIL}h156l-20,98h-116z`} fill="#c07a55" opacity={roots ? 0.25 : 1} />
        <rect x={MIDDLE - 84} y={SOIL - 2} width={168} height={16} rx={2} fill="#ad6743" opacity={roots ? 0.25 : 1} />
        {roots &&
          [-40, -22, -6, 12, 28, 44].map((x) => (
            <path
              key={x}
              d={`M${MIDDLE + x * 0.5},${SOIL + 6}Q${MIDDLE + x},${SOIL + 46} ${MIDDLE + x * 1.3},${SOIL + 86}`}
              fill="none"
              stroke="var(--earth)"
              strokeWidth={3}
              strokeLinecap="round"
            />
          ))}
      </svg>
      {zones.map((zone, i) => {
        const { x, y } = spot(zone.at);
        const on = zone.id === chosen;
        return (
          <button
            key={zone.id}
            type="button"
            aria-label={`${i + 1}, ${zone.label}`}
            aria-pressed={on}
            className="absolute grid size-11 -translate-x-1/2 -translate-y-1/2 place-items-center"
            style={{ left: `${(x / WIDTH) * 100}%`, top: `${((y - top) / tall) * 100}%` }}
            onClick={() => onChoose(zone.id)}
          >
            <span
              className={`grid size-7 place-items-center rounded-full border-2 text-[0.9375rem] font-semibold ${on ? 'border-[var(--clay)] bg-[var(--clay)] text-[var(--color-primary-content)]' : 'border-[var(--ink)] bg-[var(--paper)]'}`}
            >
              {i + 1}
            </span>
          </button>
        );
      })}
    </div>
  );
}
