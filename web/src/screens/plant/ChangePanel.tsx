import type { PlantView } from '@zinc-pail/contract/api';
import { FORM_FIELDS, type FormField } from '@zinc-pail/contract/plantFields';
import { useForm, type UseFormRegister } from 'react-hook-form';
import { wordsOf } from '../../api/client.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { Form } from '../../forms/Form.tsx';
import { Field } from '../../forms/Fields.tsx';
import { changeOf, formOf, labelOf, type RecordForm, specOf } from './recordForm.ts';
import { useChange } from './useChange.ts';

/** Who the plant is and where it came from. A new name keeps the whole book. */
export function ChangePanel({ plant, onClose }: { plant: PlantView; onClose(): void }) {
  const change = useChange(plant);
  const { register, handleSubmit, formState, setError } = useForm<RecordForm>({ defaultValues: formOf(plant) });
  const submit = handleSubmit(async (form) => {
    const given = changeOf(form);
    if ('wrong' in given) return setError('root', { message: given.wrong });
    try {
      await change.mutateAsync(given.body);
      onClose();
    } catch (error) {
      setError('root', { message: wordsOf(error) });
    }
  });
  return (
    <Dialog title="Its record" onClose={onClose}>
      <Form error={formState.errors.root?.message ?? null} onSubmit={() => void submit()}>
        <div className="grid grid-cols-2 gap-x-4">
          {FORM_FIELDS.map((field) => (
            <RecordField key={field} field={field} register={register} latest={plant.site.today} />
          ))}
        </div>
        <div className="mt-4 flex gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6" disabled={formState.isSubmitting}>
            Save
          </button>
          <button type="button" className="btn h-11" onClick={onClose}>
            Cancel
          </button>
        </div>
      </Form>
    </Dialog>
  );
}

interface RecordFieldProps {
  field: FormField;
  register: UseFormRegister<RecordForm>;
  /** the last day that can be told */
  latest: string;
}

const LONGEST_FIGURE = 12;
/** Texts longer than this want the whole width. */
const WIDE_FROM = 100;

/** One field, as its kind is written. */
function RecordField({ field, register, latest }: RecordFieldProps) {
  const spec = specOf(field);
  const wide = spec.kind === 'text' && spec.max >= WIDE_FROM;
  const given = register(field);
  return (
    <div className={wide ? 'col-span-2' : ''}>
      <Field label={labelOf(spec)} {...(spec.hint ? { hint: spec.hint } : {})}>
        {(id) =>
          spec.kind === 'choice' ? (
            <select id={id} className="select h-11 w-full" {...given}>
              {!spec.must && <option value="">not noted</option>}
              {spec.of.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </select>
          ) : spec.kind === 'day' ? (
            <input id={id} type="date" max={latest} className="input h-11 w-full" {...given} />
          ) : (
            <input
              id={id}
              maxLength={spec.kind === 'text' ? spec.max : spec.kind === 'currency' ? 3 : LONGEST_FIGURE}
              className="input h-11 w-full"
              {...given}
            />
          )
        }
      </Field>
    </div>
  );
}
