/**
 * Anything a keeper notes on a pot, or on many at once: water, a look, a skip, a sign, a measure, a flower, words; on
 * any day.
 */
import { isIsoDay } from '@zinc-pail/core';
import { useState } from 'react';
import { Dialog } from '../forms/Dialog.tsx';
import { type NotSent, notSent } from '../api/client.ts';
import { Choice, Field, KeepOrLeave } from '../forms/Fields.tsx';
import { Form } from '../forms/Form.tsx';
import { Name } from '../naming/Name.tsx';
import { count } from '../reader/amounts.ts';
import { addDays } from '../reader/days.ts';
import { type Marked, useMarks } from './Marks.tsx';
import { draftFor, faultOf, type NoteDraft, type NoteKind, noteOf } from './noteDraft.ts';
import { NOTE_FIELDS } from './noteFields.tsx';

/** In the order in which they are offered; some tell of one pot only. */
const KINDS: readonly { id: NoteKind; label: string; one?: true }[] = [
  { id: 'watering', label: 'Watered' },
  { id: 'finger', label: 'Felt' },
  { id: 'lift', label: 'Lifted' },
  { id: 'meter', label: 'Probe', one: true },
  { id: 'weight', label: 'Weighed', one: true },
  { id: 'weights', label: 'Full and dry weight', one: true },
  { id: 'skip', label: 'Skipped' },
  { id: 'sign', label: 'Sign seen' },
  { id: 'state', label: 'Its season' },
  { id: 'measure', label: 'Measured', one: true },
  { id: 'flowering', label: 'Flower' },
  { id: 'drain', label: 'Drain test', one: true },
  { id: 'note', label: 'Words' },
];

interface NotePanelProps {
  pots: Marked[];
  /** the day that is written for at first */
  date: string;
  /** what is noted at first */
  kind?: NoteKind;
  onClose(): void;
}

export function NotePanel({ pots, date: startDate, kind: startKind = 'watering', onClose }: NotePanelProps) {
  const { mark, busy, told } = useMarks();
  const [first] = pots as [Marked, ...Marked[]];
  const { today } = first;
  const [kind, setKind] = useState<NoteKind>(startKind);
  const [date, setDate] = useState(startDate);
  const [draft, setDraft] = useState<NoteDraft>(() => draftFor(first.before));
  const [wrong, setWrong] = useState<NotSent | null>(null);
  const set = (change: Partial<NoteDraft>) => setDraft((before) => ({ ...before, ...change }));
  const submit = async () => {
    if (!isIsoDay(date) || date > today) return setWrong(notSent({ date: `Which day? Up to today, ${today}.` }));
    const note = noteOf(kind, draft, date);
    if (typeof note === 'string') return setWrong(faultOf(kind, note));
    setWrong(null);
    // What was typed stays until it is safely written.
    if (await mark(pots, note.events, note.said)) onClose();
  };
  const failed =
    told?.kind === 'failed' && told.pots.length === pots.length && told.pots[0]?.plantId === first.plantId
      ? told.words
      : null;
  const kinds = pots.length > 1 ? KINDS.filter((one) => !one.one) : KINDS;
  const Fields = NOTE_FIELDS[kind];
  return (
    <Dialog title={<Title pots={pots} />} onClose={onClose}>
      <Form error={wrong ?? failed} onSubmit={() => void submit()}>
        <Choice
          legend="What"
          name="kind"
          value={kind}
          onChange={(value) => setKind(value as NoteKind)}
          options={kinds}
        />
        <Fields draft={draft} set={set} pot={first.before} />
        <DayField date={date} today={today} onChange={setDate} />
        <KeepOrLeave keep="Save" busy={pots.some((pot) => busy.has(pot.plantId))} onLeave={onClose} />
      </Form>
    </Dialog>
  );
}

function Title({ pots }: { pots: readonly Marked[] }) {
  if (pots.length > 1) return `Note on ${count(pots.length, 'pot')}`;
  return (
    <>
      Note on <Name written={pots[0]!.name} />
    </>
  );
}

function DayField({ date, today, onChange }: { date: string; today: string; onChange(date: string): void }) {
  const yesterday = addDays(today, -1);
  return (
    <Field label="On" at="date">
      {(id) => (
        <span className="flex flex-wrap gap-2">
          <input
            id={id}
            type="date"
            max={today}
            className="input h-11 w-44"
            value={date}
            onChange={(event) => onChange(event.target.value)}
          />
          {[
            [yesterday, 'yesterday'],
            [today, 'today'],
          ].map(([day, label]) => (
            <button
              key={label}
              type="button"
              className="btn h-11"
              aria-pressed={date === day}
              onClick={() => onChange(day!)}
            >
              {label}
            </button>
          ))}
        </span>
      )}
    </Field>
  );
}
