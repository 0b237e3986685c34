/** The rules of one plant in words. */
import type { CareRules } from '@zinc-pail/core';
import { ordinal } from '@zinc-pail/words/units';
import { WAY_WORDS } from '@zinc-pail/words/ways';
import { degrees, shareWords } from '../../reader/amounts.ts';
import { MONTHS } from '../../reader/days.ts';

export const TRIGGER_WORDS = {
  pot: 'when the pot is dry enough',
  plant: 'when the plant shows it',
  calendar: 'by the calendar',
} as const;
export const STAND_WORDS = { none: 'nothing', saucer: 'a saucer', 'outer-pot': 'an outer pot' } as const;
/** Whether it may sleep, and what it costs to be kept from it. */
export const SLEEP_WORDS = {
  season: 'sleeps in its season',
  cold: 'sleeps only in the cold, slows in warmth',
  never: 'never sleeps, slows',
} as const;
export const AWAKE_COSTS =
  'Without its rest it needs more light and warmth all winter. It grows thinner, keeps its leaves and flowers less.';
export const LIGHT_WORDS = {
  shade: 'shade, bright',
  filtered: 'filtered light',
  bright: 'bright, some sun',
  sun: 'sun',
} as const;
function rhythmWords({ rhythm, strength, ceiling }: CareRules['feed']): string {
  const most = ceiling === null ? '' : `, at most ${ceiling} a season`;
  switch (rhythm.mode) {
    case 'never':
      return 'never';
    case 'nth':
      return `every ${ordinal(rhythm.n)} drink, ${shareWords(strength)}${most}`;
    case 'weeks':
      return `every ${rhythm.weeks} weeks, ${shareWords(strength)}${most}`;
    case 'months':
      return (
        `${rhythm.times === 1 ? 'once' : `${rhythm.times} times`} in ` +
        `${rhythm.months.map((month) => MONTHS[month - 1]).join(', ')}, ${shareWords(strength)}${most}`
      );
  }
}

/** Each rule with its term and what it is. */
export function ruleLines(rules: CareRules): [keyof CareRules, string, string][] {
  const { amount } = rules;
  return [
    [
      'trigger',
      'Calls',
      rules.trigger === 'calendar'
        ? `by the calendar: ${rules.everyDays
            .map((days, i) => (days === null ? null : `${MONTHS[i]} ${days}`))
            .filter(Boolean)
            .join(', ')} days`
        : rules.dueAt === null
          ? TRIGGER_WORDS[rules.trigger]
          : `when ${rules.dueAt >= 0.3 ? 'half' : 'nearly'} dry`,
    ],
    ['ways', 'How', rules.ways.map((way) => WAY_WORDS[way].rule).join(', ')],
    [
      'amount',
      'How much',
      amount.by === 'drench'
        ? 'until it runs'
        : amount.by === 'fixed'
          ? `${amount.ml} ml`
          : `${Math.round(amount.share * 100)} % of the mix`,
    ],
    ['waters', 'Water', rules.waters.join(', ')],
    [
      'salts',
      'Salts',
      rules.salts === 'sensitive'
        ? 'is sensitive to them'
        : rules.salts === 'usual'
          ? 'tolerates some'
          : 'tolerates them',
    ],
    [
      'stand',
      'Saucer',
      rules.stand === 'none' ? 'nothing' : `${STAND_WORDS[rules.stand]}, emptied after ${rules.saucerMinutes} min`,
    ],
    ['feed', 'Food', rhythmWords(rules.feed)],
    ...(rules.noFoodUntil === null
      ? []
      : [['noFoodUntil', 'No food', `until ${rules.noFoodUntil}`] as [keyof CareRules, string, string]]),
    [
      'light',
      'Light',
      `${LIGHT_WORDS[rules.light]}${rules.sunCeilingHours === null ? '' : `, at most ${rules.sunCeilingHours} h of direct sun`}`,
    ],
    [
      'ceilingC',
      'Warmth',
      `best ${degrees(rules.idealFromC)} to ${degrees(rules.idealToC)}, shade from ${degrees(rules.ceilingC)}`,
    ],
    ['sleeps', 'Rest', SLEEP_WORDS[rules.sleeps]],
    ['repotYears', 'New pot', `looked at after ${rules.repotYears} ${rules.repotYears === 1 ? 'year' : 'years'}`],
  ];
}
