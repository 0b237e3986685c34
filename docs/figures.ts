/** The figures of docs/model.md, drawn by the engine itself: `npm run figures` writes them as SVG into docs/figures. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  blendMix,
  COMPONENTS,
  dayNumber,
  type Garden,
  GardenForecast,
  gardenTasks,
  isoDay,
  outlookView,
  PLANT_STATES,
  type Plant,
  type PlantEvent,
  type Pot,
  potCapacity,
  GRID,
} from '@zinc-pail/core';
import { area, line, scaleLinear, scaleLog } from 'd3';
import { SITES } from '../demo/collection.ts';

const WIDTH = 720;
const HEIGHT = 300;
const INK = '#1d2b2c';
const GREY = '#56635f';
const EARTH = '#5b4630';
const CLAY = '#a04a28';
const DUSK = '#3f6380';
const LICHEN = '#566a2c';

function svg(title: string, body: string, height = HEIGHT): string {
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${height}" font-family="sans-serif" ` +
    `font-size="13" fill="${INK}" role="img" aria-label="${title}"><rect width="100%" height="100%" ` +
    `fill="#f7f6f1"/>${body}</svg>\n`
  );
}
const text = (x: number, y: number, words: string, more = '') => `<text x="${x}" y="${y}" ${more}>${words}</text>`;
const stroke = (d: string | null, colour: string, more = '') =>
  `<path d="${d ?? ''}" fill="none" stroke="${colour}" stroke-width="2" ${more}/>`;

const TODAY = '2026-06-20';
const [site] = SITES;
const POT: Pot = {
  shape: 'round',
  top_mm: 100,
  base_mm: 75,
  depth_mm: 90,
  material: 'terracotta',
  holes: true,
  top_dressing_mm: 0,
};

function gardenOf(today: string, plants: Plant[]): Garden {
  return {
    today,
    weather: [],
    plants,
    site: {
      latitude_deg: site!.latitudeDeg,
      longitude_deg: site!.longitudeDeg,
      elevation_m: site!.elevationM,
      normals: site!.normals,
    },
    places: site!.places,
    mixes: [
      {
        id: 'grit',
        parts: [
          { component: 'pumice', parts: 2 },
          { component: 'cactus-soil', parts: 1 },
        ],
      },
    ],
  };
}
const plantOf = (events: PlantEvent[], over: Partial<Plant> = {}): Plant => ({
  id: 'plant',
  diameter_mm: 80,
  height_mm: 60,
  habit: 'summer',
  form: 'globe',
  dry_rule: 'dry-through',
  place: 'lean-to',
  mix: 'grit',
  pot: POT,
  events,
  ...over,
});
const days = (n: number, from = TODAY) => isoDay(dayNumber(from) + n);

/** A dry-down: 64 futures as a band, in clay and in plastic. */
function dryDown(): string {
  const x = scaleLinear([0, 28], [60, WIDTH - 20]);
  const y = scaleLinear([0, 1], [HEIGHT - 40, 20]);
  const curve = (pot: Pot, colour: string) => {
    const [{ outlook, task }] = gardenTasks(
      gardenOf(TODAY, [plantOf([{ type: 'watering', date: TODAY, method: 'drench' }], { pot })]),
    ) as [ReturnType<typeof gardenTasks>[0]];
    const { ahead } = outlookView(outlook, task.forecast, dayNumber(TODAY));
    const points = ahead.p50.slice(0, 29).map((m, i) => ({ i, m, low: ahead.p10[i]!, high: ahead.p90[i]! }));
    const band = area<(typeof points)[number]>()
      .x((p) => x(p.i))
      .y0((p) => y(p.low))
      .y1((p) => y(p.high))(points);
    return `<path d="${band}" fill="${colour}" opacity="0.2"/>${stroke(
      line<(typeof points)[number]>(
        (p) => x(p.i),
        (p) => y(p.m),
      )(points),
      colour,
    )}`;
  };
  const bands = [
    ['wet', 0.6, 1],
    ['damp', 0.3, 0.6],
    ['drying', 0.12, 0.3],
    ['dry', 0, 0.12],
  ] as const;
  const frame = bands
    .map(
      ([word, low, high]) =>
        `<line x1="60" x2="${WIDTH - 20}" y1="${y(low)}" y2="${y(low)}" stroke="#cbd3d0"/>${text(52, y((low + high) / 2) + 4, word, 'text-anchor="end"')}`,
    )
    .join('');
  const ticks = [0, 7, 14, 21, 28].map((d) => text(x(d), HEIGHT - 20, `${d} d`, 'text-anchor="middle"')).join('');
  return svg(
    'A dry-down of one pot in clay and in plastic',
    frame +
      ticks +
      curve(POT, CLAY) +
      curve({ ...POT, material: 'plastic' }, DUSK) +
      text(x(20), 40, 'terracotta', `fill="${CLAY}"`) +
      text(x(20), 60, 'plastic', `fill="${DUSK}"`),
  );
}

