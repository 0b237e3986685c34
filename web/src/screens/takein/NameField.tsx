import { LONGEST_PLANT_NAME } from '@zinc-pail/contract/limits';
import { commonGenus, genusByAnyName, genusCare, nameParts, suggestGenera, unclearName } from '@zinc-pail/core';
import { useId, useState } from 'react';
import { useFault } from '../../forms/faults.ts';
import { degrees } from '../../reader/amounts.ts';
import { Name } from '../../naming/Name.tsx';

interface NameFieldProps {
  value: string;
  onChange(name: string): void;
  /** the genus whose care is taken, where the name itself does not tell */
  meant: string | null;
  onMeant(genus: string | null): void;
  /** who lives with the plants */
  household: { has_pets: boolean; has_children: boolean };
}

/** A name as it is written on labels: genera are offered as one types, and where a name fits several, it asks which. */
export function NameField({ value, onChange, meant, onMeant, household }: NameFieldProps) {
  const id = useId();
  const fault = useFault(id, 'name', 'Name');
  const [open, setOpen] = useState(false);
  const [at, setAt] = useState(-1);
  const unclear = unclearName(value);
  const common = commonGenus(value);
  const typing = !unclear && !common && (!value.includes(' ') || !genusByAnyName(value));
  const offered = open && typing && value.trim() !== '' ? suggestGenera(value) : [];
  const genus = genusByAnyName(meant ?? common ?? value);
  const care = genus && genusCare(genus, genus.form, genus.habit);
  const take = (i: number) => {
    const chosen = offered[i];
    if (!chosen) return;
    onChange(`${chosen.genus} `);
    setOpen(false);
    setAt(-1);
  };
  return (
    <div className="mb-4">
      <label htmlFor={id} className="mb-1 block font-semibold">
        Name
      </label>
      <input
        id={id}
        role="combobox"
        aria-expanded={offered.length > 0}
        aria-controls={`${id}-list`}
        aria-autocomplete="list"
        aria-activedescendant={at >= 0 ? `${id}-${at}` : undefined}
        autoComplete="off"
        maxLength={LONGEST_PLANT_NAME}
        className="input h-12 w-full text-[1.125rem]"
        placeholder="Gymnocalycium cf. horstii, Aloe ‘Tin Roof’, or what the label says"
        value={value}
        onChange={(event) => {
          onChange(event.target.value);
          onMeant(null);
          setOpen(true);
          setAt(-1);
        }}
        onBlur={() => setOpen(false)}
        onKeyDown={(event) => {
          if (offered.length === 0) return;
          if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault();
            setAt((before) => (before + (event.key === 'ArrowDown' ? 1 : -1) + offered.length) % offered.length);
          }
          if ((event.key === 'Enter' || event.key === 'Tab') && at >= 0) {
            event.preventDefault();
            take(at);
          }
          if (event.key === 'Escape') setOpen(false);
        }}
      />
      <div
        id={`${id}-list`}
        role="listbox"
        aria-label="Genera"
        className={offered.length > 0 ? 'border border-t-0 border-[var(--ink)] bg-[var(--paper)]' : ''}
      >
        {offered.map((one, i) => (
          <div
            key={one.genus}
            id={`${id}-${i}`}
            role="option"
            tabIndex={-1}
            aria-selected={i === at}
            className={`flex min-h-11 cursor-pointer items-center gap-2 px-3 ${i === at ? 'bg-[var(--frame)]' : ''}`}
            onMouseDown={(event) => {
              event.preventDefault();
              take(i);
            }}
          >
            <i className="slab">{one.genus}</i>
            {one.by && <span className="text-[0.875rem] text-[var(--ink-2)]">also {one.by}</span>}
          </div>
        ))}
      </div>
      {fault && (
        <p id={`${id}-fault`} role="alert" className="mt-1 border-l-4 border-[var(--rust)] pl-2 font-semibold">
          {fault}
        </p>
      )}
      {unclear && (
        <fieldset className="mt-2 border-l-4 border-[var(--straw)] pl-3">
          <legend className="font-semibold">That name fits several. Which is meant?</legend>
          <div className="flex flex-wrap gap-2">
            {unclear.map((one) => (
              <button
                key={one}
                type="button"
                aria-pressed={meant === one}
                className={`btn h-11 ${meant === one ? 'btn-primary' : ''}`}
                onClick={() => onMeant(one)}
              >
                <i className="slab">{one}</i>
              </button>
            ))}
          </div>
        </fieldset>
      )}
      {care && ((household.has_children && care.poisonous.people) || (household.has_pets && care.poisonous.pets)) && (
        <p role="note" className="mt-2 border-l-4 border-[var(--rust)] pl-3 text-[0.9375rem]">
          <strong className="font-semibold">
            Out of reach of{' '}
            {[
              household.has_children && care.poisonous.people && 'children',
              household.has_pets && care.poisonous.pets && 'pets',
            ]
              .filter(Boolean)
              .join(' and ')}
            .
          </strong>{' '}
          Mind leaves that drop to the floor too. If any is swallowed, call a poison line or a vet.
        </p>
      )}
      {value.trim() !== '' && (
        <p className="mt-1 text-[0.9375rem] text-[var(--ink-2)]" data-testid="genus-words">
          <Name written={value} />
          {nameParts(value).length > 0 && ': '}
          {common && 'a common name for just one kind, '}
          {genus && care
            ? `${genus.name === value.trim() ? '' : `as ${genus.name}: `}${HABITS[genus.habit]}, ${RULES[genus.dryRule]}, ` +
              `nights down to ${degrees(genus.minDryC)} dry and ${degrees(genus.minWetC)} ` +
              `moist${care.poisonous.people ? '; poisonous' : care.poisonous.pets ? '; not for pets to eat' : ''}.${care.doubt ? ` ${care.doubt}` : ''}`
            : 'genus not recognised. Until you say more it is watered sparingly.'}
        </p>
      )}
    </div>
  );
}

const HABITS = {
  summer: 'grows in summer',
  winter: 'grows in winter',
  'spring-autumn': 'grows in spring and autumn',
  evergreen: 'never quite rests',
  opportunist: 'grows whenever it is warm',
} as const;
const RULES = {
  'keep-damp': 'never quite dry',
  'dry-top': 'water when the top third is dry',
  'dry-through': 'water when dry through',
  'dry-and-hold': 'dry through, then some days more',
} as const;
