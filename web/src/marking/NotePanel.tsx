/**
 * Anything a keeper notes on a pot, or on many at once: water, a look, a skip, a sign, a measure, a flower, words; on
 * any day.
 */
import type { JournalEvent, RoundPot } from '@zinc-pail/contract/api';
import { drinkOf, SIGNS, WATER_KINDS, WAYS, type Way } from '@zinc-pail/core';
import { type FormEvent, useState } from 'react';
import { count, litres } from '../words/amounts.ts';
import { addDays } from '../words/days.ts';
import { Dialog } from '../forms/Dialog.tsx';
import { Choice, Field, Tick, Wrong } from '../forms/Fields.tsx';
import { numberIn } from '../words/numbers.ts';
import { type Marked, useMarks } from './Marks.tsx';
import { Name } from '../naming/Name.tsx';
import { mlOf, mmOf, typed } from '../words/units.ts';

interface NotePanelProps {
  pots: Marked[];
  /** the day that is written for at first */
  date: string;
  onClose(): void;
}

type Kind =
  | 'watering'
  | 'finger'
  | 'lift'
  | 'meter'
  | 'weight'
  | 'weights'
  | 'state'
  | 'skip'
  | 'sign'
  | 'measure'
  | 'flowering'
  | 'drain'
  | 'note';

