import { describe, expect, it } from 'vitest';
import { detailDraft, detailOf } from './PotDetail.tsx';

const draft = { holes: true, holeCount: '', holeMm: '', crocks: '', dark: false };

describe('details of a pot', () => {
  it('come back as they were', () => {
    const pot = { holes: true, hole_count: 3, hole_mm: 9, crocks_mm: 20, dark: true };
    expect(detailOf(detailDraft(pot))).toEqual(pot);
  });
  it('that are not known stay unknown, and a pot without a hole has none to measure', () => {
    expect(detailOf(draft)).toEqual({ holes: true, hole_count: null, hole_mm: null, crocks_mm: null, dark: false });
    expect(detailOf({ ...draft, holes: false, holeCount: '3', holeMm: '8' })).toMatchObject({
      hole_count: null,
      hole_mm: null,
    });
  });
  it.each([
    [{ holeCount: '0' }, /Holes: from 1 to 60/],
    [{ holeCount: 'two' }, /Holes/],
    [{ crocks: '900' }, /Crocks: from 1 to 200 mm/],
    [{ holeMm: '500' }, /Width of a hole: from 1 to 120 mm/],
  ])('%o is refused, saying what would be right', (over, words) =>
    expect(detailOf({ ...draft, ...over })).toMatch(words),
  );
});
