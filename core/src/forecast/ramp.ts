/**
 * The drinks that follow, one after the other, as a window has them: the pot's own days from full to due as the season
 * goes on, its hold, and what easing adds. No step is chosen; they follow from how the plant slows.
 */
import { type DayNumber } from '../calendar/day.ts';
import { dryStep } from '../drydown/step.ts';
import { RESTING } from '../season/states.ts';
import { dueMoisture, type PlantModel } from './plantModel.ts';
import { easingStretch } from './window.ts';

export interface Ramp {
  /** days from one drink to the next, from the next drink on */
  gaps: number[];
  /** it goes to rest before another would be due */
  thenRests: boolean;
}

const MOST_GAPS = 4;
const LONGEST_DAYS = 240;

/**
 * @param from day of the next drink
 * @param rate its pace against the reckoned one
 */
export function rampAhead(
  model: PlantModel,
  { from, rate, surfaceWetM }: { from: DayNumber; rate: number; surfaceWetM: number },
): Ramp {
  const { loss, timeline, traits } = model;
  const due = dueMoisture(traits);
  const gaps: number[] = [];
  let m = 1;
  let since = from;
  for (let day = from + 1; day < from + LONGEST_DAYS && gaps.length < MOST_GAPS; day++) {
    const i = day - loss.firstDay;
    if (i >= loss.surface.length) break;
    if (timeline.states[day - timeline.firstDay] === RESTING) return { gaps, thenRests: true };
    m = dryStep(m, rate * loss.surface[i]!, rate * loss.wall[i]!, rate * loss.plant[i]!, surfaceWetM);
    if (m > due) continue;
    const drink = day + traits.holdDays + easingStretch(model, day);
    if (timeline.states[drink - timeline.firstDay] === RESTING) return { gaps, thenRests: true };
    gaps.push(drink - since);
    since = drink;
    day = drink;
    m = 1;
  }
  return { gaps, thenRests: false };
}
