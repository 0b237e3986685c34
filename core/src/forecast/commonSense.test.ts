import { describe, expect, it } from 'vitest';
import { daysToDry, GRITTY, HOT_DRY, INLAND, mirrored, PEATY, roundPot } from '../../test/gardens.ts';

/** What every keeper knows of how fast pots dry. */
describe('common sense', () => {
  const between = (days: number, low: number, high: number) => {
    expect(days).toBeGreaterThanOrEqual(low);
    expect(days).toBeLessThanOrEqual(high);
  };
  it('9 cm of terracotta, gritty, sunny cold glass in July: 4 to 8 days', () =>
    between(daysToDry({ pot: roundPot(90, 80, 'terracotta') }), 4, 8));
  it('the same in plastic: 8 to 14', () => between(daysToDry({ pot: roundPot(90, 80, 'plastic') }), 8, 14));
  it('12 cm of plastic, cactus soil, on a summer sill, with a rosette that fills it: 10 to 18', () =>
    between(
      daysToDry({
        place: { id: 'sill', kind: 'windowsill', aspect_deg: 180, air: 'still' },
        mix: { id: 'mix', parts: [{ component: 'cactus-soil', parts: 1 }] },
        pot: roundPot(120, 105, 'plastic'),
        plant: { form: 'rosette', diameter_mm: 120, height_mm: 60 },
      }),
      10,
      18,
    ));
  it('20 cm of plastic, peaty, in a January room: 40 to 90', () =>
    between(
      daysToDry({
        today: '2026-01-05',
        place: { id: 'room', kind: 'room', air: 'still' },
        mix: PEATY,
        pot: roundPot(200, 180, 'plastic'),
        plant: { habit: 'evergreen', form: 'stiff-leaf', diameter_mm: 150, height_mm: 400 },
      }),
      40,
      90,
    ));
  it('5 cm of clay, pure pumice, open to a hot dry wind: 1 to 3', () =>
    between(
      daysToDry({
        normals: HOT_DRY,
        place: { id: 'open', kind: 'open', air: 'breezy' },
        mix: { id: 'mix', parts: [{ component: 'pumice', parts: 1 }] },
        pot: roundPot(50, 50, 'terracotta'),
        plant: { diameter_mm: 35, height_mm: 30 },
      }),
      1,
      3,
    ));
  it('a pot without a plant takes longer than with one', () => {
    expect(daysToDry({ plant: { diameter_mm: 0, height_mm: 0 } })).toBeGreaterThan(daysToDry());
  });
  it('half a year later on the other half of the globe is the same', () => {
    const scene = { pot: roundPot(90, 80, 'terracotta'), mix: GRITTY };
    expect(
      Math.abs(
        daysToDry(scene) - daysToDry({ ...scene, today: '2027-01-04', latitude: -47, normals: mirrored(INLAND) }),
      ),
    ).toBeLessThanOrEqual(1);
  });
});
