/**
 * A sentence for every code of a reason, from its numbers. One code, one sentence: no second wording of the same fact.
 */
import { bandOf, type Reason, type Refusal } from '@zinc-pail/core';
import { causeWords } from './causes.ts';
import { dateWords, dayWords, onDay, partOfMonth } from './days.ts';
import { signWords } from './signs.ts';
import { SKIP_WORDS } from './skips.ts';
import { aOr, capital, degreeWords, MM_PER_INCH, shownTemperature, type Units } from './units.ts';

export interface Speaking {
  units: Units;
  today: string;
}

const CHANGED = {
  slower: 'slower than it did: a blocked hole, lost roots, too large a pot, a tired mix, or cold',
  faster: 'faster than it did: roots that fill the pot, or water that runs past a shrunken ball',
} as const;

export function reasonWords(reason: Reason, { units, today }: Speaking): string {
  const { code, n = {}, on, of = '' } = reason;
  const day = on ? onDay(on, today) : '';
  const since = on ? sinceWords(on, today) : '';
  const degrees = (celsius: number) => degreeWords(celsius, units);
  switch (code) {
    case 'felt-wet':
      return `You felt it wet ${day}.`;
    case 'felt-damp':
      return `You felt it damp ${day}.`;
    case 'felt-dry':
      return `You felt it dry ${day}.`;
    case 'likeliest':
      return `By its signs and its history: ${causeWords(of).name.toLowerCase()}, ${Math.round((n.chance ?? 0) * 100)} %.`;
    case 'rot-unfelt':
      return `Rot is ${Math.round((n.chance ?? 0) * 100)} % likely, and nobody has felt its base: no water before that.`;
    case 'in-treatment':
      return `Treated for ${causeWords(of).name.toLowerCase()} since ${on ? dateWords(on, today) : 'lately'}.`;
    case 'surface-dry':
      return `Only its top was felt dry ${day}, and the pot is deep.`;
    case 'surface-wet':
      return `Its top was wet ${day}.`;
    case 'weighed':
      return `You weighed it ${day}, with ${Math.round(n.share! * 100)} % of its water left.`;
    case 'probed':
      return `The probe read ${n.reading!} ${day}.`;
    case 'lifted':
      return `It was ${of} in the hand ${day}.`;
    case 'rot-seen':
      return `You saw ${signWords(of)} ${day}: that is rot until shown otherwise.`;
    case 'slack-seen':
      return `You saw it ${signWords(of)} ${day}.`;
    case 'taut-seen':
      return `Taut ${day}, and dry: it draws on its store. The first wrinkles, or about a week.`;
    case 'too-much-seen':
      return `You saw ${signWords(of)} ${day}, and its mix is still wet.`;
    case 'woken-seen':
      return `You saw ${signWords(of)} ${day}: it wakes.`;
    case 'stretched-seen':
      return `It has grown long between its leaves (seen ${day}): more light first, and trimming later.`;
    case 'reckoned-wet':
      return 'Reckoned wet.';
    case 'reckoned-damp':
      return n.chance_wet === undefined
        ? `Reckoned ${bandOf(n.p50 ?? 0.4)}.`
        : `One chance in ${Math.max(2, Math.round(1 / n.chance_wet))} that it is still wet.`;
    case 'reckoned-dry':
      return on ? `Dry ${since}${giveOrTake(n)}.` : 'Reckoned dry.';
    case 'due':
      return dueWords(of, n);
    case 'not-due':
      return notDueWords(reason, today);
    case 'unsure':
      return bandOf(n.p10!) === bandOf(n.p90!)
        ? `Expected ${bandOf(n.p10!)}.`
        : `It may be anywhere from ${bandOf(n.p10!)} to ${bandOf(n.p90!)}.`;
    case 'never-looked':
      return 'Nobody has ever felt this pot.';
    case 'long-unlooked':
      return `Not felt or weighed for ${aOr(n.days!, 'day')}.`;
    case 'came-as-it-came':
      return on ? `It came ${day}, and nobody knows how wet.` : 'Nobody knows how wet it came.';
    case 'contradicts-book':
      return contradictWords(of);
    case 'changed-pace':
      return of === 'contradictory'
        ? 'What was found contradicts itself: no drying explains all of it.'
        : n.norm !== undefined
          ? paceWords(of, n)
          : `It dries ${times(of === 'slower' ? 1 / n.factor! : n.factor!)} ${CHANGED[of as keyof typeof CHANGED]}.`;
    case 'asleep':
      return n.wakes_in_days === undefined || n.wakes_in_days > 380
        ? 'No waking is in sight.'
        : `It wakes about ${partOfMonth(plusDays(today, n.wakes_in_days), today)}${ownWayWords(n)}.`;
    case 'easing':
      return `It slows${n.now !== undefined && n.gap1 !== undefined && n.gap1 > n.now ? ', so its drinks come further apart' : ''}${rampWords(n)}.`;
    case 'waking':
      return `It wakes: small drinks first${rampWords(n)}.`;
    case 'rain-counted':
      return `${depthWords(n.mm!, units)} of rain ${day} counted as a drink.`;
    case 'rain-coming':
      return `Rain is coming: ${Math.round(100 * n.chance!)} in a hundred that it brings half of the drink or more.`;
    case 'long-rain':
      return (
        `Wet for ${aOr(n.days!, 'day')}, with rain on ${n.rain_days} of the last ten: a roof, or the pot leaned over, ` +
        `lets it dry${n.hole ? '' : '; it has no hole'}.`
      );
    case 'long-indoors':
      return `Under a roof for ${aOr(n.days!, 'day')}: its kind fails indoors without a lamp or a very bright window.`;
    case 'off-ideal':
      return n.warmth! < n.from!
        ? `It stands at ${degrees(n.warmth!)} and does best from ${degrees(n.from!)}: it drinks less, and grows little.`
        : `It stands at ${degrees(n.warmth!)} and does best up to ${degrees(n.to!)}.`;
    case 'slept-too-long':
      return `Asleep for ${Math.round(n.days! / 30)} months. Firm still? Then warmth and light wake it, and the first drink follows.`;
    case 'touch-due':
      return `Asleep, and not touched for ${n.days! > 45 ? 'more than a month' : 'a month'}: firm is well.`;
    case 'small-store':
      return `Dry${n.days ? ` for ${aOr(n.days, 'day')}` : ''} in a warm room, its leaves spend what they hold.`;
    case 'shrinking-warm':
      return `You saw it ${signWords(of)} ${day}: a leaf succulent in a warm room may have a sip, no more.`;
    case 'shrinking-cold':
      return `You saw it ${signWords(of)} ${day}: in rest, and on its way there, it may shrink a little. Firm at the base is well.`;
    case 'goes-to-rest':
      return 'It goes to rest before its next drink would be due.';
    case 'too-cold-to-drink':
      return `Too cold to drink: ${degrees(n.warmth!)} on average, and it grows from ${degrees(n.grows_from!)}.`;
    case 'too-dark':
      return 'Too dark to grow: no food.';
    case 'too-hot':
      return (
        `${apartFrom(n.high!, n.limit!, units)} ${n.days === 0 ? 'today' : n.days === 1 ? 'tomorrow' : 'in two days'}, ` +
        `and it bears ${degrees(n.limit!)} without shade${n.small ? ' in so small a pot' : ''}.`
      );
    case 'below-limit':
      return `${apartFrom(n.tonight!, n.limit!, units)} tonight, and it bears ${degrees(n.limit!)}${n.moist ? ' with a moist root ball' : ''}.`;
    case 'near-limit':
      return `${apartFrom(n.tonight!, n.limit!, units)} tonight, close to the ${degrees(n.limit!)} it bears.`;
    case 'cold-for-weeks':
      return `Most nights of the coming weeks fall below the ${degrees(n.limit!)} it bears with moist roots: it stands in the wrong place.`;
    case 'cold-night':
      return `No drink on the eve of ${degrees(n.tonight!)}: moist roots bear ${degrees(n.limit!)}.`;
    case 'wet-and-cold':
      return `Wet for ${aOr(n.days!, 'day')} at ${degrees(n.warmth!)}: warmth, air and light dry it; a wick helps.`;
    case 'roots-in-danger':
      return `Wet and cold for too long${n.days! > 1 ? `, ${n.days!} days` : ''}: its roots are in danger.`;
    case 'cut-roots':
      return `Potted ${day}${POTTED_WAITS[of] ?? POTTED_WAITS['roots-cut']}`;
    case 'dry-for-long':
      return `Dry for ${aOr(n.days!, 'day')}: fine roots may have died, so a small drink first.`;
    case 'first-sip':
      return `Its first small drink after a long drought was ${day}: does it firm up?`;
    case 'thirsty':
      return 'Its store runs low.';
    case 'no-hole':
      return 'No hole to run from, and it holds all it may.';
    case 'name-unknown':
      return 'Nobody knows what it is: the drier side.';
    case 'hard-to-replace':
      return 'Hard to replace.';
    case 'salts':
      return `Salts have built up (about ${n.ec!.toFixed(1)} mS/cm, its limit ${n.limit}): let it run out.`;
    case 'calendar':
      return `Every ${aOr(n.every!, 'day')} by your calendar.`;
    case 'calendar-none':
      return 'Your calendar has no water for it this month.';
    case 'plant-sign':
      return on && on > today
        ? 'By the plant’s own sign: its first wrinkle is reckoned then.'
        : 'By the plant’s own sign: its first wrinkles are reckoned about now.';
    case 'no-sign':
      return 'By the plant’s own sign: no wrinkle is in sight.';
    case 'suspect':
      return `You saw it ${signWords(of)} above a wet mix ${day}: rot is likely until its base is found firm.`;
    case 'drink-on-suspicion':
      return `It was watered${on ? ` ${day}` : ''} all the same.`;
    case 'water-stands':
      return `Water stood in it ${day}: tip out what does not run off.`;
    case 'flooded':
      return 'It holds more water than its mix can: roots drown in what stands at the bottom.';
    case 'frosted':
      return `It had ${apartFrom(n.low!, n.limit!, units)} ${n.days === 0 ? 'last night' : `in the night before ${on ? dateWords(on, today) : 'last'}`}, and it takes ${degrees(n.limit!)}${n.read ? '' : ', by the weather on record'}.`;
    case 'frost-shown':
      return `You saw it ${signWords(of)} ${day}: frost first. Keep it dry, cut nothing before it shows what is lost.`;
    case 'scorched':
      return `It had ${apartFrom(n.high!, n.limit!, units)} ${day}, and it takes ${degrees(n.limit!)} without shade.`;
    case 'not-firmed':
      return `It drank${on ? ` ${day}` : ''} and has not firmed up: its roots may be lost, and more water would stand.`;
    case 'leaves-going':
      return n.felt
        ? `Its leaves go at the time of its rest${on ? `, about ${partOfMonth(on, today)}` : ''}, and its base is firm.`
        : 'Its leaves go at the time of its rest: a firm base says so.';
    case 'new-pair':
      return `Its new leaves live on the old ones: dry until those are paper${on ? `, about ${partOfMonth(on, today)}` : ''}.`;
    case 'drawn-by-dark':
      return `You saw ${signWords(of)} ${day}: the dark draws it. Light and cool, no water.`;
    case 'woken-cold':
      return `You saw ${signWords(of)} ${day}, at ${degrees(n.warmth!)}: it grows from ${degrees(n.grows_from!)}. Light, and dry until then.`;
    case 'woken-pair':
      return `You saw ${signWords(of)} ${day}: the new pair drinks the old one, and no water helps it.`;
    case 'woken-early':
      return `You saw ${signWords(of)} ${day}, out of its season: light and cool, and dry until its time.`;
    case 'drunk-asleep':
      return `It was watered in its sleep${on ? ` ${day}` : ''}, and ${Math.round(n.share! * 100)} % of that is still there.`;
    case 'dries-on':
      return `Dry by ${on ? dateWords(on, today) : 'then'}${giveOrTake(n)}.`;
    case 'usual-day':
      return `Your usual day is near${on ? `, ${dayWords(on, today)}` : ''}: it loses nothing by it.`;
    case 'refused-twice':
      return `You left it out twice, ${dayWords(on ?? today, today)} last${of ? `: ${SKIP_WORDS[of as Refusal] ?? of}` : ''}.`;
    case 'dim-holds':
      return 'Too little light to use a drink: it waits longer for the next.';
    case 'weaning':
      return `Its roots grew in wet: moister than its rule at first, and by steps back to it${on ? ` until ${dateWords(on, today)}` : ''}.`;
    case 'hot-holds':
      return `${apartFrom(n.high!, n.limit!, units)} is more than it takes: it is shut, and drinks little until that is over.`;
    case 'held':
      return `Held until ${on ? dayWords(on, today) : 'further notice'}.`;
    case 'apart':
      return 'Kept apart still.';
  }
}

