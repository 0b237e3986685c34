/**
 * The library kind by kind: what growers of both hemispheres would say of each, month by month, under cold glass and on a
 * warm sill at 47° north, and on open tables by a mild sea at 34° south.
 *
 * R rests · E slows · G grows or wakes · r rests or slows · g grows, wakes or slows · ? on the way from one to the other.
 * After Eggli, Illustrated Handbook of Succulent Plants; Anderson, The Cactus Family; Rowley, Caudiciform and Pachycaul
 * Succulents; Duncan, The Genus Lachenalia; as they are kept, not as they grow in the wild.
 */
import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import { GardenForecast } from '../forecast/forecast.ts';
import { stateOn } from '../forecast/plantModel.ts';
import type { Garden, Normals, Place, Sleeps } from '../garden.ts';
import { genusCare } from '../plant/library.ts';
import { genusByAnyName } from '../plant/synonyms.ts';
import { traitsOf } from '../plant/traits.ts';
import { GRITTY, INLAND, roundPot } from '../../test/gardens.ts';

const MILD_COAST: Normals = {
  tmin_c: [16.9, 17.0, 15.2, 12.4, 10.1, 8.0, 7.4, 7.9, 9.4, 11.2, 13.6, 15.4],
  tmax_c: [28.6, 28.5, 26.1, 22.6, 18.9, 16.1, 15.3, 16.6, 19.1, 21.9, 25.1, 27.0],
  rh_pct: [47, 49, 52, 57, 66, 71, 71, 66, 61, 54, 49, 48],
  sunshine_h: [10.2, 9.6, 8.4, 7.1, 5.4, 4.7, 4.9, 5.9, 6.7, 8.0, 9.2, 9.8],
  rain_mm: [19, 16, 25, 38, 58, 75, 70, 62, 52, 41, 28, 26],
  wind_m_s: [3.6, 3.4, 3.2, 2.9, 2.8, 3.0, 3.1, 3.3, 3.5, 3.6, 3.7, 3.7],
};

/** Years, January first. */
const COLD = {
  summer: 'RR?gGGGGg?rR',
  tropical: 'RR??gGGGg?rR',
  evergreen: 'EE?gGGGGg?gE',
  tropicalEvergreen: 'EE??gGGGg?EE',
  winter: 'gggGrRRR?Ggg',
  springAutumn: 'RR?gGGGGGg?R',
};
const WARM = {
  sleeps: 'RR?gGGGGGgrR',
  slows: 'EggGGGGGGggE',
  evergreen: 'E?gGGGGGGGgE',
  winter: 'GGGgrRRR?GGG',
  stones: 'R?gGGGGGGg?R',
};
const OPEN = {
  summer: 'GGGg?rR??gGG',
  slows: 'GGGGgggggGGG',
  tropical: 'GG??rRRRr??G',
  tropicalSlows: 'GG?grrrrr??G',
  evergreen: 'GGGGgggggGGG',
  tropicalEvergreen: 'GGggggEgggGG',
  winter: 'R?gGGGGGGg?r',
  springAutumn: 'GGGGggggGGGG',
};

const CACTUS = [COLD.summer, WARM.sleeps, OPEN.summer] as const;
const LEAF = [COLD.summer, WARM.slows, OPEN.slows] as const;
const LEAF_SPRING = [COLD.springAutumn, WARM.slows, OPEN.springAutumn] as const;
const EVERGREEN = [COLD.evergreen, WARM.evergreen, OPEN.evergreen] as const;
const TENDER_EVERGREEN = [COLD.tropicalEvergreen, WARM.evergreen, OPEN.tropicalEvergreen] as const;
const WINTER = [COLD.winter, WARM.winter, OPEN.winter] as const;
const STONE = [COLD.springAutumn, WARM.stones, OPEN.springAutumn] as const;
const TROPICAL_CACTUS = [COLD.tropical, WARM.slows, OPEN.tropicalSlows] as const;
const STAPELIAD = [COLD.summer, WARM.slows, 'GGGg?rr??gGG'] as const;
const LEAF_DROPPING = [COLD.tropical, WARM.sleeps, OPEN.tropical] as const;

