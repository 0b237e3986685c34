import type { PlantView } from '@zinc-pail/contract/api';
import { DRY_RULES, FORMS, HABITS as HABIT_IDS, STORES as STORE_IDS } from '@zinc-pail/core';
import { useForm, type UseFormRegister } from 'react-hook-form';
import { wordsOf } from '../../api/client.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { Form } from '../../forms/Form.tsx';
import { Field, KeepOrLeave } from '../../forms/Fields.tsx';
import { shownTemperature, typed } from '../../reader/units.ts';
import { useChange } from './useChange.ts';
import { formOf, HABITS, ruleWords, STORES, type WaysForm, waysOf } from './waysForm.ts';

/** The keeper's own, in place of the genus's. */
export function WaysPanel({ plant, onClose }: { plant: PlantView; onClose(): void }) {
  const { traits } = plant.outlook;
  const change = useChange(plant);
  const { register, handleSubmit, setError, formState } = useForm<WaysForm>({ defaultValues: formOf(plant) });
  const submit = handleSubmit(async (form) => {
    const ways = waysOf(form);
    if (typeof ways === 'string') return setError('root', { message: ways });
    try {
      await change.mutateAsync(ways);
      onClose();
    } catch (error) {
      setError('root', { message: wordsOf(error) });
    }
  });
  const choice = (name: keyof WaysForm, label: string, options: Options) => (
    <Choices register={register} name={name} label={label} options={[['', 'as its genus has it'], ...options]} />
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
  const rules = DRY_RULES.map((rule) => [rule, ruleWords({ ...traits, dryRule: rule })] as const);
  const degree = typed.temperature();
  return (
    <Dialog title="How it grows" onClose={onClose}>
      <Form error={formState.errors.root?.message ?? null} onSubmit={() => void submit()}>
        <div className="grid grid-cols-2 gap-x-4">
          {choice('dry_rule', 'Water', rules)}
          {box('hold_days', 'Days more, once dry', traits.holdDays)}
          {choice('habit', 'Year', said(HABIT_IDS, HABITS))}
          {choice('store', 'Keeps its water', said(STORE_IDS, STORES))}
          {choice(
            'form',
            'Form',
            FORMS.map((one) => [one, one] as const),
          )}
          <Choices register={register} name="leafless" label="Leaves today" options={LEAVES} />
          {box('min_dry_c', `Lowest night dry, ${degree}`, shownTemperature(traits.minDryC))}
          {box('min_wet_c', `Lowest night moist, ${degree}`, shownTemperature(traits.minWetC))}
          {box('grow_min_c', `Grows from, ${degree}`, shownTemperature(traits.growMinC))}
        </div>
        <KeepOrLeave keep="Save" busy={formState.isSubmitting} onLeave={onClose} />
      </Form>
    </Dialog>
  );
}

type Options = readonly (readonly [value: string, words: string])[];

const LEAVES: Options = [
  ['', 'as it is noted'],
  ['auto', 'as its season has it'],
  ['yes', 'leafless'],
  ['no', 'in leaf'],
];

const said = <T extends string>(ids: readonly T[], words: Record<T, string>): Options =>
  ids.map((id) => [id, words[id]]);

interface ChoicesProps {
  register: UseFormRegister<WaysForm>;
  name: keyof WaysForm;
  label: string;
  options: Options;
}

function Choices({ register, name, label, options }: ChoicesProps) {
  return (
    <Field label={label}>
      {(id) => (
        <select id={id} className="select h-11 w-full" {...register(name)}>
          {options.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}
