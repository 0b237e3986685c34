/**
 * A world of sick and sound plants, for calibration: a cause is drawn, a history that brings it, and signs as that cause
 * shows them, with what keepers leave out, mistake and see besides. Its tables are its own: none is read from the clinic's.
 */
import type { Cause } from '../src/catalogue/causes.ts';
import { dayNumber, isoDay } from '../src/calendar/day.ts';
import type { CareFacts } from '../src/care/task.ts';
import type { Place, Plant, Sign, SignPlace } from '../src/garden.ts';
import { seededRandom } from '../src/numeric/random.ts';
import { BALCONY, COLD_GLASS, FROST_FREE, kind, ROOM, SILL, Story } from './clinic.ts';
import { GRITTY, PEATY, roundPot, type Scene } from './gardens.ts';

export interface SickPlant {
  cause: Cause;
  story: Story;
  scene: Scene & { facts?: Partial<CareFacts> };
}

type Seen = readonly [sign: Sign, chance: number, where?: SignPlace];

/** How often each cause is met, in a hundred; and how it shows itself. */
const WORLD: Record<string, { often: number; signs: readonly Seen[] }> = {
  thirst: {
    often: 14,
    signs: [
      ['wrinkled', 0.6],
      ['limp', 0.45],
      ['shrunken', 0.15],
      ['crisp-edges', 0.12],
      ['leaf-drop', 0.1],
      ['yellow-lower', 0.12, 'oldest'],
    ],
  },
  overwatering: {
    often: 9,
    signs: [
      ['yellow-lower', 0.4],
      ['translucent', 0.3],
      ['limp', 0.2],
      ['split', 0.12],
      ['leaf-drop', 0.2],
      ['black-spots', 0.12],
    ],
  },
  'root-rot': {
    often: 8,
    signs: [
      ['limp', 0.6],
      ['wrinkled', 0.3],
      ['yellow-lower', 0.25],
      ['sour-smell', 0.12],
      ['topples', 0.12],
      ['slow-to-dry', 0.15],
      ['soft-base', 0.15],
    ],
  },
  'stem-rot': {
    often: 5,
    signs: [
      ['mushy', 0.5, 'base'],
      ['dark-base', 0.35, 'base'],
      ['soft-base', 0.3],
      ['limp', 0.25],
      ['topples', 0.15],
      ['black-spots', 0.1],
    ],
  },
  'dead-roots': {
    often: 2,
    signs: [
      ['limp', 0.6],
      ['wrinkled', 0.4],
      ['slow-to-dry', 0.2],
      ['no-growth', 0.15],
    ],
  },
  'natural-rest': {
    often: 6,
    signs: [
      ['leaves-dying-back', 0.5],
      ['yellow-all', 0.25, 'all'],
      ['leafless', 0.25],
      ['no-growth', 0.25],
      ['shrunken', 0.1],
    ],
  },
  'natural-ageing': {
    often: 7,
    signs: [
      ['yellow-lower', 0.6, 'oldest'],
      ['leaf-drop', 0.1, 'oldest'],
      ['brown-scorch', 0.12, 'base'],
      ['wrinkled', 0.1, 'oldest'],
      ['dry-tips', 0.12],
    ],
  },
  'new-leaf': {
    often: 2,
    signs: [
      ['light-new-leaf', 0.75, 'newest'],
      ['limp', 0.1, 'newest'],
      ['new-growth', 0.3],
    ],
  },
  normal: {
    often: 9,
    signs: [
      ['red-stress', 0.35],
      ['buds', 0.2],
      ['dry-tips', 0.2, 'tips'],
      ['dark-base', 0.12, 'base'],
      ['new-growth', 0.2],
      ['corky-blisters', 0.06],
    ],
  },
  'sun-scorch': {
    often: 4,
    signs: [
      ['pale-bleached', 0.5, 'sun-side'],
      ['brown-scorch', 0.5, 'sun-side'],
      ['red-stress', 0.12],
      ['crisp-edges', 0.1],
    ],
  },
  'too-dark': {
    often: 6,
    signs: [
      ['stretched', 0.7],
      ['pale-bleached', 0.15],
      ['small-new-leaves', 0.2],
      ['yellow-lower', 0.15],
      ['curl-lost', 0.05],
    ],
  },
  'cold-damage': {
    often: 4,
    signs: [
      ['translucent', 0.35],
      ['mushy', 0.3],
      ['black-spots', 0.25],
      ['leaf-drop', 0.25],
      ['brown-scorch', 0.2],
    ],
  },
  'heat-stress': {
    often: 2,
    signs: [
      ['limp', 0.5],
      ['brown-scorch', 0.25],
      ['leaf-drop', 0.15],
      ['pale-bleached', 0.12],
    ],
  },
  oedema: {
    often: 2,
    signs: [
      ['corky-blisters', 0.7],
      ['black-spots', 0.2],
      ['translucent', 0.12],
    ],
  },
  'salt-build-up': {
    often: 3,
    signs: [
      ['salt-crust', 0.55],
      ['crisp-edges', 0.3],
      ['yellow-all', 0.15],
      ['dry-tips', 0.2],
    ],
  },
  'root-bound': {
    often: 4,
    signs: [
      ['roots-out', 0.5],
      ['pot-bulging', 0.2],
      ['water-runs-through', 0.25],
      ['small-new-leaves', 0.12],
      ['wrinkled', 0.15],
    ],
  },
  'transplant-shock': {
    often: 2,
    signs: [
      ['limp', 0.5],
      ['wrinkled', 0.25],
      ['leaf-drop', 0.2],
      ['no-growth', 0.2],
    ],
  },
  underfed: {
    often: 1.5,
    signs: [
      ['yellow-all', 0.5, 'all'],
      ['small-new-leaves', 0.35],
      ['no-growth', 0.15],
    ],
  },
  mealybug: {
    often: 4,
    signs: [
      ['white-fluff', 0.85],
      ['black-spots', 0.08],
    ],
  },
  'spider-mite': {
    often: 2.5,
    signs: [
      ['webbing', 0.55],
      ['brown-scorch', 0.25, 'newest'],
      ['pale-bleached', 0.25],
      ['silver-streaks', 0.1],
    ],
  },
  scale: { often: 1.5, signs: [['bumps', 0.85]] },
  aphid: { often: 1, signs: [['clustered-insects', 0.85, 'newest']] },
  'chewing-pest': { often: 1.5, signs: [['chewed', 0.9]] },
};
/** Now and then something else is seen that has nothing to do with it. */
const BESIDES: readonly Sign[] = [
  'yellow-lower',
  'red-stress',
  'dry-tips',
  'leaf-drop',
  'stretched',
  'no-growth',
  'crisp-edges',
  'corky-blisters',
];

