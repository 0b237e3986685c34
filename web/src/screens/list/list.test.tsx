/** What the list shows of a plant beside its words, drawn to markup. */
import type { Judged } from '@zinc-pail/core';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { RowPicture } from './RowPicture.tsx';
import { TodayMark } from './TodayMark.tsx';

const VERDICTS: readonly Judged[] = ['act', 'water', 'look', 'soon', 'leave'];

describe('what a plant asks for today', () => {
  const mark = (verdict: Judged) => renderToStaticMarkup(<TodayMark verdict={verdict} />);
  it('is told by shape and word, not by colour alone', () => {
    const shapes = VERDICTS.map((verdict) => / d="([^"]+)"/.exec(mark(verdict))![1]);
    expect(new Set(shapes).size).toBe(VERDICTS.length);
    expect(VERDICTS.map((verdict) => mark(verdict).replaceAll(/<[^>]+>/g, ''))).toEqual([
      'act',
      'water',
      'look first',
      'soon',
      'leave',
    ]);
  });
  it.each(VERDICTS)('%s is loud where it wants something today, else quiet', (verdict) =>
    expect(mark(verdict).includes('font-semibold')).toBe(['act', 'water', 'look'].includes(verdict)),
  );
});

describe('a plant small', () => {
  const picture = (over: object = {}, size = 56) =>
    renderToStaticMarkup(
      <RowPicture
        plant={{
          name: 'Mammillaria hahniana',
          form: 'globe',
          state: 'growing',
          diameter_mm: 80,
          height_mm: 80,
          picture_id: null,
          ...over,
        }}
        size={size}
      />,
    );
  it('is drawn by its look, and asleep in the grey of its rest', () => {
    expect(picture()).toContain('viewBox="-28 -55 56 56"');
    expect(picture({ name: 'Lithops lesliei', form: 'stemless' })).not.toBe(picture());
    expect(picture({ state: 'resting' })).not.toBe(picture());
  });
  it('a tall one is drawn tall, but none so thin that nothing is seen', () => {
    const tall = picture({ form: 'column', name: 'Cereus', height_mm: 800 });
    expect(tall).not.toBe(picture({ form: 'column', name: 'Cereus', height_mm: 80 }));
    expect(picture({ form: 'column', name: 'Cereus', height_mm: 8000 })).toBe(tall);
    expect(picture({ diameter_mm: 0, height_mm: 0 })).not.toMatch(/NaN|Infinity/);
  });
  it('plants of nearly one shape share a drawing', () =>
    expect(picture({ height_mm: 82 })).toBe(picture({ height_mm: 79 })));
  it('stays a drawing until photographs are asked for', () => {
    expect(picture({ picture_id: 12 })).toBe(picture());
    expect(picture()).toContain('aria-hidden="true"');
  });
});
