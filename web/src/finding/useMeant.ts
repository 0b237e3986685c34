import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { useTable } from '../api/table.ts';
import { meantBy } from './meant.ts';

/** The words of the filter, and the plants they mean: null while all are. */
export function useMeant(todayOf: (siteName: string) => string): {
  words: string;
  say(words: string): void;
  meant: ReadonlySet<number> | null;
} {
  const [address, setAddress] = useSearchParams();
  const words = address.get('q') ?? '';
  const rows = useTable(words !== '').data;
  const meant = useMemo(
    () =>
      words === '' || !rows
        ? null
        : new Set(rows.filter((row) => meantBy(row, words, todayOf(row.site))).map(({ id }) => id)),
    [words, rows, todayOf],
  );
  const say = (next: string) =>
    setAddress(
      (before) => {
        const after = new URLSearchParams(before);
        if (next === '') after.delete('q');
        else after.set('q', next);
        return after;
      },
      { replace: true },
    );
  return { words, say, meant };
}
