/** Sets the rules of one plant. */
import type { PlantView } from '@zinc-pail/contract/api';
import { LONGEST_REASON, LONGEST_TEXT } from '@zinc-pail/contract/limits';
import { type CareRules, LIGHTS, SLEEPS, STANDS, TRIGGERS, WATER_KINDS, type Way, WAYS } from '@zinc-pail/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useKit } from '../../api/kit.ts';
import { plantKey } from '../../api/plant.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { Form } from '../../forms/Form.tsx';
import { Choice, DayField, Field, KeepOrLeave, OneOf, Tick, Typed } from '../../forms/Fields.tsx';
import { MONTHS } from '../../reader/days.ts';
import { typed } from '../../reader/units.ts';
import { AWAKE_COSTS, LIGHT_WORDS, SLEEP_WORDS, STAND_WORDS, TRIGGER_WORDS } from './ruleLines.ts';
import { changesOf, draftOf, type RulesDraft } from './rulesDraft.ts';
import { Several } from './Several.tsx';
import { useChange } from './useChange.ts';
import { WAY_WORDS } from '@zinc-pail/words/ways';

const WAY_RULES = Object.fromEntries(WAYS.map((way) => [way, WAY_WORDS[way].rule])) as Record<Way, string>;

/** Shares of what the pot can give up that are left when it calls. */
const DUE_OPTIONS = [
  { id: '', label: 'as its dry rule has it' },
  { id: '0.4', label: 'half dry' },
  { id: '0.2', label: 'nearly dry' },
];
const AMOUNTS = [
  { id: 'drench', label: 'until it runs' },
  { id: 'fixed', label: 'a fixed measure' },
  { id: 'share', label: 'a share of the mix' },
];
const SALTS = [
  { id: 'sensitive', label: 'minds them' },
  { id: 'usual', label: 'tolerates some' },
  { id: 'hardy', label: 'tolerates them' },
];
const RHYTHMS = [
  { id: 'never', label: 'never' },
  { id: 'nth', label: 'every few waterings' },
  { id: 'weeks', label: 'every few weeks' },
  { id: 'months', label: 'a number of times in chosen months' },
];
const THINNED = [
  { id: '0', label: 'no' },
  { id: '1', label: 'half and half' },
  { id: '2', label: 'with two parts of plain' },
];

export function RulesPanel({ plant, onClose }: { plant: PlantView; onClose(): void }) {
  const [draft, setDraft] = useState(() => draftOf(plant));
  const [wrong, setWrong] = useState<unknown>(null);
  const change = useChange(plant);
  const queries = useQueryClient();
  const set = (some: Partial<RulesDraft>) => setDraft((before) => ({ ...before, ...some }));
  const submit = async () => {
    const rules = changesOf(draft, plant.care.rules);
    if (typeof rules === 'string') return setWrong(rules);
    setWrong(null);
    const reason = draft.reason.trim();
    const reasons = reason === '' ? {} : Object.fromEntries(Object.keys(rules).map((rule) => [rule, reason]));
    try {
      await change.mutateAsync({ rules, reasons, own_words: draft.words.trim() || null });
      await queries.invalidateQueries({ queryKey: plantKey(plant.id) });
      onClose();
    } catch (error) {
      setWrong(error);
    }
  };
  return (
    <Dialog title="How you care for it" onClose={onClose}>
      <Form error={wrong} onSubmit={() => void submit()}>
        <CallRules draft={draft} set={set} />
        <WaterRules draft={draft} set={set} />
        <FoodRules draft={draft} set={set} />
        <RestRules draft={draft} set={set} />
        <WarmthRules draft={draft} set={set} />
        <LightRules draft={draft} set={set} />
        <OwnWords draft={draft} set={set} />
        <KeepOrLeave keep="Save" busy={change.isPending} onLeave={onClose} />
      </Form>
    </Dialog>
  );
}

interface Part {
  draft: RulesDraft;
  set(some: Partial<RulesDraft>): void;
}

