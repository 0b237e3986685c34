/** Pieces of forms, so that every one of them is labelled and large enough for a thumb. */
import { type ReactNode, useId, useState } from 'react';
import { useFault } from './faults.ts';
import { mmText, shownLength, typed } from '../reader/units.ts';

interface ChoiceProps {
  legend: string;
  name: string;
  value: string;
  onChange(value: string): void;
  options: readonly { id: string; label: string }[];
  /** its name in what is sent: where its faults are told */
  at?: string;
}

export function Choice({ legend, name, value, onChange, options, at }: ChoiceProps) {
  const id = useId();
  const fault = useFault(id, at, legend);
  return (
    <fieldset id={id} role="radiogroup" className={`mb-4 ${fault ? 'border-l-4 border-[var(--rust)] pl-2' : ''}`}>
      <legend className="mb-1 font-semibold">{legend}</legend>
      <div className="flex flex-wrap gap-2">
        {options.map((option) => (
          <label
            key={option.id}
            className="flex h-11 cursor-pointer items-center gap-2 border border-[var(--rule)] px-3 has-checked:border-[var(--ink)] has-checked:bg-[var(--frame)] has-checked:font-semibold has-focus-visible:outline-3 has-focus-visible:outline-[var(--dusk)]"
          >
            <input
              type="radio"
              className="radio radio-sm"
              name={name}
              value={option.id}
              checked={value === option.id}
              onChange={() => onChange(option.id)}
            />
            {option.label}
          </label>
        ))}
      </div>
      {fault && (
        <p id={`${id}-fault`} role="alert" className="mt-1 font-semibold">
          {fault}
        </p>
      )}
    </fieldset>
  );
}

interface FieldProps {
  label: string;
  hint?: string | undefined;
  /** its name in what is sent: where its faults are told */
  at?: string | undefined;
  children(id: string): ReactNode;
}

export function Field({ label, hint, at, children }: FieldProps) {
  const id = useId();
  const fault = useFault(id, at, label);
  return (
    <div className={`mb-4 ${fault ? 'border-l-4 border-[var(--rust)] pl-2' : ''}`}>
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
      </label>
      {children(id)}
      {fault && (
        <p id={`${id}-fault`} role="alert" className="mt-1 font-semibold">
          {fault}
        </p>
      )}
      {hint && <p className="mt-1 text-[0.875rem] text-[var(--ink-2)]">{hint}</p>}
    </div>
  );
}

export function Tick({
  label,
  checked,
  onChange,
}: {
  label: string;
  checked: boolean;
  onChange(checked: boolean): void;
}) {
  return (
    <label className="flex min-h-11 cursor-pointer items-center gap-3">
      <input
        type="checkbox"
        className="checkbox"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}

/** What is wrong with what was typed, or with what the server said. */
export function Wrong({ words }: { words: string | null }) {
  return words === null ? null : (
    <p role="alert" className="my-3 border-l-4 border-[var(--rust)] pl-3 font-semibold">
      {words}
    </p>
  );
}

export function SectionHead({ id, children }: { id?: string; children: ReactNode }) {
  return (
    <h2 id={id} className="mb-2 border-b-2 border-[var(--ink)] pb-1 text-[1.0625rem] font-semibold">
      {children}
    </h2>
  );
}

interface TypedProps {
  label: string;
  hint?: string;
  at?: string;
  value: string;
  onChange(value: string): void;
  width?: string;
  placeholder?: string;
}

/** A number, or a short text, as it is typed. */
export function Typed({ label, hint, at, value, onChange, width = 'w-40', placeholder = '' }: TypedProps) {
  return (
    <Field label={label} hint={hint} at={at}>
      {(id) => (
        <input
          id={id}
          inputMode="decimal"
          className={`input h-11 ${width}`}
          placeholder={placeholder}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        />
      )}
    </Field>
  );
}

/**
 * A length, typed in the keeper's own unit and handed on as a text in mm. What nobody touches stays to the digit.
 * @param props `label` without a unit; `value` in mm
 */
export function TypedLength({ label, value, onChange, ...rest }: TypedProps) {
  const [shown, setShown] = useState('');
  return (
    <Typed
      {...rest}
      label={`${label}, ${typed.length()}`}
      value={mmText(shown) === value ? shown : shownLength(value)}
      onChange={(next) => {
        setShown(next);
        onChange(mmText(next));
      }}
    />
  );
}

interface OneOfProps {
  label: string;
  at?: string;
  value: string;
  onChange(value: string): void;
  /** values with what is said for them */
  options: readonly (readonly [value: string, words: string])[];
  width?: string;
}

/** One of a list too long to lay out. */
export function OneOf({ label, at, value, onChange, options, width = '' }: OneOfProps) {
  return (
    <Field label={label} at={at}>
      {(id) => (
        <select
          id={id}
          className={`select h-11 ${width}`}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        >
          {options.map(([one, words]) => (
            <option key={one} value={one}>
              {words}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

interface KeepOrLeaveProps {
  keep: string;
  busy: boolean;
  onLeave(): void;
}

/** The foot of a form. */
export function KeepOrLeave({ keep, busy, onLeave }: KeepOrLeaveProps) {
  return (
    <div className="mt-5 flex gap-3">
      <button type="submit" className="btn btn-primary h-11 px-6" disabled={busy}>
        {busy ? 'Saving…' : keep}
      </button>
      <button type="button" className="btn h-11" onClick={onLeave}>
        Cancel
      </button>
    </div>
  );
}

interface DayFieldProps {
  label: string;
  hint?: string;
  at?: string;
  min?: string | undefined;
  max?: string | undefined;
  width?: string;
  value: string;
  onChange(day: string): void;
}

/** A day of the calendar. */
export function DayField({ label, hint, at, min, max, width = 'w-44', value, onChange }: DayFieldProps) {
  return (
    <Field label={label} hint={hint} at={at}>
      {(id) => (
        <input
          id={id}
          type="date"
          min={min}
          max={max}
          className={`input h-11 ${width}`}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        />
      )}
    </Field>
  );
}

/** The day of what is written: today or before. */
export function OnDay(props: { value: string; max: string; onChange(day: string): void }) {
  return <DayField label="On" at="date" {...props} />;
}

interface LineProps {
  label: string;
  hint?: string | undefined;
  at?: string;
  most: number;
  placeholder?: string | undefined;
  /** the id of a datalist whose values are offered */
  list?: string | undefined;
  inputMode?: 'text' | 'url';
  value: string;
  onChange(value: string): void;
}

/** A text of a line. */
export function Line({ label, hint, at, most, placeholder, list, inputMode = 'text', value, onChange }: LineProps) {
  return (
    <Field label={label} hint={hint} at={at}>
      {(id) => (
        <input
          id={id}
          maxLength={most}
          list={list}
          inputMode={inputMode}
          placeholder={placeholder}
          className="input h-11 w-full"
          value={value}
          onChange={(event) => onChange(event.target.value)}
        />
      )}
    </Field>
  );
}
