/**
 * A sentence for every code of a reason, from its numbers. One code, one sentence: no second wording of the same fact.
 */
import { bandOf, dayNumber, isoDay, type Reason, type Refusal } from '@zinc-pail/core';
import { causeWords } from './causes.ts';
import { dateWords, dayWords, onDay, partOfMonth } from './days.ts';
import { signWords } from './signs.ts';
import { SKIP_WORDS } from './skips.ts';
import { aOr, degreeWords, shownTemperature, smallLengthWords, type Units } from './units.ts';

export interface Speaking {
  units: Units;
  today: string;
}

const CHANGED = {
  slower: 'slower than before: a blocked hole, lost roots, too large a pot, a tired mix, or cold',
  faster: 'faster than before: roots that fill the pot, or water that runs past a shrunken root ball',
} as const;

export function reasonWords(reason: Reason, { units, today }: Speaking): string {
  const { code, n = {}, on, of = '' } = reason;
  const day = on ? onDay(on, today, units) : '';
  const since = on ? sinceWords(on, today, units) : '';
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
      return `Rot is ${Math.round((n.chance ?? 0) * 100)} % likely, and nobody has felt its base: check that before any water.`;
    case 'in-treatment':
      return `Treated for ${causeWords(of).name.toLowerCase()} since ${on ? dateWords(on, today, units) : 'lately'}.`;
    case 'surface-dry':
      return `Only its top was felt dry ${day}, and the pot is deep.`;
    case 'weighed':
      return `You weighed it ${day}, with ${Math.round(n.share! * 100)} % of its water left.`;
    case 'probed':
      return `The probe read ${n.reading!} ${day}.`;
    case 'lifted':
      return `It was ${of} in the hand ${day}.`;
    case 'rot-seen':
      return `You saw ${signWords(of)} ${day}: treat it as rot until you find it sound.`;
    case 'slack-seen':
      return `You saw it ${signWords(of)} ${day}.`;
    case 'taut-seen':
      return `Firm ${day}, and dry: it is living on its reserves. Wait for the first wrinkles, or about a week.`;
    case 'too-much-seen':
      return `You saw ${signWords(of)} ${day}, and its mix is still wet.`;
    case 'woken-seen':
      return `You saw ${signWords(of)} ${day}: it is waking up.`;
    case 'stretched-seen':
      return `It has stretched (seen ${day}): give it more light first, and trim it later.`;
    case 'reckoned-wet':
      return 'Probably wet.';
    case 'reckoned-damp':
      return n.chance_wet === undefined
        ? `Probably ${bandOf(n.p50 ?? 0.4)}.`
        : `There is a 1 in ${Math.max(2, Math.round(1 / n.chance_wet))} chance that it is still wet.`;
    case 'reckoned-dry':
      return on ? `Dry ${since}${giveOrTake(n)}.` : 'Probably dry.';
    case 'due':
      return dueWords(of, n);
    case 'not-due':
      return notDueWords(reason, today, units);
    case 'unsure':
      return bandOf(n.p10!) === bandOf(n.p90!)
        ? `Expected ${bandOf(n.p10!)}.`
        : `It may be anything from ${bandOf(n.p10!)} to ${bandOf(n.p90!)}.`;
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
        ? 'Your checks contradict each other: no drying curve fits them all.'
        : n.norm !== undefined
          ? paceWords(of, n)
          : `It dries ${times(of === 'slower' ? 1 / n.factor! : n.factor!)} ${CHANGED[of as keyof typeof CHANGED]}.`;
    case 'asleep':
      return n.wakes_in_days === undefined || n.wakes_in_days > 380
        ? 'It is not due to wake for now.'
        : `It should wake around ${partOfMonth(isoDay(dayNumber(today) + n.wakes_in_days), today)}${ownWayWords(n)}.`;
    case 'easing':
      return `It is slowing down${n.now !== undefined && n.gap1 !== undefined && n.gap1 > n.now ? ', so it needs water less often' : ''}${rampWords(n)}.`;
    case 'waking':
      return `It is waking up: small drinks first${rampWords(n)}.`;
    case 'rain-counted':
      return `${smallLengthWords(n.mm!, units)} of rain ${day} counted as a watering.`;
    case 'rain-coming':
      return `Rain is coming: a ${Math.round(100 * n.chance!)} % chance of half a drink or more.`;
    case 'long-rain':
      return (
        `Wet for ${aOr(n.days!, 'day')}, with rain on ${n.rain_days} of the last ten. ` +
        `${n.hole ? '' : 'It has no hole: '}${n.hole ? 'Shelter' : 'shelter'} it or tilt the pot so that it can dry.`
      );
    case 'long-indoors':
      return `Indoors for ${aOr(n.days!, 'day')}: its kind needs a lamp or a very bright window there.`;
    case 'off-ideal':
      return n.warmth! < n.from!
        ? `It is at ${degrees(n.warmth!)} and does best above ${degrees(n.from!)}: it drinks less and grows little.`
        : `It is at ${degrees(n.warmth!)} and does best below ${degrees(n.to!)}.`;
    case 'slept-too-long':
      return `Asleep for ${Math.round(n.days! / 30)} months. If it is still firm, warmth and light will wake it; then water.`;
    case 'touch-due':
      return `Asleep, and not checked for ${n.days! > 45 ? 'more than a month' : 'a month'}. Firm means it is fine.`;
    case 'small-store':
      return `Dry${n.days ? ` for ${aOr(n.days, 'day')}` : ''} in a warm room: its leaves are using up their water.`;
    case 'shrinking-warm':
      return `You saw it ${signWords(of)} ${day}: in a warm room it may have a sip, no more.`;
    case 'shrinking-cold':
      return `You saw it ${signWords(of)} ${day}: a resting plant may shrink a little. A firm base is fine.`;
    case 'goes-to-rest':
      return 'It will go dormant before its next watering is due.';
    case 'too-cold-to-drink':
      return `Too cold for water: ${degrees(n.warmth!)} on average, and it grows above ${degrees(n.grows_from!)}.`;
    case 'too-dark':
      return 'Too dark to grow: no food.';
    case 'too-hot':
      return (
        `${apartFrom(n.high!, n.limit!, units)} ${n.days === 0 ? 'today' : n.days === 1 ? 'tomorrow' : 'in two days'}, ` +
        `and it takes ${degrees(n.limit!)} without shade${n.small ? ' in so small a pot' : ''}.`
      );
    case 'below-limit':
      return `${apartFrom(n.tonight!, n.limit!, units)} tonight, and it takes no less than ${degrees(n.limit!)}${n.moist ? ' with moist roots' : ''}.`;
    case 'near-limit':
      return `${apartFrom(n.tonight!, n.limit!, units)} tonight, close to its limit of ${degrees(n.limit!)}.`;
    case 'cold-for-weeks':
      return `Most nights in the coming weeks are below ${degrees(n.limit!)}, its limit with moist roots. It is in the wrong place.`;
    case 'cold-night':
      return `No water before a night of ${degrees(n.tonight!)}: moist roots take no less than ${degrees(n.limit!)}.`;
    case 'wet-and-cold':
      return `Wet for ${aOr(n.days!, 'day')} at ${degrees(n.warmth!)}: warmth, air and light will dry it; a wick helps.`;
    case 'roots-in-danger':
      return `Wet and cold for too long${n.days! > 1 ? `, ${n.days!} days` : ''}: its roots are in danger.`;
    case 'cut-roots':
      return `Potted ${day}${POTTED_WAITS[of] ?? POTTED_WAITS['roots-cut']}`;
    case 'dry-for-long':
      return `Dry for ${aOr(n.days!, 'day')}: fine roots may have died, so give a small drink first.`;
    case 'first-sip':
      return `Its first small drink after a long drought was ${day}. Has it firmed up?`;
    case 'no-hole':
      return 'The pot has no hole, and it holds all the water it should.';
    case 'name-unknown':
      return 'Unknown plant, so it is kept on the dry side.';
    case 'hard-to-replace':
      return 'Hard to replace.';
    case 'salts':
      return `Salts have built up (about ${n.ec!.toFixed(1)} mS/cm, its limit ${n.limit}): let the water run through.`;
    case 'calendar':
      return `Every ${aOr(n.every!, 'day')} by your calendar.`;
    case 'calendar-none':
      return 'Your calendar has no watering for it this month.';
    case 'plant-sign':
      return on && on > today
        ? 'You water when the plant shows it: its first wrinkles are expected then.'
        : 'You water when the plant shows it: its first wrinkles are expected about now.';
    case 'no-sign':
      return 'You water when the plant shows it: no wrinkles are expected yet.';
    case 'suspect':
      return `You saw it ${signWords(of)} in a wet mix ${day}: rot is likely until you find its base firm.`;
    case 'drink-on-suspicion':
      return `It was watered${on ? ` ${day}` : ''} all the same.`;
    case 'water-stands':
      return `Water stood in it ${day}: tip out what does not drain.`;
    case 'flooded':
      return 'It holds more water than its mix can: roots drown in what is left at the bottom.';
    case 'frosted':
      return `It had ${apartFrom(n.low!, n.limit!, units)} ${n.days === 0 ? 'last night' : `in the night before ${on ? dateWords(on, today, units) : 'last'}`}, and it takes ${degrees(n.limit!)}${n.read ? '' : ', judging by the weather'}.`;
    case 'frost-shown':
      return `You saw it ${signWords(of)} ${day}: probably frost. Keep it dry, and cut nothing until you can see what is lost.`;
    case 'scorched':
      return `It had ${apartFrom(n.high!, n.limit!, units)} ${day}, and it takes ${degrees(n.limit!)} without shade.`;
    case 'not-firmed':
      return `It was watered${on ? ` ${day}` : ''} and has not firmed up. Its roots may be lost, and then more water does harm.`;
    case 'leaves-going':
      return n.felt
        ? `Its leaves die back at its time of rest${on ? `, around ${partOfMonth(on, today)}` : ''}, and its base is firm.`
        : 'Its leaves die back at its time of rest: check that its base is firm.';
    case 'new-pair':
      return `Its new leaves feed on the old ones: keep it dry until those are papery${on ? `, around ${partOfMonth(on, today)}` : ''}.`;
    case 'drawn-by-dark':
      return `You saw ${signWords(of)} ${day}: it is reaching for light. Keep it bright and cool, no water.`;
    case 'woken-cold':
      return `You saw ${signWords(of)} ${day}, at ${degrees(n.warmth!)}: it grows above ${degrees(n.grows_from!)}. Keep it bright, and dry until then.`;
    case 'woken-pair':
      return `You saw ${signWords(of)} ${day}: the new pair feeds on the old one; water would not help.`;
    case 'woken-early':
      return `You saw ${signWords(of)} ${day}, out of season: keep it bright and cool, and dry until its time.`;
    case 'drunk-asleep':
      return `It was watered while dormant${on ? ` ${day}` : ''}, and ${Math.round(n.share! * 100)} % of that is still in the pot.`;
    case 'dries-on':
      return `Dry by ${on ? dateWords(on, today, units) : 'then'}${giveOrTake(n)}.`;
    case 'usual-day':
      return `Your usual day is near${on ? `, ${dayWords(on, today, units)}` : ''}: it can wait until then.`;
    case 'refused-twice':
      return `You skipped it twice, last ${onDay(on ?? today, today, units)}${of ? `: ${SKIP_WORDS[of as Refusal] ?? of}` : ''}.`;
    case 'dim-holds':
      return 'Too little light to use water: it can wait longer.';
    case 'weaning':
      return `Its roots are used to wet mix: water early at first, then wait longer each time${on ? ` until ${dateWords(on, today, units)}` : ''}.`;
    case 'hot-holds':
      return `${apartFrom(n.high!, n.limit!, units)} is more than it can take: it shuts down and drinks little until the heat is over.`;
  }
}

