/** Anything a keeper notes on a pot: water by any method, a check by finger, probe or scale, the day it was done. */
import type { JournalEvent } from '@zinc-pail/contract/api';
import { type OutlookView } from '@zinc-pail/core';
import { type FormEvent, type ReactNode, useId, useState } from 'react';
import { litres } from './amounts.ts';
import { addDays } from './days.ts';
import { Dialog } from './Dialog.tsx';
import { useMarks } from './Marks.tsx';
import { Name } from './Name.tsx';

interface NotePanelProps {
  plantId: number;
  name: string;
  today: string;
  outlook: OutlookView;
  onClose(): void;
}

type Kind = 'watering' | 'finger' | 'meter' | 'weight' | 'note';

const KINDS: { kind: Kind; label: string }[] = [
  { kind: 'watering', label: 'Watered' },
  { kind: 'finger', label: 'Felt' },
  { kind: 'meter', label: 'Probe' },
  { kind: 'weight', label: 'Weighed' },
  { kind: 'note', label: 'Words' },
];

const METHODS = [
  { id: 'drench', label: 'until it ran' },
  { id: 'measured', label: 'a measure' },
  { id: 'bottom', label: 'stood in water' },
  { id: 'mist', label: 'misted' },
] as const;

export function NotePanel({ plantId, name, today, outlook, onClose }: NotePanelProps) {
  const { mark, busy, told } = useMarks();
  const [kind, setKind] = useState<Kind>('watering');
  const [date, setDate] = useState(today);
  const [method, setMethod] = useState<string>(outlook.pot.holes ? 'drench' : 'measured');
  const [amount, setAmount] = useState('');
  const [finger, setFinger] = useState('');
  const [meter, setMeter] = useState('');
  const [weight, setWeight] = useState('');
  const [words, setWords] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);

  const read = (): { event: JournalEvent; said: string } | string => {
    if (!/^\d{4}-\d{2}-\d{2}$/.test(date) || date > today) return `Which day? Up to today, ${today}.`;
    switch (kind) {
      case 'watering': {
        const amount_ml = amount.trim() === '' ? null : numberIn(amount, 0.1, 200_000);
        if (Number.isNaN(amount_ml)) return 'How much? A number of millilitres, up to 200,000.';
        if (method === 'measured' && amount_ml === null) return 'A measure wants its millilitres.';
        const event = { type: 'watering', date, method, ...(amount_ml === null ? {} : { amount_ml }) } as JournalEvent;
        return { event, said: `watered ${METHODS.find((m) => m.id === method)!.label}${amount_ml ? `, ${litres(amount_ml)}` : ''}` };
      }
      case 'finger':
        return finger === '' ? 'How did it feel: wet, damp or dry?' : { event: { type: 'check', date, finger: finger as 'wet' | 'damp' | 'dry' }, said: `felt ${finger}` };
      case 'meter': {
        const reading = numberIn(meter, 1, 10);
        return Number.isNaN(reading) ? 'The probe shows a number from 1, dry, to 10, wet.' : { event: { type: 'check', date, meter: reading }, said: `probe at ${reading}` };
      }
      case 'weight': {
        const weight_g = numberIn(weight, 0.1, 1_000_000);
        return Number.isNaN(weight_g) ? 'Weight in grams, pot and all.' : { event: { type: 'check', date, weight_g }, said: `weighed, ${weight_g} g` };
      }
      case 'note':
        return words.trim() === '' ? 'Nothing is written yet.' : { event: { type: 'note', date, text: words.trim() }, said: 'noted' };
    }
  };

  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const found = read();
    if (typeof found === 'string') return setWrong(found);
    setWrong(null);
    // What was typed stays until it is safely written.
    if (await mark({ plantId, name, today, before: outlook }, [found.event], found.said)) onClose();
  };

  const failed = told?.kind === 'failed' && told.name === name ? told.words : null;
  return (
    <Dialog title={<>Note on <Name written={name} /></>} onClose={onClose}>
      <form onSubmit={(event) => void submit(event)} noValidate>
        <Choice legend="What" name="kind" value={kind} onChange={(value) => setKind(value as Kind)} options={KINDS.map((k) => ({ id: k.kind, label: k.label }))} />
        {kind === 'watering' && (
          <>
            <Choice legend="How" name="method" value={method} onChange={setMethod} options={METHODS} />
            <Field label={method === 'measured' ? 'Millilitres' : 'Millilitres poured, if you know'}>
              {(id) => <input id={id} inputMode="decimal" className="input h-11 w-40" value={amount} onChange={(e) => setAmount(e.target.value)} />}
            </Field>
          </>
        )}
        {kind === 'finger' && (
          <Choice legend="Two knuckles deep, or a skewer to the bottom" name="finger" value={finger} onChange={setFinger} options={['wet', 'damp', 'dry'].map((id) => ({ id, label: id }))} />
        )}
        {kind === 'meter' && (
          <Field label="Probe, 1 dry to 10 wet">{(id) => <input id={id} inputMode="decimal" className="input h-11 w-32" value={meter} onChange={(e) => setMeter(e.target.value)} />}</Field>
        )}
        {kind === 'weight' && (
          <Field label="Grams, pot and all">{(id) => <input id={id} inputMode="decimal" className="input h-11 w-40" value={weight} onChange={(e) => setWeight(e.target.value)} />}</Field>
        )}
        {kind === 'note' && (
          <Field label="What you saw or did">{(id) => <textarea id={id} rows={3} maxLength={4000} className="textarea w-full" value={words} onChange={(e) => setWords(e.target.value)} />}</Field>
        )}
        <Field label="On">
          {(id) => (
            <span className="flex flex-wrap gap-2">
              <input id={id} type="date" max={today} className="input h-11 w-44" value={date} onChange={(e) => setDate(e.target.value)} />
              <button type="button" className="btn h-11" aria-pressed={date === addDays(today, -1)} onClick={() => setDate(addDays(today, -1))}>yesterday</button>
              <button type="button" className="btn h-11" aria-pressed={date === today} onClick={() => setDate(today)}>today</button>
            </span>
          )}
        </Field>
        {(wrong ?? failed) && <p role="alert" className="my-3 border-l-4 border-[var(--rust)] pl-3 font-semibold">{wrong ?? failed}</p>}
        <div className="mt-5 flex gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6" disabled={busy.has(plantId)}>{busy.has(plantId) ? 'Writing…' : 'Write it down'}</button>
          <button type="button" className="btn h-11" onClick={onClose}>Leave it</button>
        </div>
      </form>
    </Dialog>
  );
}

