import type { PlantView } from '@zinc-pail/contract/api';
import {
  DRY_RULES,
  FORMS,
  HABITS as HABIT_IDS,
  STORES as STORE_IDS,
  type Traits,
  type TraitSource,
} from '@zinc-pail/core';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { wordsOf } from '../../api/client.ts';
import { degrees } from '../../words/amounts.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { Field, Wrong } from '../../forms/Fields.tsx';
import { numberIn } from '../../words/numbers.ts';
import { celsiusOf, shownTemperature, typed } from '../../words/units.ts';
import { useChange } from './useChange.ts';

const HABITS: Record<Traits['habit'], string> = {
  summer: 'grows in summer, rests in winter',
  winter: 'grows in winter, rests in summer',
  'spring-autumn': 'grows in spring and autumn, rests in heat and cold',
  evergreen: 'slows, never rests',
};
const STORES: Record<Traits['store'], string> = {
  leaf: 'in its leaves',
  stem: 'in its stem',
  below: 'below ground',
  none: 'hardly anywhere',
};
const SOURCES: Record<TraitSource, string> = {
  keeper: 'yours',
  species: 'species',
  genus: 'genus',
  form: 'form',
  cautious: 'name unknown, dry side',
};

function ruleWords({ dryRule, holdDays }: Traits): string {
  switch (dryRule) {
    case 'keep-damp':
      return 'never quite dry';
    case 'dry-top':
      return 'when the top third is dry';
    case 'dry-through':
      return 'when dry to the bottom';
    case 'dry-and-hold':
      return `dry to the bottom, then ${holdDays} days more`;
  }
}

/** How this plant lives, and where each line comes from. */
export function Ways({ plant }: { plant: PlantView }) {
  const { traits, trait_sources: sources } = plant.outlook;
  const { doubt } = plant.record;
  const [open, setOpen] = useState(false);
  const change = useChange(plant);
  const rows: [string, string, keyof Traits, string][] = [
    ['Year', HABITS[traits.habit], 'habit', 'habit'],
    ['Water', ruleWords(traits), 'dryRule', 'dry_rule'],
    ['Store', STORES[traits.store], 'store', 'store'],
    ['Nights', `down to ${degrees(traits.minDryC)} dry, ${degrees(traits.minWetC)} moist`, 'minWetC', 'min_wet_c'],
    ['Grows', `from ${degrees(traits.growMinC)} on average`, 'growMinC', 'grow_min_c'],
  ];
  return (
    <section aria-labelledby="ways">
      <h2 id="ways" className="mb-1 border-b-2 border-[var(--ink)] pb-1 text-[17px] font-semibold">
        Its ways
      </h2>
      <dl className="grid grid-cols-[4rem_minmax(0,1fr)_auto] gap-x-2 gap-y-1 text-[15px]">
        {rows.map(([term, words, trait, column]) => (
          <div key={term} className="contents">
            <dt className="text-[var(--ink-2)]">{term}</dt>
            <dd>{words}</dd>
            <dd className="text-[14px] text-[var(--ink-2)]">
              {SOURCES[sources[trait]]}
              {sources[trait] === 'keeper' && (
                <button
                  type="button"
                  className="ml-1 h-6 underline"
                  aria-label={`Put back: ${term}`}
                  onClick={() =>
                    change.mutate({
                      [column]: null,
                      ...(column === 'min_wet_c'
                        ? { min_dry_c: null }
                        : column === 'dry_rule'
                          ? { hold_days: null }
                          : {}),
                    })
                  }
                >
                  put back
                </button>
              )}
            </dd>
          </div>
        ))}
      </dl>
      {doubt && <p className="mt-1 border-l-4 border-[var(--straw)] pl-2 text-[15px]">{doubt}</p>}
      {change.isError && <Wrong words={wordsOf(change.error)} />}
      <button type="button" className="btn mt-2 h-11" onClick={() => setOpen(true)}>
        Set its ways…
      </button>
      {open && <WaysPanel plant={plant} onClose={() => setOpen(false)} />}
    </section>
  );
}

interface WaysForm {
  habit: string;
  form: string;
  store: string;
  dry_rule: string;
  hold_days: string;
  min_dry_c: string;
  min_wet_c: string;
  grow_min_c: string;
  leafless: string;
}

