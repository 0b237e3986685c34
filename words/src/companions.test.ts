import { describe, expect, it } from 'vitest';
import { companionClashes } from './companions.ts';
import { drainFinding } from './drainage.ts';

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
    [0.5, 'fast'],
    [10, 'right'],
    [18, 'slow'],
    [60, 'slow'],
    [200, 'blocked'],
  ] as const)('%d s through 10 cm is %s', (seconds, word) => expect(drainFinding(seconds, 100).word).toBe(word));
  it('does not call a soil gritty', () => {
    expect(drainFinding(9, 100, 0.6).words).not.toMatch(/gritty/);
    expect(drainFinding(9, 100, 0.1).words).toMatch(/gritty/);
  });
});
