/** A plant, or a tray of them, taken in: name, pot, mix, place; the rest if one likes. */
import { UNKNOWN_MIX, unknownMixId } from '@zinc-pail/contract/unknownMix';
import { genusByAnyName } from '@zinc-pail/core';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { ask, notSent } from '../../api/client.ts';
import { type Kit, useKit } from '../../api/kit.ts';
import { usePlaces } from '../../api/places.ts';
import { useKept } from '../../forms/kept.ts';
import { Form } from '../../forms/Form.tsx';
import { SectionHead, Tick } from '../../forms/Fields.tsx';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { Name } from '../../naming/Name.tsx';
import { todayIn } from '../../reader/days.ts';
import { Lessons } from './Lessons.tsx';
import type { Mother } from './MotherField.tsx';
import { NameField } from './NameField.tsx';
import { NOT_KNOWN } from './mixChoice.ts';
import { NewMix } from './NewMix.tsx';
import { MoreFields, PotFields, SeenFields } from './takeInFields.tsx';
import { emptyForm, type Last, OF_ONE_PLANT, plantOf, type TakeInForm } from './takeInForm.ts';

export default function TakeInScreen() {
  const kit = useKit();
  const places = usePlaces();
  if (kit.isPending || places.isPending) return <Waiting what="the shelves" />;
  if (kit.isError) return <Failed error={kit.error} again={() => void kit.refetch()} />;
  if (places.isError) return <Failed error={places.error} again={() => void places.refetch()} />;
  return places.data.length === 0 ? <NoBench /> : <TakeIn kit={kit.data} places={places.data} />;
}