type Years = readonly [cold: string, warm: string, open: string];
const KINDS: readonly [kind: string, years: Years, doubt?: 'doubt'][] = [
  ['Aloe vera', LEAF, 'doubt'],
  ['Aloe polyphylla', LEAF, 'doubt'],
  ['Aloe variegata', LEAF_SPRING, 'doubt'],
  ['Aloe plicatilis', WINTER, 'doubt'],
  ['Agave victoriae-reginae', LEAF],
  ['Echeveria agavoides', LEAF, 'doubt'],
  ['Echeveria laui', LEAF, 'doubt'],
  ['Graptopetalum paraguayense', EVERGREEN],
  ['Pachyphytum oviferum', EVERGREEN],
  ['Portulacaria afra', LEAF, 'doubt'],
  ['Crassula ovata', EVERGREEN, 'doubt'],
  ['Crassula pyramidalis', WINTER, 'doubt'],
  ['Cotyledon orbiculata', LEAF_SPRING, 'doubt'],
  ['Adromischus cooperi', LEAF_SPRING, 'doubt'],
  ['Kalanchoe tomentosa', EVERGREEN, 'doubt'],
  ['Aeonium arboreum', WINTER, 'doubt'],
  ['Dudleya brittonii', WINTER, 'doubt'],
  ['Sempervivum tectorum', [COLD.summer, WARM.sleeps, OPEN.slows]],
  ['Sedum morganianum', EVERGREEN, 'doubt'],
  ['Haworthia cooperi', EVERGREEN, 'doubt'],
  ['Gasteria batesiana', EVERGREEN],
  ['Curio rowleyanus', EVERGREEN],
  ['Senecio stapeliiformis', LEAF_SPRING, 'doubt'],
  ['Mammillaria hahniana', CACTUS],
  ['Astrophytum asterias', CACTUS],
  ['Ariocarpus fissuratus', CACTUS],
  ['Lophophora williamsii', CACTUS],
  ['Gymnocalycium baldianum', CACTUS],
  ['Rebutia minuscula', CACTUS],
  ['Echinopsis oxygona', CACTUS],
  ['Copiapoa humilis', CACTUS],
  ['Ferocactus glaucescens', CACTUS],
  ['Parodia magnifica', CACTUS],
  ['Cereus repandus', CACTUS],
  ['Opuntia microdasys', CACTUS],
  ['Tephrocactus geometricus', CACTUS],
  ['Melocactus azureus', TROPICAL_CACTUS],
  ['Discocactus horstii', TROPICAL_CACTUS],
  ['Uebelmannia pectinifera', TROPICAL_CACTUS],
  ['Schlumbergera truncata', TENDER_EVERGREEN],
  ['Epiphyllum anguliger', TENDER_EVERGREEN],
  ['Rhipsalis baccifera', TENDER_EVERGREEN],
  ['Hoya kerrii', TENDER_EVERGREEN],
  ['Ceropegia woodii', TENDER_EVERGREEN, 'doubt'],
  ['Stapelia grandiflora', STAPELIAD],
  ['Huernia zebrina', STAPELIAD],
  ['Euphorbia obesa', [COLD.summer, WARM.slows, 'GGG?grr??gGG'], 'doubt'],
  ['Euphorbia trigona', TENDER_EVERGREEN, 'doubt'],
  ['Euphorbia milii', TENDER_EVERGREEN, 'doubt'],
  ['Adenium obesum', LEAF_DROPPING],
  ['Pachypodium lamerei', LEAF_DROPPING],
  ['Cyphostemma juttae', LEAF_DROPPING, 'doubt'],
  ['Ipomoea holubii', LEAF_DROPPING, 'doubt'],
  ['Fockea edulis', STAPELIAD],
  ['Beaucarnea recurvata', STAPELIAD],
  ['Dioscorea elephantipes', WINTER, 'doubt'],
  ['Tylecodon paniculatus', WINTER, 'doubt'],
  ['Othonna euphorbioides', WINTER, 'doubt'],
  ['Pelargonium mirabile', WINTER, 'doubt'],
  ['Albuca spiralis', WINTER],
  ['Lachenalia aloides', WINTER],
  ['Massonia depressa', WINTER],
  ['Boophone disticha', CACTUS, 'doubt'],
  ['Haemanthus albiflos', EVERGREEN],
  ['Ledebouria socialis', EVERGREEN, 'doubt'],
  ['Lithops lesliei', CACTUS, 'doubt'],
  ['Conophytum bilobum', WINTER],
  ['Fenestraria rhopalophylla', WINTER],
  ['Pleiospilos nelii', STONE],
  ['Titanopsis calcarea', STONE],
  ['Faucaria tigrina', LEAF_SPRING],
  ['Frithia pulchra', CACTUS],
  ['Delosperma cooperi', LEAF, 'doubt'],
  ['Trichodiadema bulbosum', STONE, 'doubt'],
  ['Sansevieria trifasciata', TENDER_EVERGREEN, 'doubt'],
  ['Zamioculcas zamiifolia', TENDER_EVERGREEN],
  ['Peperomia graveolens', TENDER_EVERGREEN, 'doubt'],
  ['Yucca elephantipes', LEAF, 'doubt'],
  ['Dorstenia foetida', TROPICAL_CACTUS, 'doubt'],
  ['Sinningia leucotricha', [COLD.summer, WARM.sleeps, 'GGG?rRRR??gG'], 'doubt'],
];