const KINDS: readonly { plant: Partial<Plant>; sleeper: boolean }[] = [
  { plant: kind('Echeveria elegans', { diameter_mm: 90, height_mm: 50 }), sleeper: false },
  { plant: kind('Crassula ovata', { diameter_mm: 120, height_mm: 160 }), sleeper: false },
  { plant: kind('Echinopsis oxygona', { diameter_mm: 70, height_mm: 80 }), sleeper: true },
  { plant: kind('Adenium obesum', { diameter_mm: 80, height_mm: 140 }), sleeper: true },
  { plant: kind('Haworthia cooperi', { diameter_mm: 70, height_mm: 40 }), sleeper: false },
  { plant: kind('Kalanchoe tomentosa', { diameter_mm: 90, height_mm: 120 }), sleeper: false },
  { plant: kind('Opuntia microdasys', { diameter_mm: 90, height_mm: 150 }), sleeper: true },
];

export function sickPlants(count: number, seed: number): SickPlant[] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, () => sickPlant(random));
}

function sickPlant(random: () => number): SickPlant {
  const chance = (p: number) => random() < p;
  const between = (low: number, high: number) => Math.round(low + random() * (high - low));
  const one = <T>(list: readonly T[]): T => list[Math.min(list.length - 1, Math.floor(random() * list.length))]!;
  const total = Object.values(WORLD).reduce((sum, { often }) => sum + often, 0);
  let left = random() * total;
  const cause = (Object.keys(WORLD).find((name) => (left -= WORLD[name]!.often) <= 0) ?? 'normal') as Cause;
  const { plant } = one(cause === 'natural-rest' ? KINDS.filter((k) => k.sleeper) : KINDS);
  const day = isoDay(
    dayNumber('2026-01-01') +
      (cause === 'cold-damage'
        ? one([10, 40, 320])
        : cause === 'heat-stress'
          ? between(170, 220)
          : cause === 'natural-rest'
            ? between(285, 330)
            : between(90, 270)),
  );
  const story = new Story(day);
  let place: Place = one([SILL, SILL, COLD_GLASS, BALCONY]);
  let mix = chance(0.3) ? PEATY : GRITTY;
  const facts: Partial<CareFacts> = {};
  const every = between(10, 18);
  const thermometer = (tmin: number, tmax: number, back: readonly number[]) =>
    back
      .map((days) => ({ date: story.ago(days), tmin_c: tmin, tmax_c: tmax }))
      .sort((a, b) => (a.date < b.date ? -1 : 1));
  let last = between(1, every - 2);
  switch (cause) {
    case 'thirst':
      last = between(every + 12, every + 45);
      break;
    case 'overwatering':
    case 'root-rot':
    case 'stem-rot':
    case 'oedema': {
      if (chance(0.6)) mix = PEATY;
      const often = between(5, 8);
      for (let back = between(35, 60); back > 9; back -= often) story.drench(back);
      last = between(2, 8);
      if (cause !== 'oedema' && chance(0.3)) place = ROOM;
      break;
    }
    case 'dead-roots':
      story.cared(every, between(75, 95), 160);
      last = between(4, 14);
      story.felt('dry', last);
      break;
    case 'too-dark':
      place = chance(0.75) ? ROOM : { ...SILL, aspect_deg: 0, light_fraction: 0.12 };
      break;
    case 'sun-scorch':
      place = one([BALCONY, COLD_GLASS]);
      if (chance(0.7)) story.add({ type: 'move', date: story.ago(between(4, 15)), from: 'dim' });
      else place = { ...place, thermometer: thermometer(15, between(36, 42), [1, 2, 3]) };
      break;
    case 'cold-damage':
      place = { ...one([FROST_FREE, COLD_GLASS]), thermometer: thermometer(between(-7, -2), 6, [2, 3, 4]) };
      break;
    case 'heat-stress':
      place = { ...COLD_GLASS, thermometer: thermometer(17, between(38, 45), [0, 1, 2, 3]) };
      break;
    case 'salt-build-up':
      for (let back = 300; back > last; back -= every) {
        story.drench(back, 'hard');
        if (chance(0.4)) story.fed(back);
      }
      break;
    case 'root-bound':
    case 'underfed':
      story.potted(between(1000, 1800));
      break;
    case 'transplant-shock':
      story.potted(between(3, 14), { roots_cut: chance(0.7) });
      break;
    case 'mealybug':
    case 'spider-mite':
    case 'scale':
      if (chance(0.35)) facts.neighbours = [{ plantId: 'near', pest: cause, on: story.ago(10) }];
      break;
  }
  if (!story.events.some(({ type }) => type === 'watering')) story.cared(every, last, 105);
  else story.drench(last);
  // Half of the keepers felt the mix as well, and one finger in twelve was wrong.
  if (chance(0.5)) {
    const truth =
      cause === 'thirst'
        ? 'dry'
        : ['overwatering', 'root-rot', 'stem-rot', 'dead-roots', 'oedema'].includes(cause)
          ? 'wet'
          : last < 5
            ? 'damp'
            : 'dry';
    story.felt(chance(1 / 12) ? one(['wet', 'damp', 'dry'] as const) : truth, 0);
  }
  const { signs } = WORLD[cause]!;
  const seen = signs.filter(([, p]) => chance(p));
  if (seen.length === 0) seen.push(signs[0]!);
  for (const [sign, , where] of seen)
    story.saw(
      sign,
      between(1, 3),
      chance(0.7) ? where : undefined,
      between(0, 3),
      cause === 'heat-stress' && chance(0.6) ? 'midday' : undefined,
    );
  if (chance(0.2)) story.saw(one(BESIDES), 1, undefined, between(0, 10));
  if (chance(0.25))
    story.saw(
      cause === 'stem-rot'
        ? chance(0.85)
          ? 'soft-base'
          : 'firm-base'
        : cause === 'root-rot'
          ? chance(0.4)
            ? 'soft-base'
            : 'firm-base'
          : chance(0.97)
            ? 'firm-base'
            : 'soft-base',
    );
  return { cause, story, scene: { place, mix, plant, pot: roundPot(90, 80, one(['plastic', 'terracotta'])), facts } };
}
