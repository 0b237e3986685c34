/** The calendar's text: what is due, and nights too cold with an alarm in the afternoon before. */
import { describe, expect, it } from 'vitest';
import { calendarText, type PlanLine } from '../src/formats/calendar.ts';

const line = (over: Partial<PlanLine> = {}): PlanLine => ({
  date: '2026-11-27',
  place: 'Lean-to',
  site: 'Lock',
  plant: 'Aloe vera (7)',
  what: 'water',
  words: 'look first',
  ...over,
});
const unfolded = (text: string) => text.replaceAll(/\r\n[ \t]/g, '');

describe('the calendar', () => {
  it('has one entry a bench, day and deed, the same each time it is read', () => {
    const lines = [line(), line({ plant: 'Hoya kerrii (9)' }), line({ date: '2026-11-28' })];
    const text = unfolded(calendarText(lines, 'Round'));
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2);
    expect(text).toContain('SUMMARY:Water 2 pots: Lean-to');
    const ids = (of: string) => of.match(/^UID:.*$/gm);
    expect(ids(unfolded(calendarText(lines, 'Round')))).toEqual(ids(text));
  });
  it('rings in the afternoon before a night too cold, and for nothing else', () => {
    const cold = unfolded(calendarText([line({ what: 'cold', words: 'bears 7 °C' })], 'Round'));
    expect(cold).toContain('SUMMARY:Too cold tonight for 1 pot: Lean-to');
    expect(cold).toMatch(/BEGIN:VALARM[\s\S]*TRIGGER[^\r\n]*:PT15H[\s\S]*END:VALARM/);
    expect(unfolded(calendarText([line(), line({ what: 'sun' })], 'Round'))).not.toContain('VALARM');
  });
  it('takes no line from a name', () => expect(calendarText([line()], 'A\r\nX-EVIL:1')).not.toMatch(/^X-EVIL/m));
});
