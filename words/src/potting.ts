/** The potting bench in words: why a pot is due, what stands in the way, what suits, what is done, what follows. */
import type {
  AftercareTask,
  BlockCode,
  Caution,
  Depth,
  FirstDrink,
  MaterialCode,
  MixStep,
  NeedReason,
  RootFinding,
  Rooting,
  SchoolId,
} from '@zinc-pail/core';
import { CAUTION_WORDS } from './cautions.ts';
import { type DateOrder, dateWords, partOfMonth } from './days.ts';
import { countWords, lengthWords, type Units } from './units.ts';

export function needWords({ code, n }: NeedReason, units: Units): string {
  switch (code) {
    case 'interim':
      return 'it was rescued out of season and needs its final pot';
    case 'roots-out':
      return 'roots are coming out of it';
    case 'bulging':
      return 'it bulges';
    case 'runs-through':
      return 'water runs straight through';
    case 'stands':
      return 'water stands on it';
    case 'drains-slowly':
      return `a pour took ${Math.round(n.seconds!)} s to come through`;
    case 'small-hole':
      return 'its holes are small for it';
    case 'dries-faster':
      return `it dries ${n.times!.toFixed(1)} times as fast as when it was new`;
    case 'salts':
      return 'salts have built up';
    case 'topples':
      return 'it topples';
    case 'mix-tired':
      return `its mix is ${countWords(Math.round(n.years!), 'year')} old, ${Math.round(100 * n.organic!)} % of it organic`;
    case 'outgrown':
      return `${lengthWords(n.diameter_mm!, units)} of plant in ${lengthWords(n.top_mm!, units)} of pot`;
    case 'years':
      return `${countWords(Math.round(n.years!), 'year')} in this pot; its kind is checked after ${n.usual}`;
  }
}

const BLOCKS: Record<BlockCode, string> = {
  resting: 'it is dormant',
  easing: 'it is slowing down',
  'in-growth': 'it is in leaf: repot bulbs while they are dormant',
  'in-flower': 'it is in bud or flower',
  cold: 'its place is too cold for roots to grow',
  moved: 'it was moved lately',
  hurt: 'its roots are healing',
  new: 'it came lately',
  'root-shy': 'its kind dislikes root work, and it was repotted not long ago',
  'in-treatment': 'it is being treated: one change at a time, then check',
};

export function blockWords(
  { code, until }: { code: BlockCode; until: string | null },
  today: string,
  units: DateOrder,
): string {
  return `${BLOCKS[code]}${until === null ? '' : `, until about ${dateWords(until, today, units)}`}`;
}