/** Retention curves of four components and a blend. */
function retention(): string {
  const x = scaleLog([0.5, 300], [60, WIDTH - 120]);
  const y = scaleLinear([0, 1], [HEIGHT - 40, 20]);
  const suctions = Array.from({ length: 60 }, (_, i) => 0.5 * 600 ** (i / 59));
  const shown: [string, string, string][] = [
    ['peat', EARTH, 'peat'],
    ['pumice', GREY, 'pumice'],
    ['coarse-sand', '#b98d2c', 'coarse sand'],
    ['loam', LICHEN, 'loam'],
  ];
  const curves = shown.map(([id, colour, words]) => {
    const blend = blendMix({ id, parts: [{ component: id, parts: 1 }] }, COMPONENTS);
    return (
      stroke(
        line<number>(
          (h) => x(h),
          (h) => y(blend.waterAt(h)),
        )(suctions),
        colour,
      ) +
      text(WIDTH - 114, y(blend.waterAt(300)) + (id === 'peat' ? -6 : id === 'loam' ? 9 : 4), words, `fill="${colour}"`)
    );
  });
  const mixed = blendMix(
    {
      id: 'mix',
      parts: [
        { component: 'peat', parts: 1 },
        { component: 'pumice', parts: 2 },
      ],
    },
    COMPONENTS,
  );
  const frame = [0, 0.25, 0.5, 0.75, 1]
    .map(
      (v) =>
        `<line x1="60" x2="${WIDTH - 120}" y1="${y(v)}" y2="${y(v)}" stroke="#cbd3d0"/>${text(52, y(v) + 4, `${v * 100} %`, 'text-anchor="end"')}`,
    )
    .join('');
  const ticks = [1, 10, 50, 300].map((h) => text(x(h), HEIGHT - 20, `${h} cm`, 'text-anchor="middle"')).join('');
  return svg(
    'Water held against suction',
    frame +
      ticks +
      curves.join('') +
      stroke(
        line<number>(
          (h) => x(h),
          (h) => y(mixed.waterAt(h)),
        )(suctions),
        CLAY,
        'stroke-dasharray="5 4"',
      ) +
      text(x(0.6), y(mixed.waterAt(0.6)) - 10, '1 peat : 2 pumice', `fill="${CLAY}"`),
  );
}

/** The wet layer in three pots of one mix: deep, shallow, and with crocks. */
function wetLayer(): string {
  const blend = blendMix(
    {
      id: 'mix',
      parts: [
        { component: 'potting-soil', parts: 2 },
        { component: 'pumice', parts: 1 },
      ],
    },
    COMPONENTS,
  );
  const scale = 1.5;
  const base = 250;
  const pots: [string, Pot, number][] = [
    ['deep', { ...POT, top_mm: 120, base_mm: 95, depth_mm: 130 }, 0],
    ['shallow', { ...POT, top_mm: 150, base_mm: 125, depth_mm: 50 }, 0],
    ['deep, 30 mm of crocks', { ...POT, top_mm: 120, base_mm: 95, depth_mm: 130 }, 30],
  ];
  const body = pots.map(([words, pot, crockMm], i) => {
    const centre = 130 + i * 230;
    const width = (mm: number) => (pot.base_mm + ((pot.top_mm - pot.base_mm) * mm) / pot.depth_mm) * scale;
    const slices = Array.from({ length: pot.depth_mm - crockMm }, (_, j) => {
      const mm = crockMm + j;
      const fill = blend.waterAt((mm - crockMm) / 10) / blend.totalPorosity;
      return (
        `<rect x="${centre - width(mm) / 2}" y="${base - (mm + 1) * scale}" width="${width(mm)}" height="${scale + 0.4}" ` +
        `fill="${EARTH}" opacity="${(fill ** 2).toFixed(2)}"/>`
      );
    }).join('');
    const crocks =
      crockMm > 0
        ? `<rect x="${centre - width(0) / 2}" y="${base - crockMm * scale}" width="${width(0)}" height="${crockMm * scale}" fill="#c07a55" opacity="0.7"/>`
        : '';
    const { saturatedLayerMm, containerCapacity } = potCapacity(pot, blend, crockMm);
    return (
      `${slices}${crocks}<path ` +
      `d="M${centre - width(pot.depth_mm) / 2},${base - pot.depth_mm * scale}L${centre - width(0) / 2},${base}H${centre + width(0) / 2}L${centre + width(pot.depth_mm) / 2},${base - pot.depth_mm * scale}" ` +
      `fill="none" stroke="${INK}" ` +
      `stroke-width="2"/>${text(centre, base + 20, words, 'text-anchor="middle" font-weight="600"')}${text(centre, base + 38, `wet layer ${saturatedLayerMm.toFixed(0)} mm, holds ${Math.round(containerCapacity * 100)} %`, 'text-anchor="middle"')}`
    );
  });
  return svg('The wet layer after a drench', body.join(''));
}