const KINDS: readonly { id: Kind; label: string; one?: true }[] = [
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
const WAY_WORDS: Record<Way, string> = {
  drench: 'until it ran',
  base: 'at the base, until it ran',
  bottom: 'stood in water',
  measured: 'a measure',
  mist: 'misted',
};
const METHODS = { drench: 'drench', base: 'drench', bottom: 'bottom', measured: 'measured', mist: 'mist' } as const;
export const SKIP_WORDS = {
  'still-wet': 'still wet',
  asleep: 'asleep',
  'too-cold': 'too cold',
  'just-potted': 'just potted',
  'not-sure': 'not sure',
  'no-time': 'no time',
  other: 'another reason',
} as const;
const STAGES = [
  { id: 'buds', label: 'buds' },
  { id: 'open', label: 'open' },
  { id: 'over', label: 'over' },
  { id: 'seed', label: 'seed' },
];
const VOLUME_WORDS: Record<string, string> = { ml: 'millilitres', cups: 'cups' };
const VOLUME_HEADS: Record<string, string> = { ml: 'Millilitres', cups: 'Cups' };
const MEASURES = [
  ['diameter_mm', 'Width', 10_000],
  ['height_mm', 'Height', 20_000],
  ['caudex_mm', 'Caudex', 5000],
  ['heads', 'Heads', 10_000],
  ['weight_g', 'Weight, g', 1_000_000],
] as const;

interface Draft {
  way: Way;
  amount: string;
  water: string;
  fed: boolean;
  wetLeaves: boolean;
  finger: string;
  lift: string;
  state: string;
  drained: string;
  dry: string;
  number: string;
  reason: keyof typeof SKIP_WORDS;
  sign: string;
  strength: string;
  stage: string;
  measures: Record<string, string>;
  words: string;
}

function draftFor({ outlook, task }: Pick<RoundPot, 'outlook' | 'task'>): Draft {
  return {
    way: outlook.pot.holes ? task.way : 'measured',
    amount: '',
    water: task.water,
    fed: task.food !== null && drinkOf(task.judgement) !== null,
    wetLeaves: false,
    finger: '',
    lift: '',
    state: '',
    drained: '',
    dry: '',
    number: '',
    reason: 'still-wet',
    sign: 'wrinkled',
    strength: '1',
    stage: 'open',
    measures: {},
    words: '',
  };
}

/** The entries of a draft for a pot, and what they say; or what is missing. */
function read(kind: Kind, draft: Draft, date: string): { events(pot: Marked): JournalEvent[]; said: string } | string {
  const same = (event: JournalEvent, said: string) => ({ events: () => [event], said });
  const words = draft.words.trim();
  switch (kind) {
    case 'watering': {
      const amount =
        draft.amount.trim() === '' ? null : Math.round(mlOf(numberIn(draft.amount, 0.01, 200_000)) * 10) / 10;
      if (Number.isNaN(amount)) return `How much? A number of ${VOLUME_WORDS[typed.volume()]}, up to 200,000.`;
      return {
        said: `watered ${WAY_WORDS[draft.way]}${amount ? `, ${litres(amount)}` : ''}${draft.fed ? ', fed' : ''}`,
        events: ({ before: { task } }) => {
          const measured = draft.way === 'measured' ? (amount ?? Math.max(1, task.amount_ml)) : amount;
          const drink = {
            type: 'watering',
            date,
            method: METHODS[draft.way],
            way: draft.way,
            water: draft.water,
            ...(measured === null ? {} : { amount_ml: measured }),
            ...(draft.wetLeaves ? { wet_leaves: true } : {}),
          } as JournalEvent;
          return draft.fed
            ? [
                drink,
                {
                  type: 'feeding',
                  date,
                  dose: task.feed.kind === 'feed' ? task.feed.strength : 0.5,
                  feed_id: task.feed_id,
                } as JournalEvent,
              ]
            : [drink];
        },
      };
    }
    case 'finger':
      if (draft.finger.startsWith('top-'))
        return same(
          { type: 'check', date, surface: draft.finger.slice(4) as 'dry' },
          `top felt ${draft.finger.slice(4)}`,
        );
      return draft.finger === ''
        ? 'How did it feel: wet, damp or dry?'
        : same({ type: 'check', date, finger: draft.finger as 'wet' }, `felt ${draft.finger}`);
    case 'meter': {
      const meter = numberIn(draft.number, 1, 10);
      return Number.isNaN(meter)
        ? 'The probe shows a number from 1, dry, to 10, wet.'
        : same({ type: 'check', date, meter }, `probe at ${meter}`);
    }
    case 'weight': {
      const weight_g = numberIn(draft.number, 0.1, 1_000_000);
      return Number.isNaN(weight_g)
        ? 'Weight in grams, pot and all.'
        : same({ type: 'check', date, weight_g }, `weighed, ${weight_g} g`);
    }
    case 'lift':
      return draft.lift === ''
        ? 'How heavy was it in the hand: heavy, middling or light?'
        : same({ type: 'check', date, lift: draft.lift as 'heavy' }, `${draft.lift} in the hand`);
    case 'weights': {
      const drained_g = numberIn(draft.drained, 0.1, 1_000_000);
      const dry_g = draft.dry.trim() === '' ? null : numberIn(draft.dry, 0.1, 1_000_000);
      if (Number.isNaN(drained_g) || Number.isNaN(dry_g)) return 'Weights in grams, pot and all, up to 1,000,000.';
      if (dry_g !== null && dry_g >= drained_g) return 'The dry weight is less than the full one: which is which?';
      return same(
        { type: 'weights', date, drained_g, ...(dry_g === null ? {} : { dry_g }) },
        `full weight ${drained_g} g${dry_g === null ? '' : `, dry ${dry_g} g`}`,
      );
    }
    case 'state':
      return draft.state === ''
        ? 'Which? Not sure is an answer too.'
        : same(
            { type: 'state', date, state: draft.state as 'growing' },
            draft.state === 'unsure' ? 'not sure of its season' : `seen to be ${draft.state}`,
          );
    case 'drain': {
      const seconds = numberIn(draft.number, 0, 3600);
      return Number.isNaN(seconds)
        ? 'Seconds from the first pour to the first drop at the hole, up to 3600.'
        : same({ type: 'drain', date, seconds }, `drained in ${seconds} s`);
    }
    case 'skip':
      return same(
        { type: 'skip', date, reason: draft.reason, ...(words ? { text: words } : {}) },
        `skipped, ${SKIP_WORDS[draft.reason]}`,
      );
    case 'sign':
      return same(
        { type: 'sign', date, sign: draft.sign as 'limp', strength: Number(draft.strength) },
        `seen: ${draft.sign.replaceAll('-', ' ')}`,
      );
    case 'flowering':
      return same(
        { type: 'flowering', date, stage: draft.stage as 'open', ...(words ? { text: words } : {}) },
        `flower: ${draft.stage}`,
      );
    case 'measure': {
      const found: Record<string, number> = {};
      for (const [key, label, max] of MEASURES) {
        const text = draft.measures[key]?.trim() ?? '';
        if (text === '') continue;
        const value = numberIn(text, 0, max);
        found[key] = key.endsWith('_mm') ? Math.round(mmOf(value) * 10) / 10 : value;
        if (Number.isNaN(found[key]) || (key === 'heads' && !Number.isInteger(found[key])))
          return `${label}: a number up to ${max.toLocaleString('en')} is wanted.`;
      }
      return Object.keys(found).length === 0
        ? 'At least one measure.'
        : same({ type: 'measure', date, ...found }, 'measured');
    }
    case 'note':
      return words === '' ? 'Nothing is written yet.' : same({ type: 'note', date, text: words }, 'noted');
  }
}

const STATES = [
  { id: 'growing', label: 'growing' },
  { id: 'easing', label: 'slowing' },
  { id: 'resting', label: 'asleep' },
  { id: 'waking', label: 'waking' },
  { id: 'unsure', label: 'not sure' },
];
const THICK_STONES_MM = 15;

/** Where a lift tells little. */
function liftDoubt(pot: RoundPot['outlook']['pot']): boolean {
  return pot.material === 'glazed' || pot.material === 'concrete' || pot.top_dressing_mm > THICK_STONES_MM;
}

/** Where thirst shows first on this kind. */
function thirstSign({ form, store }: RoundPot['outlook']['traits']): string {
  if (form === 'stemless') return 'Thirst shows as wrinkles on the sides, while the face stays smooth.';
  if (store === 'below')
    return 'Its store is below: thirst shows late, as fine wrinkles or drooping; taut over a dry mix is as it should be.';
  if (form === 'globe' || form === 'column' || form === 'pad')
    return 'Thirst shows as folds between the ribs and a dull skin; the base should be hard.';
  if (form === 'rosette') return 'Thirst shows on the lower leaves: soft, thin, wrinkled. The heart stays last.';
  return 'Thirst shows as limp or finely wrinkled leaves, the oldest first.';
}

export function NotePanel({ pots, date: startDate, onClose }: NotePanelProps) {
  const { mark, busy, told } = useMarks();
  const [first] = pots as [Marked, ...Marked[]];
  const { today } = first;
  const [kind, setKind] = useState<Kind>('watering');
  const [date, setDate] = useState(startDate);
  const [draft, setDraft] = useState<Draft>(() => draftFor(first.before));
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (change: Partial<Draft>) => setDraft((before) => ({ ...before, ...change }));

  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!/^\d{4}-\d{2}-\d{2}$/.test(date) || date > today) return setWrong(`Which day? Up to today, ${today}.`);
    const found = read(kind, draft, date);
    if (typeof found === 'string') return setWrong(found);
    setWrong(null);
    // What was typed stays until it is safely written.
    if (await mark(pots, found.events, found.said)) onClose();
  };

  const failed =
    told?.kind === 'failed' && told.pots.length === pots.length && told.pots[0]?.plantId === first.plantId
      ? told.words
      : null;
  const writing = pots.some((pot) => busy.has(pot.plantId));
  const kinds = pots.length > 1 ? KINDS.filter((one) => !one.one) : KINDS;
  const isMeasured = draft.way === 'measured';
  return (
    <Dialog
      title={
        pots.length === 1 ? (
          <>
            Note on <Name written={first.name} />
          </>
        ) : (
          `Note on ${count(pots.length, 'pot')}`
        )
      }
      onClose={onClose}
    >
      <form onSubmit={(event) => void submit(event)} noValidate>
        <Choice legend="What" name="kind" value={kind} onChange={(value) => setKind(value as Kind)} options={kinds} />
        {kind === 'watering' && (
          <>
            <Choice
              legend="How"
              name="method"
              value={draft.way}
              onChange={(way) => set({ way: way as Way })}
              options={WAYS.map((id) => ({ id, label: WAY_WORDS[id] }))}
            />
            <div className="flex flex-wrap gap-x-6">
              <Field
                label={
                  isMeasured ? VOLUME_HEADS[typed.volume()]! : `${VOLUME_HEADS[typed.volume()]} poured, if you know`
                }
              >
                {(id) => (
                  <input
                    id={id}
                    inputMode="decimal"
                    className="input h-11 w-40"
                    placeholder={isMeasured ? litres(first.before.task.amount_ml) : ''}
                    value={draft.amount}
                    onChange={(e) => set({ amount: e.target.value })}
                  />
                )}
              </Field>
              <Field label="Water">
                {(id) => (
                  <select
                    id={id}
                    className="select h-11 w-40"
                    value={draft.water}
                    onChange={(e) => set({ water: e.target.value })}
                  >
                    {WATER_KINDS.map((water) => (
                      <option key={water}>{water}</option>
                    ))}
                  </select>
                )}
              </Field>
            </div>
            <div className="mb-4 flex flex-wrap gap-x-6">
              <Tick label="with food" checked={draft.fed} onChange={(fed) => set({ fed })} />
              <Tick
                label="leaves or heart got wet"
                checked={draft.wetLeaves}
                onChange={(wetLeaves) => set({ wetLeaves })}
              />
            </div>
          </>
        )}
        {kind === 'finger' && (
          <Choice
            legend="Two knuckles deep, or a skewer to the bottom"
            name="finger"
            value={draft.finger}
            onChange={(finger) => set({ finger })}
            options={[
              ...['wet', 'damp', 'dry'].map((id) => ({ id, label: id })),
              { id: 'top-dry', label: 'only the top: dry' },
              { id: 'top-wet', label: 'only the top: wet' },
            ]}
          />
        )}
        {kind === 'lift' && (
          <>
            <Choice
              legend="In the hand"
              name="lift"
              value={draft.lift}
              onChange={(lift) => set({ lift })}
              options={['heavy', 'middling', 'light'].map((id) => ({ id, label: id }))}
            />
            {liftDoubt(first.before.outlook.pot) && (
              <p className="mb-3 text-[15px] text-[var(--ink-2)]">
                A heavy pot or stones on top hide the water’s weight: push them aside and touch the mix as well.
              </p>
            )}
          </>
        )}
        {kind === 'weights' && (
          <div className="flex flex-wrap gap-x-6">
            <Field label="Full, grams" hint="Just after it stopped draining.">
              {(id) => (
                <input
                  id={id}
                  inputMode="decimal"
                  className="input h-11 w-40"
                  value={draft.drained}
                  onChange={(e) => set({ drained: e.target.value })}
                />
              )}
            </Field>
            <Field label="Dry, grams, if you know" hint="When you found it dry.">
              {(id) => (
                <input
                  id={id}
                  inputMode="decimal"
                  className="input h-11 w-40"
                  value={draft.dry}
                  onChange={(e) => set({ dry: e.target.value })}
                />
              )}
            </Field>
          </div>
        )}
        {kind === 'state' && (
          <Choice
            legend="What you see it doing"
            name="state"
            value={draft.state}
            onChange={(state) => set({ state })}
            options={STATES}
          />
        )}
        {(kind === 'meter' || kind === 'weight' || kind === 'drain') && (
          <Field
            label={
              kind === 'meter'
                ? 'Probe, 1 dry to 10 wet'
                : kind === 'weight'
                  ? 'Grams, pot and all'
                  : 'Seconds from the first pour to the first drop'
            }
          >
            {(id) => (
              <input
                id={id}
                inputMode="decimal"
                className="input h-11 w-40"
                value={draft.number}
                onChange={(e) => set({ number: e.target.value })}
              />
            )}
          </Field>
        )}
        {kind === 'skip' && (
          <Choice
            legend="Why"
            name="reason"
            value={draft.reason}
            onChange={(reason) => set({ reason: reason as Draft['reason'] })}
            options={Object.entries(SKIP_WORDS).map(([id, label]) => ({ id, label }))}
          />
        )}
        {kind === 'sign' && (
          <div className="flex flex-wrap gap-x-6">
            <Field label="What was seen">
              {(id) => (
                <select
                  id={id}
                  className="select h-11 w-56"
                  value={draft.sign}
                  onChange={(e) => set({ sign: e.target.value })}
                >
                  {SIGNS.map((sign) => (
                    <option key={sign} value={sign}>
                      {sign.replaceAll('-', ' ')}
                    </option>
                  ))}
                </select>
              )}
            </Field>
            <p className="basis-full text-[15px] text-[var(--ink-2)]">{thirstSign(first.before.outlook.traits)}</p>
            <Choice
              legend="How much"
              name="strength"
              value={draft.strength}
              onChange={(strength) => set({ strength })}
              options={[
                { id: '1', label: 'a little' },
                { id: '2', label: 'clearly' },
                { id: '3', label: 'strongly' },
              ]}
            />
          </div>
        )}
        {kind === 'flowering' && (
          <Choice
            legend="How far"
            name="stage"
            value={draft.stage}
            onChange={(stage) => set({ stage })}
            options={STAGES}
          />
        )}
        {kind === 'measure' && (
          <div className="grid grid-cols-2 gap-x-6 sm:grid-cols-3">
            {MEASURES.map(([key, label]) => (
              <Field key={key} label={key.endsWith('_mm') ? `${label}, ${typed.length()}` : label}>
                {(id) => (
                  <input
                    id={id}
                    inputMode="decimal"
                    className="input h-11 w-full"
                    value={draft.measures[key] ?? ''}
                    onChange={(e) => set({ measures: { ...draft.measures, [key]: e.target.value } })}
                  />
                )}
              </Field>
            ))}
          </div>
        )}
        {(kind === 'note' || kind === 'skip' || kind === 'flowering') && (
          <Field label={kind === 'note' ? 'What you saw or did' : 'In words, if you like'}>
            {(id) => (
              <textarea
                id={id}
                rows={kind === 'note' ? 3 : 2}
                maxLength={kind === 'note' ? 4000 : 300}
                className="textarea w-full"
                value={draft.words}
                onChange={(e) => set({ words: e.target.value })}
              />
            )}
          </Field>
        )}
        <Field label="On">
          {(id) => (
            <span className="flex flex-wrap gap-2">
              <input
                id={id}
                type="date"
                max={today}
                className="input h-11 w-44"
                value={date}
                onChange={(e) => setDate(e.target.value)}
              />
              <button
                type="button"
                className="btn h-11"
                aria-pressed={date === addDays(today, -1)}
                onClick={() => setDate(addDays(today, -1))}
              >
                yesterday
              </button>
              <button type="button" className="btn h-11" aria-pressed={date === today} onClick={() => setDate(today)}>
                today
              </button>
            </span>
          )}
        </Field>
        <Wrong words={wrong ?? failed} />
        <div className="mt-5 flex gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6" disabled={writing}>
            {writing ? 'Writing…' : 'Write it down'}
          </button>
          <button type="button" className="btn h-11" onClick={onClose}>
            Leave it
          </button>
        </div>
      </form>
    </Dialog>
  );
}
