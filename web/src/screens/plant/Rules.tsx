/** The rules of one plant: each with where it comes from, the keeper's own with their reason and a way back. */
import type { PlantView } from '@zinc-pail/contract/api';
import {
  type CareRules,
  dilutedStrength,
  LIGHTS,
  type RuleSource,
  STANDS,
  TRIGGERS,
  WATER_KINDS,
  WAYS,
} from '@zinc-pail/core';
import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { wordsOf } from '../../api/client.ts';
import { useKit } from '../../api/kit.ts';
import { plantKey } from '../../api/plant.ts';
import { shareWords } from '../../words/amounts.ts';
import { ruleWords, stepWords } from '@zinc-pail/words/outlook';
import { ordinal } from '@zinc-pail/words/units';
import { Dialog } from '../../forms/Dialog.tsx';
import { Choice, Field, SectionHead, Tick, Wrong } from '../../forms/Fields.tsx';
import { numberIn } from '../../words/numbers.ts';
import { useChange } from './useChange.ts';

const SOURCES: Record<RuleSource, string> = {
  genus: 'genus',
  form: 'form',
  place: 'place',
  pot: 'pot',
  keeper: 'yours',
  usual: 'usual',
};
const TRIGGER_WORDS = {
  pot: 'when the pot is dry enough',
  plant: 'when the plant shows it',
  calendar: 'by the calendar',
} as const;
const WAY_WORDS = {
  drench: 'drench',
  base: 'at the base',
  bottom: 'from below',
  measured: 'small measure',
  mist: 'mist',
} as const;
const STAND_WORDS = { none: 'nothing', saucer: 'a saucer', 'outer-pot': 'an outer pot' } as const;
const LIGHT_WORDS = {
  shade: 'shade, bright',
  filtered: 'filtered light',
  bright: 'bright, some sun',
  sun: 'sun',
} as const;
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** Shares of what the pot can give up that are left when it calls. */
const DUE_OPTIONS = [
  { id: '', label: 'as its dry rule has it' },
  { id: '0.4', label: 'half dry' },
  { id: '0.2', label: 'nearly dry' },
];

type Key = keyof CareRules;

function rhythmWords({ rhythm, strength, ceiling }: CareRules['feed']): string {
  const most = ceiling === null ? '' : `, at most ${ceiling} a season`;
  switch (rhythm.mode) {
    case 'never':
      return 'never';
    case 'nth':
      return `every ${ordinal(rhythm.n)} drink, ${shareWords(strength)}${most}`;
    case 'weeks':
      return `every ${rhythm.weeks} weeks, ${shareWords(strength)}${most}`;
    case 'months':
      return `${rhythm.times} times in ${rhythm.months.map((month) => MONTHS[month - 1]).join(', ')}, ${shareWords(strength)}${most}`;
  }
}

function lines(rules: CareRules): [Key, string, string][] {
  const { amount } = rules;
  return [
    [
      'trigger',
      'Calls',
      rules.trigger === 'calendar'
        ? `by the calendar: ${rules.everyDays
            .map((days, i) => (days === null ? null : `${MONTHS[i]} ${days}`))
            .filter(Boolean)
            .join(', ')} days`
        : rules.dueAt === null
          ? TRIGGER_WORDS[rules.trigger]
          : `when ${rules.dueAt >= 0.3 ? 'half' : 'nearly'} dry`,
    ],
    ['ways', 'How', rules.ways.map((way) => WAY_WORDS[way]).join(', ')],
    [
      'amount',
      'How much',
      amount.by === 'drench'
        ? 'until it runs'
        : amount.by === 'fixed'
          ? `${amount.ml} ml`
          : `${Math.round(amount.share * 100)} % of the mix`,
    ],
    ['waters', 'Water', rules.waters.join(', ')],
    [
      'salts',
      'Salts',
      rules.salts === 'sensitive' ? 'minds them' : rules.salts === 'usual' ? 'bears some' : 'bears them',
    ],
    [
      'stand',
      'Stands in',
      rules.stand === 'none' ? 'nothing' : `${STAND_WORDS[rules.stand]}, emptied after ${rules.saucerMinutes} min`,
    ],
    ['feed', 'Food', rhythmWords(rules.feed)],
    ...(rules.noFoodUntil === null
      ? []
      : [['noFoodUntil', 'No food', `until ${rules.noFoodUntil}`] as [Key, string, string]]),
    [
      'light',
      'Light',
      `${LIGHT_WORDS[rules.light]}${rules.sunCeilingHours === null ? '' : `, at most ${rules.sunCeilingHours} h of direct sun`}`,
    ],
    ['repotYears', 'New pot', `looked at after ${rules.repotYears} ${rules.repotYears === 1 ? 'year' : 'years'}`],
  ];
}

