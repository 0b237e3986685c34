/** A plant is potted: into what, what its roots were like, what was cut; and what follows from that, dated. */
import { units } from '../../reader/units.ts';
import type { Kit } from '@zinc-pail/contract/keeping';
import type { BenchPlant, PotsOf, StockLine } from '@zinc-pail/contract/potting';
import {
  dayNumber,
  isoDay,
  mostTimesFor,
  type Pot,
  POT_MATERIALS,
  POT_SHAPES,
  ROOT_FINDINGS,
  type RootFinding,
  stepOf,
} from '@zinc-pail/core';
import { aftercareWords, FINDING_WORDS } from '@zinc-pail/words/potting';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { ask } from '../../api/client.ts';
import { useStock } from '../../api/potting.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { AddPictures } from '../../parts/AddPictures.tsx';
import { Form } from '../../forms/Form.tsx';
import { Choice, KeepOrLeave, OnDay, OneOf, Tick, Typed, TypedLength } from '../../forms/Fields.tsx';
import { detailDraft, PotDetail, potDraft, type PotDraft, potOfDraft, ROOTS_LOST } from '../../forms/PotDetail.tsx';
import { numberIn } from '@zinc-pail/words/numbers';
import { movedWords } from '../plant/PotHistory.tsx';

const MIX_WAS = [
  { id: 'dry', label: 'dry' },
  { id: 'damp', label: 'damp' },
  { id: 'wet', label: 'wet' },
  { id: '', label: 'don’t know' },
];
const WHYS = [
  { id: 'signs', label: 'its signs' },
  { id: 'years', label: 'its years' },
  { id: 'rescue', label: 'a rescue' },
];

export interface PotItDraft extends PotDraft {
  shape: Pot['shape'];
  material: Pot['material'];
  mix: string;
  date: string;
  mixWas: string;
  roots: string;
  findings: RootFinding[];
  why: string;
  divided: string;
  fromStock: string;
}

export function draftOf(
  { next, interim, blocks, mix_id: mixId }: Pick<BenchPlant, 'next' | 'interim' | 'blocks' | 'mix_id'>,
  today: string,
): PotItDraft {
  // Out of its season it gets a pot for the time being.
  const pot = blocks.length > 0 ? interim : next.pot;
  return {
    ...potDraft(pot),
    shape: pot.shape,
    material: pot.material,
    mix: String(mixId),
    date: today,
    mixWas: 'dry',
    roots: '0',
    findings: [],
    why: blocks.length > 0 ? 'rescue' : 'signs',
    divided: '',
    fromStock: '',
  };
}

/** The body of a potting, or what is wrong with it. */
export function bodyOf(draft: PotItDraft, clientId: string) {
  const pot = potOfDraft(draft);
  if (typeof pot === 'string') return pot;
  const divided = draft.divided.trim() === '' ? 0 : numberIn(draft.divided, 0, 50);
  if (Number.isNaN(divided)) return 'Daughters: a number from 0 to 50, or nothing.';
  return {
    client_id: clientId,
    kind: 'repotted' as const,
    pot: { ...pot, shape: draft.shape, material: draft.material },
    mix_id: Number(draft.mix),
    date: draft.date,
    mix_was: draft.mixWas === '' ? null : (draft.mixWas as 'dry' | 'damp' | 'wet'),
    root_loss: Number(draft.roots),
    findings: draft.findings,
    why: draft.why as 'signs' | 'years' | 'rescue',
    divided: Math.round(divided),
  };
}

interface Props {
  plant: BenchPlant;
  kit: Kit;
  today: string;
  /** what hands must know before they go in, where the screen behind does not say it */
  first?: readonly string[];
  onClose(): void;
}

