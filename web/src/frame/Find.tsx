import { LONGEST_SEARCH } from '@zinc-pail/contract/limits';
import { useQuery } from '@tanstack/react-query';
import { type KeyboardEvent, useDeferredValue, useEffect, useId, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { ask } from '../api/client.ts';
import { Dialog } from '../forms/Dialog.tsx';
import { Name } from '../naming/Name.tsx';
import { recentPlants } from './recent.ts';

interface Found {
  id: number;
  number: string;
  name: string;
  place?: string;
  ended?: string | null;
}

/** One box for all plants: any part of a name, a number, a place, a genus old or new; and those lately seen. */
export function Find({ onClose }: { onClose(): void }) {
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const sought = useDeferredValue(typed.trim());
  const navigate = useNavigate();
  const list = useId();
  const box = useRef<HTMLInputElement>(null);
  useEffect(() => box.current?.focus(), []);
  const answer = useQuery({
    queryKey: ['find', sought],
    queryFn: async () => (await ask<{ plants: Found[] }>(`/find?q=${encodeURIComponent(sought)}`)).plants,
    enabled: sought !== '',
    placeholderData: (before) => before,
  });
  const found: Found[] = sought === '' ? recentPlants() : (answer.data ?? []);
  const open = (plant: Found | undefined) => {
    if (!plant) return;
    onClose();
    void navigate(`/plants/${plant.id}`);
  };
  const onKey = (event: KeyboardEvent) => {
    const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (by !== 0) {
      event.preventDefault();
      setAt((before) => Math.max(0, Math.min(found.length - 1, before + by)));
    }
    if (event.key === 'Enter') {
      event.preventDefault();
      open(found[at]);
    }
  };
  return (
    <Dialog title="Find a plant" light onClose={onClose}>
      <input
        ref={box}
        role="combobox"
        aria-expanded={found.length > 0}
        aria-controls={list}
        aria-activedescendant={found[at] ? `${list}-${found[at].id}` : undefined}
        aria-label="Name, number, place or genus"
        maxLength={LONGEST_SEARCH}
        className="input h-12 w-full text-[1.0625rem]"
        placeholder="name, number, place, genus"
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          setAt(0);
        }}
        onKeyDown={onKey}
      />
      <p className="mb-1 mt-3 text-[0.875rem] text-[var(--ink-2)]" role="status">
        {sought === ''
          ? found.length > 0
            ? 'Lately seen'
            : 'Type any part of a name'
          : answer.isFetching && found.length === 0
            ? 'Looking…'
            : `${found.length === 30 ? '30 or more' : found.length} found`}
      </p>
      <div id={list} role="listbox" aria-label="Plants found">
        {found.map((plant, i) => (
          <div
            key={plant.id}
            id={`${list}-${plant.id}`}
            role="option"
            tabIndex={-1}
            aria-selected={i === at}
            className={`flex min-h-11 cursor-pointer flex-wrap items-baseline gap-x-3 border-b border-[var(--rule)] px-2 py-2 ${i === at ? 'bg-[var(--frame)]' : ''}`}
            onMouseDown={() => open(plant)}
            onMouseEnter={() => setAt(i)}
          >
            <Name written={plant.name} />
            <span className="text-[0.875rem] text-[var(--ink-2)]">
              {plant.number}
              {plant.place ? ` · ${plant.place}` : ''}
              {plant.ended ? ` · ${plant.ended === 'died' ? 'died' : 'given away'}` : ''}
            </span>
          </div>
        ))}
      </div>
    </Dialog>
  );
}
