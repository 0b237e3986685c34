/**
 * The engine in worlds that are not its own: hourly, in layers, with other figures. Bounds must still mean what they
 * say.
 */
import { every } from './cases.ts';
import { describe, expect, it } from 'vitest';
import { triedQuiet } from './tried.ts';

describe('in another world', () => {
  it.each(every(['finger', 'meter', 'weight'] as const, 3))(
    'after eleven weeks of looks by %s its bounds hold two thirds and more, but not all, and the dry day is near',
    (checks) => {
      const found = triedQuiet({ checks, seeds: [1, 2, 3, 4] });
      expect(found.moisture).toBeGreaterThan(0.7);
      expect(found.moisture).toBeLessThan(0.97);
      expect(found.dry).toBeGreaterThan(0.7);
      // Whole days: of a dry-down of a week, three days are a wide band.
      expect(found.dry).toBeLessThan(0.99);
      expect(found.cycleMiss).toBeLessThan(0.2);
    },
  );
  it('a scale tells more than a probe, and a probe more than a finger', () => {
    const [finger, meter, weight] = (['finger', 'meter', 'weight'] as const).map(
      (checks) => triedQuiet({ checks, seeds: [5, 6] }).mMiss,
    );
    expect(weight!).toBeLessThan(meter!);
    expect(meter!).toBeLessThan(finger!);
  });
  it('pots nobody looks into are told within a third of their cycle', () => {
    const found = triedQuiet({ checks: 'none', seeds: [1, 2, 3, 4] });
    expect(found.cycleMiss).toBeLessThan(0.33);
    expect(found.moisture).toBeGreaterThan(0.7);
  });
  it.each(every(['even', 'held', 'winter'] as const, 3))('nor does it hang on one set of physics: %s', (physics) => {
    const found = triedQuiet({ checks: 'weight', seeds: [1, 2], physics });
    expect(found.moisture).toBeGreaterThan(0.7);
    expect(found.dry).toBeGreaterThan(0.65);
    expect(found.cycleMiss).toBeLessThan(0.15);
  });
  it.each(every(['finger', 'weight'] as const, 2))(
    'dry-downs of over sixty days, looked at by %s, lie inside its bounds about as often as told',
    (checks) => {
      const found = triedQuiet({ checks, seeds: [1, 2], days: 200 });
      expect(found.longOnes).toBeGreaterThan(15);
      expect(found.long).toBeGreaterThan(0.65);
    },
  );
});
