/** The potting bench in words: why a pot is due, what stands in the way, what suits, what is done, what follows. */
import type {
  AftercareTask,
  BlockCode,
  Depth,
  FirstDrink,
  MaterialCode,
  MixStep,
  NeedReason,
  RootFinding,
  Rooting,
  SchoolId,
} from '@zinc-pail/core';
import { dateWords, partOfMonth } from './days.ts';
import { lengthWords, type Units } from './units.ts';

export function needWords({ code, n }: NeedReason, units: Units): string {
  switch (code) {
    case 'interim':
      return 'it was rescued out of season, and waits for its final pot';
    case 'roots-out':
      return 'roots come out of it';
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
      return `its mix is ${Math.round(n.years!)} years old, ${Math.round(100 * n.organic!)} % of it once alive`;
    case 'outgrown':
      return `${lengthWords(n.diameter_mm!, units)} of plant in ${lengthWords(n.top_mm!, units)} of pot`;
    case 'years':
      return `${Math.round(n.years!)} years in this pot, looked at after ${n.usual}`;
  }
}

const BLOCKS: Record<BlockCode, string> = {
  resting: 'it sleeps',
  easing: 'it slows',
  'in-growth': 'it is in leaf: bulbs are moved in their sleep',
  'in-flower': 'it is in bud or flower',
  cold: 'its place is too cold for roots to grow',
  moved: 'it was moved lately',
  hurt: 'its roots are healing',
  new: 'it came lately',
  'root-shy': 'its kind bears root work badly, and was potted not long ago',
  'in-treatment': 'it is being treated: one change at a time, then a look',
};

export function blockWords({ code, until }: { code: BlockCode; until: string | null }, today: string): string {
  return `${BLOCKS[code]}${until === null ? '' : `, until about ${dateWords(until, today)}`}`;
}

export function suitsWords(suits: { from: string; to: string } | null, today: string): string {
  if (!suits) return 'No growth is in sight: only a rescue.';
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
  'crown-clear': 'Set it no deeper than it stood: its body stays clear of the mix, on grit.',
  'neck-out': 'The neck and the top of the bulb stay out.',
  'caudex-third': 'About a third of the caudex in the mix, higher than it stood.',
  'rhizome-covered': 'Rhizome and roots just covered, no deeper.',
  'leaf-bases-clear': 'The lowest leaves clear of the mix, on a collar of grit.',
  'clump-low': 'Low enough that its stems touch the mix: they root where they lie.',
  'same-depth': 'As deep as it stood.',
};

export const MATERIAL_WORDS: Record<MaterialCode, string> = {
  breathes: 'dries through its wall',
  'dries-slower': 'keeps damp longer',
  heavy: 'stands in wind',
  light: 'is light in wind',
  'frost-cracks': 'cracks in frost',
  cooks: 'cooks roots in sun',
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
  'roots-cut': 'cut roots close first',
  'rot-found': 'wounds of rot dry first',
  fleshy: 'fleshy roots rest a little',
  'damp-mix': 'the mix is damp already',
  cool: 'in the cool they start slowly',
  asleep: 'it sleeps until then',
  'whole-roots': 'its roots are whole',
  'dry-brittle': 'dry roots settle a day',
};

export function aftercareWords(
  { kind, day, n, because }: AftercareTask,
  iso: (day: number) => string,
  today: string,
): string {
  const on = dateWords(iso(day), today);
  switch (kind) {
    case 'first-drink':
      return `First drink from ${on}: ${(because ?? []).map((code) => FIRST[code]).join(', ')}.`;
    case 'shade-ends':
      return `Shade until ${on}, then back to its light by steps.`;
    case 'look':
      return n === 1
        ? `Look at it on ${on}: does it stand firm?`
        : n === 2
          ? `Look on ${on}: has the mix sunk?`
          : `Look on ${on}: does it grow?`;
    case 'food-from':
      return `No food before ${on}.`;
  }
}

/** The steps of a potting, with what hands must mind. */
export function pottingSteps(plant: {
  first: 'water-first' | 'look-first' | 'as-it-is';
  depth: Depth;
  cautions: readonly string[];
  holes: boolean;
}): string[] {
  const gloves = plant.cautions.includes('glochids')
    ? 'Barbed hairs: thick gloves, tongs or folded paper; tape takes hairs off skin.'
    : plant.cautions.includes('spines')
      ? 'Spines: gloves, folded paper or a towel round it; mind your eyes.'
      : plant.cautions.includes('milky-sap')
        ? 'Milky sap: gloves and eye cover; wash it off skin, rinse eyes at once and get medical help.'
        : plant.cautions.includes('poisonous-sap')
          ? 'Poisonous sap: gloves, nothing near the mouth, wash hands and tools.'
          : plant.cautions.includes('irritant-sap')
            ? 'Its sap irritates skin: gloves, and wash your hands.'
            : null;
  return [
    ...(gloves ? [gloves] : []),
    plant.first === 'water-first'
      ? 'It is thirsty: water it and wait a day before its roots are touched.'
      : plant.first === 'look-first'
        ? 'It may rot: no water; look at its roots first.'
        : 'Let the mix go nearly dry, so that it falls from the roots.',
    ...(plant.holes
      ? []
      : [
          'The pot has no hole: drill one (tape over the spot, wet the drill, eye cover, no hammer; power from a protected ' +
            'outlet), or use it as an outer pot only.',
        ]),
    'Tap or squeeze it out; cut the pot rather than pull the neck.',
    'Clean blade, cut away from the hand: take off what is soft, brown or broken, and write down what you find.',
    'Dust: damp the mix, wear a mask.',
    DEPTH_WORDS[plant.depth],
    'Fill in and tap, do not press; a label with the day.',
  ];
}

export const SCHOOL_WORDS: Record<SchoolId, { name: string; for: string }> = {
  mineral: { name: 'Near-mineral', for: 'stone plants, choice cacti, heavy hands and rain' },
  half: { name: 'Half and half', for: 'most succulents, for whoever waters when dry' },
  loam: { name: 'Loam with grit', for: 'long dry rests: it takes water again at once' },
  bark: { name: 'Airy bark', for: 'caudex plants in leaf and trailers that like air and some damp' },
  seed: { name: 'For seed', for: 'fine, clean and damp: seedlings for their first year' },
  cutting: { name: 'For cuttings', for: 'open and lean: callused pieces root, and do not rot' },
  epiphyte: { name: 'Epiphyte', for: 'forest cacti and their like: wet and dry within days' },
};

const STEPS: Record<MixStep, string> = {
  rinse: 'Rinse until the water runs clear (building and beach sand bring salts):',
  mask: 'Dust harms the lungs: damp it in the bag, wear a mask, tip it outdoors:',
  sieve: 'Sieve out what falls through a kitchen sieve:',
  damp: 'Damp it the day before, for dry it sheds water:',
  measure: 'Measure by loose volume, nothing pressed:',
  mix: 'Turn it over until it is of one colour.',
  rest: 'Covered, just damp, it keeps for months.',
};

export function mixStepWords(step: MixStep, components: readonly string[]): string {
  return components.length === 0 ? STEPS[step] : `${STEPS[step]} ${components.join(', ')}.`;
}
