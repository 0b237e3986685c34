/**
 * One answer a plant: what to do with it today, and why. Nothing else in the product decides.
 *
 * First what no sum may outvote, most urgent first (rules.ts); then, where the rules call for water, the deed of least
 * expected harm under what may be in the pot (due.ts). Where a drink and waiting lie near one another, a look wins.
 */
import { isHarmless } from '../catalogue/causes.ts';
import { ROT_THRESHOLD } from '../clinic/diagnose.ts';
import { actedOn } from '../clinic/remedy.ts';
import { type Answer, DRINKS, hundredth, likeliest, sign, tenth } from './answer.ts';
import { benchFor, type Stands } from './benches.ts';
import { longIndoors } from './beside.ts';
import type { Deed, Happened, Judgement, Sureness } from './deeds.ts';
import { type Facts, gather, iso, type JudgeInput } from './facts.ts';
import { FAIRLY_SURE_GAP, SURE_GAP } from './harm.ts';
import { BESIDE, RULES, TONIGHT } from './rules.ts';
import { SEEN_BESIDE, weighed, type Why } from './weights.ts';
import { mindful } from './mindful.ts';

export function judge(input: JudgeInput): Judgement {
  return judgeFacts(gather(input));
}

export function judgeFacts(facts: Facts): Judgement {
  const first = baseFirst(firstAnswer(facts), facts);
  const cold = TONIGHT.asks(facts);
  let answer = cold ? withCold(first, cold) : first;
  for (const { adds } of BESIDE) answer = adds(answer, facts);
  const deeds = withPlaces(fed(answer.deeds, facts), facts);
  return {
    deeds,
    until: answer.until ?? null,
    next_look: answer.nextLook ?? null,
    ...reasonsOf(answer, facts),
    happened: happenedOf(facts),
    ...mindful(facts, deeds),
    sure: surenessOf(facts, first),
  };
}

/**
 * No water where rot is likelier than a stated threshold and nobody felt the base: a thumb on it takes a moment, and a drink
 * on rot is the last one.
 */
function baseFirst(answer: Answer, { clinic, today }: Facts): Answer {
  const { diagnosis } = clinic;
  if (!diagnosis || diagnosis.rot < ROT_THRESHOLD || diagnosis.baseFelt || !DRINKS.has(answer.deeds[0].deed))
    return answer;
  return {
    ...answer,
    deeds: [{ deed: 'look', what: 'base', then: { firm: 'water', soft: 'act' } }],
    because: [{ code: 'rot-unfelt', source: 'reckoned', n: { chance: hundredth(diagnosis.rot) } }, ...answer.because],
    until: null,
    nextLook: iso(today),
  };
}

function firstAnswer(facts: Facts): Answer {
  for (const { asks } of RULES) {
    const answer = asks(facts);
    if (answer) return answer;
  }
  throw new Error('the rule of its keeper answers for every plant');
}

/** A night below its limit says first what to do; nothing is poured on its eve. What is urgent stays first. */
function withCold(answer: Answer, cold: Answer): Answer {
  if (answer.deeds[0].deed === 'act')
    return { ...answer, deeds: [...answer.deeds, ...cold.deeds], because: [...answer.because, ...cold.because] };
  const rest = answer.deeds.filter(({ deed }) => !DRINKS.has(deed) && deed !== 'move');
  const thirsty = answer.deeds.some(({ deed }) => DRINKS.has(deed));
  return {
    deeds: [...cold.deeds, ...(thirsty ? [{ deed: 'wait', until: null } as const] : rest)],
    because: [...cold.because, ...answer.because],
    against: answer.against ?? [],
    until: thirsty ? null : (answer.until ?? null),
    nextLook: cold.nextLook ?? null,
  };
}

/** Food with the drink, unless it is sick, dim, long dry or lately slack. */
function fed(deeds: Answer['deeds'], facts: Facts): Answer['deeds'] {
  const { feed, tooDark, dryDays, seen } = facts;
  const takesFood =
    feed.kind === 'feed' && !tooDark && dryDays < LONG_DRY_DAYS && !seen.slack && !seen.tooMuch && !sick(facts);
  return deeds.map((deed) =>
    deed.deed === 'water' ? { ...deed, food: takesFood && !deed.flush ? feed.strength : null } : deed,
  ) as Answer['deeds'];
}
/** Roots that stood dry for so long take plain water first. */
const LONG_DRY_DAYS = 14;