export function Rules({ plant }: { plant: PlantView }) {
  const { care } = plant;
  const [open, setOpen] = useState(false);
  const change = useChange(plant);
  return (
    <section aria-labelledby="rules">
      <SectionHead id="rules">Its rules</SectionHead>
      <dl className="grid grid-cols-[4.5rem_minmax(0,1fr)_auto] gap-x-2 gap-y-1 text-[15px]">
        {lines(care.rules).map(([key, term, words]) => (
          <div key={key} className="contents">
            <dt className="text-[var(--ink-2)]">{term}</dt>
            <dd>
              {words}
              {care.reasons[key] && (
                <span className="block text-[14px] text-[var(--ink-2)]">because {care.reasons[key]}</span>
              )}
            </dd>
            <dd className="text-[14px] text-[var(--ink-2)]">
              {SOURCES[care.sources[key]]}
              {care.sources[key] === 'keeper' && (
                <button
                  type="button"
                  className="ml-1 h-6 underline"
                  aria-label={`Put back: ${term}`}
                  onClick={() => change.mutate({ rules: { [key]: null } })}
                >
                  put back
                </button>
              )}
            </dd>
          </div>
        ))}
      </dl>
      <Steps
        plant={plant}
        onTakeBack={(on) => change.mutate({ rules: { stepsTakenBack: [...care.rules.stepsTakenBack, on] } })}
      />
      {change.isError && <Wrong words={wordsOf(change.error)} />}
      <button type="button" className="btn mt-2 h-11" onClick={() => setOpen(true)}>
        Set its rules…
      </button>
      {open && <RulesPanel plant={plant} onClose={() => setOpen(false)} />}
    </section>
  );
}

/** What signs have moved of its rule: before, after, and a way back for each. */
function Steps({ plant: { outlook, site }, onTakeBack }: { plant: PlantView; onTakeBack(on: string): void }) {
  if (outlook.steps.length === 0) return null;
  return (
    <div className="mt-2 border-l-4 border-[var(--lichen)] pl-3 text-[15px]">
      {outlook.steps.map((step) => (
        <p key={step.on}>
          {stepWords(step, site.today)}{' '}
          <button
            type="button"
            className="h-6 underline"
            aria-label={`Take back: ${stepWords(step, site.today)}`}
            onClick={() => onTakeBack(step.on)}
          >
            take back
          </button>
        </p>
      ))}
      <p className="text-[var(--ink-2)]">
        Before: {ruleWords(outlook.unstepped.due_m, outlook.unstepped.hold_days)}. Now:{' '}
        {ruleWords(outlook.due_m, outlook.traits.holdDays)}.
      </p>
    </div>
  );
}

/** Numbers as text while they are typed. */
interface Draft extends Omit<CareRules, 'amount' | 'feed' | 'everyDays' | 'noFoodUntil'> {
  noFoodUntil: string;
  everyDays: string[];
  amountBy: string;
  ml: string;
  percent: string;
  mode: string;
  n: string;
  sips: boolean;
  weeks: string;
  times: string;
  months: number[];
  percentDose: string;
  plainParts: string;
  ceiling: string;
  chargeMonths: string;
  lastBeforeRest: boolean;
  firstOnWaking: boolean;
  saucer: string;
  soak: string;
  words: string;
  reason: string;
}

function draftOf({ care: { rules }, record }: PlantView): Draft {
  const { feed, amount } = rules;
  const { rhythm } = feed;
  return {
    ...rules,
    noFoodUntil: rules.noFoodUntil ?? '',
    everyDays: rules.everyDays.map((days) => (days === null ? '' : String(days))),
    amountBy: amount.by,
    ml: amount.by === 'fixed' ? String(amount.ml) : '',
    percent: amount.by === 'share' ? String(amount.share * 100) : '3',
    mode: rhythm.mode,
    n: rhythm.mode === 'nth' ? String(rhythm.n) : '4',
    sips: rhythm.mode === 'nth' && rhythm.sipsCount,
    weeks: rhythm.mode === 'weeks' ? String(rhythm.weeks) : '4',
    times: rhythm.mode === 'months' ? String(rhythm.times) : '3',
    months: rhythm.mode === 'months' ? rhythm.months : [4, 5, 6, 7, 8],
    percentDose: String(Math.round(feed.strength * 1000) / 10),
    plainParts: '0',
    ceiling: feed.ceiling === null ? '' : String(feed.ceiling),
    chargeMonths: String(feed.chargeMonths),
    lastBeforeRest: feed.lastBeforeRest,
    firstOnWaking: feed.firstOnWaking,
    saucer: String(rules.saucerMinutes),
    soak: String(rules.soakMinutes),
    words: record.own_words ?? '',
    reason: '',
  };
}

