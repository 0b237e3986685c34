import { describe, expect, it } from 'vitest';
import { diagnosed } from '../../test/clinic.ts';
import { sickPlants } from '../../test/clinicWorld.ts';
import { ROTS } from '../catalogue/causes.ts';

const BINS = [
  [0.2, 0.4],
  [0.4, 0.6],
  [0.6, 0.8],
  [0.8, 0.9],
  [0.9, 1.01],
] as const;

/** What the clinic says of a world that its tables were not made from. */
describe('calibration', () => {
  const seed = Number(process.env.SEED ?? 20_261);
  const plants = [...sickPlants(420, seed), ...sickPlants(420, seed + 1)];
  const told = plants.map(({ cause, story, scene }) => {
    const { diagnosis, answer, chance } = diagnosed(story, scene);
    const [top] = diagnosis!.causes;
    return {
      cause,
      top: top!.cause,
      p: top!.probability,
      own: chance(cause),
      water: answer.water,
      rot: diagnosis!.rot,
    };
  });
  const rightAmong = (from: number, to: number) => {
    const among = told.filter(({ p }) => p >= from && p < to);
    return {
      n: among.length,
      right: among.filter(({ cause, top }) => cause === top).length / among.length,
      said: among.reduce((sum, { p }) => sum + p, 0) / among.length,
    };
  };
  it('of what it calls seventy in a hundred, sixty to eighty are so', () => {
    const { n, right } = rightAmong(0.6, 0.8);
    if (process.env.TELL) console.info(JSON.stringify(BINS.map(([a, b]) => rightAmong(a, b))));
    expect(n).toBeGreaterThan(40);
    expect(right).toBeGreaterThanOrEqual(0.6);
    expect(right).toBeLessThanOrEqual(0.8);
  });
  it("where it can't tell it errs to the side of doubt", () => {
    const { right, said } = rightAmong(0.2, 0.4);
    expect(right).toBeGreaterThanOrEqual(said - 0.1);
  });
  it.each([
    [0.4, 0.6],
    [0.8, 1.01],
  ])('what it says between %f and %f is within fifteen in a hundred of what is so', (from, to) => {
    const { right, said } = rightAmong(from, to);
    expect(Math.abs(right - said)).toBeLessThanOrEqual(0.15);
  });
  it('the likeliest is right for most, and the true cause is among what is told for nearly all', () => {
    expect(told.filter(({ cause, top }) => cause === top).length / told.length).toBeGreaterThan(0.6);
    expect(told.filter(({ own }) => own >= 0.01).length / told.length).toBeGreaterThan(0.93);
  });
  it('hardly one rotting plant is told to be watered', () => {
    const rotting = told.filter(({ cause }) => (ROTS as readonly string[]).includes(cause));
    expect(rotting.length).toBeGreaterThan(30);
    expect(rotting.filter(({ water }) => water === 'now').length / rotting.length).toBeLessThan(0.05);
  });
  it('a thirsty plant is told to be watered, or looked at first', () => {
    const thirsty = told.filter(({ cause }) => cause === 'thirst');
    expect(
      thirsty.filter(({ water }) => water === 'now' || water === 'after-check').length / thirsty.length,
    ).toBeGreaterThan(0.8);
  });
});
