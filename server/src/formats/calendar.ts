/**
 * The round and what is planned as iCalendar (RFC 5545): a whole-day entry for each bench and day that wants something.
 */
import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator';
import { groupBy } from '../grouping.ts';

export interface PlanLine {
  date: string;
  place: string;
  site: string;
  plant: string;
  what: 'water' | 'look' | 'act' | 'move' | 'sun' | 'cold' | 'in' | 'out' | 'lamp' | 'clinic';
  words: string;
  /** of a lamp: hours a day */
  hours?: number;
}

const VERBS = {
  water: 'Water',
  look: 'Look at',
  act: 'See at once to',
  move: 'Move',
  sun: 'Sun for',
  cold: 'Too cold tonight for',
  in: 'Bring in',
  out: 'May go out:',
  lamp: 'Lamp by hand',
  clinic: 'From the clinic for',
} as const;
/** A cold night is told of in the afternoon before it: three o'clock, by the clock of whoever reads. */
const ALARM_AFTER_S = 15 * 3600;
const NAMES_SHOWN = 40;

export function calendarText(lines: readonly PlanLine[], name: string): string {
  const calendar = ical({
    // The package escapes texts but not this one: a line end in it would begin a line of its own.
    name: name.replaceAll(/\p{Cc}+/gu, ' '),
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Zinc Pail', product: 'round', language: 'EN' },
    ttl: 3600 * 6,
  });
  for (const some of groupBy(lines, (line) => `${line.date}|${line.site}|${line.place}|${line.what}`).values()) {
    const [first] = some as [PlanLine, ...PlanLine[]];
    const start = new Date(`${first.date}T00:00:00Z`);
    const event = calendar.createEvent({
      // The same entry under the same id each time it is read, so that calendars change it rather than add it.
      id: `${first.date}-${slug(first.site)}-${slug(first.place)}-${first.what}@zinc-pail`,
      start,
      end: new Date(start.getTime() + 86_400_000),
      allDay: true,
      timezone: null,
      summary:
        first.what === 'lamp'
          ? `Lamp on for ${first.hours} h: ${first.place}`
          : `${VERBS[first.what]} ${some.length} ${some.length === 1 ? 'pot' : 'pots'}: ${first.place}`,
      description: [
        ...some.slice(0, NAMES_SHOWN).map((line) => `${line.plant}: ${line.words}`),
        ...(some.length > NAMES_SHOWN ? [`and ${some.length - NAMES_SHOWN} more`] : []),
      ].join('\n'),
      location: first.place,
    });
    if (first.what === 'lamp')
      for (const [at, does] of lampHours(first.hours ?? 0))
        event.createAlarm({
          type: ICalAlarmType.display,
          triggerAfter: Math.round(at * 3600),
          description: `Lamp ${does}: ${first.place}`,
        });
    if (first.what === 'cold')
      event.createAlarm({
        type: ICalAlarmType.display,
        triggerAfter: ALARM_AFTER_S,
        description: `Bring in or cover: ${first.place}`,
      });
  }
  return calendar.toString();
}

/** On and off, about the middle of the day: a lamp of 13 hours from half past six to half past seven. */
export function lampHours(hours: number): [at: number, does: 'on' | 'off'][] {
  const on = Math.max(0, LAMP_MIDDLE_H - hours / 2);
  return hours >= 24
    ? []
    : [
        [on, 'on'],
        [Math.min(23.75, on + hours), 'off'],
      ];
}

const LAMP_MIDDLE_H = 13;

function slug(text: string): string {
  return (
    text
      .toLowerCase()
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replaceAll(/^-|-$/g, '') || 'place'
  );
}