/** Only what differs from what is there is set: the rest keeps coming from genus, form and place. */
function changesOf(draft: Draft, before: CareRules): Record<string, unknown> | string {
  const number = (text: string, min: number, max: number, what: string) => {
    const value = numberIn(text, min, max);
    if (Number.isNaN(value)) throw new RangeError(`${what}: a number from ${min} to ${max} is wanted.`);
    return value;
  };
  try {
    const rhythm =
      draft.mode === 'never'
        ? { mode: 'never' }
        : draft.mode === 'nth'
          ? { mode: 'nth', n: number(draft.n, 1, 50, 'Every so many drinks'), sipsCount: draft.sips }
          : draft.mode === 'weeks'
            ? { mode: 'weeks', weeks: number(draft.weeks, 1, 52, 'Weeks') }
            : { mode: 'months', times: number(draft.times, 1, 30, 'Times'), months: draft.months };
    if (draft.mode === 'months' && draft.months.length === 0) return 'Feeding months: at least one.';
    const next: Record<string, unknown> = {
      trigger: draft.trigger,
      dueAt: draft.dueAt,
      everyDays: draft.everyDays.map((days, i) => (days.trim() === '' ? null : number(days, 1, 365, MONTHS[i]!))),
      ways: draft.ways,
      amount:
        draft.amountBy === 'fixed'
          ? { by: 'fixed', ml: number(draft.ml, 1, 200_000, 'Millilitres') }
          : draft.amountBy === 'share'
            ? { by: 'share', share: number(draft.percent, 0.5, 100, 'Percent of the mix') / 100 }
            : { by: 'drench' },
      waters: draft.waters,
      salts: draft.salts,
      stand: draft.stand,
      saucerMinutes: number(draft.saucer, 1, 240, 'Saucer, minutes'),
      soakMinutes: number(draft.soak, 1, 120, 'Soak, minutes'),
      feed: {
        rhythm,
        strength:
          Math.round(
            1000 *
              dilutedStrength(
                number(draft.percentDose, 1, 200, 'Strength, percent') / 100,
                1,
                Number(draft.plainParts),
              ),
          ) / 1000,
        chargeMonths: number(draft.chargeMonths, 0, 24, 'Months without'),
        lastBeforeRest: draft.lastBeforeRest,
        firstOnWaking: draft.firstOnWaking,
        ceiling: draft.ceiling.trim() === '' ? null : number(draft.ceiling, 0, 100, 'At most'),
      },
      feedId: draft.feedId,
      light: draft.light,
      hardToReplace: draft.hardToReplace,
      noFoodUntil: draft.noFoodUntil || null,
    };
    if (draft.ways.length === 0) return 'Ways of watering: at least one.';
    if (draft.waters.length === 0) return 'Kinds of water: at least one.';
    return Object.fromEntries(
      Object.entries(next).filter(([key, value]) => JSON.stringify(value) !== JSON.stringify(before[key as Key])),
    );
  } catch (error) {
    return (error as Error).message;
  }
}