/** A pot that is not itself, by what was found: the days against its norm, and the causes. */
function paceWords(of: string, n: Readonly<Record<string, number>>): string {
  return of === 'slower'
    ? `Still wet after ${aOr(n.days!, 'day')}, where ${n.norm} are usual: lost roots, a blocked hole, too large a pot, a tired mix, or cold.`
    : `Dry in ${aOr(n.days!, 'day')}, where ${n.norm} are usual: roots that fill the pot, or water that runs past a shrunken ball.`;
}

/** A temperature to the degree, and to the tenth where it would else read like its limit. */
function apartFrom(celsius: number, limitC: number, units: Units): string {
  const whole = degreeWords(celsius, units);
  if (whole !== degreeWords(limitC, units) || celsius === limitC) return whole;
  const shown = shownTemperature(celsius, units);
  return `${shown < 0 ? '−' : ''}${Math.abs(shown).toFixed(1)}°`;
}

/** ", some 10 days later than its kind, by what you saw of it". */
function ownWayWords(n: Readonly<Record<string, number>>): string {
  if (!n.own_days) return '';
  const way = n.own_days > 0 ? 'later' : 'earlier';
  return `, some ${aOr(Math.abs(n.own_days), 'day')} ${way} than its kind, by ${n.turns === 1 ? 'a turn' : `${n.turns} turns`} that you saw`;
}