/** The keeper's own, in place of the genus's: empty is as the genus, form or caution has it. */
function WaysPanel({ plant, onClose }: { plant: PlantView; onClose(): void }) {
  const { traits, trait_sources: sources } = plant.outlook;
  const change = useChange(plant);
  const own = <T,>(key: keyof Traits, value: T): T | '' => (sources[key] === 'keeper' ? value : '');
  const shown = (key: keyof Traits, celsius: number) =>
    sources[key] === 'keeper' ? String(Math.round(shownTemperature(celsius) * 10) / 10) : '';
  const { register, handleSubmit, setError, formState } = useForm<WaysForm>({
    defaultValues: {
      habit: own('habit', traits.habit),
      form: own('form', traits.form),
      store: own('store', traits.store),
      dry_rule: own('dryRule', traits.dryRule),
      hold_days: String(own('holdDays', traits.holdDays)),
      min_dry_c: shown('minDryC', traits.minDryC),
      min_wet_c: shown('minWetC', traits.minWetC),
      grow_min_c: shown('growMinC', traits.growMinC),
      leafless: '',
    },
  });
  const submit = handleSubmit(async (form) => {
    const text = (value: string) => (value === '' ? null : value);
    const celsius = (value: string) => (value.trim() === '' ? null : celsiusOf(numberIn(value, -60, 110)));
    const body = {
      habit: text(form.habit),
      form: text(form.form),
      store: text(form.store),
      dry_rule: text(form.dry_rule),
      hold_days: form.hold_days.trim() === '' ? null : numberIn(form.hold_days, 0, 120),
      min_dry_c: celsius(form.min_dry_c),
      min_wet_c: celsius(form.min_wet_c),
      grow_min_c: celsius(form.grow_min_c),
      ...(form.leafless === '' ? {} : { leafless: form.leafless === 'auto' ? null : form.leafless === 'yes' }),
    };
    if (Object.values(body).some((value) => Number.isNaN(value)))
      return setError('root', { message: 'Days from 0 to 120, and temperatures, are numbers.' });
    try {
      await change.mutateAsync(body);
      onClose();
    } catch (error) {
      setError('root', { message: wordsOf(error) });
    }
  });
  const select = (name: keyof WaysForm, label: string, options: readonly (readonly [string, string])[]) => (
    <Field label={label}>
      {(id) => (
        <select id={id} className="select h-11 w-full" {...register(name)}>
          <option value="">as its genus has it</option>
          {options.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
  const box = (name: keyof WaysForm, label: string, usual: number) => (
    <Field label={label}>
      {(id) => (
        <input
          id={id}
          inputMode="decimal"
          placeholder={String(Math.round(usual * 10) / 10)}
          className="input h-11 w-full"
          {...register(name)}
        />
      )}
    </Field>
  );
  return (
    <Dialog title="Its ways" onClose={onClose}>
      <form noValidate onSubmit={(event) => void submit(event)}>
        <div className="grid grid-cols-2 gap-x-4">
          {select(
            'dry_rule',
            'Water',
            DRY_RULES.map((rule) => [rule, ruleWords({ ...traits, dryRule: rule })] as const),
          )}
          {box('hold_days', 'Days more, once dry', traits.holdDays)}
          {select(
            'habit',
            'Year',
            HABIT_IDS.map((habit) => [habit, HABITS[habit]] as const),
          )}
          {select(
            'store',
            'Keeps its water',
            STORE_IDS.map((store) => [store, STORES[store]] as const),
          )}
          {select(
            'form',
            'Form',
            FORMS.map((one) => [one, one] as const),
          )}
          <Field label="Leaves today">
            {(id) => (
              <select id={id} className="select h-11 w-full" {...register('leafless')}>
                <option value="">as it is noted</option>
                <option value="auto">as its season has it</option>
                <option value="yes">leafless</option>
                <option value="no">in leaf</option>
              </select>
            )}
          </Field>
          {box('min_dry_c', `Lowest night dry, ${typed.temperature()}`, shownTemperature(traits.minDryC))}
          {box('min_wet_c', `Lowest night moist, ${typed.temperature()}`, shownTemperature(traits.minWetC))}
          {box('grow_min_c', `Grows from, ${typed.temperature()}`, shownTemperature(traits.growMinC))}
        </div>
        <Wrong words={formState.errors.root?.message ?? null} />
        <div className="mt-4 flex gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6" disabled={formState.isSubmitting}>
            Keep these
          </button>
          <button type="button" className="btn h-11" onClick={onClose}>
            Leave it
          </button>
        </div>
      </form>
    </Dialog>
  );
}