/** Every move names a place that fits and has room, where the keeper has one. */
function withPlaces(deeds: Answer['deeds'], facts: Facts): Answer['deeds'] {
  const { benches, outlook, rules, care, nature, state, m } = facts;
  if (!benches) return deeds;
  const plant: Stands = {
    traits: outlook.model.traits,
    nature,
    state,
    light: rules.light,
    ceilingC: rules.ceilingC,
    m: m.p50,
    failsIndoors: care.failsIndoors,
  };
  return deeds.map((deed): Deed => {
    const what = deed.deed === 'move' ? deed.what : deed.deed === 'act' && deed.what === 'out-of-frost' ? 'in' : null;
    if (what === null || (deed.deed !== 'move' && deed.deed !== 'act')) return deed;
    const bench = benchFor(what, plant, outlook.plant.place, benches);
    return bench ? { ...deed, to: { id: bench.id, name: bench.name } } : deed;
  }) as Answer['deeds'];
}

/** Something ails it that food would feed, or burn. */
function sick({ clinic }: Facts): boolean {
  if (clinic.cases.some(({ cause }) => cause !== 'underfed' && !isHarmless(cause))) return true;
  const top = actedOn(clinic.diagnosis);
  return top !== null && top.cause !== 'underfed' && !isHarmless(top.cause);
}

/** What the keeper saw is always among them; so is what holds of its place. */
function reasonsOf({ because, against = [], deeds }: Answer, facts: Facts): Pick<Judgement, 'because' | 'against'> {
  const all = [...because];
  for (const why of alsoTold(facts, deeds[0].deed, because))
    if (![...all, ...against].some(({ code }) => code === why.code)) all.push(why);
  return { because: weighed(all), against: weighed([...against, ...againstIt(facts, deeds[0].deed)]) };
}

function alsoTold(facts: Facts, first: Deed['deed'], because: readonly Why[]): Why[] {
  const { seen, clinic } = facts;
  const told: (Why | null | false)[] = [
    seen.look !== null &&
      !because.some(({ source }) => source === 'seen') && { ...seen.look.reason, weight: SEEN_BESIDE },
    seen.slack && { ...sign('slack-seen', seen.slack), weight: SEEN_BESIDE },
    seen.stretched && sign('stretched-seen', seen.stretched),
    longIndoors(facts),
    offIdeal(facts),
    clinic.raised.length === 0 && first !== 'wake' && likeliestBeside(facts),
  ];
  return told.filter((why): why is Why => Boolean(why));
}

function likeliestBeside(facts: Facts): Why | null {
  const why = likeliest(facts);
  return why && { ...why, weight: Math.min(why.weight!, SEEN_BESIDE - 0.01) };
}

/** What speaks for another deed: what may be in the pot all the same. */
function againstIt({ chanceWet, chanceDue, seen }: Facts, first: Deed['deed']): Why[] {
  if (DRINKS.has(first) && chanceWet > 0.05)
    return [
      {
        code: 'reckoned-damp',
        source: 'reckoned',
        weight: hundredth(chanceWet),
        n: { chance_wet: hundredth(chanceWet) },
      },
    ];
  const perhapsDry = first === 'wait' && chanceDue > 0.3 && seen.look !== null && seen.look.says !== 'dry';
  return perhapsDry ? [{ code: 'reckoned-dry', source: 'reckoned', weight: hundredth(chanceDue) }] : [];
}

/** So far outside the band in which it does best, a growing plant's drinks come at other gaps: that is said. */
const OFF_IDEAL_K = 2;

function offIdeal({ rules, warmthC, state }: Facts): Why | null {
  if (state !== 'growing') return null;
  const { idealFromC: from, idealToC: to } = rules;
  if (warmthC >= from - OFF_IDEAL_K && warmthC <= to + OFF_IDEAL_K) return null;
  return { code: 'off-ideal', source: 'reckoned', n: { warmth: tenth(warmthC), from, to } };
}

function happenedOf({ outlook }: Facts): Happened[] {
  return outlook.present.happened.map(({ kind, probability, from, to, look }) => ({
    kind,
    probability: hundredth(probability),
    from: iso(from),
    to: iso(to),
    ...(look ? { look } : {}),
  }));
}

function surenessOf(facts: Facts, answer: Answer): Sureness {
  const width = facts.m.p90 - facts.m.p10;
  const gap =
    answer.gap ??
    (facts.seen.rot || facts.seen.slack ? SURE_GAP : width < 0.15 ? SURE_GAP : width < 0.3 ? FAIRLY_SURE_GAP : 0);
  const sure: Sureness =
    gap >= SURE_GAP && width < 0.3 ? 'high' : gap >= FAIRLY_SURE_GAP || width < 0.2 ? 'medium' : 'low';
  if (facts.neverLooked) return sure === 'high' ? 'medium' : 'low';
  return sure;
}