/** A number as people write it, comma or point; NaN where it is none or out of range. */
function numberIn(text: string, min: number, max: number): number {
  const value = /^\s*\d+([.,]\d+)?\s*$/.test(text) ? Number(text.replace(',', '.')) : NaN;
  return value >= min && value <= max ? value : NaN;
}

function Choice({ legend, name, value, onChange, options }: { legend: string; name: string; value: string; onChange(value: string): void; options: readonly { id: string; label: string }[] }) {
  return (
    <fieldset className="mb-4">
      <legend className="mb-1 font-semibold">{legend}</legend>
      <div className="flex flex-wrap gap-2">
        {options.map((option) => (
          <label key={option.id} className="flex h-11 cursor-pointer items-center gap-2 border border-[var(--rule)] px-3 has-checked:border-[var(--ink)] has-checked:bg-[var(--frame)] has-checked:font-semibold">
            <input type="radio" className="radio radio-sm" name={name} value={option.id} checked={value === option.id} onChange={() => onChange(option.id)} />
            {option.label}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function Field({ label, children }: { label: string; children(id: string): ReactNode }) {
  const id = useId();
  return (
    <div className="mb-4">
      <label htmlFor={id} className="mb-1 block font-semibold">{label}</label>
      {children(id)}
    </div>
  );
}