export function PotItPanel({ plant, kit, today, first = [], onClose }: Props) {
  const [draft, setDraft] = useState(() => draftOf(plant, today));
  const [clientId] = useState(() => crypto.randomUUID());
  const [wrong, setWrong] = useState<unknown>(null);
  const [follows, setFollows] = useState<PotsOf | null>(null);
  const stock = useStock();
  const queries = useQueryClient();
  const set = (some: Partial<PotItDraft>) => setDraft((before) => ({ ...before, ...some }));
  const done = useRef(new Set<string>());
  const save = useMutation({
    mutationFn: async (body: Exclude<ReturnType<typeof bodyOf>, string>) => {
      // What was written before a later step failed is not written again.
      const once = async (step: string, write: () => Promise<unknown>) => {
        if (done.current.has(step)) return;
        await write();
        done.current.add(step);
      };
      await once('potting', () =>
        ask(`/plants/${plant.id}/pottings`, { method: 'POST', version: plant.version, body }),
      );
      if (body.divided > 0)
        await once('daughters', () =>
          ask(`/plants/${plant.id}/copies`, {
            method: 'POST',
            body: { count: body.divided, date: body.date, as_offspring: true },
          }),
        );
      if (draft.fromStock)
        await once('pot', () =>
          ask('/stock/moves', {
            method: 'POST',
            body: {
              client_id: clientId,
              why: 'potting',
              lines: [{ stock_id: Number(draft.fromStock), amount: -1 }],
              anyway: true,
            },
          }),
        );
      return ask<PotsOf>(`/plants/${plant.id}/pots`);
    },
    onSuccess: async (after) => {
      setFollows(after);
      await queries.invalidateQueries();
    },
    onError: setWrong,
  });
  const submit = () => {
    const body = bodyOf(draft, clientId);
    if (typeof body === 'string') return setWrong(body);
    setWrong(null);
    save.mutate(body);
  };
  if (follows)
    return (
      <Dialog title="What follows" onClose={onClose}>
        <ul className="list-disc pl-5">
          {follows.follows.map(({ on, ...task }) => (
            <li key={`${task.kind} ${on}`}>
              {aftercareWords({ ...task, day: dayNumber(on) }, isoDay, today, units())}
            </li>
          ))}
        </ul>
        {follows.pots.length > 1 && <p className="my-2">{movedWords(follows.pots.at(-2)!, follows.pots.at(-1)!)}</p>}
        <p className="my-2">
          The round reminds you of each on its day. The forecast for this pot starts again from what its bench has
          taught.
        </p>
        {draft.findings.includes('brown-soft') || draft.findings.includes('pests') ? (
          <p className="my-2 border-l-4 border-[var(--straw)] pl-2">
            Throw the old mix away; wash pot and tools. Keep it in quarantine until it is clean twice in a row.{' '}
            <Link className="link" to={`/clinic/${plant.id}`}>
              Its case is open in the clinic
            </Link>
          </p>
        ) : null}
        <div className="my-2 flex flex-wrap items-center gap-3">
          <button type="button" className="btn btn-primary h-11 px-6" onClick={onClose}>
            Good
          </button>
          <AddPictures plantId={plant.id} date={draft.date} label="Photograph its roots" />
        </div>
      </Dialog>
    );
  return (
    <Dialog title={`Pot ${plant.number}`} onClose={onClose}>
      {first.length > 0 && (
        <ul aria-label="Before hands go in" className="mb-2 border-l-4 border-[var(--rust)] pl-3 text-[0.9375rem]">
          {first.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      <Form error={wrong} onSubmit={submit}>
        <PotFields draft={draft} set={set} old={plant.old.pot} stock={stock.data ?? []} />
        <OneOf
          label="Mix"
          value={draft.mix}
          onChange={(mix) => set({ mix })}
          options={kit.mixes.map((mix) => [String(mix.id), mix.name] as const)}
          width="w-full"
        />
        <Choice
          legend="The mix went in"
          name="mix-was"
          value={draft.mixWas}
          onChange={(mixWas) => set({ mixWas })}
          options={MIX_WAS}
        />
        <fieldset className="mb-4">
          <legend className="mb-1 font-semibold">Its roots were</legend>
          <div className="flex flex-wrap gap-x-5">
            {ROOT_FINDINGS.map((finding) => (
              <Tick
                key={finding}
                label={FINDING_WORDS[finding]}
                checked={draft.findings.includes(finding)}
                onChange={(yes) =>
                  set({
                    findings: yes ? [...draft.findings, finding] : draft.findings.filter((one) => one !== finding),
                  })
                }
              />
            ))}
          </div>
        </fieldset>
        <Choice
          legend="Roots"
          name="roots"
          value={draft.roots}
          onChange={(roots) => set({ roots })}
          options={ROOTS_LOST}
        />
        <Choice legend="Why" name="why" value={draft.why} onChange={(why) => set({ why })} options={WHYS} />
        <div className="flex flex-wrap gap-x-5">
          <Typed
            label="Daughters parted from it"
            width="w-28"
            value={draft.divided}
            onChange={(divided) => set({ divided })}
          />
          <OnDay value={draft.date} max={today} onChange={(date) => set({ date })} />
        </div>
        <KeepOrLeave keep="Potted" busy={save.isPending} onLeave={onClose} />
      </Form>
    </Dialog>
  );
}

function PotFields({
  draft,
  set,
  old,
  stock,
}: {
  draft: PotItDraft;
  set(some: Partial<PotItDraft>): void;
  old: Pot;
  stock: readonly StockLine[];
}) {
  const pots = stock.filter((line) => line.kind === 'pot' && line.pot !== null);
  const take = (id: string) => {
    const pot = pots.find((line) => String(line.id) === id)?.pot;
    set({
      fromStock: id,
      ...(pot
        ? {
            top: String(pot.top_mm),
            base: String(pot.base_mm),
            depth: String(pot.depth_mm),
            shape: pot.shape,
            material: pot.material,
            ...detailDraft(pot),
          }
        : {}),
    });
  };
  const sizes = [
    numberIn(draft.top, 10, 3000),
    numberIn(draft.base, 1, 3000),
    numberIn(draft.depth, 10, 3000),
  ] as const;
  const step = sizes.some(Number.isNaN)
    ? null
    : stepOf(old, { ...old, shape: draft.shape, top_mm: sizes[0], base_mm: sizes[1], depth_mm: sizes[2] });
  const most = mostTimesFor(Number(draft.roots));
  return (
    <>
      {pots.length > 0 && (
        <OneOf
          label="A pot from the stores"
          value={draft.fromStock}
          onChange={take}
          options={[
            ['', 'none of them'],
            ...pots.map((line) => [String(line.id), `${line.name} (${line.amount})`] as const),
          ]}
          width="w-full"
        />
      )}
      <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-4">
        <TypedLength label="Top" width="w-full" value={draft.top} onChange={(top) => set({ top })} />
        <TypedLength label="Base" width="w-full" value={draft.base} onChange={(base) => set({ base })} />
        <TypedLength label="Mix deep" width="w-full" value={draft.depth} onChange={(depth) => set({ depth })} />
        <TypedLength label="Stones" width="w-full" value={draft.dressing} onChange={(dressing) => set({ dressing })} />
      </div>
      {step && (
        <p
          className={`mb-3 text-[0.9375rem] ${step.times > most ? 'font-semibold text-[var(--straw)]' : 'text-[var(--ink-2)]'}`}
        >
          {step.times.toFixed(2)} times the mix it had{step.times <= most ? '.' : tooMuchMix(most)}
        </p>
      )}
      <OneOf
        label="Shape"
        value={draft.shape}
        onChange={(shape) => set({ shape: shape as Pot['shape'] })}
        options={POT_SHAPES.map((shape) => [shape, shape] as const)}
      />
      <OneOf
        label="Of"
        value={draft.material}
        onChange={(material) => set({ material: material as Pot['material'] })}
        options={POT_MATERIALS.map((material) => [material, material] as const)}
      />
      <PotDetail draft={draft} base={draft.base} shape={draft.shape} onChange={set} />
    </>
  );
}

/** Why a step is too large, by the most that the roots that are left can do with. */
export function tooMuchMix(most: number): string {
  if (most >= mostTimesFor(0)) return ': a large step for its roots.';
  return most < 1
    ? `: too much for the roots that are left; a smaller pot, of ${most.toFixed(1)} times at most.`
    : `: too much for the roots that are left; ${most.toFixed(1)} times at most, or the old pot again.`;
}
