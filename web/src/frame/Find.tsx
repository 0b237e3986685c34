import { LONGEST_SEARCH } from '@zinc-pail/contract/limits';
import { FOUND_WORDS, offeredFor } from '@zinc-pail/words/finding';
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

interface Option {
  key: string;
  to: string;
  plant?: Found;
  words?: string;
}
const MOST_OFFERED = 4;

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
  const plants: Found[] = sought === '' ? recentPlants() : (answer.data ?? []);
  // What is asked of plants stands after their names: a list of all of them.
  const found: Option[] = [
    ...plants.map((plant): Option => ({ key: String(plant.id), to: `/plants/${plant.id}`, plant })),
    ...offeredFor(sought)
      .slice(0, MOST_OFFERED)
      .map((id): Option => ({
        key: id,
        to: `/benches/list?q=${encodeURIComponent(FOUND_WORDS[id][0])}`,
        words: FOUND_WORDS[id][0],
      })),
  ];
  const open = (option: Option | undefined) => {
    if (!option) return;
    onClose();
    void navigate(option.to);
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
        aria-activedescendant={found[at] ? `${list}-${found[at].key}` : undefined}
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
          ? plants.length > 0
            ? 'Lately seen'
            : 'Type any part of a name'
          : answer.isFetching && plants.length === 0
            ? 'Looking…'
            : `${plants.length === 30 ? '30 or more' : plants.length} found`}
      </p>
      <div id={list} role="listbox" aria-label="Plants found">
        {found.map((option, i) => (
          <div
            key={option.key}
            id={`${list}-${option.key}`}
            role="option"
            tabIndex={-1}
            aria-selected={i === at}
            className={`flex min-h-11 cursor-pointer flex-wrap items-baseline gap-x-3 border-b border-[var(--rule)] px-2 py-2 ${i === at ? 'bg-[var(--frame)]' : ''}`}
            onMouseDown={() => open(option)}
            onMouseEnter={() => setAt(i)}
          >
            {option.plant ? <FoundPlant plant={option.plant} /> : <span>All plants: {option.words}</span>}
          </div>
        ))}
      </div>
    </Dialog>
  );
}

function FoundPlant({ plant: { name, number, place, ended } }: { plant: Found }) {
  return (
    <>
      <Name written={name} />
      <span className="text-[0.875rem] text-[var(--ink-2)]">
        {number}
        {place ? ` · ${place}` : ''}
        {ended ? ` · ${ended === 'died' ? 'died' : 'given away'}` : ''}
      </span>
    </>
  );
}