/** Depth of rain: millimetres, or hundredths of an inch. */
function depthWords(mm: number, { length }: Units): string {
  return length === 'in' ? `${(mm / MM_PER_INCH).toFixed(2)} in` : `${Math.round(mm)} mm`;
}

/** The steps of a ramp: ": the next after about 16, 24 and 40 days, then none until it has slept". */
function rampWords(n: Readonly<Record<string, number>>): string {
  const gaps = [n.gap1, n.gap2, n.gap3, n.gap4].filter((days) => days !== undefined);
  const last = gaps.pop();
  if (last === undefined) return n.rests ? ', and then none until it has slept' : '';
  const list = gaps.length > 0 ? `${gaps.join(', ')} and ${last}` : String(last);
  return `: after the next one about ${list} day${list === '1' ? '' : 's'}${n.rests ? ', then none until it has slept' : ''}`;
}

/** Why the first drink after a potting waits. */
const POTTED_WAITS: Readonly<Record<string, string>> = {
  'roots-cut': ' with cut roots: let them close first.',
  'rot-found': ' after rot was cut out: let the wounds dry first.',
  fleshy: ': its fleshy roots rest a little before they drink.',
  'damp-mix': ' into damp mix: that is drink enough for now.',
  cool: ' in the cool: its roots start slowly.',
  'whole-roots': ' into damp mix: that is drink enough for now.',
  'dry-brittle': ' with dry roots: a day to settle, then a small drink.',
};

