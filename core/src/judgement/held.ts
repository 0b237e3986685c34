/** What the forecast holds a drink for: cold, a potting, a rest that is near. */
import { TOO_WET_TO_DRINK_M } from '../moisture.ts';
import { type Answer, coldWeeks, reckoned, tenth } from './answer.ts';
import { type Facts, iso } from './facts.ts';
import type { Why } from './weights.ts';

/** Too cold to drink, roots cut lately, or its rest so near that no drink is due before it. */
export function held(facts: Facts): Answer | null {
  const { outlook, nights, today, m } = facts;
  const { hold } = outlook.advice;
  if (!hold) return null;
  const until = iso(hold.until);
  if (hold.kind === 'cold') {
    const because: Why[] = [
      {
        code: 'too-cold-to-drink',
        source: 'reckoned',
        n: { warmth: tenth(facts.warmthC), grows_from: outlook.model.traits.growMinC },
      },
      reckoned(facts),
    ];
    // Not this night alone: no drink can come for weeks, and it would want to grow.
    if (nights.coldShare > 0.6 && facts.state === 'growing' && facts.nature !== 'hardy') {
      return {
        deeds: [
          { deed: 'move', what: 'warmer' },
          { deed: 'wait', until },
        ],
        because: [coldWeeks(facts), ...because],
        until,
        nextLook: iso(today + 7),
      };
    }
    return {
      deeds: [
        { deed: 'wait', until },
        ...(m.p50 > TOO_WET_TO_DRINK_M && facts.nature !== 'hardy' ? [{ deed: 'move', what: 'warmer' } as const] : []),
      ],
      because,
      until,
      nextLook: iso(today + 14),
    };
  }
  if (hold.kind === 'potted') {
    // The wound closed is no drink yet: the mix must be dry too.
    const day = iso(Math.max(hold.until, outlook.advice.window?.ideal ?? hold.until));
    return {
      deeds: [{ deed: 'wait', until: day }],
      because: [
        {
          code: 'cut-roots',
          source: 'rule',
          on: iso(outlook.model.pottedOn ?? today),
          of: hold.of ?? 'roots-cut',
        },
        reckoned(facts),
      ],
      until: day,
      nextLook: until,
    };
  }
  return {
    deeds: [{ deed: 'wait', until: null }],
    because: [{ code: 'goes-to-rest', source: 'reckoned', on: until }, reckoned(facts)],
    until: null,
    nextLook: iso(today + 21),
  };
}
