/** Rules of care that a keeper sets of a plant: in bodies of the API, and in garden files. */
import { FIRST_DRINKS, LIGHTS, SLEEPS, STANDS, TRIGGERS, WATER_KINDS, WAYS } from '@zinc-pail/core';
import Joi from 'joi';
import { day, id, list, number, object, oneOf, optional, whole, yesNo } from './fields.ts';
import { MOST_SAUCER_MINUTES, MOST_SOAK_MINUTES } from './limits.ts';

const month = whole(1, 12);
const feedRule = object(
  {
    rhythm: Joi.alternatives()
      .conditional('.mode', {
        switch: [
          { is: 'never', then: object({ mode: Joi.any() }, 'never') },
          {
            is: 'nth',
            then: object({ mode: Joi.any(), n: whole(1, 50), sipsCount: yesNo() }, 'mode, n and sipsCount'),
          },
          { is: 'weeks', then: object({ mode: Joi.any(), weeks: whole(1, 52) }, 'mode and weeks') },
          {
            is: 'months',
            then: object(
              {
                mode: Joi.any(),
                times: whole(1, 30),
                months: list(month, 'months 1 to 12', 12)
                  .min(1)
                  .unique()
                  .messages({ '*': 'months from 1 to 12, each once, at least one' }),
              },
              'mode, times and months',
            ),
          },
        ],
        otherwise: object({ mode: oneOf(['never', 'nth', 'weeks', 'months']) }, 'a rhythm with mode').unknown(true),
      })
      .required(),
    strength: number(0.01, 2),
    chargeMonths: number(0, 24, 'months'),
    lastBeforeRest: yesNo(),
    firstOnWaking: yesNo(),
    ceiling: optional(whole(0, 100)),
  },
  'a feeding rule',
);

/** Own rules of care: as many as the keeper sets; null puts one back to what genus, form or place suggest. */
export const ownRulesFields: Record<string, Joi.Schema> = {
  trigger: optional(oneOf(TRIGGERS)),
  dueAt: optional(number(0.05, 0.8)),
  sleeps: optional(oneOf(SLEEPS)),
  everyDays: optional(
    list(optional(whole(1, 365, 'days')), '12 numbers of days or null, January first', 12)
      .length(12)
      .messages({ '*': '12 numbers of days or null, January first' }),
  ),
  ways: optional(
    list(oneOf(WAYS), 'ways of watering', 5)
      .min(1)
      .unique()
      .messages({ '*': `at least one of ${WAYS.join(', ')}, each once` }),
  ),
  amount: optional(
    Joi.alternatives().conditional('.by', {
      switch: [
        { is: 'drench', then: object({ by: Joi.any() }, 'by') },
        { is: 'fixed', then: object({ by: Joi.any(), ml: number(1, 200_000, 'ml') }, 'by and ml') },
        { is: 'share', then: object({ by: Joi.any(), share: number(0.005, 1) }, 'by and share') },
      ],
      otherwise: object({ by: oneOf(['drench', 'fixed', 'share']) }, 'an amount with by').unknown(true),
    }),
  ),
  waters: optional(
    list(oneOf(WATER_KINDS), 'kinds of water', WATER_KINDS.length)
      .min(1)
      .unique()
      .messages({ '*': `at least one of ${WATER_KINDS.join(', ')}, each once, best first` }),
  ),
  salts: optional(oneOf(['sensitive', 'usual', 'hardy'])),
  stand: optional(oneOf(STANDS)),
  saucerMinutes: optional(whole(1, MOST_SAUCER_MINUTES, 'minutes')),
  soakMinutes: optional(whole(1, MOST_SOAK_MINUTES, 'minutes')),
  feed: feedRule.optional().allow(null),
  feedId: optional(id()),
  light: optional(oneOf(LIGHTS)),
  sunCeilingHours: optional(number(0, 24, 'hours')),
  idealFromC: optional(number(-10, 40, '°C')),
  idealToC: optional(number(0, 50, '°C')),
  ceilingC: optional(number(15, 60, '°C')),
  repotYears: optional(number(0.5, 30, 'years')),
  indoorDays: optional(whole(1, 3650, 'days')),
  stretchFrom: optional(number(1.1, 5)),
  hardToReplace: optional(yesNo()),
  firstDrink: optional(oneOf(FIRST_DRINKS)),
  noFoodUntil: optional(day()),
  stepsTakenBack: optional(list(day(), 'days of steps', 50)),
};