/** What is believed of a pot's rate, after none to five checks of one dry-down. */
function learning(): string {
  const x = scaleLog([0.25, 4], [50, WIDTH - 20]);
  const checks: PlantEvent[] = [
    ['damp', 2],
    ['damp', 3],
    ['dry', 4],
    ['dry', 5],
    ['dry', 6],
  ].map(([finger, day]) => ({ type: 'check', date: days(day as number), finger: finger as 'damp' | 'dry' }));
  const body = [0, 1, 2, 3, 5].map((count, i) => {
    const events: PlantEvent[] = [{ type: 'watering', date: TODAY, method: 'drench' }, ...checks.slice(0, count)];
    const { ratePosterior } = new GardenForecast(gardenOf(days(7), [plantOf(events)])).outlook('plant');
    const top = Math.max(...ratePosterior);
    const ground = 60 + i * 50;
    const shape = area<number>()
      .x((j) => x(Math.exp(GRID[j]!)))
      .y0(ground)
      .y1((j) => ground - (40 * ratePosterior[j]!) / Math.max(top, 0.12));
    const inside = [...ratePosterior.keys()].filter((j) => Math.exp(GRID[j]!) >= 0.25 && Math.exp(GRID[j]!) <= 4);
    return (
      `<path d="${shape(inside)}" fill="${EARTH}" ` +
      `opacity="0.75"/>${text(54, ground - 6, count === 0 ? 'nobody looked' : `${count} ${count === 1 ? 'check' : 'checks'}`)}`
    );
  });
  const ticks = [0.25, 0.5, 1, 2, 4].map((k) => text(x(k), HEIGHT - 14, `${k} ×`, 'text-anchor="middle"')).join('');
  return svg('What five checks teach of one pot', body.join('') + ticks);
}

/** A year of three habits under cold glass, as states. */
function yearOfRest(): string {
  const start = dayNumber('2026-01-01');
  const x = scaleLinear([0, 365], [130, WIDTH - 20]);
  const colours = { growing: LICHEN, easing: '#a9ad6b', resting: DUSK, waking: '#9bb36a' };
  const habits = ['summer', 'winter', 'spring-autumn', 'evergreen', 'opportunist'] as const;
  const body = habits.map((habit, row) => {
    const { model } = new GardenForecast(
      gardenOf('2026-01-01', [plantOf([], { habit, grow_min_c: habit === 'winter' ? 7 : 10 })]),
    ).outlook('plant');
    let spans = '';
    const stateOf = (day: number) => PLANT_STATES[model.timeline.states[start + day - model.timeline.firstDay]!]!;
    for (let day = 0, from = 0; day < 365; day++) {
      if (day < 364 && stateOf(day + 1) === stateOf(from)) continue;
      spans +=
        `<rect x="${x(from).toFixed(1)}" y="${40 + row * 44}" width="${(x(day + 1) - x(from)).toFixed(1)}" height="30" ` +
        `fill="${colours[stateOf(from)]}"/>`;
      from = day + 1;
    }
    return spans + text(120, 60 + row * 44, habit, 'text-anchor="end"');
  });
  const months = ['Jan', 'Mar', 'May', 'Jul', 'Sep', 'Nov']
    .map((month, i) => text(x(i * 61), HEIGHT - 30, month))
    .join('');
  const legend = Object.entries(colours)
    .map(
      ([state, colour], i) =>
        `<rect x="${130 + i * 110}" y="${HEIGHT - 18}" width="12" height="12" fill="${colour}"/>${text(147 + i * 110, HEIGHT - 7, state)}`,
    )
    .join('');
  return svg('A year of four habits', body.join('') + months + legend);
}

