/** The first hour: where, which water, one bench, the first plant; then the Round. Nothing is written before the last step. */
import type { Kit } from '@zinc-pail/contract/keeping';
import { unclearName } from '@zinc-pail/core';
import { useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useRef, useState } from 'react';
import { Link } from 'react-router';
import { ask, wordsOf } from '../../api/client.ts';
import { Choice, Field, Wrong } from '../../forms/Fields.tsx';
import { forget, useKept } from '../../forms/kept.ts';
import { useTitle } from '../../frame/title.ts';
import { TownPicker } from '../../parts/TownPicker.tsx';
import { todayIn } from '../../reader/days.ts';
import { COMPASS } from '@zinc-pail/words/places';
import { NameField } from '../takein/NameField.tsx';
import { mixesInOrder } from '../takein/mixChoice.ts';
import { USUAL_POTS, usualPotWords } from '../takein/usualPots.ts';
import {
  asksFacing,
  benchName,
  type Draft,
  EMPTY,
  KINDS,
  type Made,
  makeIt,
  nextStep,
  STEPS,
  type StepName,
  TAPS,
} from './begin.ts';

const HEADS: Record<StepName, string> = {
  where: 'Where are your plants?',
  water: 'What comes from the tap?',
  bench: 'Where are they?',
  plant: 'The first plant',
};

export function BeginScreen({ kit }: { kit: Kit }) {
  useTitle('Begin');
  const [draft, setDraft] = useKept<Draft>('begin', EMPTY);
  const [step, setStep] = useKept<StepName>('begin-step', 'where');
  const set = (change: Partial<Draft>, on = true) => {
    // Two answers of one event both count.
    setDraft((before) => ({ ...before, ...change }));
    if (on) setStep(nextStep({ ...draft, ...change }));
  };
  return (
    <div className="mx-auto max-w-3xl px-3 pb-16 pt-8 sm:px-6">
      <p className="slab text-[1.1875rem]">Four questions, then your first plant.</p>
      <h1 className="mb-4 mt-1 text-3xl font-semibold">{HEADS[step]}</h1>
      <Way draft={draft} step={step} onStep={setStep} />
      {step === 'where' && <TownPicker onTown={(town) => set({ town })} />}
      {step === 'water' && (
        <Cards
          of="What comes from the tap"
          options={TAPS.map(({ kind, label, sense }) => ({ id: kind, label, sense }))}
          onPick={(id) => set({ tap: id as Draft['tap'] })}
        >
          <button type="button" className="mt-3 h-11 underline" onClick={() => set({ tap: 'hard' })}>
            I don’t know: assume hard water, to be on the safe side
          </button>
        </Cards>
      )}
      {step === 'bench' && <Bench draft={draft} onBench={set} />}
      {step === 'plant' && <FirstPlant draft={draft} kit={kit} onChange={(change) => set(change, false)} />}
      <p className="mt-10 text-[0.9375rem] text-[var(--ink-2)]">
        Or bring what you have: a list or a garden file comes in through the{' '}
        <Link to="/shed" className="underline">
          shed
        </Link>
        , once it knows where you are.
      </p>
    </div>
  );
}

/** The four steps on a rail: what was answered, and a way back to each. */
function Way({ draft, step, onStep }: { draft: Draft; step: StepName; onStep(step: StepName): void }) {
  const answers: Record<StepName, string | null> = {
    where: draft.town?.name ?? null,
    water: TAPS.find(({ kind }) => kind === draft.tap)?.label ?? null,
    bench: draft.kind ? benchName(draft) : null,
    plant: draft.name.trim() || null,
  };
  const reached = STEPS.indexOf(nextStep(draft));
  return (
    <ol aria-label="Steps" className="mb-6 grid grid-cols-4 border-t-4 border-[var(--rule)]">
      {STEPS.map((one, i) => (
        <li
          key={one}
          className={`-mt-1 border-t-4 pr-2 ${one === step ? 'border-[var(--clay)]' : answers[one] ? 'border-[var(--ink)]' : 'border-transparent'}`}
        >
          <button
            type="button"
            disabled={i > reached}
            aria-current={one === step ? 'step' : undefined}
            className={`min-h-11 w-full py-1 text-left text-[0.9375rem] disabled:text-[var(--ink-2)] ${one === step ? 'font-semibold' : ''}`}
            onClick={() => onStep(one)}
          >
            {i + 1} {{ where: 'Where', water: 'Water', bench: 'Bench', plant: 'Plant' }[one]}
            {answers[one] && <span className="block truncate text-[0.875rem] font-normal">{answers[one]}</span>}
          </button>
        </li>
      ))}
    </ol>
  );
}

interface CardsProps {
  of: string;
  options: readonly { id: string; label: string; sense?: string }[];
  onPick(id: string): void;
  children?: ReactNode;
}

