/** The usual weather of a site, typed by hand: twelve months of six figures. */
import type { SiteWeather } from '@zinc-pail/contract/weather';
import type { Normals } from '@zinc-pail/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, ProblemError, wordsOf } from '../../api/client.ts';
import { CSV, FileField } from '../../forms/FileField.tsx';
import { Dialog } from '../../forms/Dialog.tsx';
import { KeepOrLeave, Tick, Wrong } from '../../forms/Fields.tsx';
import { count } from '../../reader/amounts.ts';
import { MONTHS } from '../../reader/days.ts';
import { numberIn } from '@zinc-pail/words/numbers';
import { normalsFromCsv } from './normalsCsv.ts';
import { celsiusOf, shownTemperature, typed } from '../../reader/units.ts';

type Field = keyof Normals;
const FIELDS: readonly (readonly [Field, string])[] = [
  ['tmin_c', 'night'],
  ['tmax_c', 'day'],
  ['rh_pct', 'air, %'],
  ['sunshine_h', 'sun, h a day'],
  ['rain_mm', 'rain, mm'],
  ['wind_m_s', 'wind, m/s'],
];
const isWarmth = (field: Field) => field === 'tmin_c' || field === 'tmax_c';
const tenth = (value: number) => String(Math.round(value * 10) / 10);

/** What stands in the boxes, by field and month. */
export type NormalsDraft = Record<Field, string[]>;

export function draftOf(normals: Normals): NormalsDraft {
  return Object.fromEntries(
    FIELDS.map(([field]) => [
      field,
      normals[field].map((value) => tenth(isWarmth(field) ? shownTemperature(value) : value)),
    ]),
  ) as NormalsDraft;
}

/**
 * What was typed as usual weather; a box that was not touched keeps its figure to the last digit.
 *
 * @returns the field and month of the first box that is no number, where there is one
 */
export function normalsOf(draft: NormalsDraft, before: Normals): Normals | { wrong: string } {
  const untouched = draftOf(before);
  const out: Record<Field, number[]> = {
    tmin_c: [],
    tmax_c: [],
    rh_pct: [],
    sunshine_h: [],
    rain_mm: [],
    wind_m_s: [],
  };
  for (const [field, label] of FIELDS)
    for (const [month, text] of draft[field].entries()) {
      const value = numberIn(text, -100, 2000);
      if (Number.isNaN(value) || value === null) return { wrong: `${MONTHS[month]}, ${label}: a number is wanted.` };
      out[field].push(
        text === untouched[field][month] ? before[field][month]! : isWarmth(field) ? celsiusOf(value) : value,
      );
    }
  return out;
}

export function NormalsPanel({ site, onClose }: { site: SiteWeather; onClose(): void }) {
  const [draft, setDraft] = useState(() => draftOf(site.normals));
  const [wrong, setWrong] = useState<string | null>(null);
  const [odd, setOdd] = useState(false);
  const [brought, setBrought] = useState('');
  const [sure, setSure] = useState(false);
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: (normals: Normals) =>
      ask(`/sites/${site.id}/normals`, {
        method: 'PUT',
        body: { normals, sure },
        version: site.version,
      }),
    onSuccess: async () => {
      await queries.invalidateQueries();
      onClose();
    },
    onError: (error) => {
      setOdd(error instanceof ProblemError && error.problem.type.endsWith(':odd-weather'));
      setWrong(wordsOf(error));
    },
  });
  /** A table fills the boxes; nothing is kept before the keeper says so. */
  const bring = async (file: File) => {
    setBrought('');
    const read = normalsFromCsv(await file.text());
    if ('wrong' in read) return setWrong(`${file.name}: ${read.wrong}`);
    setWrong(null);
    setDraft((before) => ({ ...before, ...read.fields }));
    setBrought(`${file.name}: ${count(Object.keys(read.fields).length, 'column')} filled in; check them, then save.`);
  };
  return (
    <Dialog title={`The usual weather: ${site.name}`} onClose={onClose}>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          const normals = normalsOf(draft, site.normals);
          if ('wrong' in normals) return setWrong(normals.wrong);
          setWrong(null);
          save.mutate(normals);
        }}
      >
        <p className="mb-2 max-w-prose">
          Means of each month, as an almanac or a station gives them; nights and days in {typed.temperature()}. They
          stand wherever no record and no forecast says more.
        </p>
        <FileField label="Or bring a table of twelve months (CSV)" accept={CSV} className="mb-3" onFile={bring} />
        <p role="status">{brought}</p>
        <table className="text-[0.9375rem]">
          <thead>
            <tr>
              <th className="text-left font-normal text-[var(--ink-2)]">month</th>
              {FIELDS.map(([field, label]) => (
                <th key={field} className="px-1 text-left font-normal text-[var(--ink-2)]">
                  {label}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {MONTHS.map((name, month) => (
              <tr key={name}>
                <th scope="row" className="pr-2 text-left font-semibold">
                  {name}
                </th>
                {FIELDS.map(([field, label]) => (
                  <td key={field} className="px-1">
                    <input
                      aria-label={`${name}, ${label}`}
                      inputMode="decimal"
                      className="input h-11 w-full min-w-14 px-2"
                      value={draft[field][month]}
                      onChange={(event) => {
                        const next = draft[field].with(month, event.target.value);
                        setDraft({ ...draft, [field]: next });
                      }}
                    />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        <Wrong words={wrong} />
        {odd && <Tick label="It is so all the same; I am sure." checked={sure} onChange={setSure} />}
        <KeepOrLeave keep="Save" busy={save.isPending} onLeave={onClose} />
      </form>
    </Dialog>
  );
}