const TAKEN: Readonly<Record<string, string>> = { R: 'R', E: 'E', G: 'GW', r: 'RE', g: 'GWE', '?': 'RGWE' };
const COLD_GLASS: Place = { id: 'cold', kind: 'cold-glass', air: 'gentle', floor_c: 3 };
const WARM_SILL: Place = { id: 'warm', kind: 'windowsill', aspect_deg: 180, air: 'still' };
const OPEN_TABLE: Place = { id: 'open', kind: 'open', air: 'breezy' };
const YEAR = 2026;

function gardenAt(latitude: number, normals: Normals, places: Place[], sleeps: Sleeps | null = null): Garden {
  return {
    today: `${YEAR}-01-01`,
    site: { latitude_deg: latitude, longitude_deg: 8, elevation_m: 200, normals },
    weather: [],
    places,
    mixes: [GRITTY],
    plants: KINDS.flatMap(([name]) =>
      places.map((place) => ({
        id: `${name} ${place.id}`,
        name,
        diameter_mm: 80,
        height_mm: 60,
        place: place.id,
        mix: 'mix',
        pot: roundPot(90, 80, 'plastic'),
        sleeps,
        events: [],
      })),
    ),
  };
}

/** The states in the middle of each month, a letter each. */
function yearsOf(garden: Garden): Map<string, string> {
  const forecast = new GardenForecast(garden);
  return new Map(
    garden.plants.map(({ id }) => {
      const { timeline } = forecast.outlook(id).model;
      const months = Array.from({ length: 12 }, (_, month) =>
        stateOn(timeline, dayNumber(isoDay(dayNumber(`${YEAR}-01-15`) + Math.round((month * 365) / 12))))
          .charAt(0)
          .toUpperCase(),
      );
      return [id, months.join('')];
    }),
  );
}

const north = yearsOf(gardenAt(47, INLAND, [COLD_GLASS, WARM_SILL]));
const south = yearsOf(gardenAt(-34, MILD_COAST, [OPEN_TABLE]));

describe.each(KINDS)('%s', (name, years, doubt) => {
  const [cold, warm, open] = years as Years;
  it.each([
    ['under cold glass', cold, north.get(`${name} cold`)!],
    ['on a warm sill', warm, north.get(`${name} warm`)!],
    ['on an open table in the south', open, south.get(`${name} open`)!],
  ])('%s lives by %s', (_, wanted, found) => {
    const off = [...wanted].filter((code, month) => !TAKEN[code]!.includes(found[month]!));
    expect(off, `wanted ${wanted}, found ${found}`).toEqual([]);
  });
  it('says so where growers differ', () => {
    const genus = genusByAnyName(name)!;
    expect(genusCare(genus, genus.form, genus.habit).doubt !== null).toBe(doubt === 'doubt');
  });
});

describe('a plant that is to skip its rest', () => {
  const awake = yearsOf(gardenAt(47, INLAND, [COLD_GLASS, WARM_SILL], 'never'));
  it('slows, and is never said to sleep, of whatever kind', () => {
    for (const [id, states] of awake) expect(states, id).not.toContain('R');
  });
  it('grows when it would have grown', () => {
    for (const [id, states] of awake)
      for (const [month, state] of [...north.get(id)!].entries())
        if (state === 'G') expect('GWE', `${id} in month ${month + 1}`).toContain(states[month]);
  });
});

describe('the library', () => {
  it('holds at least sixty kinds here', () => expect(KINDS.length).toBeGreaterThanOrEqual(60));
  it('says where its sleep comes from', () => {
    expect(traitsOf({ name: 'Echeveria agavoides' })).toMatchObject({
      traits: { sleeps: 'cold' },
      sources: { sleeps: 'genus' },
    });
    expect(traitsOf({ name: 'Nobody knows', habit: 'summer', form: 'globe' })).toMatchObject({
      traits: { sleeps: 'season' },
      sources: { sleeps: 'form' },
    });
    expect(traitsOf({ name: 'Adenium obesum', sleeps: 'never' })).toMatchObject({
      traits: { sleeps: 'never' },
      sources: { sleeps: 'keeper' },
    });
  });
});