function CallRules({ draft, set }: Part) {
  return (
    <>
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
              <label key={month} className="text-[0.875rem]">
                {month}
                <input
                  inputMode="numeric"
                  className="input h-11 w-full px-2"
                  value={draft.everyDays[i]}
                  onChange={(event) => set({ everyDays: draft.everyDays.with(i, event.target.value) })}
                />
              </label>
            ))}
          </div>
        </fieldset>
      )}
    </>
  );
}

function RestRules({ draft, set }: Part) {
  return (
    <>
      <Choice
        legend="Rest"
        name="sleeps"
        value={draft.sleeps}
        onChange={(sleeps) => set({ sleeps: sleeps as CareRules['sleeps'] })}
        options={SLEEPS.map((id) => ({ id, label: SLEEP_WORDS[id] }))}
      />
      {draft.sleeps === 'never' && <p className="mb-4 text-[0.9375rem] text-[var(--ink-2)]">{AWAKE_COSTS}</p>}
    </>
  );
}

const WARMTH_FIELDS = [
  ['idealFromC', 'Best from'],
  ['idealToC', 'Best to'],
  ['ceilingC', 'Wants shade from'],
] as const;

function WarmthRules({ draft, set }: Part) {
  return (
    <fieldset className="mb-4">
      <legend className="mb-1 font-semibold">Warmth: days at their mean, and the height of the day for shade</legend>
      <div className="flex flex-wrap gap-x-6">
        {WARMTH_FIELDS.map(([field, label]) => (
          <Typed
            key={field}
            label={`${label}, ${typed.temperature()}`}
            width="w-24"
            value={draft[field]}
            onChange={(text) => set({ [field]: text })}
          />
        ))}
      </div>
      <div className="flex flex-wrap gap-x-6">
        <Typed
          label="Warn after days indoors"
          width="w-24"
          value={draft.indoorDays}
          onChange={(indoorDays) => set({ indoorDays })}
        />
        <Typed
          label="Stretched when gaps at the tip exceed those at the bottom by"
          width="w-24"
          value={draft.stretchFrom}
          onChange={(stretchFrom) => set({ stretchFrom })}
        />
      </div>
    </fieldset>
  );
}

function WaterRules({ draft, set }: Part) {
  return (
    <>
      <Several
        legend="Ways to water, preferred first"
        all={WAYS}
        words={WAY_RULES}
        chosen={draft.ways}
        onChange={(ways) => set({ ways })}
      />
      <Choice
        legend="How much"
        name="amount"
        value={draft.amountBy}
        onChange={(amountBy) => set({ amountBy })}
        options={AMOUNTS}
      />
      {draft.amountBy === 'fixed' && (
        <Typed label="Millilitres" width="w-24" value={draft.ml} onChange={(ml) => set({ ml })} />
      )}
      {draft.amountBy === 'share' && (
        <Typed
          label="Percent of the mix’s volume"
          hint="A drench takes 20 to 30, a sip 2 to 5."
          width="w-24"
          value={draft.percent}
          onChange={(percent) => set({ percent })}
        />
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
        options={SALTS}
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
          <Typed
            label="Empty it after, minutes"
            width="w-24"
            value={draft.saucer}
            onChange={(saucer) => set({ saucer })}
          />
        )}
        <Typed label="Longest soak, minutes" width="w-24" value={draft.soak} onChange={(soak) => set({ soak })} />
      </div>
    </>
  );
}

function FoodRules({ draft, set }: Part) {
  return (
    <>
      <Choice legend="Food" name="mode" value={draft.mode} onChange={(mode) => set({ mode })} options={RHYTHMS} />
      {draft.mode !== 'never' && (
        <>
          <RhythmFields draft={draft} set={set} />
          {draft.mode === 'months' && <FeedingMonths draft={draft} set={set} />}
          <Choice
            legend="Feed water is thinned before it is poured"
            name="thinned"
            value={draft.plainParts}
            onChange={(plainParts) => set({ plainParts })}
            options={THINNED}
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
          <FeedField draft={draft} set={set} />
        </>
      )}
      <DayField
        label="No food until"
        hint="Empty: as its rhythm has it."
        value={draft.noFoodUntil}
        onChange={(noFoodUntil) => set({ noFoodUntil })}
      />
    </>
  );
}

