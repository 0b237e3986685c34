/** Signs in a keeper's words, as they stand in "you saw it …" and "you saw …". */
import type { Sign, SignPlace } from '@zinc-pail/core';

const WORDS: Readonly<Record<Sign, string>> = {
  taut: 'taut',
  wrinkled: 'wrinkled',
  limp: 'limp',
  mushy: 'mush',
  translucent: 'glassy leaves',
  shrunken: 'shrunken',
  'leaf-drop': 'leaves dropping',
  split: 'splits',
  'yellow-lower': 'yellow lower leaves',
  'yellow-all': 'yellow all over',
  'pale-bleached': 'bleached pale',
  'brown-scorch': 'brown scorched skin',
  'crisp-edges': 'crisp edges',
  'dry-tips': 'dry tips',
  'black-spots': 'dark spots',
  'corky-blisters': 'corky blisters',
  'red-stress': 'red colour',
  'dark-base': 'a dark base',
  stretched: 'grown long',
  'small-new-leaves': 'small new leaves',
  'no-growth': 'no growth',
  'new-growth': 'new growth',
  'light-new-leaf': 'a pale new leaf',
  buds: 'buds',
  'leaves-dying-back': 'leaves dying back',
  leafless: 'leafless',
  'curl-lost': 'curls gone straight',
  'roots-out': 'roots out of the hole',
  'pot-bulging': 'a bulging pot',
  'water-runs-through': 'water running straight through',
  'water-stands': 'water standing on top',
  'slow-to-dry': 'slow to dry',
  'salt-crust': 'a white crust',
  'sour-smell': 'a sour smell',
  topples: 'toppling',
  'firm-base': 'a firm base',
  'soft-base': 'a soft base',
  'roots-firm': 'firm roots',
  'roots-mush': 'roots gone to mush',
  'roots-brittle': 'brittle dry roots',
  'white-fluff': 'white wool',
  'root-fluff': 'white wool on the roots',
  webbing: 'fine webs',
  bumps: 'fixed bumps',
  'clustered-insects': 'insects in crowds',
  chewed: 'bites',
  'silver-streaks': 'silver streaks',
  'powdery-film': 'a white film',
};

const PLACES: Readonly<Record<SignPlace, string>> = {
  oldest: 'on the oldest',
  newest: 'on the newest',
  'one-stem': 'on one stem',
  all: 'all over',
  base: 'at the base',
  'sun-side': 'on the sunny side',
  tips: 'at the tips',
  edges: 'at the edges',
  roots: 'on the roots',
};

/** @param sign a `Sign`, as reasons and evidence carry it among other codes; every one has its words */
export function signWords(sign: string): string {
  return WORDS[sign as Sign];
}

export function signPlaceWords(where: SignPlace): string {
  return PLACES[where];
}
