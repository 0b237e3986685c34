import type { ColdPot, RoundPlace, RoundPot, RoundSite } from '@zinc-pail/contract/api';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderToStaticMarkup } from 'react-dom/server';
import { MemoryRouter } from 'react-router';
import { describe, expect, it } from 'vitest';
import { weatherDanger } from '../../drawing/WeatherMark.tsx';
import { MarksProvider } from '../../marking/Marks.tsx';
import { BeforeDusk, heatOf } from './BeforeDusk.tsx';

const cold = (id: number, name: string, over: Partial<ColdPot> = {}): ColdPot => ({
  id,
  name,
  limit_c: 4,
  near: false,
  chance: 1,
  done: null,
  ...over,
});
const place = (over: Partial<RoundPlace>) => ({ id: 1, name: 'Lean-to', tonight_c: 2, pots: [], cold: [], ...over });
function shown(...places: Partial<RoundPlace>[]): { markup: string; text: string } {
  const site = { id: 3, name: 'Lock', today: '2026-11-27', places: places.map(place) } as unknown as RoundSite;
  const markup = renderToStaticMarkup(
    <MemoryRouter>
      <QueryClientProvider client={new QueryClient()}>
        <MarksProvider>
          <BeforeDusk site={site} />
        </MarksProvider>
      </QueryClientProvider>
    </MemoryRouter>,
  );
  return { markup, text: markup.replaceAll(/<[^>]+>/g, ' ').replaceAll(/\s+/g, ' ') };
}
const hot = (id: number, name: string) =>
  ({
    id,
    name,
    task: { judgement: { because: [{ code: 'too-hot', on: '2026-11-28', n: { high: 43.2, limit: 40 } }] } },
  }) as unknown as RoundPot;

describe('before dusk', () => {
  it('is not there on a mild evening', () => expect(shown({}).markup).toBe(''));
  it('names every pot with what it takes, however many, those below their limit before those close to it', () => {
    const many = Array.from({ length: 14 }, (_, i) => cold(i + 1, `Hoya ${'abcdefghijklmn'[i]}`));
    const { text, markup } = shown({ cold: [...many, cold(20, 'Aloe vera', { near: true, limit_c: 1 })] });
    for (const { name } of many) expect(text).toContain(name.split(' ')[1]!);
    expect(text).toContain('Tonight too cold for 14 pots');
    expect(text.indexOf('Hoya n')).toBeLessThan(text.indexOf('Borderline: Aloe vera'));
    // All that are below at one tap; those that are close are no part of it.
    expect(text).toContain('bring all 14 in');
    expect(markup).toContain('one by one');
  });
  it('a few are done one by one at once', () => {
    const { markup, text } = shown({ cold: [cold(8, 'Aloe vera', { chance: 0.42 })] });
    for (const how of ['bring in', 'cover', 'leave out']) expect(markup).toContain(`aria-label="Aloe vera: ${how}"`);
    expect(text).toContain('42 % chance of a colder night');
    expect(markup).toContain('href="/plants/8"');
  });
  it('tells those that come close apart, and keeps what was seen to out of the way', () => {
    expect(shown({ cold: [cold(7, 'Hoya kerrii', { near: true })] }).text).toContain('these are borderline');
    const { markup, text } = shown({ cold: [cold(7, 'Hoya kerrii', { done: 'in' })] });
    expect(text).toContain('All done for tonight');
    expect(text).toContain('Done: Hoya kerrii, brought in.');
    expect(markup).not.toContain('aria-label="Hoya kerrii: bring in"');
  });
  it('heat stands there as frost does, each by name', () => {
    const { text } = shown({ pots: [hot(4, 'Lithops lesliei'), hot(5, 'Haworthia cooperi')] });
    expect(text).toContain('Too hot: move 2 pots into shade');
    expect(text).toMatch(/Lithops lesliei.*Lean-to, 43° tomorrow, takes up to 40°/);
    expect(heatOf({ pots: [hot(4, 'x')] })).toHaveLength(1);
  });
});

describe('the mark on a line', () => {
  it.each([
    ['below-limit', 'frost'],
    ['too-hot', 'heat'],
    ['near-limit', null],
  ])('%s: %s', (code, danger) => {
    const task = { judgement: { because: [{ code }] } } as unknown as RoundPot['task'];
    expect(weatherDanger({ task })).toBe(danger);
  });
});
