/** Waters and feeds at hand. */
import { FEED_KINDS } from '@zinc-pail/contract/choices';
import { LONGEST_NAME } from '@zinc-pail/contract/limits';
import { HARDNESS_DH, leaning, WATER_KINDS, type WaterKind } from '@zinc-pail/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { ask, wordsOf } from '../../api/client.ts';
import type { Kit } from '../../api/kit.ts';
import { Field, SectionHead, Wrong } from '../../forms/Fields.tsx';
import { numberIn } from '../../words/numbers.ts';

const LEANINGS = { bloom: 'for bloom', leaf: 'for leaf', even: 'balanced' } as const;

function useList(list: 'waters' | 'feeds') {
  const queries = useQueryClient();
  const after = { onSuccess: () => queries.invalidateQueries() };
  return {
    add: useMutation({ mutationFn: (body: unknown) => ask(`/${list}`, { method: 'POST', body }), ...after }),
    drop: useMutation({ mutationFn: (id: number) => ask(`/${list}/${id}`, { method: 'DELETE' }), ...after }),
  };
}

function sourceWords({ kind, hardness_dh: hardness, salts_mg_l: salts }: Kit['waters'][number]): string {
  const hard = hardness ?? HARDNESS_DH[kind as WaterKind];
  const warning =
    kind === 'softened'
      ? 'sodium in the place of lime: only for plants that bear salts'
      : hard > 14
        ? 'hard: not for plants that mind salts, and flush now and then'
        : kind === 'rain'
          ? 'best fresh; beware of stale butts and sooty town roofs'
          : '';
  return [`${kind}, ${hard} °dH`, salts !== null && `${salts} mg/l of salts`, warning].filter(Boolean).join('; ');
}

export function Waters({ kit }: { kit: Kit }) {
  const { add, drop } = useList('waters');
  const { register, handleSubmit, reset, setError, formState } = useForm({
    defaultValues: { name: '', kind: 'rain', hardness: '', salts: '' },
  });
  const submit = handleSubmit(async (form) => {
    const [hardness, salts] = [
      form.hardness.trim() === '' ? null : numberIn(form.hardness, 0, 100),
      form.salts.trim() === '' ? null : numberIn(form.salts, 0, 5000),
    ];
    if (Number.isNaN(hardness) || Number.isNaN(salts))
      return setError('root', { message: 'Hardness from 0 to 100 °dH, salts from 0 to 5000 mg/l, or empty.' });
    await add
      .mutateAsync({
        name: form.name.trim(),
        kind: form.kind,
        hardness_dh: hardness,
        salts_mg_l: salts === null ? null : Math.round(salts),
      })
      .then(
        () => reset(),
        (error: unknown) => setError('root', { message: wordsOf(error) }),
      );
  });
  return (
    <section aria-labelledby="waters">
      <SectionHead id="waters">Waters at hand</SectionHead>
      <ul>
        {kit.waters.map((water) => (
          <li key={water.id} className="flex min-h-11 items-center gap-3 border-b border-[var(--rule)]">
            <span>
              <strong className="font-semibold">{water.name}</strong>: {sourceWords(water)}
            </span>
            <button
              type="button"
              className="ml-auto h-11 px-2 underline"
              aria-label={`Drop ${water.name}`}
              onClick={() => drop.mutate(water.id)}
            >
              drop
            </button>
          </li>
        ))}
      </ul>
      <form
        noValidate
        className="mt-2 grid grid-cols-2 gap-x-4 sm:grid-cols-4"
        onSubmit={(event) => void submit(event)}
      >
        <Field label="Name">
          {(id) => <input id={id} maxLength={LONGEST_NAME} className="input h-11 w-full" {...register('name')} />}
        </Field>
        <Field label="Kind">
          {(id) => (
            <select id={id} className="select h-11 w-full" {...register('kind')}>
              {WATER_KINDS.map((kind) => (
                <option key={kind}>{kind}</option>
              ))}
            </select>
          )}
        </Field>
        <Field label="Hardness, °dH">
          {(id) => <input id={id} inputMode="decimal" className="input h-11 w-full" {...register('hardness')} />}
        </Field>
        <Field label="Salts, mg/l">
          {(id) => <input id={id} inputMode="decimal" className="input h-11 w-full" {...register('salts')} />}
        </Field>
        <div className="col-span-full">
          <Wrong words={formState.errors.root?.message ?? null} />
          <button type="submit" className="btn h-11">
            Add this water
          </button>
        </div>
      </form>
    </section>
  );
}