function RulesPanel({ plant, onClose }: { plant: PlantView; onClose(): void }) {
  const [draft, setDraft] = useState(() => draftOf(plant));
  const [wrong, setWrong] = useState<string | null>(null);
  const change = useChange(plant);
  const kit = useKit();
  const queries = useQueryClient();
  const set = (some: Partial<Draft>) => setDraft((before) => ({ ...before, ...some }));
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const rules = changesOf(draft, plant.care.rules);
    if (typeof rules === 'string') return setWrong(rules);
    setWrong(null);
    const reasons =
      draft.reason.trim() === '' ? {} : Object.fromEntries(Object.keys(rules).map((key) => [key, draft.reason.trim()]));
    try {
      await change.mutateAsync({ rules, reasons, own_words: draft.words.trim() || null });
      await queries.invalidateQueries({ queryKey: plantKey(plant.id) });
      onClose();
    } catch (error) {
      setWrong(wordsOf(error));
    }
  };
  const box = (id: string, value: string, onChange: (text: string) => void, width = 'w-24') => (
    <input
      id={id}
      inputMode="decimal"
      className={`input h-11 ${width}`}
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
  );
  return (
    <Dialog title="Its rules" onClose={onClose}>
      <form noValidate onSubmit={(event) => void submit(event)}>
        <Choice
          legend="What calls for water"
          name="trigger"
          value={draft.trigger}
          onChange={(trigger) => set({ trigger: trigger as CareRules['trigger'] })}
          options={TRIGGERS.map((id) => ({ id, label: TRIGGER_WORDS[id] }))}
        />
        {draft.trigger === 'pot' && (
          <Choice
            legend="How dry first"
            name="dueAt"
            value={String(draft.dueAt ?? '')}
            onChange={(text) => set({ dueAt: text === '' ? null : Number(text) })}
            options={DUE_OPTIONS}
          />
        )}
        {draft.trigger === 'calendar' && (
          <fieldset className="mb-4">
            <legend className="mb-1 font-semibold">Days between drinks, month by month; none where empty</legend>
            <div className="grid grid-cols-6 gap-2">
              {MONTHS.map((month, i) => (
                <label key={month} className="text-[14px]">
                  {month}
                  <input
                    inputMode="numeric"
                    className="input h-11 w-full px-2"
                    value={draft.everyDays[i]}
                    onChange={(e) => set({ everyDays: draft.everyDays.with(i, e.target.value) })}
                  />
                </label>
              ))}
            </div>
          </fieldset>
        )}
        <Several
          legend="How, the liked one first"
          all={WAYS}
          words={WAY_WORDS}
          chosen={draft.ways}
          onChange={(ways) => set({ ways })}
        />
        <Choice
          legend="How much"
          name="amount"
          value={draft.amountBy}
          onChange={(amountBy) => set({ amountBy })}
          options={[
            { id: 'drench', label: 'until it runs' },
            { id: 'fixed', label: 'a fixed measure' },
            { id: 'share', label: 'a share of the mix' },
          ]}
        />
        {draft.amountBy === 'fixed' && (
          <Field label="Millilitres">{(id) => box(id, draft.ml, (ml) => set({ ml }))}</Field>
        )}
        {draft.amountBy === 'share' && (
          <Field label="Percent of the mix’s volume" hint="A drench takes 20 to 30, a sip 2 to 5.">
            {(id) => box(id, draft.percent, (percent) => set({ percent }))}
          </Field>
        )}
        <Several
          legend="Kinds of water, best first"
          all={WATER_KINDS}
          chosen={draft.waters}
          onChange={(waters) => set({ waters })}
        />
        <Choice
          legend="Salts"
          name="salts"
          value={draft.salts}
          onChange={(salts) => set({ salts: salts as CareRules['salts'] })}
          options={[
            { id: 'sensitive', label: 'minds them' },
            { id: 'usual', label: 'bears some' },
            { id: 'hardy', label: 'bears them' },
          ]}
        />
        <Choice
          legend="Stands in"
          name="stand"
          value={draft.stand}
          onChange={(stand) => set({ stand: stand as CareRules['stand'] })}
          options={STANDS.map((id) => ({ id, label: STAND_WORDS[id] }))}
        />
        <div className="flex flex-wrap gap-x-6">
          {draft.stand !== 'none' && (
            <Field label="Empty it after, minutes">{(id) => box(id, draft.saucer, (saucer) => set({ saucer }))}</Field>
          )}
          <Field label="Longest soak, minutes">{(id) => box(id, draft.soak, (soak) => set({ soak }))}</Field>
        </div>
        <Choice
          legend="Food"
          name="mode"
          value={draft.mode}
          onChange={(mode) => set({ mode })}
          options={[
            { id: 'never', label: 'never' },
            { id: 'nth', label: 'every so many drinks' },
            { id: 'weeks', label: 'every so many weeks' },
            { id: 'months', label: 'so often in its months' },
          ]}
        />
        {draft.mode !== 'never' && (
          <>
            <div className="flex flex-wrap gap-x-6">
              {draft.mode === 'nth' && (
                <Field label="Every n-th drink">{(id) => box(id, draft.n, (n) => set({ n }))}</Field>
              )}
              {draft.mode === 'weeks' && (
                <Field label="Weeks">{(id) => box(id, draft.weeks, (weeks) => set({ weeks }))}</Field>
              )}
              {draft.mode === 'months' && (
                <Field label="Times">{(id) => box(id, draft.times, (times) => set({ times }))}</Field>
              )}
              <Field label="Strength, % of the label">
                {(id) => box(id, draft.percentDose, (percentDose) => set({ percentDose }))}
              </Field>
              <Field label="At most a season">{(id) => box(id, draft.ceiling, (ceiling) => set({ ceiling }))}</Field>
              <Field label="Months without, after fresh rich mix">
                {(id) => box(id, draft.chargeMonths, (chargeMonths) => set({ chargeMonths }))}
              </Field>
            </div>
            {draft.mode === 'months' && (
              <fieldset className="mb-4">
                <legend className="mb-1 font-semibold">Its months</legend>
                <div className="flex flex-wrap gap-x-4">
                  {MONTHS.map((month, i) => (
                    <Tick
                      key={month}
                      label={month}
                      checked={draft.months.includes(i + 1)}
                      onChange={(on) =>
                        set({
                          months: on
                            ? [...draft.months, i + 1].sort((a, b) => a - b)
                            : draft.months.filter((one) => one !== i + 1),
                        })
                      }
                    />
                  ))}
                </div>
              </fieldset>
            )}
            <Choice
              legend="Feed water is thinned before it is poured"
              name="thinned"
              value={draft.plainParts}
              onChange={(plainParts) => set({ plainParts })}
              options={[
                { id: '0', label: 'no' },
                { id: '1', label: 'half and half' },
                { id: '2', label: 'with two parts of plain' },
              ]}
            />
            {draft.mode === 'nth' && (
              <Tick label="small sips count as drinks" checked={draft.sips} onChange={(sips) => set({ sips })} />
            )}
            <Tick
              label="half a dose with the last drink before rest"
              checked={draft.lastBeforeRest}
              onChange={(lastBeforeRest) => set({ lastBeforeRest })}
            />
            <Tick
              label="a weak feed with the first full drink on waking"
              checked={draft.firstOnWaking}
              onChange={(firstOnWaking) => set({ firstOnWaking })}
            />
            <Field label="Which feed">
              {(id) => (
                <select
                  id={id}
                  className="select h-11"
                  value={draft.feedId ?? ''}
                  onChange={(e) => set({ feedId: e.target.value === '' ? null : Number(e.target.value) })}
                >
                  <option value="">the first in the shed</option>
                  {kit.data?.feeds.map((feed) => (
                    <option key={feed.id} value={feed.id}>
                      {feed.name}
                    </option>
                  ))}
                </select>
              )}
            </Field>
          </>
        )}
        <Field label="No food until" hint="Empty: as its rhythm has it.">
          {(id) => (
            <input
              id={id}
              type="date"
              className="input h-11 w-44"
              value={draft.noFoodUntil}
              onChange={(e) => set({ noFoodUntil: e.target.value })}
            />
          )}
        </Field>
        <Choice
          legend="Light it does well in"
          name="light"
          value={draft.light}
          onChange={(light) => set({ light: light as CareRules['light'] })}
          options={LIGHTS.map((id) => ({ id, label: LIGHT_WORDS[id] }))}
        />
        <Tick
          label="hard to replace: when in doubt, it waits"
          checked={draft.hardToReplace}
          onChange={(hardToReplace) => set({ hardToReplace })}
        />
        <Field label="A rule of yours, in words" hint="Shown with every task of this plant.">
          {(id) => (
            <textarea
              id={id}
              rows={2}
              maxLength={500}
              className="textarea w-full"
              value={draft.words}
              onChange={(e) => set({ words: e.target.value })}
            />
          )}
        </Field>
        <Field label="Why, for what you changed now">
          {(id) => (
            <input
              id={id}
              maxLength={300}
              className="input h-11 w-full"
              value={draft.reason}
              onChange={(e) => set({ reason: e.target.value })}
            />
          )}
        </Field>
        <Wrong words={wrong} />
        <div className="mt-4 flex gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6" disabled={change.isPending}>
            {change.isPending ? 'Writing…' : 'Keep these'}
          </button>
          <button type="button" className="btn h-11" onClick={onClose}>
            Leave it
          </button>
        </div>
      </form>
    </Dialog>
  );
}

/** Several of a list, in the order in which they were chosen. */
function Several<T extends string>({
  legend,
  all,
  words,
  chosen,
  onChange,
}: {
  legend: string;
  all: readonly T[];
  words?: Record<T, string>;
  chosen: readonly T[];
  onChange(chosen: T[]): void;
}) {
  return (
    <fieldset className="mb-4">
      <legend className="mb-1 font-semibold">
        {legend}:{' '}
        <span className="font-normal">{chosen.map((one) => words?.[one] ?? one).join(', ') || 'none yet'}</span>
      </legend>
      <div className="flex flex-wrap gap-x-4">
        {all.map((one) => (
          <Tick
            key={one}
            label={words?.[one] ?? one}
            checked={chosen.includes(one)}
            onChange={(on) => onChange(on ? [...chosen, one] : chosen.filter((other) => other !== one))}
          />
        ))}
      </div>
    </fieldset>
  );
}
