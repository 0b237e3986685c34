/**
 * What the product says of a plant, read as claims and gathered from every surface: the line, the page, the window, the
 * calendar, Weather, the almanac, the potting bench, the clinic, the list and the can. Two claims of one
 * plant on one day that cannot both be so are a contradiction.
 */
import {
  almanacOf,
  benchesOf,
  type CareTask,
  clinicAnswer,
  dayNumber,
  drinkOf,
  type Garden,
  GardenForecast,
  gardenTasks,
  isoDay,
  judgedAs,
  lightVerdict,
  nightItBearsC,
  type Outlook,
  outlookView,
  type OutlookView,
  pottingOf,
  stepsAsked,
  unfitness,
} from '@zinc-pail/core';
import { judgementWords } from '@zinc-pail/words/judgement';
import { SI } from '@zinc-pail/words/units';
import { coldEves, planOf } from '../src/formats/plan.ts';

export interface Contradiction {
  plant: string;
  today: string;
  rule: string;
  claims: string;
}

/** Everything that is told of one plant on one day. */
export interface Told {
  id: string;
  today: string;
  outlook: Outlook;
  task: CareTask;
  view: OutlookView;
  benches: ReturnType<typeof benchesOf>;
  almanac: ReturnType<typeof almanacOf>[number];
  potting: ReturnType<typeof pottingOf>;
}

const POURS: ReadonlySet<string> = new Set(['first-water', 'water', 'soak', 'flush', 'feed-once', 'soil-drench']);

export function toldOf(garden: Garden): Told[] {
  const today = dayNumber(garden.today);
  const tasks = gardenTasks(garden);
  const forecast = new GardenForecast(garden);
  const starts = tasks.map(({ outlook, task }) => ({
    plantId: outlook.plant.id,
    rate: outlook.rate.p50,
    m: outlook.moisture.p50,
    due: task.due === null ? null : dayNumber(task.due),
    ceilingC: task.rules.rules.ceilingC,
  }));
  const rows = almanacOf(forecast, starts);
  const benches = benchesOf(forecast, today);
  return tasks.map(({ outlook, task }, i): Told => {
    const { id } = outlook.plant;
    const { place } = forecast.climate.place(outlook.plant.place);
    return {
      id,
      today: garden.today,
      outlook,
      task,
      benches,
      view: outlookView(outlook, task.forecast, today),
      almanac: rows[i]!,
      potting: pottingOf({
        outlook,
        today,
        rules: task.rules.rules,
        blend: forecast.blend(outlook.plant.mix),
        surfaceWetM: forecast.surface(),
        latitudeDeg: garden.site.latitude_deg,
        place: { kind: place.kind, air: place.air },
        saltsOver: task.salts.flush,
        heavyHand: false,
        arrivedOn: null,
        floweredOn: null,
        poured: null,
        rescued: false,
        fitsOn: null,
        pottedOn: null,
      }),
    };
  });
}

type Rule = (told: Told) => string | null;

