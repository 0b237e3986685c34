import type { AlmanacInput } from '@zinc-pail/contract/almanac';
import { COLDER_A_DEGREE, type WhatIf } from '@zinc-pail/core';
import { type FormEvent, useState } from 'react';
import { Tick, Typed, Wrong } from '../../forms/Fields.tsx';
import { numberIn } from '@zinc-pail/words/numbers';
import { celsiusOf, shownTemperature, typed } from '../../reader/units.ts';

interface Props {
  input: AlmanacInput;
  mixes: readonly { id: number; name: string }[];
  busy: boolean;
  tried: boolean;
  onTry(whatIf: WhatIf | null): void;
}

const LOWEST_C = -5;
const HIGHEST_C = 30;
const POLEWARD_DEG = 10;

/** The same year under another roof: on paper only. */
export function WhatIfPanel({ input, mixes, busy, tried, onTry }: Props) {
  const [heat, setHeat] = useState('');
  const [placeId, setPlaceId] = useState('');
  const [mixId, setMixId] = useState('');
  const [noRest, setNoRest] = useState(false);
  const [poleward, setPoleward] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  // A difference, not a temperature: 6 K are 11 of Fahrenheit's degrees.
  const colder = `${Math.round(shownTemperature(COLDER_A_DEGREE * POLEWARD_DEG) - shownTemperature(0))}°`;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const shown = heat.trim() === '' ? null : numberIn(heat, shownTemperature(LOWEST_C), shownTemperature(HIGHEST_C));
    if (shown !== null && Number.isNaN(shown)) {
      setWrong(
        `Glass kept at: a number from ${Math.round(shownTemperature(LOWEST_C))} to ${Math.round(shownTemperature(HIGHEST_C))} is wanted.`,
      );
      return;
    }
    setWrong(null);
    onTry({
      heatToC: shown === null ? null : celsiusOf(shown),
      placeId: placeId || null,
      mixId: mixId || null,
      noRest,
      polewardDeg: poleward ? POLEWARD_DEG : 0,
    });
  };
  return (
    <form noValidate onSubmit={submit} className="border border-[var(--rule)] p-3 print:hidden">
      <h2 className="mb-1 text-lg font-semibold">What if</h2>
      <p className="mb-3 max-w-prose text-[0.9375rem] text-[var(--ink-2)]">
        The same year, as a trial: nothing is saved, and no record changes.
      </p>
      <div className="flex flex-wrap items-end gap-x-6">
        <Typed label={`Glass kept at, ${typed.temperature()}`} width="w-24" value={heat} onChange={setHeat} />
        <Pick label="All stand at" value={placeId} onChange={setPlaceId} all={input.places} />
        <Pick
          label="All stand in"
          value={mixId}
          onChange={setMixId}
          all={mixes.map(({ id, name }) => ({ id: String(id), name }))}
        />
        <Tick label="none is let sleep" checked={noRest} onChange={setNoRest} />
        <Tick
          label={`ten degrees ${input.garden.site.latitude_deg < 0 ? 'south' : 'north'}, and colder by ${colder}`}
          checked={poleward}
          onChange={setPoleward}
        />
      </div>
      <Wrong words={wrong} />
      <div className="flex gap-3">
        <button type="submit" className="btn btn-primary h-11" disabled={busy}>
          {busy ? 'Working…' : 'Try it'}
        </button>
        {tried && (
          <button type="button" className="btn h-11" onClick={() => onTry(null)}>
            Put it away
          </button>
        )}
      </div>
    </form>
  );
}

interface PickProps {
  label: string;
  value: string;
  all: readonly { id: string; name: string }[];
  onChange(id: string): void;
}

function Pick({ label, value, all, onChange }: PickProps) {
  return (
    <label className="mb-4 block">
      <span className="mb-1 block font-semibold">{label}</span>
      <select className="select h-11 w-52" value={value} onChange={(event) => onChange(event.target.value)}>
        <option value="">as it is</option>
        {all.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