/** A pot that is not itself, by what was found: the days against its norm, and the causes. */
function paceWords(of: string, n: Readonly<Record<string, number>>): string {
  return of === 'slower'
    ? `Still wet after ${aOr(n.days!, 'day')}, where ${n.norm} are usual. Lost roots, a blocked hole, too large a pot, a tired mix, or cold?`
    : `Dry in ${aOr(n.days!, 'day')}, where ${n.norm} are usual. Do roots fill the pot, or does water run past a shrunken root ball?`;
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
  return `, about ${aOr(Math.abs(n.own_days), 'day')} ${way} than its kind, judging by what you saw of it`;
}

/** The steps of a ramp: ": the next after about 16, 24 and 40 days, then none until it has slept". */
function rampWords(n: Readonly<Record<string, number>>): string {
  const gaps = [n.gap1, n.gap2, n.gap3, n.gap4].filter((days) => days !== undefined);
  const last = gaps.pop();
  if (last === undefined) return n.rests ? ', and then none until it has rested' : '';
  const list = gaps.length > 0 ? `${gaps.join(', ')} and ${last}` : String(last);
  const unit = last === 1 && gaps.length === 0 ? 'day' : 'days';
  return `. Gaps after the next: about ${list} ${unit}${n.rests ? ', then none until it has rested' : ''}`;
}