export function suitsWords(suits: { from: string; to: string } | null, today: string): string {
  if (!suits) return 'Not growing for now: repot only to rescue it.';
  return suits.from <= today
    ? `Now, up to ${partOfMonth(suits.to, today)}.`
    : `${capital(partOfMonth(suits.from, today))} to ${partOfMonth(suits.to, today)}.`;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

export const ROOTING_WORDS: Record<Rooting, string> = {
  wide: 'wide and low, as it roots',
  snug: 'a little wider than its roots',
  deep: 'deep, for its taproot or bulb',
  raised: 'no wider, but the caudex raised',
};

export const DEPTH_WORDS: Record<Depth, string> = {
  'crown-clear': 'Plant it no deeper than before: keep its body clear of the mix, on grit.',
  'neck-out': 'Leave the neck and the top of the bulb uncovered.',
  'caudex-third': 'About a third of the caudex in the mix, higher than before.',
  'rhizome-covered': 'Cover the rhizome and roots, no deeper.',
  'leaf-bases-clear': 'Keep the lowest leaves clear of the mix, on a collar of grit.',
  'clump-low': 'Low enough that its stems touch the mix: they root where they touch.',
  'same-depth': 'As deep as before.',
};

export const MATERIAL_WORDS: Record<MaterialCode, string> = {
  breathes: 'dries through its wall',
  'dries-slower': 'stays damp longer',
  heavy: 'stays put in wind',
  light: 'may blow over',
  'frost-cracks': 'cracks in frost',
  cooks: 'overheats roots in sun',
  'holds-warmth': 'holds warmth',
};

export const FINDING_WORDS: Record<RootFinding, string> = {
  'white-firm': 'white and firm',
  'brown-soft': 'brown and soft',
  'dry-brittle': 'dry and brittle',
  pests: 'white fluff or crawlers',
  circling: 'circling',
};

const FIRST: Record<FirstDrink['because'][number], string> = {
  'roots-cut': 'cut roots need to close first',
  'rot-found': 'rot wounds need to dry first',
  fleshy: 'fleshy roots need a short rest',
  'damp-mix': 'the mix is damp already',
  cool: 'roots start slowly in the cool',
  asleep: 'it is dormant until then',
  'whole-roots': 'its roots are whole',
  'dry-brittle': 'dry roots settle for a day',
};

export function aftercareWords(
  { kind, day, n, because }: AftercareTask,
  iso: (day: number) => string,
  today: string,
  units: DateOrder,
): string {
  const on = dateWords(iso(day), today, units);
  switch (kind) {
    case 'first-drink':
      return `First drink from ${on}: ${(because ?? []).map((code) => FIRST[code]).join(', ')}.`;
    case 'shade-ends':
      return `Shade until ${on}, then back to its usual light in steps.`;
    case 'look':
      return n === 1
        ? `Check it on ${on}: is it firm in its pot?`
        : n === 2
          ? `Check on ${on}: has the mix sunk?`
          : `Check on ${on}: is it growing?`;
    case 'food-from':
      return `No food before ${on}.`;
  }
}

/** What hands must mind most, when they hold it. */
const GLOVES = [
  'glochids',
  'spines',
  'milky-sap',
  'poisonous-sap',
  'irritant-sap',
] as const satisfies readonly Caution[];

/** The steps of a potting, with what hands must mind. */
export function pottingSteps(plant: {
  first: 'water-first' | 'look-first' | 'as-it-is';
  depth: Depth;
  cautions: readonly string[];
  holes: boolean;
}): string[] {
  const gloves = GLOVES.find((caution) => plant.cautions.includes(caution));
  return [
    ...(gloves ? [CAUTION_WORDS[gloves].long] : []),
    plant.first === 'water-first'
      ? 'It is thirsty: water it and wait a day before you touch its roots.'
      : plant.first === 'look-first'
        ? 'It may be rotting: no water; check its roots first.'
        : 'Let the mix get nearly dry, so that it falls off the roots.',
    ...(plant.holes
      ? []
      : [
          'The pot has no hole: drill one, or use it as an outer pot only. To drill: tape over the spot, wet the drill, ' +
            'wear eye cover, no hammer, power from a protected outlet.',
        ]),
    'Tap or squeeze it out; cut the pot rather than pull the neck.',
    'Clean blade, and cut away from your hand. Take off what is soft, brown or broken, and note what you find.',
    'Dry mix is dusty: dampen it and wear a mask.',
    DEPTH_WORDS[plant.depth],
    'Fill in and tap, do not press. Label it with the date.',
  ];
}

export const SCHOOL_WORDS: Record<SchoolId, { name: string; for: string }> = {
  mineral: { name: 'Near-mineral', for: 'stone plants, choice cacti, heavy hands and rain' },
  half: { name: 'Half and half', for: 'most succulents, if you water when dry' },
  loam: { name: 'Loam with grit', for: 'long dry rests: it takes water again at once' },
  bark: { name: 'Airy bark', for: 'caudex plants in leaf, and trailers that like air and some moisture' },
  seed: { name: 'For seed', for: 'fine, clean and damp: seedlings for their first year' },
  cutting: { name: 'For cuttings', for: 'airy and lean: callused cuttings root in it and do not rot' },
  epiphyte: { name: 'Epiphyte', for: 'forest cacti and the like: wet, then dry within days' },
};

const STEPS: Record<MixStep, string> = {
  rinse: 'Rinse until the water runs clear (building and beach sand bring salts):',
  mask: 'Dust harms the lungs: dampen it in the bag, wear a mask, tip it out outdoors:',
  sieve: 'Sieve out what falls through a kitchen sieve:',
  damp: 'Dampen it the day before, because dry it repels water:',
  measure: 'Measure by loose volume, nothing pressed:',
  mix: 'Turn it over until the colour is even.',
  rest: 'Covered and just damp, it keeps for months.',
};

export function mixStepWords(step: MixStep, components: readonly string[]): string {
  return components.length === 0 ? STEPS[step] : `${STEPS[step]} ${components.join(', ')}.`;
}
