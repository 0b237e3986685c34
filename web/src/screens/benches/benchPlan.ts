/** Where pots stand on a bench seen from above: those that were set stand there, the others where there is room. In mm. */
import type { PlacePot, PlaceView } from '@zinc-pail/contract/keeping';

/** Where no bench was measured, its pots stand in rows of this width. */
export const USUAL_WIDTH_MM = 2000;
const GAP_MM = 12;
const EDGE_MM = 20;
/** Free places are looked for in steps of this. */
const STEP_MM = 15;

export type Standing = Pick<PlacePot, 'id' | 'width_mm' | 'x_mm' | 'y_mm'>;

/** The middle of a pot. */
export interface Spot {
  x: number;
  y: number;
}

interface Placed extends Spot {
  r: number;
}

const clear = (placed: readonly Placed[], { x, y, r }: Placed) =>
  placed.every((other) => (other.x - x) ** 2 + (other.y - y) ** 2 >= (other.r + r + GAP_MM) ** 2);

/** Row after row from the far left, the first place where it touches nothing; below all where the bench is full. */
function freeSpot(placed: readonly Placed[], r: number, widthMm: number, from: Spot): Spot {
  const left = EDGE_MM + r;
  const right = Math.max(left, widthMm - EDGE_MM - r);
  const lowest = Math.max(0, ...placed.map((one) => one.y + one.r));
  for (let y = Math.max(left, from.y); y <= lowest + r + GAP_MM + STEP_MM; y += STEP_MM)
    for (let x = left; x <= right; x += STEP_MM) if (clear(placed, { x, y, r })) return { x, y };
  return { x: left, y: lowest + GAP_MM + r };
}

/** Of more pots the gaps are not searched: they stand in rows below what was set. */
const MOST_SEARCHED = 150;

/** The middle of every pot, by its id; and how deep the bench must be for all of them. */
export function layOut(pots: readonly Standing[], widthMm: number): { spots: Map<number, Spot>; depthMm: number } {
  const spots = new Map<number, Spot>();
  const placed: Placed[] = [];
  const stand = (pot: Standing, spot: Spot) => {
    spots.set(pot.id, spot);
    placed.push({ ...spot, r: pot.width_mm / 2 });
  };
  for (const pot of pots) if (pot.x_mm !== null && pot.y_mm !== null) stand(pot, { x: pot.x_mm, y: pot.y_mm });
  const rest = pots.filter(({ id }) => !spots.has(id));
  if (spots.size > 0 && rest.length <= MOST_SEARCHED)
    for (const pot of rest) stand(pot, freeSpot(placed, pot.width_mm / 2, widthMm, { x: 0, y: 0 }));
  else inRows(rest, widthMm, Math.max(0, ...placed.map((one) => one.y + one.r + GAP_MM)), stand);
  return { spots, depthMm: Math.max(0, ...placed.map(({ y, r }) => y + r + EDGE_MM)) };
}

/** In walking order, each row as deep as its widest pot. */
function inRows(
  pots: readonly Standing[],
  widthMm: number,
  fromMm: number,
  stand: (pot: Standing, spot: Spot) => void,
): void {
  let x = EDGE_MM;
  let y = fromMm + EDGE_MM;
  let rowMm = 0;
  for (const pot of pots) {
    if (x + pot.width_mm > widthMm - EDGE_MM && x > EDGE_MM) {
      x = EDGE_MM;
      y += rowMm + GAP_MM;
      rowMm = 0;
    }
    stand(pot, { x: x + pot.width_mm / 2, y: y + pot.width_mm / 2 });
    x += pot.width_mm + GAP_MM;
    rowMm = Math.max(rowMm, pot.width_mm);
  }
}

/**
 * These pots moved together, each kept on the bench by its own width; the others stay where they are drawn, so that what
 * was set out by itself does not jump once one is moved.
 */
export function movedBy(
  pots: readonly Standing[],
  spots: ReadonlyMap<number, Spot>,
  ids: ReadonlySet<number>,
  by: Spot,
  bench: { widthMm: number; depthMm: number },
): Map<number, Spot> {
  return new Map(
    pots.flatMap((pot) => {
      const spot = spots.get(pot.id);
      if (!spot) return [];
      if (!ids.has(pot.id)) return [[pot.id, spot] as const];
      const r = pot.width_mm / 2;
      const within = (value: number, most: number) => Math.round(Math.min(Math.max(value, r), Math.max(r, most - r)));
      return [[pot.id, { x: within(spot.x + by.x, bench.widthMm), y: within(spot.y + by.y, bench.depthMm) }] as const];
    }),
  );
}

/** Pots whose rims overlap: drawn so, for two pots cannot stand in one place. */
export function overlapping(pots: readonly Standing[], spots: ReadonlyMap<number, Spot>): Set<number> {
  const found = new Set<number>();
  for (const [i, a] of pots.entries())
    for (const b of pots.slice(i + 1)) {
      const [at, bt] = [spots.get(a.id)!, spots.get(b.id)!];
      if (Math.hypot(at.x - bt.x, at.y - bt.y) < (a.width_mm + b.width_mm) / 2 - 2) {
        found.add(a.id);
        found.add(b.id);
      }
    }
  return found;
}

/** Where some pots stand, to be put back there. */
export interface Origin {
  place: Pick<PlaceView, 'id' | 'name' | 'site_id'>;
  ids: number[];
  /** of those that were set at a spot of their own */
  spots: { plant_id: number; x_mm: number; y_mm: number }[];
}

/** Whence these pots come, bench by bench; those that stand on the bench they are to go to stay. */
export function originsOf(
  places: readonly (Origin['place'] & { pots: readonly Standing[] })[],
  ids: readonly number[],
  toId: number,
): Origin[] {
  return places.flatMap((place) => {
    const pots = place.id === toId ? [] : place.pots.filter(({ id }) => ids.includes(id));
    if (pots.length === 0) return [];
    const spots = pots.flatMap(({ id, x_mm: x, y_mm: y }) =>
      x === null || y === null ? [] : [{ plant_id: id, x_mm: x, y_mm: y }],
    );
    return [{ place, ids: pots.map(({ id }) => id), spots }];
  });
}

export interface LightRow {
  from: number;
  to: number;
  light: PlacePot['light'];
  pots: PlacePot[];
}

const WORST_FIRST: Record<PlacePot['light'], number> = { 'too-dim': 0, 'too-bright': 1, 'gets-by': 2, well: 3 };

/** Pots that want the same light, those that fare worst first. */
export function lightRows(pots: readonly PlacePot[]): LightRow[] {
  const rows = new Map<string, LightRow>();
  for (const pot of pots) {
    const { from, to } = pot.wants_mol;
    const key = `${from}/${to}/${pot.light}`;
    const row = rows.get(key) ?? { from, to, light: pot.light, pots: [] };
    row.pots.push(pot);
    rows.set(key, row);
  }
  return [...rows.values()].toSorted((a, b) => WORST_FIRST[a.light] - WORST_FIRST[b.light] || b.from - a.from);
}
