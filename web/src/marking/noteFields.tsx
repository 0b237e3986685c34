/** What is asked for each kind of note. */
import { WAY_WORDS } from '@zinc-pail/words/ways';
import { SKIP_WORDS } from '@zinc-pail/words/skips';
import type { RoundPot } from '@zinc-pail/contract/api';
import { SIGNS, WATER_KINDS, type Way, WAYS } from '@zinc-pail/core';
import { litres } from '../reader/amounts.ts';
import { typed } from '../reader/units.ts';
import { Choice, Field, OneOf, Tick, Typed } from '../forms/Fields.tsx';
import { MEASURES, type NoteDraft, type NoteKind } from './noteDraft.ts';
import { FORM_TABLE } from '@zinc-pail/core';

interface Asked {
  draft: NoteDraft;
  set(change: Partial<NoteDraft>): void;
  /** the pot as it was seen, the first of them where there are many */
  pot: Pick<RoundPot, 'outlook' | 'task'>;
}

const STAGES = [
  { id: 'buds', label: 'buds' },
  { id: 'open', label: 'open' },
  { id: 'over', label: 'over' },
  { id: 'seed', label: 'seed' },
];
const STATES = [
  { id: 'growing', label: 'growing' },
  { id: 'easing', label: 'slowing' },
  { id: 'resting', label: 'asleep' },
  { id: 'waking', label: 'waking' },
  { id: 'unsure', label: 'not sure' },
];
const STRENGTHS = [
  { id: '1', label: 'a little' },
  { id: '2', label: 'clearly' },
  { id: '3', label: 'strongly' },
];
const FELT = [
  ...['wet', 'damp', 'dry'].map((id) => ({ id, label: id })),
  { id: 'top-dry', label: 'only the top: dry' },
  { id: 'top-wet', label: 'only the top: wet' },
];
const VOLUME_HEADS: Record<string, string> = { ml: 'Millilitres', cups: 'Cups' };
const THICK_STONES_MM = 15;
const LONGEST_NOTE = 4000;
const LONGEST_WORDS = 300;

export const NOTE_FIELDS: Record<NoteKind, (asked: Asked) => React.ReactNode> = {
  watering: WateringFields,
  finger: ({ draft, set }) => (
    <Choice
      legend="Two knuckles deep, or a skewer to the bottom"
      name="finger"
      at="finger"
      value={draft.finger}
      onChange={(finger) => set({ finger })}
      options={FELT}
    />
  ),
  lift: LiftFields,
  meter: (asked) => <NumberField {...asked} label="Probe, 1 dry to 10 wet" />,
  weight: (asked) => <NumberField {...asked} label="Grams, pot and all" />,
  drain: (asked) => <NumberField {...asked} label="Seconds from the first pour to the first drop" />,
  weights: ({ draft, set }) => (
    <div className="flex flex-wrap gap-x-6">
      <Typed
        label="Full, grams"
        hint="Just after it stopped draining."
        at="drained"
        value={draft.drained}
        onChange={(drained) => set({ drained })}
      />
      <Typed
        label="Dry, grams, if you know"
        hint="When you found it dry."
        value={draft.dry}
        onChange={(dry) => set({ dry })}
      />
    </div>
  ),
  state: ({ draft, set }) => (
    <Choice
      legend="What you see it doing"
      name="state"
      at="state"
      value={draft.state}
      onChange={(state) => set({ state })}
      options={STATES}
    />
  ),
  skip: (asked) => (
    <>
      <Choice
        legend="Why"
        name="reason"
        value={asked.draft.reason}
        onChange={(reason) => asked.set({ reason: reason as NoteDraft['reason'] })}
        options={Object.entries(SKIP_WORDS).map(([id, label]) => ({ id, label }))}
      />
      <WordsField {...asked} label="In words, if you like" most={LONGEST_WORDS} />
    </>
  ),
  sign: SignFields,
  flowering: (asked) => (
    <>
      <Choice
        legend="How far"
        name="stage"
        value={asked.draft.stage}
        onChange={(stage) => asked.set({ stage })}
        options={STAGES}
      />
      <WordsField {...asked} label="In words, if you like" most={LONGEST_WORDS} />
    </>
  ),
  measure: ({ draft, set }) => (
    <div className="grid grid-cols-2 gap-x-6 sm:grid-cols-3">
      {MEASURES.map(([key, label]) => (
        <Typed
          key={key}
          label={key.endsWith('_mm') ? `${label}, ${typed.length()}` : label}
          width="w-full"
          value={draft.measures[key] ?? ''}
          onChange={(value) => set({ measures: { ...draft.measures, [key]: value } })}
        />
      ))}
    </div>
  ),
  note: (asked) => <WordsField {...asked} label="What you saw or did" most={LONGEST_NOTE} />,
};