export function Feeds({ kit }: { kit: Kit }) {
  const { add, drop } = useList('feeds');
  const { register, handleSubmit, reset, setError, formState } = useForm({
    defaultValues: { name: '', kind: 'liquid', n: '', p: '', k: '', unit: 'ml', rate: '' },
  });
  const submit = handleSubmit(async (form) => {
    const [n_pct, p_pct, k_pct] = [form.n, form.p, form.k].map((text) => numberIn(text, 0, 60));
    const per_litre = numberIn(form.rate, 0.01, 200);
    if ([n_pct, p_pct, k_pct, per_litre].some(Number.isNaN))
      return setError('root', { message: 'N, P and K from 0 to 60 %, the label’s dose from 0.01 to 200 a litre.' });
    await add
      .mutateAsync({ name: form.name.trim(), kind: form.kind, n_pct, p_pct, k_pct, unit: form.unit, per_litre })
      .then(
        () => reset(),
        (error: unknown) => setError('root', { message: wordsOf(error) }),
      );
  });
  return (
    <section aria-labelledby="feeds">
      <SectionHead id="feeds">Feeds</SectionHead>
      <ul>
        {kit.feeds.map((feed) => (
          <li key={feed.id} className="flex min-h-11 items-center gap-3 border-b border-[var(--rule)]">
            <span>
              <strong className="font-semibold">{feed.name}</strong>: {feed.kind}, {feed.n_pct}-{feed.p_pct}-
              {feed.k_pct}, {LEANINGS[leaning({ n: feed.n_pct, p: feed.p_pct, k: feed.k_pct })]}, {feed.per_litre}{' '}
              {feed.unit} a litre
            </span>
            <button
              type="button"
              className="ml-auto h-11 px-2 underline"
              aria-label={`Drop ${feed.name}`}
              onClick={() => drop.mutate(feed.id)}
            >
              drop
            </button>
          </li>
        ))}
      </ul>
      <form noValidate className="mt-2 grid grid-cols-3 gap-x-4" onSubmit={(event) => void submit(event)}>
        <Field label="Name">
          {(id) => <input id={id} maxLength={LONGEST_NAME} className="input h-11 w-full" {...register('name')} />}
        </Field>
        <Field label="Kind">
          {(id) => (
            <select id={id} className="select h-11 w-full" {...register('kind')}>
              {FEED_KINDS.map((kind) => (
                <option key={kind}>{kind}</option>
              ))}
            </select>
          )}
        </Field>
        <Field label="Measured in">
          {(id) => (
            <select id={id} className="select h-11 w-full" {...register('unit')}>
              <option>ml</option>
              <option>g</option>
            </select>
          )}
        </Field>
        <fieldset className="col-span-2">
          <legend className="mb-1 font-semibold">N, P, K, %</legend>
          <div className="flex gap-2">
            {(['n', 'p', 'k'] as const).map((one) => (
              <input
                key={one}
                aria-label={one.toUpperCase()}
                inputMode="decimal"
                className="input h-11 w-full"
                {...register(one)}
              />
            ))}
          </div>
        </fieldset>
        <Field label="Label’s dose a litre">
          {(id) => <input id={id} inputMode="decimal" className="input h-11 w-full" {...register('rate')} />}
        </Field>
        <div className="col-span-full">
          <Wrong words={formState.errors.root?.message ?? null} />
          <button type="submit" className="btn h-11">
            Add this feed
          </button>
        </div>
      </form>
      <p className="mt-2 text-[14px] text-[var(--ink-2)]">
        Keep feeds in their own packing, out of reach of children and pets, and follow the label where it asks for less.
      </p>
    </section>
  );
}
