import type { PlantView } from '@zinc-pail/contract/api';
import { SOURCES } from '@zinc-pail/contract/choices';
import { useForm } from 'react-hook-form';
import { wordsOf } from '../../api/client.ts';
import { Dialog } from '../../parts/Dialog.tsx';
import { Field, numberIn, Wrong } from '../../parts/Fields.tsx';
import { useChange } from './useChange.ts';

interface RecordForm {
  name: string;
  number: string;
  name_sure: string;
  other_names: string;
  provenance: string;
  source: string;
  acquired_on: string;
  diameter_mm: string;
  height_mm: string;
  price: string;
  price_currency: string;
  used_to: string;
  companions: string;
}

/** Who the plant is and where it came from. A new name keeps the whole book. */
export function ChangePanel({ plant, onClose }: { plant: PlantView; onClose(): void }) {
  const { record } = plant;
  const change = useChange(plant);
  const { register, handleSubmit, formState, setError } = useForm<RecordForm>({
    defaultValues: {
      name: plant.name,
      number: plant.number,
      name_sure: record.name_sure,
      other_names: record.other_names ?? '',
      provenance: plant.provenance ?? '',
      source: record.source ?? '',
      acquired_on: record.acquired_on ?? '',
      diameter_mm: String(plant.diameter_mm),
      height_mm: String(plant.height_mm),
      price: record.price_minor === null ? '' : (record.price_minor / 100).toFixed(2),
      price_currency: record.price_currency ?? 'EUR',
      used_to: record.used_to ?? '',
      companions: record.companions ?? '',
    },
  });
  const submit = handleSubmit(async (form) => {
    const price = form.price.trim() === '' ? null : Math.round(numberIn(form.price, 0, 40_000_000) * 100);
    const [diameter, height] = [numberIn(form.diameter_mm, 0, 10_000), numberIn(form.height_mm, 0, 20_000)];
    if (Number.isNaN(price) || Number.isNaN(diameter) || Number.isNaN(height))
      return setError('root', { message: 'Width, height and price are numbers.' });
    const text = (value: string) => value.trim() || null;
    try {
      await change.mutateAsync({
        name: form.name.trim(),
        number: form.number.trim(),
        name_sure: form.name_sure,
        other_names: text(form.other_names),
        provenance: text(form.provenance),
        source: text(form.source),
        acquired_on: text(form.acquired_on),
        diameter_mm: Math.round(diameter),
        height_mm: Math.round(height),
        price_minor: price,
        price_currency: price === null ? null : form.price_currency.trim().toUpperCase(),
        used_to: text(form.used_to),
        companions: text(form.companions),
      });
      onClose();
    } catch (error) {
      setError('root', { message: wordsOf(error) });
    }
  });
  const box = (name: keyof RecordForm, label: string, max: number, hint?: string) => (
    <Field label={label} {...(hint ? { hint } : {})}>
      {(id) => <input id={id} maxLength={max} className="input h-11 w-full" {...register(name)} />}
    </Field>
  );
  return (
    <Dialog title="Its record" onClose={onClose}>
      <form noValidate onSubmit={(event) => void submit(event)}>
        {box('name', 'Name', 200, 'cf., aff., × and ‘cultivar’ as they are written.')}
        <Field label="The name is">
          {(id) => (
            <select id={id} className="select h-11" {...register('name_sure')}>
              <option value="sure">sure</option>
              <option value="likely">likely</option>
              <option value="unknown">unknown</option>
            </select>
          )}
        </Field>
        {box('other_names', 'Other names', 500)}
        <div className="grid grid-cols-2 gap-x-4">
          {box('number', 'Number', 40)}
          <Field label="Here since">
            {(id) => (
              <input
                id={id}
                type="date"
                max={plant.site.today}
                className="input h-11 w-full"
                {...register('acquired_on')}
              />
            )}
          </Field>
          {box('diameter_mm', 'Width, mm', 6)}
          {box('height_mm', 'Height, mm', 6)}
          <Field label="Came by">
            {(id) => (
              <select id={id} className="select h-11 w-full" {...register('source')}>
                <option value="">not noted</option>
                {SOURCES.map((source) => (
                  <option key={source}>{source}</option>
                ))}
              </select>
            )}
          </Field>
          {box('price', 'Price', 12)}
          {box('price_currency', 'Currency', 3)}
        </div>
        {box('provenance', 'Provenance', 500)}
        {box('used_to', 'Used to, before', 300, 'Mix, wetness and light it was kept in.')}
        {box('companions', 'Others in its pot', 300)}
        <Wrong words={formState.errors.root?.message ?? null} />
        <div className="mt-4 flex gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6" disabled={formState.isSubmitting}>
            Keep it
          </button>
          <button type="button" className="btn h-11" onClick={onClose}>
            Leave it
          </button>
        </div>
      </form>
    </Dialog>
  );
}
