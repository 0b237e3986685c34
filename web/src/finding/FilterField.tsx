/** One filter over the benches, however they are shown: from above, from the side, as a list. It stands in the address. */
import { LONGEST_SEARCH } from '@zinc-pail/contract/limits';
import { FOUND_BY, FOUND_WORDS } from '@zinc-pail/words/finding';
import { useId } from 'react';

interface FilterFieldProps {
  value: string;
  onChange(value: string): void;
}

export function FilterField({ value, onChange }: FilterFieldProps) {
  const offers = useId();
  return (
    <>
      <input
        type="search"
        list={offers}
        aria-label="Show only: a name, number, bench, or words such as resting"
        className="input h-11 w-64 max-w-full"
        placeholder="name, bench, dry this week"
        maxLength={LONGEST_SEARCH}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
      <datalist id={offers}>
        {FOUND_BY.map((id) => (
          <option key={id}>{FOUND_WORDS[id][0]}</option>
        ))}
      </datalist>
    </>
  );
}