/** Fields of each rhythm, and those of all. */
const RHYTHM_FIELDS: Record<string, readonly (readonly ['n' | 'weeks' | 'times', string])[]> = {
  nth: [['n', 'Every n-th drink']],
  weeks: [['weeks', 'Weeks']],
  months: [['times', 'Times']],
};
const FOOD_FIELDS = [
  ['percentDose', 'Strength, % of the label'],
  ['ceiling', 'At most a season'],
  ['chargeMonths', 'Months without, after fresh rich mix'],
] as const;

function RhythmFields({ draft, set }: Part) {
  return (
    <div className="flex flex-wrap gap-x-6">
      {[...(RHYTHM_FIELDS[draft.mode] ?? []), ...FOOD_FIELDS].map(([field, label]) => (
        <Typed
          key={field}
          label={label}
          width="w-24"
          value={draft[field]}
          onChange={(value) => set({ [field]: value })}
        />
      ))}
    </div>
  );
}

function FeedingMonths({ draft: { months }, set }: Part) {
  return (
    <fieldset className="mb-4">
      <legend className="mb-1 font-semibold">Its months</legend>
      <div className="flex flex-wrap gap-x-4">
        {MONTHS.map((month, i) => (
          <Tick
            key={month}
            label={month}
            checked={months.includes(i + 1)}
            onChange={(on) =>
              set({ months: on ? [...months, i + 1].sort((a, b) => a - b) : months.filter((one) => one !== i + 1) })
            }
          />
        ))}
      </div>
    </fieldset>
  );
}

function FeedField({ draft, set }: Part) {
  const kit = useKit();
  return (
    <OneOf
      label="Which feed"
      value={String(draft.feedId ?? '')}
      onChange={(id) => set({ feedId: id === '' ? null : Number(id) })}
      options={[
        ['', 'the first in the shed'],
        ...(kit.data?.feeds ?? []).map((feed) => [String(feed.id), feed.name] as const),
      ]}
    />
  );
}

function LightRules({ draft, set }: Part) {
  return (
    <>
      <Choice
        legend="Light it does well in"
        name="light"
        value={draft.light}
        onChange={(light) => set({ light: light as CareRules['light'] })}
        options={LIGHTS.map((id) => ({ id, label: LIGHT_WORDS[id] }))}
      />
      <Choice
        legend="First drink when it wakes"
        name="firstDrink"
        value={draft.firstDrink}
        onChange={(firstDrink) => set({ firstDrink: firstDrink as CareRules['firstDrink'] })}
        options={[
          { id: 'staged', label: 'small ones first' },
          { id: 'full', label: 'a full one at once' },
        ]}
      />
      <Tick
        label="hard to replace: when in doubt, it waits"
        checked={draft.hardToReplace}
        onChange={(hardToReplace) => set({ hardToReplace })}
      />
    </>
  );
}

function OwnWords({ draft, set }: Part) {
  return (
    <>
      <Field label="A rule of yours, in words" hint="Shown with every task of this plant.">
        {(id) => (
          <textarea
            id={id}
            rows={2}
            maxLength={LONGEST_TEXT}
            className="textarea w-full"
            value={draft.words}
            onChange={(event) => set({ words: event.target.value })}
          />
        )}
      </Field>
      <Field label="Why, for what you changed now">
        {(id) => (
          <input
            id={id}
            maxLength={LONGEST_REASON}
            className="input h-11 w-full"
            value={draft.reason}
            onChange={(event) => set({ reason: event.target.value })}
          />
        )}
      </Field>
    </>
  );
}
