/** Where a sign can be seen on a plant of a form, and what can be seen there: the commonest first. */
import { type Form, FORM_TABLE, type Sign, type SignPlace } from '@zinc-pail/core';

export interface Zone {
  id: 'newest' | 'oldest' | 'all' | 'one-stem' | 'sun-side' | 'ends' | 'folds' | 'base' | 'pot' | 'roots';
  label: string;
  /** on the drawing, in shares of its plant: across from the middle, and up from the mix; below 0 is in the pot */
  at: readonly [number, number];
  signs: readonly Sign[];
}

export function zonesOf(form: Form): Zone[] {
  const bare = FORM_TABLE[form].bare;
  const zones: (Zone | null)[] = [
    {
      id: 'newest',
      label: bare ? 'Crown' : 'Newest growth',
      at: [0, 0.93],
      signs: [
        'light-new-leaf',
        'limp',
        'small-new-leaves',
        'pale-bleached',
        'brown-scorch',
        'yellow-all',
        'mushy',
        'new-growth',
        'buds',
        'clustered-insects',
      ],
    },
    {
      id: 'all',
      label: 'All over',
      at: [bare ? -0.2 : -0.25, 0.55],
      signs: [
        'limp',
        'wrinkled',
        'shrunken',
        'yellow-all',
        'leaf-drop',
        'translucent',
        'stretched',
        'red-stress',
        'black-spots',
        'corky-blisters',
        'no-growth',
        'leaves-dying-back',
        'leafless',
        'split',
        'curl-lost',
        'taut',
      ],
    },
    {
      id: 'sun-side',
      label: 'The sunny side',
      at: [0.4, 0.62],
      signs: ['pale-bleached', 'brown-scorch', 'red-stress', 'yellow-all', 'crisp-edges'],
    },
    bare
      ? null
      : {
          id: 'oldest',
          label: 'Oldest leaves',
          at: [-0.42, 0.2],
          signs: ['yellow-lower', 'wrinkled', 'limp', 'crisp-edges', 'mushy', 'translucent', 'leaf-drop', 'shrunken'],
        },
    bare
      ? null
      : {
          id: 'ends',
          label: 'Tips and edges',
          at: [0.48, 0.34],
          signs: ['dry-tips', 'crisp-edges', 'brown-scorch', 'chewed'],
        },
    FORM_TABLE[form].single
      ? null
      : {
          id: 'one-stem',
          label: 'One stem only',
          at: [0.2, 0.8],
          signs: ['limp', 'yellow-lower', 'mushy', 'black-spots', 'wrinkled'],
        },
    {
      id: 'folds',
      label: bare ? 'Ribs and wool' : 'Folds, axils, undersides',
      at: [0.06, 0.42],
      signs: ['white-fluff', 'bumps', 'webbing', 'clustered-insects', 'silver-streaks', 'powdery-film', 'chewed'],
    },
    {
      id: 'base',
      label: 'The base',
      at: [0, 0.06],
      signs: ['soft-base', 'firm-base', 'dark-base', 'mushy', 'brown-scorch', 'corky-blisters', 'topples'],
    },
    {
      id: 'pot',
      label: 'Pot and mix',
      at: [-0.3, -0.35],
      signs: [
        'salt-crust',
        'roots-out',
        'water-runs-through',
        'water-stands',
        'slow-to-dry',
        'sour-smell',
        'pot-bulging',
        'topples',
      ],
    },
    {
      id: 'roots',
      label: 'Roots, lifted out',
      at: [0.2, -0.65],
      signs: ['roots-firm', 'roots-mush', 'roots-brittle', 'root-fluff'],
    },
  ];
  return zones.filter((zone) => zone !== null);
}

/** The place that a sign of a zone is written with. */
export function placeOf(zone: Zone['id'], sign: Sign): SignPlace | null {
  switch (zone) {
    case 'newest':
    case 'oldest':
    case 'one-stem':
    case 'sun-side':
    case 'base':
    case 'roots':
      return zone;
    case 'all':
      return 'all';
    case 'ends':
      return sign === 'dry-tips' ? 'tips' : sign === 'crisp-edges' ? 'edges' : null;
    case 'folds':
    case 'pot':
      return null;
  }
}
