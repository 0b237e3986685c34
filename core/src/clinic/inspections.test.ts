import { describe, expect, it } from 'vitest';
import { FORMS } from '../garden.ts';
import { inspectionDays, type InspectionFacts, spotsOf } from './inspections.ts';

const PLAIN: InspectionFacts = {
  genus: 'Agave',
  form: 'rosette',
  indoors: false,
  blooming: false,
  outbreak: false,
  fresh: false,
  close: false,
};
const days = (over: Partial<InspectionFacts> = {}) => inspectionDays({ ...PLAIN, ...over });

describe('looking plants over', () => {
  it('comes sooner for kinds that guests like, indoors, in bloom, newly come, in still air set tight, and soonest beside an outbreak', () => {
    for (const over of [
      { genus: 'Echeveria' },
      { indoors: true },
      { blooming: true },
      { fresh: true },
      { close: true },
    ])
      expect(days(over)).toBeLessThan(days());
    expect(days({ outbreak: true })).toBe(7);
    expect(days({ genus: 'Hoya', indoors: true, blooming: true, fresh: true })).toBeGreaterThanOrEqual(7);
  });
  it('every form has its places; of a mixed bench the commonest come first', () => {
    for (const form of FORMS) expect(spotsOf([form]).length).toBeGreaterThan(0);
    expect(spotsOf(['rosette', 'rosette', 'stemmed'])[0]).toBe('axils');
    expect(spotsOf([])).toEqual([]);
  });
});
