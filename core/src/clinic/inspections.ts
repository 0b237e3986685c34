/** When a plant is looked over for guests, and where: more often for kinds they like, indoors, in bloom, and beside an outbreak. */
import type { Form } from '../garden.ts';

export interface InspectionFacts {
  genus: string | null;
  form: Form;
  indoors: boolean;
  /** buds or flowers of late */
  blooming: boolean;
  /** guests on a plant of its bench */
  outbreak: boolean;
  /** came within the last two months */
  fresh: boolean;
  /** set so tightly, or in air so still, that guests walk from pot to pot unseen */
  close: boolean;
}

/** Usual gap between two looks, in days: pests of succulents breed in three to six weeks in warmth (greenhouse practice). */
const USUAL_DAYS = 42;
/** Beside an outbreak: a week, as its treatment. */
const OUTBREAK_DAYS = 7;
const SHORTER = 0.7;
/** Kinds that guests like: soft, juicy, with tight hearts or long in flower. */
const PRONE = new Set(
  `Echeveria Hoya Crassula Kalanchoe Sedum Aeonium Gasteria Haworthia Stapelia Huernia Mammillaria Schlumbergera
  Epiphyllum Adenium Pachyphytum Graptopetalum Ceropegia Dorstenia`.split(/\s+/),
);

export function inspectionDays({ genus, indoors, blooming, outbreak, fresh, close }: InspectionFacts): number {
  if (outbreak) return OUTBREAK_DAYS;
  let days = USUAL_DAYS;
  if (genus !== null && PRONE.has(genus)) days *= SHORTER;
  if (indoors) days *= SHORTER;
  if (blooming) days *= SHORTER;
  if (close) days *= SHORTER;
  if (fresh) days = Math.min(days, 14);
  return Math.max(OUTBREAK_DAYS, Math.round(days));
}

export const SPOTS = ['hearts', 'axils', 'ribs', 'pads', 'undersides', 'stalks', 'necks', 'stems'] as const;
export type Spot = (typeof SPOTS)[number];

const BY_FORM: Record<Form, readonly Spot[]> = {
  globe: ['ribs', 'stalks'],
  column: ['ribs'],
  pad: ['pads', 'ribs'],
  rosette: ['hearts', 'axils', 'stalks'],
  stemmed: ['axils', 'undersides'],
  trailing: ['axils', 'undersides'],
  caudex: ['undersides', 'stems'],
  bulb: ['necks', 'undersides'],
  stemless: ['necks'],
  'stiff-leaf': ['axils', 'undersides'],
};

/** Where guests sit on plants of these forms: of several the commonest places first. */
export function spotsOf(forms: readonly Form[]): Spot[] {
  const count = new Map<Spot, number>();
  for (const form of forms) for (const spot of BY_FORM[form]) count.set(spot, (count.get(spot) ?? 0) + 1);
  return [...count].sort((a, b) => b[1] - a[1]).map(([spot]) => spot);
}
