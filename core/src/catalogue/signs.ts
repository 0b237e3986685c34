/**
 * Every sign that can be seen on a plant, its roots or its pot: one row with all that is asked of it. The sets that rules
 * ask are filters over it ({@link signsThat}); words, pictures and the places on the body stand in their own rooms.
 */
import type { Cause } from '../catalogue/causes.ts';

/** Signs of one thing: in a diagnosis the strongest of a group counts, the others little. */
export const SIGN_GROUPS = [
  'turgor',
  'rot',
  'leaves-lost',
  'colour',
  'dry-ends',
  'skin',
  'stature',
  'growth',
  'roots',
  'drainage',
  'salts',
  'insects',
  'mites',
  'bites',
  'mildew',
] as const;
export type SignGroup = (typeof SIGN_GROUPS)[number];

/** What a sign tells, each as some rule asks it. */
export const TELLS = {
  slack: 'the plant has lost its tautness: for want of water, or of roots to take it up',
  thirst: 'a drink answers it',
  shrinks: 'its body draws in',
  'holds-water': 'until its cause is known no water is given',
  rot: 'rot, until it is shown otherwise',
  'too-much': 'in a pot still wet: too much water',
  fades: 'leaves go: of age, of rest, of lost roots',
  wakes: 'it has woken',
  grows: 'it has grown since',
  'new-pair': 'on a stone plant: its new pair is coming',
  sound: 'found sound, where it could have been rot',
  fine: 'nothing is amiss: no question is raised',
  worries: 'the base is to be felt before a drink',
  'of-base': 'somebody has felt the base, or seen the roots',
  'of-frost': 'after a frost: frost before all else',
  'step-later': 'its drinks come a step later from now on',
  'step-later-if-wet': 'the same, where the pot was found wet about then',
  'no-food': 'food does harm',
  'outlives-potting': 'a new pot does not answer it: pests above the mix, marks that stay',
  checked: 'found by a check alone, which has a rule of its own',
} as const;
export type Tell = keyof typeof TELLS;

export type SignNeed = 'roots-out' | 'bulging' | 'runs-through' | 'stands' | 'topples';

interface SignRow<Name extends string> {
  group: SignGroup;
  tells: readonly Tell[];
  /** signs it answers: they stand no longer */
  answers?: readonly Name[];
  /** what takes back the suspicion that it raises */
  clearedBy?: readonly Name[];
  /** who leaves it */
  pest?: Cause;
  /** what it says of the pot */
  need?: SignNeed;
}

