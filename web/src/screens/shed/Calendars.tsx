import { LONGEST_VIEW_NAME } from '@zinc-pail/contract/limits';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { ask, wordsOf } from '../../api/client.ts';
import type { Kit } from '../../api/kit.ts';
import { SectionHead, Wrong } from '../../forms/Fields.tsx';

interface Token {
  id: number;
  name: string;
  made_at: string;
  revoked: boolean;
}

/** The round in a calendar: once as a file, or under an address that can be closed again. */
export function Calendars({ kit }: { kit: Kit }) {
  const [name, setName] = useState('');
  const [wanting, setWanting] = useState(false);
  const queries = useQueryClient();
  const tokens = useQuery({
    queryKey: ['calendar-tokens'],
    queryFn: async () => (await ask<{ tokens: Token[] }>('/calendar-tokens')).tokens,
  });
  const again = () => queries.invalidateQueries({ queryKey: ['calendar-tokens'] });
  const make = useMutation({
    mutationFn: () => ask<{ path: string }>('/calendar-tokens', { method: 'POST', body: { name: name.trim() } }),
    onSuccess: () => {
      setName('');
      return again();
    },
  });
  const close = useMutation({
    mutationFn: (id: number) => ask(`/calendar-tokens/${id}/revoke`, { method: 'POST', body: {} }),
    onSuccess: again,
  });
  return (
    <section aria-labelledby="calendars">
      <SectionHead id="calendars">The round in your calendar</SectionHead>
      <p className="mb-2">An address that a calendar program reads again and again; it can be closed at any time.</p>
      <form
        className="flex gap-2"
        onSubmit={(event: FormEvent) => {
          event.preventDefault();
          setWanting(name.trim() === '');
          if (name.trim()) make.mutate();
        }}
      >
        <input
          aria-label="Who reads it"
          placeholder="who reads it"
          maxLength={LONGEST_VIEW_NAME}
          className="input h-11 grow"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <button type="submit" className="btn h-11">
          Make an address
        </button>
      </form>
      <Wrong
        words={
          wanting ? 'Say who reads it, so that you know which one to close.' : make.isError ? wordsOf(make.error) : null
        }
      />
      {make.data && (
        <p className="my-2 break-all border-l-4 border-[var(--lichen)] pl-2">
          It is shown this once:{' '}
          <code>
            {kit.collection.reach_url ?? window.location.origin}
            {make.data.path}
          </code>
        </p>
      )}
      <ul>
        {(tokens.data ?? []).map((token) => (
          <li key={token.id} className="flex min-h-11 items-center gap-3 border-b border-[var(--rule)]">
            <span>
              {token.name}, made {token.made_at.slice(0, 10)}
              {token.revoked && ', closed'}
            </span>
            {!token.revoked && (
              <button
                type="button"
                className="ml-auto h-11 px-2 underline"
                aria-label={`Close the address of ${token.name}`}
                onClick={() => close.mutate(token.id)}
              >
                close it
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