function sinceWords(on: string, today: string): string {
  return on === today ? 'today' : `since ${dayWords(on, today)}`;
}

function giveOrTake(n: Readonly<Record<string, number>>): string {
  return n.give_or_take ? `, give or take ${aOr(n.give_or_take, 'day')}` : '';
}

function dueWords(rule: string, n: Readonly<Record<string, number>>): string {
  switch (rule) {
    case 'keep-damp':
      return 'It should not dry out, and it begins to.';
    case 'dry-top':
      return 'The top third is dry.';
    case 'dry-and-hold':
      return n.hold_days ? `Dry through, and held ${aOr(n.hold_days, 'day')} more.` : 'Dry through.';
    case 'own':
      return 'As dry as you want it.';
    default:
      return 'Dry through.';
  }
}

function notDueWords({ of = '', on, n = {} }: Reason, today: string): string {
  const now = `Now ${bandOf(n.p50 ?? 0.5)}.`;
  if (!on) return `${now} Wet for a long time yet.`;
  if (of === 'dry-top' || of === 'keep-damp') return now;
  return on <= today
    ? `Dry ${sinceWords(on, today)}${giveOrTake(n)}.`
    : `${now} Dry by ${dateWords(on, today)}${giveOrTake(n)}.`;
}

const CONTRADICTED: Readonly<Record<string, string>> = {
  'ran-past': 'By the book it should be wet: the last drench may have run past. One more look before any drink.',
  faster: 'By the book it should be wet. One more look before any drink.',
  stranger: 'By the book it should be dry: somebody may have watered it.',
  slower: 'By the book it should be drier: it may dry more slowly now.',
  slip: 'By the book it should be otherwise. One more look settles it.',
};

function contradictWords(of: string): string {
  return CONTRADICTED[of] ?? CONTRADICTED.slip!;
}

function times(factor: number): string {
  return `${factor.toFixed(1)} times`;
}

function plusDays(day: string, days: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
}

export { capital };