/** Why the first drink after a potting waits. */
const POTTED_WAITS: Readonly<Record<string, string>> = {
  'roots-cut': ' with cut roots: let the wounds close first.',
  'rot-found': ' after rot was cut out: let the wounds dry first.',
  fleshy: ': let its fleshy roots rest a little before watering.',
  'damp-mix': ' into damp mix: that is enough water for now.',
  cool: ' while it is cool: its roots start slowly.',
  'whole-roots': ' into damp mix: that is enough water for now.',
  'dry-brittle': ' with dry roots: a day to settle, then a small drink.',
};

function sinceWords(on: string, today: string, units: Units): string {
  return on === today ? 'today' : `since ${dayWords(on, today, units)}`;
}

function giveOrTake(n: Readonly<Record<string, number>>): string {
  return n.give_or_take ? `, give or take ${aOr(n.give_or_take, 'day')}` : '';
}

function dueWords(rule: string, n: Readonly<Record<string, number>>): string {
  switch (rule) {
    case 'keep-damp':
      return 'It should not dry out, and it is starting to.';
    case 'dry-top':
      return 'The top third is dry.';
    case 'dry-and-hold':
      return n.hold_days ? `Completely dry, plus a wait of ${aOr(n.hold_days, 'day')}.` : 'Completely dry.';
    case 'own':
      return 'As dry as you want it.';
    default:
      return 'Completely dry.';
  }
}

function notDueWords({ of = '', on, n = {} }: Reason, today: string, units: Units): string {
  const now = `Now ${bandOf(n.p50 ?? 0.5)}.`;
  if (!on) return `${now} It will stay wet for a long time.`;
  if (of === 'dry-top' || of === 'keep-damp') return now;
  return on <= today
    ? `Dry ${sinceWords(on, today, units)}${giveOrTake(n)}.`
    : `${now} Dry by ${dateWords(on, today, units)}${giveOrTake(n)}.`;
}

const CONTRADICTED: Readonly<Record<string, string>> = {
  'ran-past':
    'You watered it lately, so it should be wet: the water may have run straight through. Check once more before watering.',
  faster: 'You watered it lately, so it should be wet. Check once more before watering.',
  stranger: 'By its notes it should be dry: somebody may have watered it.',
  slower: 'By its notes it should be drier: it may be drying more slowly now.',
  slip: 'By its notes it should be different. One more check will settle it.',
};

function contradictWords(of: string): string {
  return CONTRADICTED[of] ?? CONTRADICTED.slip!;
}

function times(factor: number): string {
  return `${factor.toFixed(1)} times`;
}
