/** What a mark means beyond the judgement that follows it: how far a look can be trusted, what a drink or food did. */
import type { AfterNote, OddMark } from '@zinc-pail/core';
import { drainWords } from './drainage.ts';
import { feedWords } from './feed.ts';
import { amountWords, capital, lengthWords, type Units } from './units.ts';

/** What is asked back before it is written. */
export function oddWords(odd: OddMark, units: Units, today: string): string {
  switch (odd.code) {
    case 'more-than-it-holds':
      return `${capital(amountWords(odd.ml, units))} is more than this pot can take: it holds about ${amountWords(odd.holds_ml, units)}. Is it the right pot?`;
    case 'more-than-a-can':
      return `${capital(amountWords(odd.ml, units))} is more than your can holds, ${amountWords(odd.can_ml, units)}. Is that right?`;
    case 'above-the-label':
      return `That is ${odd.dose} times the dose on the label, which is the law. Is that right?`;
    case 'past-the-ceiling':
      return `It was fed ${countOf(odd.given)} of ${odd.ceiling} this season: one more burns a light feeder's roots.`;
    case 'food-harms':
      return `${feedWords(odd.feed, today, units)} Feed it all the same?`;
    case 'many-drinks':
      return `That would be ${odd.drinks} waterings in a week: roots need to dry between them.`;
  }
}

const countOf = (times: number) => (times === 1 ? 'once' : `${times} times`);

export function afterWords({ code, n }: AfterNote, units: Units): string {
  switch (code) {
    case 'top-only':
      return `You know only the top, and the mix is ${lengthWords(n.depth_mm!, units)} deep. Check deeper, with a stick or at the hole, before you water.`;
    case 'probe-coarse':
      return 'Its mix is coarse: a probe between stones reads drier than it is. Weigh the pot or use a stick before you trust it.';
    case 'weigh-anew':
      return 'It has a thick dressing of stones: weigh it full again if that was added since.';
    case 'firmed':
      return 'Good: its roots are taking up water.';
    case 'still-slack':
      return 'Still slack after a drink: its roots may be lost. Press the base and look at the roots before the next.';
    case 'no-soak':
      return 'This kind should not be soaked: lift it out now and let it drain.';
    case 'watered-asleep':
      return 'It is asleep: keep it warm and airy until the mix is dry again.';
    case 'sheds-water':
      return (
        'A dry peaty ball sheds water: weigh it now. If it is still light, the water ran past. Soak it from below or ' +
        'pour a little at a time, and cross this out.'
      );
    case 'softened':
      return 'Softened water leaves sodium behind: flush with rain or soft water at one of its next drinks.';
    case 'food-on-dry':
      return 'Food on bone-dry roots burns them: give plain water at once.';
    case 'crust':
      return (
        'A white crust is ' +
        `salt${n.hard_drinks ? `; ${n.hard_drinks} hard ${n.hard_drinks === 1 ? 'drink is' : 'drinks are'} on record` : ''}. ` +
        `${n.holes ? 'Flush with plain rain or soft water at a drink in growth' : 'It cannot leave a pot without a hole: drill it'}, ` +
        'or change the mix. Check again after six more waterings.'
      );
    case 'ran-through':
      return 'Water that ran straight through did not count. Soak the pot from below or pour a little at a time, then weigh it.';
    case 'yellow-after-food':
      return 'Yellow so soon after food: stop feeding, flush once, then feed half as much.';
    case 'hungry':
      return 'Pale all over and never fed, while roots and watering seem fine: one weak feed, then check in a month.';
    case 'let-wither':
      return 'Leave its leaves until they are crisp: it draws their water back. After that, removing them is a matter of looks.';
    case 'stretched':
      return (
        `It reaches for light: ${n.asleep ? 'keep it cooler and lighter until it wakes' : 'more light first, in steps'}. ` +
        'Trim it only once it has grown on compact.'
      );
    case 'more-than-fits':
      return `That is more than the pot had room for (about ${amountWords(n.fits_ml!, units)}): is it the right pot? Tip out what is left.`;
    case 'drain':
      return drainWords(n.seconds!, n.depth_mm!, n.organic ?? 0);
    case 'bloom-body':
      return 'Leave dry flowers until they come off by themselves, and keep the crown dry: wet remains rot it.';
    case 'bloom-stalk':
      return 'Cut the stalk low once it is dry, not into the leaves; a green stalk still gives back.';
    case 'bloom-dies':
      return 'What has flowered dies, as it should. Leave its offsets, and cut the old one out when it is dry.';
    case 'bloom-stems':
      return (
        'Cut down to a sturdy pair of leaves, not just below the flowers, and a third of it at most. With light and its ' +
        'weak feed it may flower again in four to six weeks. Sound cuttings root.'
      );
    case 'bloom-bulb':
      return 'Cut the stalk, leave every leaf: they fill the bulb until they wither.';
    case 'bloom-spur':
      return 'Leave the spur that has flowered: it flowers again from there. Take off only what falls.';
    case 'bloom-caudex':
      return 'Take off the stalk once it is dry; stems are shortened only at the start of growth.';
    case 'before-it-came':
      return 'That day is before the plant came. Is the date right?';
  }
}
