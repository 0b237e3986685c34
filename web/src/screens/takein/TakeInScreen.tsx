/** A plant, or a tray of them, taken in: name, pot, mix, place; the rest if one likes. */
import { SOURCES } from '@zinc-pail/contract/choices';
import { FORMS, genusByAnyName, HABITS, POT_MATERIALS, POT_SHAPES, STORES } from '@zinc-pail/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { ChevronDown } from 'lucide-react';
import { useDeferredValue, useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { Link, useNavigate } from 'react-router';
import { ask, wordsOf } from '../../api/client.ts';
import { type Kit, useKit } from '../../api/kit.ts';
import { usePlaces } from '../../api/places.ts';
import { todayIn } from '../../words/days.ts';
import { Field, SectionHead, Tick, Wrong } from '../../forms/Fields.tsx';
import { numberIn } from '../../words/numbers.ts';
import { Name } from '../../naming/Name.tsx';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { NameField } from './NameField.tsx';
import { USUAL_POTS } from './usualPots.ts';

export default function TakeInScreen() {
  const kit = useKit();
  const places = usePlaces();
  if (kit.isPending || places.isPending) return <Waiting what="the shelves" />;
  if (kit.isError) return <Failed error={kit.error} again={() => void kit.refetch()} />;
  if (places.isError) return <Failed error={places.error} again={() => void places.refetch()} />;
  if (places.data.length === 0)
    return (
      <div className="p-6">
        <h1 className="text-2xl font-semibold">Take in</h1>
        <p>
          First there must be a bench:{' '}
          <Link className="underline" to="/benches">
            make one
          </Link>
          , or bring a garden file in through the{' '}
          <Link className="underline" to="/shed">
            shed
          </Link>
          .
        </p>
      </div>
    );
  return <TakeIn kit={kit.data} places={places.data} />;
}

interface Form {
  name_sure: string;
  pot: string;
  shape: string;
  top: string;
  depth: string;
  material: string;
  holes: boolean;
  mix: string;
  place: string;
  date: string;
  number: string;
  count: string;
  source: string;
  provenance: string;
  price: string;
  currency: string;
  other_names: string;
  used_to: string;
  habit: string;
  form: string;
  store: string;
  width: string;
  height: string;
  last_watered: string;
}

const OWN = 'own';
const LAST = 'zinc-last-taken-in';

/** The pot, mix and place of the last one: trays and purchases come alike. */
function lastChoices(): Partial<Form> {
  try {
    return JSON.parse(localStorage.getItem(LAST) ?? '{}') as Partial<Form>;
  } catch {
    return {};
  }
}

function TakeIn({ kit, places }: { kit: Kit; places: { id: number; name: string; site_id: number }[] }) {
  const [name, setName] = useState('');
  const [meant, setMeant] = useState<string | null>(null);
  const [mother, setMother] = useState<{ id: number; name: string } | null>(null);
  const [made, setMade] = useState<{ id: number; name: string; count: number }[]>([]);
  const [files, setFiles] = useState<File[]>([]);
  // The same id until it is written: pressed twice, it is still one plant.
  const [clientId, setClientId] = useState(() => crypto.randomUUID());
  const queries = useQueryClient();
  const navigate = useNavigate();
  const today = todayIn(kit.sites[0]?.time_zone ?? 'UTC');
  const last = lastChoices();
  const { register, handleSubmit, control, setError, setValue, formState } = useForm<Form>({
    defaultValues: {
      name_sure: 'sure',
      pot:
        last.pot && (last.pot === OWN || USUAL_POTS.some(({ id }) => id === last.pot)) ? last.pot : 'square-70-plastic',
      shape: 'round',
      top: '90',
      depth: '80',
      material: 'terracotta',
      holes: true,
      mix: kit.mixes.some((mix) => String(mix.id) === last.mix) ? last.mix! : String(kit.mixes[0]?.id ?? ''),
      place: places.some((place) => String(place.id) === last.place) ? last.place! : String(places[0]?.id ?? ''),
      date: today,
      number: '',
      count: '1',
      source: '',
      provenance: '',
      price: '',
      currency: 'EUR',
      other_names: '',
      used_to: '',
      habit: '',
      form: '',
      store: '',
      width: '',
      height: '',
      last_watered: '',
    },
  });
  const genusKnown = genusByAnyName(meant ?? name) !== undefined;
  const [chosenPot, holes, sure] = useWatch({ control, name: ['pot', 'holes', 'name_sure'] });
  const own = chosenPot === OWN;
  const submit = handleSubmit(async (form) => {
    const wrong: string[] = [];
    const number = (value: string, min: number, max: number, what: string) => {
      const found = numberIn(value, min, max);
      if (Number.isNaN(found)) wrong.push(`${what}: a number from ${min} to ${max}`);
      return found;
    };
    if (name.trim() === '') wrong.push('A name, even if it is only “unknown globe”');
    const count = number(form.count, 1, 200, 'How many');
    const usual = USUAL_POTS.find(({ id }) => id === form.pot);
    const top = usual ? usual.pot.top_mm : number(form.top, 10, 3000, 'Pot width, mm');
    const pot = usual
      ? { ...usual.pot, holes: form.holes }
      : {
          shape: form.shape,
          top_mm: top,
          base_mm: Math.round(top * 0.75),
          depth_mm: number(form.depth, 10, 3000, 'Depth of mix, mm'),
          material: form.material,
          holes: form.holes,
          top_dressing_mm: 0,
        };
    const price = form.price.trim() === '' ? null : Math.round(number(form.price, 0, 40_000_000, 'Price') * 100);
    const size = (value: string, what: string) =>
      value.trim() === '' ? undefined : Math.round(number(value, 0, 10_000, what));
    const [diameter_mm, height_mm] = [size(form.width, 'Width, mm'), size(form.height, 'Height, mm')];
    if (wrong.length > 0) return setError('root', { message: `${wrong.join('; ')}.` });
    const text = (value: string) => value.trim() || null;
    try {
      const { ids } = await ask<{ ids: number[] }>('/plants', {
        method: 'POST',
        body: {
          client_id: clientId,
          name: name.trim(),
          taxon: meant,
          name_sure: form.name_sure,
          pot,
          mix_id: Number(form.mix),
          place_id: Number(form.place),
          date: form.date,
          count,
          ...(form.number.trim() && count === 1 ? { number: form.number.trim() } : {}),
          source: text(form.source),
          provenance: text(form.provenance),
          price_minor: price,
          price_currency: price === null ? null : form.currency.trim().toUpperCase(),
          other_names: text(form.other_names),
          used_to: text(form.used_to),
          mother_id: mother?.id ?? null,
          habit: text(form.habit),
          form: text(form.form),
          store: text(form.store),
          last_watered: text(form.last_watered),
          ...(diameter_mm === undefined ? {} : { diameter_mm }),
          ...(height_mm === undefined ? {} : { height_mm }),
        },
      });
      for (const file of files) await ask(`/plants/${ids[0]}/pictures?day=${form.date}`, { method: 'POST', file });
      localStorage.setItem(LAST, JSON.stringify({ pot: form.pot, mix: form.mix, place: form.place }));
      setClientId(crypto.randomUUID());
      setMade((before) => [{ id: ids[0]!, name: name.trim(), count: ids.length }, ...before]);
      setName('');
      setMeant(null);
      setMother(null);
      setFiles([]);
      for (const field of [
        'last_watered',
        'number',
        'price',
        'other_names',
        'width',
        'height',
        'habit',
        'form',
        'store',
      ] as const)
        setValue(field, '');
      setValue('count', '1');
      await queries.invalidateQueries();
    } catch (error) {
      setError('root', { message: wordsOf(error) });
    }
  });
  const select = (field: keyof Form, label: string, options: readonly (readonly [string, string])[]) => (
    <Field label={label}>
      {(id) => (
        <select id={id} className="select h-11 w-full" {...register(field)}>
          {options.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
  const box = (field: keyof Form, label: string, max: number, hint?: string) => (
    <Field label={label} {...(hint ? { hint } : {})}>
      {(id) => <input id={id} maxLength={max} className="input h-11 w-full" {...register(field)} />}
    </Field>
  );
  return (
    <div className="max-w-4xl px-3 pb-12 pt-4 sm:px-6">
      <h1 className="mb-2 text-2xl font-semibold">Take in</h1>
      {made.length > 0 && (
        <ul role="status" className="mb-4 border-l-4 border-[var(--lichen)] pl-3">
          {made.map((one) => (
            <li key={one.id} className="flex min-h-9 flex-wrap items-center gap-x-3">
              <Name written={one.name} />
              {one.count > 1 && ` × ${one.count}`}
              <button
                type="button"
                className="h-11 underline"
                onClick={() => void navigate(`/plants/${one.id}?look-over`)}
              >
                look it over
              </button>
              <Link className="flex h-11 items-center underline" to={`/plants/${one.id}`}>
                open
              </Link>
            </li>
          ))}
        </ul>
      )}
      <form noValidate onSubmit={(event) => void submit(event)}>
        <NameField value={name} onChange={setName} meant={meant} onMeant={setMeant} household={kit.collection} />
        <Lessons genus={genusByAnyName(meant ?? name)?.name ?? null} />
        <div className="grid gap-x-6 sm:grid-cols-3">
          {select('name_sure', 'The name is', [
            ['sure', 'sure'],
            ['likely', 'likely'],
            ['unknown', 'unknown'],
          ])}
          {select(
            'place',
            'Bench',
            places.map((place) => [String(place.id), place.name]),
          )}
          {select(
            'mix',
            'Mix',
            kit.mixes.map((mix) => [String(mix.id), mix.name]),
          )}
          {select('pot', 'Pot', [
            ...USUAL_POTS.map(({ id, label }) => [id, label] as const),
            [OWN, 'by its measures…'],
          ])}
          <Field label="Came on">
            {(id) => <input id={id} type="date" max={today} className="input h-11 w-full" {...register('date')} />}
          </Field>
          <Field label="Last had water" hint="Empty: nobody knows; it is felt before its first drink.">
            {(id) => (
              <input id={id} type="date" max={today} className="input h-11 w-full" {...register('last_watered')} />
            )}
          </Field>
          {box('count', 'How many alike', 3, 'A tray of 20 gets 20 numbers.')}
          {own && (
            <>
              {select(
                'shape',
                'Shape',
                POT_SHAPES.map((one) => [one, one]),
              )}
              {box('top', 'Width inside at the top, mm', 4)}
              {box('depth', 'Depth of mix, mm', 4)}
              {select(
                'material',
                'Made of',
                POT_MATERIALS.map((one) => [one, one]),
              )}
            </>
          )}
        </div>
        <Tick label="the pot has a hole" checked={holes} onChange={(on) => setValue('holes', on)} />
        {(!genusKnown || sure === 'unknown') && name.trim() !== '' && (
          <section className="mt-2 border-l-4 border-[var(--straw)] pl-3">
            <p className="mb-2 text-[15px]">What can be seen of it tells its care, if its name does not:</p>
            <div className="grid gap-x-6 sm:grid-cols-3">
              {select('form', 'It is a', [['', 'do not know'], ...FORMS.map((one) => [one, one] as const)])}
              {select('store', 'Keeps its water', [
                ['', 'do not know'],
                ...STORES.map((one) => [one, STORE_WORDS[one]] as const),
              ])}
              {select('habit', 'Grows', [['', 'do not know'], ...HABITS.map((one) => [one, one] as const)])}
            </div>
          </section>
        )}
        <details className="my-3">
          <summary className="flex h-11 cursor-pointer items-center gap-2 font-semibold">
            <ChevronDown aria-hidden="true" size={18} /> More of it: number, origin, price, mother, pictures
          </summary>
          <div className="mt-2 grid gap-x-6 sm:grid-cols-3">
            {box('number', 'Number', 40, `Empty: by your scheme, ${kit.collection.number_scheme}`)}
            {select('source', 'Came by', [['', ''], ...SOURCES.map((one) => [one, one] as const)])}
            {box('provenance', 'Provenance', 500)}
            {box('price', 'Price', 12)}
            {box('currency', 'Currency', 3)}
            {box('other_names', 'Other names', 500)}
            {box('width', 'Width, mm', 5)}
            {box('height', 'Height, mm', 5)}
            {box('used_to', 'Used to, before', 300, 'Mix, wetness and light it was kept in.')}
          </div>
          <MotherField mother={mother} onChange={setMother} />
          <Field label="Pictures" hint="Up to 20 MB each; made smaller, and the camera’s notes are taken off.">
            {(id) => (
              <>
                <input
                  id={id}
                  type="file"
                  accept="image/*"
                  multiple
                  className="file-input h-11"
                  onChange={(event) => {
                    setFiles([...(event.target.files ?? [])]);
                    event.target.value = '';
                  }}
                />{' '}
                {files.map((file) => file.name).join(', ')}
              </>
            )}
          </Field>
        </details>
        <Wrong words={formState.errors.root?.message ?? null} />
        <button type="submit" className="btn btn-primary h-12 px-8 text-[17px]" disabled={formState.isSubmitting}>
          {formState.isSubmitting ? 'Writing…' : 'Take it in'}
        </button>
      </form>
      <section className="mt-8">
        <SectionHead>Before you buy</SectionHead>
        <ul className="list-disc pl-5 text-[15px]">
          <li>Leaves or body firm, the base hard and not dark or soft.</li>
          <li>No white fluff, bumps or webbing in axils, folds and under the rim; none in its neighbours.</li>
          <li>Roots hold the ball, and nothing sour is smelt.</li>
          <li>
            Doubt on pests: buy and keep it apart. Soft base or many pests: leave it there; stricter for stone plants
            and rare ones than for tough kinds.
          </li>
        </ul>
      </section>
    </div>
  );
}

const STORE_WORDS = {
  leaf: 'in its leaves',
  stem: 'in its stem',
  below: 'below ground',
  none: 'hardly anywhere',
} as const;

/** What earlier losses of the same kind taught. */
function Lessons({ genus }: { genus: string | null }) {
  const found = useQuery({
    queryKey: ['lessons', genus],
    queryFn: async () =>
      (
        await ask<{
          plants: {
            id: number;
            name: string;
            ended: string | null;
            ended_on: string | null;
            ended_why: string | null;
          }[];
        }>(`/find?q=${encodeURIComponent(genus ?? '')}`)
      ).plants.filter((one) => one.ended === 'died'),
    enabled: genus !== null,
  });
  if (!genus || !found.data || found.data.length === 0) return null;
  return (
    <div role="note" className="mb-4 border-l-4 border-[var(--straw)] pl-3 text-[15px]">
      <p className="font-semibold">You lost {found.data.length === 1 ? 'one' : found.data.length} of this genus:</p>
      <ul>
        {found.data.slice(0, 3).map((one) => (
          <li key={one.id}>
            <Link to={`/plants/${one.id}`} className="underline">
              <Name written={one.name} />
            </Link>
            , {one.ended_on}: {one.ended_why ?? 'cause unknown'}
          </li>
        ))}
      </ul>
    </div>
  );
}

function MotherField({
  mother,
  onChange,
}: {
  mother: { id: number; name: string } | null;
  onChange(mother: { id: number; name: string } | null): void;
}) {
  const [typed, setTyped] = useState('');
  const sought = useDeferredValue(typed.trim());
  const found = useQuery({
    queryKey: ['find', sought],
    queryFn: async () =>
      (await ask<{ plants: { id: number; name: string; number: string }[] }>(`/find?q=${encodeURIComponent(sought)}`))
        .plants,
    enabled: sought.length > 1,
  });
  if (mother)
    return (
      <p className="mb-4 flex items-center gap-3">
        Mother plant: <Name written={mother.name} />{' '}
        <button type="button" className="h-11 underline" onClick={() => onChange(null)}>
          none
        </button>
      </p>
    );
  return (
    <div className="mb-4">
      <Field label="Mother plant">
        {(id) => (
          <input
            id={id}
            className="input h-11 w-full max-w-md"
            placeholder="name or number of a plant of yours"
            maxLength={100}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        )}
      </Field>
      {sought.length > 1 && (
        <ul>
          {(found.data ?? []).slice(0, 5).map((one) => (
            <li key={one.id}>
              <button
                type="button"
                className="h-11 underline"
                onClick={() => {
                  onChange(one);
                  setTyped('');
                }}
              >
                <Name written={one.name} /> {one.number}
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