function NoBench() {
  return (
    <div className="p-6">
      <h1 className="text-2xl font-semibold">Add a plant</h1>
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
}

const LAST = 'zinc-last-taken-in';

/** The pot, mix and place of the last one: trays and purchases come alike. */
function lastChoices(): Last {
  try {
    return JSON.parse(localStorage.getItem(LAST) ?? '{}') as Last;
  } catch {
    return {};
  }
}

/** The chosen mix; where nobody knows, what most are sold in, which is made where the collection has no such recipe. */
async function mixIdOf(chosen: string, kit: Kit): Promise<number> {
  if (chosen !== NOT_KNOWN) return Number(chosen);
  return unknownMixId(kit.mixes) ?? (await ask<{ id: number }>('/mixes', { method: 'POST', body: UNKNOWN_MIX })).id;
}

interface Made {
  id: number;
  name: string;
  count: number;
}

function TakeIn({ kit, places }: { kit: Kit; places: { id: number; name: string }[] }) {
  const [search] = useSearchParams();
  const bench = search.get('bench');
  const [name, setName] = useKept('add-name', '');
  const [meant, setMeant] = useKept<string | null>('add-meant', null);
  const [mother, setMother] = useState<Mother | null>(null);
  const [made, setMade] = useState<Made[]>([]);
  const [files, setFiles] = useState<File[]>([]);
  // The same id until it is written: pressed twice, it is still one plant.
  const [clientId, setClientId] = useState(() => crypto.randomUUID());
  const queries = useQueryClient();
  const today = todayIn(kit.sites[0]?.time_zone ?? 'UTC');
  const [error, setError] = useState<unknown>(null);
  const [mixing, setMixing] = useState(false);
  const [half, keepHalf] = useKept<Partial<TakeInForm>>(`add-form-${today}`, {});
  const { register, handleSubmit, control, setValue, formState } = useForm<TakeInForm>({
    defaultValues: {
      ...emptyForm(kit, places, { ...lastChoices(), ...(bench ? { place: bench } : {}) }, today),
      ...(bench ? {} : half),
    },
  });
  const filled = useWatch({ control });
  useEffect(() => keepHalf(filled), [filled, keepHalf]);
  const [chosenPot, holes, sure, mix] = useWatch({ control, name: ['pot', 'holes', 'name_sure', 'mix'] });
  const clear = () => {
    setName('');
    setMeant(null);
    setMother(null);
    setFiles([]);
    for (const field of OF_ONE_PLANT) setValue(field, '');
    setValue('count', '1');
    setClientId(crypto.randomUUID());
  };
  const submit = handleSubmit(async (form) => {
    const plant = plantOf(form, { name, meant, motherId: mother?.id ?? null, today });
    if (plant.kind === 'wrong') return setError(notSent(plant.at));
    try {
      const body = { client_id: clientId, ...plant.value, mix_id: await mixIdOf(form.mix, kit) };
      const { ids } = await ask<{ ids: number[] }>('/plants', { method: 'POST', body });
      for (const file of files) await ask(`/plants/${ids[0]}/pictures?day=${form.date}`, { method: 'POST', file });
      localStorage.setItem(LAST, JSON.stringify({ pot: form.pot, mix: form.mix, place: form.place } satisfies Last));
      setMade((before) => [{ id: ids[0]!, name: name.trim(), count: ids.length }, ...before]);
      clear();
      await queries.invalidateQueries();
      setError(null);
    } catch (failed) {
      setError(failed);
    }
  });
  const genus = genusByAnyName(meant ?? name);
  const unsure = name.trim() !== '' && (genus === undefined || sure === 'unknown');
  return (
    <div className="max-w-4xl px-3 pb-12 pt-4 sm:px-6">
      <h1 className="mb-2 text-2xl font-semibold">Add a plant</h1>
      <TakenIn made={made} />
      <Form error={error} onSubmit={() => void submit()}>
        <NameField value={name} onChange={setName} meant={meant} onMeant={setMeant} household={kit.collection} />
        <button
          type="button"
          className="-mt-3 mb-2 h-11 underline"
          onClick={() => {
            setName('unknown plant');
            setValue('name_sure', 'unknown');
          }}
        >
          I don’t know its name
        </button>
        <Lessons genus={genus?.name ?? null} />
        <PotFields
          register={register}
          kit={kit}
          places={places}
          today={today}
          chosenPot={chosenPot}
          chosenMix={mix}
          onMix={() => setMixing(true)}
        />
        <Tick label="the pot has a hole" checked={holes} onChange={(on) => setValue('holes', on)} />
        {unsure && <SeenFields register={register} />}
        <MoreFields
          register={register}
          scheme={kit.collection.number_scheme}
          mother={mother}
          onMother={setMother}
          files={files}
          onFiles={setFiles}
        />
        <button type="submit" className="btn btn-primary h-12 px-8 text-[1.0625rem]" disabled={formState.isSubmitting}>
          {formState.isSubmitting ? 'Saving…' : 'Add it'}
        </button>
      </Form>
      {mixing && (
        <NewMix
          onClose={() => setMixing(false)}
          onMade={(id) => {
            setValue('mix', String(id));
            setMixing(false);
          }}
        />
      )}
      <BeforeYouBuy />
    </div>
  );
}

function TakenIn({ made }: { made: readonly Made[] }) {
  const navigate = useNavigate();
  if (made.length === 0) return null;
  return (
    <ul role="status" className="mb-4 border-l-4 border-[var(--lichen)] pl-3">
      {made.map((one) => (
        <li key={one.id} className="flex min-h-9 flex-wrap items-center gap-x-3">
          <Name written={one.name} />
          {one.count > 1 && ` × ${one.count}`} taken in
          <button type="button" className="h-11 underline" onClick={() => void navigate(`/plants/${one.id}?look-over`)}>
            look it over
          </button>
          <Link className="flex h-11 items-center underline" to={`/plants/${one.id}`}>
            open
          </Link>
        </li>
      ))}
    </ul>
  );
}

function BeforeYouBuy() {
  return (
    <section className="mt-12">
      <SectionHead>Next time, before you buy</SectionHead>
      <ul className="list-disc pl-5 text-[0.9375rem]">
        <li>Leaves or body firm, the base hard and not dark or soft.</li>
        <li>No white fluff, bumps or webbing in axils, folds and under the rim; none in its neighbours.</li>
        <li>Roots hold the ball, and nothing sour is smelt.</li>
        <li>
          In doubt about pests: buy it and quarantine it. Soft base or many pests: leave it there. Be stricter with
          stone plants and rare ones than for tough kinds.
        </li>
      </ul>
    </section>
  );
}
