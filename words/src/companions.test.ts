import { describe, expect, it } from 'vitest';
import { companionClashes } from './companions.ts';
import { drainWords } from './drainage.ts';

describe('companions in one pot', () => {
  const summer = { habit: 'summer' as const, dryRule: 'dry-through' as const };
  it('clash by season or by how damp they want it', () => {
    expect(companionClashes(summer, 'Conophytum bilobum')[0]).toMatch(/grows in winter, this one in summer/);
    expect(companionClashes(summer, 'Rhipsalis baccifera; Haworthia cooperi')).toEqual([
      'Rhipsalis baccifera wants to stay damper than this one.',
    ]);
    expect(companionClashes({ habit: 'evergreen', dryRule: 'keep-damp' }, 'Echeveria elegans')[0]).toMatch(
      /wants to be drier/,
    );
  });
  it('say nothing where they agree, or where nobody knows them', () => {
    expect(companionClashes(summer, 'Mammillaria hahniana, Rebutia minuscula')).toEqual([]);
    expect(companionClashes(summer, 'a little fern from the moss')).toEqual([]);
    expect(companionClashes(summer, null)).toEqual([]);
  });
});

describe('the drain test', () => {
  it.each([
    [10, 0.1, /as a gritty mix should/],
    [9, 0.6, /freely, for a soil/],
    [12, 0.1, /little slow/],
    [18, 0.1, /opener mix/],
    [200, 0.1, /shut by roots/],
    [1, 0.6, /no test of its drainage/],
  ] as const)('%d s through 10 cm of a mix of difficulty %d', (seconds, organic, words) =>
    expect(drainWords(seconds, 100, organic)).toMatch(words),
  );
});