function Cards({ of, options, onPick, children }: CardsProps) {
  return (
    <div role="group" aria-label={of}>
      <div className="grid gap-3 sm:grid-cols-2">
        {options.map(({ id, label, sense }) => (
          <button
            key={id}
            type="button"
            className="min-h-[72px] border border-[var(--ink)] px-4 py-2 text-left hover:bg-[var(--frame)]"
            onClick={() => onPick(id)}
          >
            <strong className="slab block text-[1.125rem] font-semibold">{label}</strong>
            {sense && <span className="text-[0.9375rem]">{sense}</span>}
          </button>
        ))}
      </div>
      {children}
    </div>
  );
}

/** Of the compass rose, px. */
const RADIUS = 134;

/** One bench: what it is, and which way it faces where that matters. */
function Bench({ draft, onBench }: { draft: Draft; onBench(change: Partial<Draft>, on?: boolean): void }) {
  const [kind, setKind] = useState<Draft['kind']>(draft.kind);
  if (!kind || !asksFacing(kind))
    return (
      <Cards
        of="Where they stand"
        options={KINDS.map((one) => ({ id: one.kind, label: one.label, sense: one.sense }))}
        onPick={(id) => {
          const picked = id as Draft['kind'];
          setKind(picked);
          if (!asksFacing(picked)) onBench({ kind: picked, faces: null });
        }}
      />
    );
  return (
    <section aria-label="Which way it faces">
      <p className="mb-3 text-[1.0625rem]">Which way does it face?</p>
      <div role="group" aria-label="Which way it faces" className="relative mx-auto size-[340px]">
        <svg viewBox="-20 -20 340 340" className="absolute inset-0" aria-hidden="true">
          <circle cx="150" cy="150" r="134" fill="none" stroke="var(--rule)" strokeWidth="2" />
          <path d="M150,52l12,98h-24z" fill="var(--rust)" />
          <path d="M150,248l12,-98h-24z" fill="var(--rule)" />
        </svg>
        {COMPASS.map(({ label, deg }) => {
          const angle = ((deg - 90) * Math.PI) / 180;
          return (
            <button
              key={deg}
              type="button"
              className="absolute grid h-11 min-w-[84px] -translate-x-1/2 -translate-y-1/2 place-items-center border border-[var(--ink)] bg-[var(--paper)] px-1"
              style={{ left: 170 + RADIUS * Math.cos(angle), top: 170 + RADIUS * 1.08 * Math.sin(angle) }}
              onClick={() => onBench({ kind, faces: deg })}
            >
              {label}
            </button>
          );
        })}
      </div>
      <div className="mt-4 flex gap-5">
        <button type="button" className="h-11 underline" onClick={() => onBench({ kind, faces: null })}>
          Not sure: use an average
        </button>
        <button type="button" className="h-11 underline" onClick={() => setKind(null)}>
          Another kind of place
        </button>
      </div>
    </section>
  );
}

function FirstPlant({ draft, kit, onChange }: { draft: Draft; kit: Kit; onChange(change: Partial<Draft>): void }) {
  const queries = useQueryClient();
  const made = useRef<Made>({ client_id: crypto.randomUUID() });
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const take = async () => {
    if (draft.name.trim() === '') return setWrong('A name, even if it is only “unknown globe”.');
    if (draft.meant === null && unclearName(draft.name))
      return setWrong('That name fits several: say which is meant, below it.');
    setWrong(null);
    setBusy(true);
    try {
      await makeIt(draft, kit, todayIn(draft.town!.time_zone), made.current, ask);
      forget('begin', 'begin-step');
      await queries.invalidateQueries();
    } catch (error) {
      setWrong(wordsOf(error));
      setBusy(false);
    }
  };
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void take();
      }}
    >
      <NameField
        value={draft.name}
        onChange={(name) => onChange({ name })}
        meant={draft.meant}
        onMeant={(meant) => onChange({ meant })}
        household={{ has_pets: false, has_children: false }}
      />
      <Field label="Its pot, about">
        {(id) => (
          <select
            id={id}
            className="select h-11 w-72"
            value={draft.pot}
            onChange={(event) => onChange({ pot: event.target.value })}
          >
            {USUAL_POTS.map((usual) => (
              <option key={usual.id} value={usual.id}>
                {usualPotWords(usual)}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Field label="In which mix" hint="Most bought plants stand in bagged soil: that is what “don’t know” means here.">
        {(id) => (
          <select
            id={id}
            className="select h-11 w-72"
            value={draft.mix ?? ''}
            onChange={(event) => onChange({ mix: event.target.value === '' ? null : Number(event.target.value) })}
          >
            <option value="">don’t know</option>
            {mixesInOrder(kit.mixes).map((mix) => (
              <option key={mix.id} value={mix.id}>
                {mix.name}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Choice
        legend="Last watered"
        name="last"
        value={draft.lastWatered}
        onChange={(lastWatered) => onChange({ lastWatered: lastWatered as Draft['lastWatered'] })}
        options={[
          { id: 'unknown', label: 'don’t know: feel it first' },
          { id: 'week', label: 'about a week ago' },
          { id: 'today', label: 'today' },
        ]}
      />
      <Wrong words={wrong} />
      <button type="submit" className="btn btn-primary h-12 px-6 text-[1.0625rem]" disabled={busy}>
        {busy ? 'Getting ready…' : 'Add it'}
      </button>
    </form>
  );
}