function WateringFields({ draft, set, pot }: Asked) {
  const isMeasured = draft.way === 'measured';
  const head = VOLUME_HEADS[typed.volume()]!;
  return (
    <>
      <Choice
        legend="How"
        name="method"
        value={draft.way}
        onChange={(way) => set({ way: way as Way })}
        options={WAYS.map((id) => ({ id, label: WAY_WORDS[id].rule }))}
      />
      <div className="flex flex-wrap gap-x-6">
        <Typed
          label={isMeasured ? head : `${head} poured, if you know`}
          at="amount"
          placeholder={isMeasured ? litres(pot.task.amount_ml) : ''}
          value={draft.amount}
          onChange={(amount) => set({ amount })}
        />
        <OneOf
          label="Water"
          width="w-40"
          value={draft.water}
          onChange={(water) => set({ water })}
          options={WATER_KINDS.map((water) => [water, water])}
        />
      </div>
      <div className="mb-4 flex flex-wrap gap-x-6">
        <Tick label="with food" checked={draft.fed} onChange={(fed) => set({ fed })} />
        <Tick label="leaves or heart got wet" checked={draft.wetLeaves} onChange={(wetLeaves) => set({ wetLeaves })} />
      </div>
    </>
  );
}

function LiftFields({ draft, set, pot: { outlook } }: Asked) {
  return (
    <>
      <Choice
        legend="In the hand"
        name="lift"
        at="lift"
        value={draft.lift}
        onChange={(lift) => set({ lift })}
        options={['heavy', 'middling', 'light'].map((id) => ({ id, label: id }))}
      />
      {tellsLittle(outlook.pot) && (
        <p className="mb-3 text-[0.9375rem] text-[var(--ink-2)]">
          A heavy pot or stones on top hide the water’s weight: push them aside and touch the mix as well.
        </p>
      )}
    </>
  );
}

/** Where a lift tells little. */
function tellsLittle(pot: RoundPot['outlook']['pot']): boolean {
  return pot.material === 'glazed' || pot.material === 'concrete' || pot.top_dressing_mm > THICK_STONES_MM;
}

function SignFields({ draft, set, pot }: Asked) {
  return (
    <div className="flex flex-wrap gap-x-6">
      <OneOf
        label="What was seen"
        width="w-56"
        value={draft.sign}
        onChange={(sign) => set({ sign })}
        options={SIGNS.map((sign) => [sign, sign.replaceAll('-', ' ')])}
      />
      <p className="basis-full text-[0.9375rem] text-[var(--ink-2)]">{thirstSign(pot.outlook.traits)}</p>
      <Choice
        legend="How much"
        name="strength"
        value={draft.strength}
        onChange={(strength) => set({ strength })}
        options={STRENGTHS}
      />
    </div>
  );
}

/** Where thirst shows first on this kind. */
function thirstSign({ form, store }: Pick<RoundPot['outlook']['traits'], 'form' | 'store'>): string {
  if (form === 'stemless') return 'Thirst shows as wrinkles on the sides, while the face stays smooth.';
  if (store === 'below')
    return 'Its store is below: thirst shows late, as fine wrinkles or drooping. Taut over a dry mix is fine.';
  if (FORM_TABLE[form].bare) return 'Thirst shows as folds between the ribs and a dull skin; the base should be hard.';
  if (form === 'rosette') return 'Thirst shows on the lower leaves: soft, thin, wrinkled. The heart stays last.';
  return 'Thirst shows as limp or finely wrinkled leaves, the oldest first.';
}

function NumberField({ draft, set, label }: Asked & { label: string }) {
  return <Typed label={label} at="number" value={draft.number} onChange={(number) => set({ number })} />;
}

function WordsField({ draft, set, label, most }: Asked & { label: string; most: number }) {
  return (
    <Field label={label} at="words">
      {(id) => (
        <textarea
          id={id}
          rows={3}
          maxLength={most}
          className="textarea w-full"
          value={draft.words}
          onChange={(event) => set({ words: event.target.value })}
        />
      )}
    </Field>
  );
}
