import type { PlacePot, PlaceView } from '@zinc-pail/contract/keeping';
import { useNavigate } from 'react-router';

/** Where no bench was measured, its pots stand in rows of this width. */
const USUAL_WIDTH_MM = 2000;
const GAP_MM = 12;
const EDGE_MM = 20;

const MATERIALS: Record<string, string> = {
  terracotta: 'var(--clay)',
  plastic: 'var(--ink-2)',
  glazed: 'var(--dusk)',
  concrete: 'var(--grit)',
  metal: 'var(--grit)',
};
/** What a pot wants, as its filling and as a mark of its own. */
const FILLS: Record<string, string> = {
  act: 'var(--rust)',
  water: 'var(--clay)',
  look: 'var(--straw)',
  soon: 'var(--dusk)',
  leave: 'none',
};
const WORDS: Record<string, string> = {
  act: 'act today',
  water: 'to water',
  look: 'look first',
  soon: 'soon',
  leave: 'leave alone',
};

interface Set {
  pot: PlacePot;
  x: number;
  y: number;
}

/** Row after row in walking order, as deep as the widest pot of each. */
function setOut(pots: readonly PlacePot[], widthMm: number): { sets: Set[]; depthMm: number } {
  const sets: Set[] = [];
  let x = EDGE_MM;
  let y = EDGE_MM;
  let rowMm = 0;
  for (const pot of pots) {
    if (x + pot.width_mm > widthMm - EDGE_MM && x > EDGE_MM) {
      x = EDGE_MM;
      y += rowMm + GAP_MM;
      rowMm = 0;
    }
    sets.push({ pot, x, y });
    x += pot.width_mm + GAP_MM;
    rowMm = Math.max(rowMm, pot.width_mm);
  }
  return { sets, depthMm: y + rowMm + EDGE_MM };
}

/** The bench from above, its pots to scale in walking order; what runs over its edge does not fit. */
export function BenchDrawing({ place }: { place: PlaceView }) {
  const navigate = useNavigate();
  const widthMm = place.width_mm ?? USUAL_WIDTH_MM;
  const { sets, depthMm } = setOut(place.pots, widthMm);
  const benchMm = place.depth_mm ?? depthMm;
  const height = Math.max(benchMm, depthMm);
  if (place.pots.length === 0) return <p className="py-2 text-[0.9375rem] text-[var(--ink-2)]">Nothing stands here.</p>;
  return (
    <svg
      viewBox={`0 0 ${widthMm} ${height}`}
      className="mt-2 max-h-[340px] w-full"
      style={{ maxWidth: widthMm * 0.55 }}
      role="group"
      aria-label={`${place.name} from above: ${place.pots.length} pots to scale`}
    >
      <rect width={widthMm} height={benchMm} fill="var(--frame)" stroke="var(--ink-2)" strokeWidth="6" />
      {sets.map(({ pot, x, y }) => {
        const r = pot.width_mm / 2;
        const label = `${pot.name}, ${pot.number}: ${WORDS[pot.verdict]}`;
        const shape = { fill: FILLS[pot.verdict], fillOpacity: 0.75, stroke: MATERIALS[pot.material], strokeWidth: 9 };
        return (
          <g
            key={pot.id}
            role="link"
            aria-label={label}
            tabIndex={0}
            className="cursor-pointer"
            onClick={() => void navigate(`/plants/${pot.id}`)}
            onKeyDown={(event) => event.key === 'Enter' && void navigate(`/plants/${pot.id}`)}
          >
            <title>{label}</title>
            {pot.shape === 'square' ? (
              <rect
                x={x + 4}
                y={y + 4}
                width={Math.max(1, pot.width_mm - 8)}
                height={Math.max(1, pot.width_mm - 8)}
                {...shape}
              />
            ) : (
              <circle cx={x + r} cy={y + r} r={Math.max(1, r - 4)} {...shape} />
            )}
            <circle
              cx={x + r}
              cy={y + r}
              r={Math.max(1, Math.min(r - 10, pot.crown_mm / 2))}
              fill="var(--lichen)"
              fillOpacity="0.35"
              stroke="var(--lichen)"
              strokeWidth="4"
            />
            {pot.verdict === 'water' && (
              <path
                d={`M${x + r},${y + r * 0.55}v${r * 0.9}M${x + r * 0.6},${y + r * 1.05}l${r * 0.4},${r * 0.4}l${r * 0.4},${-r * 0.4}`}
                stroke="var(--ink)"
                strokeWidth="10"
                fill="none"
              />
            )}
            {pot.verdict === 'look' && (
              <line x1={x + r * 0.55} x2={x + r * 1.45} y1={y + r} y2={y + r} stroke="var(--ink)" strokeWidth="10" />
            )}
            {pot.quarantine_until && (
              <circle
                cx={x + r}
                cy={y + r}
                r={r + 5}
                fill="none"
                stroke="var(--straw)"
                strokeWidth="6"
                strokeDasharray="18 12"
              />
            )}
          </g>
        );
      })}
      {depthMm > benchMm && <line x1="0" x2={widthMm} y1={benchMm} y2={benchMm} stroke="var(--rust)" strokeWidth="8" />}
    </svg>
  );
}