/** Each rule is two claims that cannot both be so; it says them where they are made. */
const RULES: Record<string, Rule> = {
  'one drink today': ({ task, today }) => {
    const drink = drinkOf(task.judgement) !== null;
    const claims = {
      line: drink,
      list: judgedAs(task.judgement, today) === 'water',
      due: task.due === today,
      window: task.forecast.water?.ideal === today,
      calendar: planOf(task, today)?.what === 'water' && planOf(task, today)?.date === today,
      diagnose: clinicAnswer(task.judgement, task.clinic, dayNumber(today)).water === 'now',
    };
    return new Set(Object.values(claims)).size > 1 ? JSON.stringify(claims) : null;
  },
  'a step of a case pours only where the line does': ({ task, today }) => {
    const steps = task.clinic.cases.flatMap((one) => stepsAsked(one, today)).filter(({ step }) => POURS.has(step));
    return steps.length > 0 && drinkOf(task.judgement) === null
      ? `${steps.map(({ step }) => step).join(', ')} beside ${task.judgement.deeds[0].deed}`
      : null;
  },
  'the clinic pours only where the line does': ({ task, today }) => {
    const { actions } = clinicAnswer(task.judgement, task.clinic, dayNumber(today));
    const pours = actions.some(
      ({ action, urgency }) => urgency === 'today' && (action === 'water' || action === 'flush'),
    );
    return pours && drinkOf(task.judgement) === null ? JSON.stringify(actions) : null;
  },
  'one next drink': ({ task, view }) => {
    const [first] = task.judgement.deeds;
    const ideal = view.water?.ideal ?? null;
    if (task.due !== ideal) return `due ${task.due}, window ${ideal}`;
    if (first.deed === 'wait' && first.until !== null && ideal !== null && ideal < first.until)
      return `line until ${first.until}, window ${ideal}`;
    return first.deed === 'sleep' && ideal !== null ? `asleep, window ${ideal}` : null;
  },
  'nothing is poured before it is dry': ({ view, task }) => {
    const ideal = view.water?.ideal;
    const hold = task.judgement.deeds.some(({ deed }) => deed === 'look' || deed === 'water' || deed === 'sip');
    const drying = view.dry_on.p10;
    if (!ideal || hold || drying === null || view.due_m > 0.2) return null;
    return ideal < drying ? `window ${ideal}, dry not before ${drying}` : null;
  },
  'further apart means further apart': ({ task }) => {
    const easing = task.judgement.because.find(({ code }) => code === 'easing');
    const words = judgementWords(
      { ...task.judgement, because: easing ? [easing] : task.judgement.because },
      { units: SI, today: '2026-01-01' },
    ).reason;
    const { gap1, now } = easing?.n ?? {};
    return easing && /further apart/.test(words) && gap1 !== undefined && now !== undefined && gap1 <= now
      ? `gap ${now}, then ${gap1}: ${words}`
      : null;
  },
  'one state': ({ task, view, almanac, outlook }) => {
    const asleep = view.state === 'resting';
    const said = task.judgement.because.some(({ code }) => code === 'asleep');
    const sleeps = task.judgement.deeds.some(({ deed }) => deed === 'sleep');
    if ((said || sleeps) && !asleep) return `${view.state}, and told asleep`;
    if (asleep && task.feed.kind === 'feed') return 'asleep, and fed';
    const marked = outlook.plant.events.some((event) => event.type === 'state');
    if (view.traits.sleeps === 'never' && asleep && !marked) return 'never sleeps, and is told asleep';
    const tomorrow = almanac.states[0]!.state;
    const turns =
      view.next_change !== null &&
      dayNumber(view.next_change.on) - dayNumber(task.judgement.next_look ?? view.next_change.on) < 400;
    return tomorrow !== view.state && !turns ? `${view.state}, almanac ${tomorrow}` : null;
  },
  'a sleeper gets a sip at most': ({ task, view }) => {
    const drink = drinkOf(task.judgement);
    return view.state === 'resting' && drink?.deed === 'water' ? `drench of ${drink.amount_ml} ml` : null;
  },
  'one limit tonight': ({ task, view, outlook, today }) => {
    const takes = nightItBearsC(view.traits, view.moisture.p50);
    const below = task.judgement.because.find(({ code }) => code === 'below-limit');
    if (below && below.n!.limit !== takes) return `line ${below.n!.limit}, page ${takes}`;
    const id = Number.NaN;
    const cold = coldEves(
      [{ id, name: outlook.plant.id, number: '' }],
      { views: new Map([[id, view]]), tasks: new Map([[id, task]]), today },
      '',
      new Map(),
    );
    const tonight = cold.some(({ date }) => date === today);
    return tonight !== (below !== undefined) ? `calendar ${tonight}, line ${below !== undefined}` : null;
  },
  'where it may stay it is not called in from': ({ task, view, almanac, outlook }) => {
    const { stands } = almanac;
    const inside = task.judgement.because.some(({ code }) => code === 'cold-for-weeks');
    return stands.when === 'always' && inside
      ? `Weather: all year; line: wrong place (${view.state}, ${outlook.plant.place})`
      : null;
  },
  'felt wet is not due': ({ task }) =>
    drinkOf(task.judgement) && task.judgement.because.some(({ code }) => code === 'felt-wet')
      ? 'felt wet, and poured'
      : null,
  'never dry before the hand that found it damp': ({ task, outlook, today }) => {
    const look = outlook.plant.events.findLast((event) => event.type === 'check' && 'finger' in event);
    if (look?.type !== 'check' || !('finger' in look) || look.finger === 'dry') return null;
    const told = task.judgement.because.find(
      ({ code, on }) => code === 'dries-on' && on !== undefined && on <= look.date,
    );
    return told ? `felt ${look.finger} on ${look.date}, dry by ${told.on} (${today})` : null;
  },
  'no light and shade at once': ({ task }) => {
    const moves = task.judgement.deeds.flatMap((deed) => (deed.deed === 'move' ? [deed.what] : []));
    return moves.includes('brighter') && moves.includes('shadier') ? moves.join(' and ') : null;
  },
  'a bench that is named fits': ({ task, outlook, benches }) => {
    const { traits, nature } = outlook.model;
    for (const deed of task.judgement.deeds) {
      if ((deed.deed !== 'move' && deed.deed !== 'act') || !deed.to) continue;
      const bench = benches.find(({ id }) => id === deed.to!.id)!;
      const bad = unfitness(bench, {
        traits,
        nature,
        state: outlook.state,
        light: task.rules.rules.light,
        ceilingC: task.rules.rules.ceilingC,
        m: outlook.moisture.p50,
        failsIndoors: false,
      });
      if (bad.length > 0 || bench.id === outlook.plant.place) return `${deed.what} to ${bench.id}: ${bad.join(', ')}`;
    }
    return null;
  },
  'a place that is told too bright is not told too dim': ({ task, outlook, benches }) => {
    const here = benches.find(({ id }) => id === outlook.plant.place)!;
    const verdict = lightVerdict(here.dliMol, task.rules.rules.light, outlook.state);
    const dark = task.judgement.because.some(({ code }) => code === 'too-dark');
    return dark && (verdict === 'well' || verdict === 'too-bright') ? `Benches: ${verdict}; line: too dark` : null;
  },
  'no thirst is watered on the potting bench that the line keeps dry': ({ potting, task }) => {
    const [first] = task.judgement.deeds;
    const keepsDry =
      first.deed === 'act' || (first.deed === 'look' && first.what === 'base') || task.clinic.held !== null;
    return keepsDry && potting.first === 'water-first' ? `potting: water first; line: ${first.deed}` : null;
  },
  'a new pot is not told to suit in its sleep': ({ potting, view, today }) =>
    potting.suits && potting.suits.from <= dayNumber(today) && view.state === 'resting' && view.traits.form !== 'bulb'
      ? `suits from ${isoDay(potting.suits.from)}, asleep`
      : null,
  'a treated plant is kept as its case has it': ({ task }) =>
    task.clinic.held && drinkOf(task.judgement) ? `held for ${task.clinic.held.cause}, and poured` : null,
  'the year ahead keeps dry what lives on its old leaves': ({ task, almanac, today }) => {
    // Its weeks begin tomorrow: only those that end before the day count.
    const pair = task.judgement.because.find(({ code }) => code === 'new-pair');
    const weeks = pair?.on ? Math.floor((dayNumber(pair.on) - dayNumber(today) - 1) / 7) : 0;
    const told = almanac.waterings.slice(0, Math.max(0, weeks));
    return told.some((times) => times > 0) ? `dry until ${pair!.on}, almanac ${told.join(' ')}` : null;
  },
  'looks lie ahead': ({ task, today }) =>
    task.judgement.next_look !== null && task.judgement.next_look < today ? task.judgement.next_look : null,
};

/** All contradictions of a garden on its day. */
export function contradictions(garden: Garden): Contradiction[] {
  return toldOf(garden).flatMap((told) =>
    Object.entries(RULES).flatMap(([rule, find]) => {
      const claims = find(told);
      return claims === null ? [] : [{ plant: told.id, today: told.today, rule, claims }];
    }),
  );
}