/** What is held to be in one pot before and after a look that contradicts its book. */
function contradiction(): string {
  const x = scaleLinear([0, 1], [60, WIDTH - 20]);
  const back = (n: number) => days(-n);
  const felt = (n: number, finger: 'wet' | 'damp' | 'dry'): PlantEvent => ({ type: 'check', date: back(n), finger });
  const drench = (n: number): PlantEvent => ({ type: 'watering', date: back(n), method: 'drench' });
  const book: PlantEvent[] = [
    drench(46),
    felt(42, 'damp'),
    felt(36, 'dry'),
    drench(34),
    felt(30, 'damp'),
    felt(24, 'dry'),
    drench(22),
    felt(18, 'damp'),
    felt(12, 'dry'),
  ];
  const rows: [string, PlantEvent[]][] = [
    ['the book alone', []],
    ['felt wet today', [felt(0, 'wet')]],
    ['and wet yesterday', [felt(1, 'wet'), felt(0, 'wet')]],
  ];
  const body = rows.map(([words, looks], i) => {
    const [{ outlook }] = gardenTasks(gardenOf(TODAY, [plantOf([...book, ...looks])])) as [
      ReturnType<typeof gardenTasks>[0],
    ];
    const ground = 90 + i * 72;
    const levels = Array.from({ length: 101 }, (_, j) => j / 100);
    const mass = levels.map((m) =>
      outlook.present.cells.reduce(
        (sum, cell) =>
          sum +
          (cell.weight * Math.exp(-0.5 * ((m - cell.m) / Math.max(0.02, cell.sd)) ** 2)) / Math.max(0.02, cell.sd),
        0,
      ),
    );
    const top = Math.max(...mass);
    const shape = area<number>()
      .x((j) => x(levels[j]!))
      .y0(ground)
      .y1((j) => ground - (52 * mass[j]!) / top)([...levels.keys()]);
    return `<path d="${shape}" fill="${EARTH}" opacity="0.75"/>${text(x(0.98), ground - 52, words, 'font-weight="600" text-anchor="end"')}`;
  });
  const ticks = [0, 0.12, 0.3, 0.6, 1].map((m) => text(x(m), HEIGHT - 14, String(m), 'text-anchor="middle"')).join('');
  return svg('What is held to be in the pot, before and after a look that contradicts its book', body.join('') + ticks);
}

/** The first deed for one growing plant, by what a probe reads and how cold the night will be. */
function deedMap(): string {
  const colours: Record<string, string> = {
    water: CLAY,
    sip: CLAY,
    look: '#b98d2c',
    wait: DUSK,
    move: '#8c5a3c',
    act: '#a33a2c',
    sleep: GREY,
    wake: LICHEN,
  };
  const readings = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];
  const nights = [16, 13, 10, 8, 6, 4, 2, 0, -2, -4];
  const cell = { w: (WIDTH - 120) / readings.length, h: (HEIGHT - 80) / nights.length };
  const seen = new Set<string>();
  const body = nights.flatMap((night, row) =>
    readings.map((meter, column) => {
      const file = gardenOf(TODAY, [
        plantOf(
          [
            { type: 'watering', date: days(-30), method: 'drench' },
            { type: 'check', date: days(-3), meter },
            { type: 'check', date: TODAY, meter },
          ],
          { min_dry_c: -1, min_wet_c: 5 },
        ),
      ]);
      const weather = Array.from({ length: 7 }, (_, i) => ({
        date: days(i + 1),
        tmin_c: night,
        tmax_c: night + 12,
        rh_pct: 60,
        sunshine_h: 6,
        rain_mm: 0,
        wind_m_s: 1,
        source: 'forecast' as const,
      }));
      const [{ task }] = gardenTasks({
        ...file,
        weather,
        places: file.places.map((place) => ({ ...place, kind: 'covered' as const })),
      }) as [ReturnType<typeof gardenTasks>[0]];
      const { deed } = task.judgement.deeds[0];
      seen.add(deed);
      return `<rect x="${100 + column * cell.w}" y="${20 + row * cell.h}" width="${cell.w - 1}" height="${cell.h - 1}" fill="${colours[deed]}"/>`;
    }),
  );
  const down = nights
    .map((night, row) => text(92, 20 + row * cell.h + cell.h * 0.7, `${night}°`, 'text-anchor="end"'))
    .join('');
  const across = readings
    .map((meter, column) => text(100 + (column + 0.5) * cell.w, HEIGHT - 44, String(meter), 'text-anchor="middle"'))
    .join('');
  const legend = [...seen]
    .map(
      (deed, i) =>
        `<rect x="${100 + i * 90}" y="${HEIGHT - 26}" width="12" height="12" fill="${colours[deed]}"/>${text(117 + i * 90, HEIGHT - 15, deed)}`,
    )
    .join('');
  return svg(
    'The first deed by what the probe reads (across) and the coming night (down)',
    body.join('') + down + across + legend,
  );
}

const folder = join(process.env.ZINC_ROOT ?? '.', 'docs', 'figures');
for (const [name, draw] of Object.entries({
  'dry-down': dryDown,
  retention,
  'wet-layer': wetLayer,
  learning,
  'year-of-rest': yearOfRest,
  contradiction,
  'deed-map': deedMap,
})) {
  writeFileSync(join(folder, `${name}.svg`), draw());
}
