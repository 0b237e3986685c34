import { FORMS, SIGNS } from '@zinc-pail/core';
import { describe, expect, it } from 'vitest';
import { zonesOf } from './zones.ts';

describe('where signs are pointed at', () => {
  it('every sign can be pointed at on some kind of plant', () => {
    const shown = new Set(FORMS.flatMap((form) => zonesOf(form).flatMap(({ signs }) => signs)));
    expect(SIGNS.filter((sign) => !shown.has(sign))).toEqual([]);
  });
  it.each(FORMS)('a plant of the form %s has its places on the drawing, none of them twice', (form) => {
    const ids = zonesOf(form).map(({ id }) => id);
    expect(ids.length).toBe(new Set(ids).size);
    for (const { at, signs } of zonesOf(form)) {
      expect(Math.abs(at[0])).toBeLessThanOrEqual(1);
      expect(signs.length).toBeGreaterThan(0);
    }
  });
});