const ROWS = {
  taut: { group: 'turgor', tells: ['sound', 'fine'], answers: ['limp', 'wrinkled', 'shrunken'] },
  wrinkled: {
    group: 'turgor',
    tells: ['slack', 'thirst', 'shrinks', 'holds-water', 'worries', 'of-frost'],
    answers: ['taut'],
  },
  limp: { group: 'turgor', tells: ['slack', 'thirst', 'holds-water', 'worries', 'of-frost'], answers: ['taut'] },
  mushy: { group: 'rot', tells: ['holds-water', 'rot', 'worries', 'step-later', 'no-food'], clearedBy: ['firm-base'] },
  translucent: { group: 'rot', tells: ['too-much', 'worries', 'of-frost', 'step-later-if-wet'] },
  shrunken: { group: 'turgor', tells: ['slack', 'thirst', 'shrinks', 'holds-water', 'worries'], answers: ['taut'] },
  'leaf-drop': { group: 'leaves-lost', tells: ['worries', 'of-frost'] },
  split: { group: 'rot', tells: ['too-much', 'new-pair', 'step-later'] },
  'yellow-lower': { group: 'leaves-lost', tells: ['too-much', 'fades', 'worries', 'step-later-if-wet'] },
  'yellow-all': { group: 'leaves-lost', tells: ['fades', 'worries'] },
  'pale-bleached': { group: 'colour', tells: ['outlives-potting'] },
  'brown-scorch': { group: 'colour', tells: ['outlives-potting'] },
  'crisp-edges': { group: 'dry-ends', tells: ['thirst'] },
  'dry-tips': { group: 'dry-ends', tells: [] },
  'black-spots': { group: 'skin', tells: ['of-frost', 'outlives-potting'] },
  'corky-blisters': { group: 'skin', tells: ['too-much', 'step-later-if-wet', 'outlives-potting'] },
  'red-stress': { group: 'colour', tells: ['outlives-potting'] },
  'dark-base': { group: 'rot', tells: ['too-much', 'worries'], clearedBy: ['firm-base'] },
  stretched: { group: 'stature', tells: ['outlives-potting'] },
  'small-new-leaves': { group: 'stature', tells: [] },
  'no-growth': { group: 'stature', tells: [] },
  'new-growth': { group: 'growth', tells: ['wakes', 'grows', 'new-pair', 'fine'] },
  'light-new-leaf': { group: 'colour', tells: ['grows', 'new-pair'] },
  buds: { group: 'growth', tells: ['wakes', 'grows', 'fine'] },
  'leaves-dying-back': { group: 'leaves-lost', tells: ['fades'] },
  leafless: { group: 'leaves-lost', tells: [] },
  'curl-lost': { group: 'turgor', tells: [] },
  'roots-out': { group: 'roots', tells: [], need: 'roots-out' },
  'pot-bulging': { group: 'roots', tells: [], need: 'bulging' },
  'water-runs-through': { group: 'roots', tells: [], need: 'runs-through' },
  'water-stands': { group: 'drainage', tells: [], need: 'stands' },
  'slow-to-dry': { group: 'drainage', tells: ['worries'] },
  'salt-crust': { group: 'salts', tells: ['no-food'] },
  'sour-smell': { group: 'rot', tells: ['rot', 'worries', 'no-food'], clearedBy: ['roots-firm'] },
  topples: { group: 'rot', tells: ['worries'], need: 'topples' },
  'firm-base': { group: 'rot', tells: ['sound', 'fine', 'of-base', 'checked'], answers: ['soft-base', 'mushy'] },
  'soft-base': {
    group: 'rot',
    tells: ['rot', 'of-base', 'step-later', 'no-food', 'checked'],
    answers: ['firm-base'],
    clearedBy: ['firm-base'],
  },
  'roots-firm': {
    group: 'rot',
    tells: ['sound', 'fine', 'of-base', 'checked'],
    answers: ['roots-mush', 'roots-brittle', 'sour-smell'],
  },
  'roots-mush': {
    group: 'rot',
    tells: ['rot', 'of-base', 'step-later', 'no-food', 'checked'],
    answers: ['roots-firm'],
    clearedBy: ['roots-firm'],
  },
  'roots-brittle': { group: 'rot', tells: ['checked'], answers: ['roots-firm'] },
  'white-fluff': { group: 'insects', tells: ['outlives-potting'], pest: 'mealybug' },
  'root-fluff': { group: 'insects', tells: [], pest: 'root-mealybug' },
  webbing: { group: 'mites', tells: ['outlives-potting'], pest: 'spider-mite' },
  bumps: { group: 'insects', tells: ['outlives-potting'], pest: 'scale' },
  'clustered-insects': { group: 'insects', tells: ['outlives-potting'], pest: 'aphid' },
  chewed: { group: 'bites', tells: ['outlives-potting'], pest: 'chewing-pest' },
  'silver-streaks': { group: 'mites', tells: ['outlives-potting'], pest: 'thrips' },
  'powdery-film': { group: 'mildew', tells: ['outlives-potting'], pest: 'mildew' },
} as const satisfies Record<string, SignRow<string>>;

export type Sign = keyof typeof ROWS;
export const SIGNS = Object.keys(ROWS) as Sign[];
export const SIGN_TABLE: Readonly<Record<Sign, SignRow<Sign>>> = ROWS;

/** `signsThat('slack')` has limp, wrinkled and shrunken. */
export function signsThat(tell: Tell): ReadonlySet<Sign> {
  let found = byTell.get(tell);
  if (!found) byTell.set(tell, (found = new Set(SIGNS.filter((sign) => SIGN_TABLE[sign].tells.includes(tell)))));
  return found;
}
const byTell = new Map<Tell, ReadonlySet<Sign>>();
