/** What can be done for many plants at once: marks, a move, rules, labels, an end. */
import type { RoundPot } from '@zinc-pail/contract/api';
import { MOST_LABELS } from '@zinc-pail/contract/limits';
import type { TableRow } from '@zinc-pail/contract/table';
import { LIGHTS, SLEEPS, STANDS, WATER_KINDS } from '@zinc-pail/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { ask, wordsOf } from '../../api/client.ts';
import { endBody, EndFields, type Ending } from '../../parts/EndFields.tsx';
import { Dialog } from '../../forms/Dialog.tsx';
import { Form } from '../../forms/Form.tsx';
import { Field, Wrong } from '../../forms/Fields.tsx';
import { felt, type Felt, marked, wateredAsAdvised } from '../../marking/markEvents.ts';
import { useMarks } from '../../marking/Marks.tsx';
import { NotePanel } from '../../marking/NotePanel.tsx';
import { count } from '../../reader/amounts.ts';
import { LIGHT_WORDS, SLEEP_WORDS, STAND_WORDS } from '../plant/ruleLines.ts';

/** Marks carry the judgement of each pot along: more than these are done bench by bench. */
const MOST_MARKED = 300;

interface ForManyProps {
  rows: readonly TableRow[];
  today: string;
  onMove(): void;
  onNone(): void;
}

export function ForMany({ rows, today, onMove, onNone }: ForManyProps) {
  const [panel, setPanel] = useState<'rules' | 'gone' | null>(null);
  const [noting, setNoting] = useState<RoundPot[] | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const { mark } = useMarks();
  const ids = rows.map(({ id }) => id);
  /** Their pots as they are judged now, asked for bench by bench. */
  const pots = async (): Promise<RoundPot[]> => {
    const wanted = new Set(ids);
    const benches = [...new Set(rows.map((row) => row.place_id))];
    const all = await Promise.all(benches.map((id) => ask<{ pots: RoundPot[] }>(`/places/${id}/pots`)));
    return all.flatMap((bench) => bench.pots).filter(({ id }) => wanted.has(id));
  };
  const act = async (deed: (pots: RoundPot[]) => Promise<unknown> | unknown) => {
    setWrong(null);
    if (ids.length > MOST_MARKED) return setWrong(`You can note up to ${MOST_MARKED} plants at once.`);
    try {
      await deed(await pots());
    } catch (error) {
      setWrong(wordsOf(error));
    }
  };
  const water = () =>
    act((some) =>
      mark(
        some.map((pot) => marked(pot, today)),
        (pot) => wateredAsAdvised(pot.before, today),
        'watered as advised',
      ),
    );
  const feel = (how: Felt) =>
    act((some) =>
      mark(
        some.map((pot) => marked(pot, today)),
        () => felt(how, today),
        `felt ${how}`,
      ),
    );
  return (
    <div
      role="region"
      aria-label="Chosen plants"
      className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1 border-y border-[var(--ink)] bg-[var(--frame)] px-2 py-1 print:hidden"
    >
      <strong className="font-semibold">Selected: {count(ids.length, 'plant')}</strong>
      <button type="button" className="btn btn-primary h-11" onClick={() => void water()}>
        Watered
      </button>
      {(['wet', 'damp', 'dry'] as const).map((how) => (
        <button key={how} type="button" className="h-11 underline" onClick={() => void feel(how)}>
          felt {how}
        </button>
      ))}
      <button type="button" className="h-11 underline" onClick={() => void act(setNoting)}>
        note…
      </button>
      <button type="button" className="h-11 underline" onClick={onMove}>
        move…
      </button>
      <button type="button" className="h-11 underline" onClick={() => setPanel('rules')}>
        rules…
      </button>
      <Link
        className="flex h-11 items-center underline"
        to={`/shed/papers-out?labels=${ids.slice(0, MOST_LABELS).join(',')}`}
      >
        labels…
      </Link>
      <button type="button" className="h-11 underline" onClick={() => setPanel('gone')}>
        gone…
      </button>
      <button type="button" className="ml-auto h-11 underline" onClick={onNone}>
        clear
      </button>
      <Wrong words={wrong} />
      {noting && (
        <NotePanel pots={noting.map((pot) => marked(pot, today))} date={today} onClose={() => setNoting(null)} />
      )}
      {panel === 'rules' && <RulesForMany ids={ids} onClose={() => setPanel(null)} />}
      {panel === 'gone' && (
        <GoneForMany
          ids={ids}
          names={rows.map(({ name }) => name)}
          today={today}
          onClose={(done) => {
            setPanel(null);
            if (done) onNone();
          }}
        />
      )}
    </div>
  );
}

const AS_EACH = '';
const AS_KIND = 'kind';

const RULES: readonly { rule: string; head: string; of: readonly (readonly [value: string, words: string])[] }[] = [
  { rule: 'light', head: 'Light', of: LIGHTS.map((light) => [light, LIGHT_WORDS[light]]) },
  { rule: 'sleeps', head: 'Sleep', of: SLEEPS.map((sleep) => [sleep, SLEEP_WORDS[sleep]]) },
  { rule: 'stand', head: 'Saucer', of: STANDS.map((stand) => [stand, STAND_WORDS[stand]]) },
  { rule: 'waters', head: 'Water', of: WATER_KINDS.map((water) => [water, `${water} only`]) },
  {
    rule: 'salts',
    head: 'Salts',
    of: [
      ['sensitive', 'minds them'],
      ['usual', 'tolerates some'],
      ['hardy', 'tolerates them'],
    ],
  },
  {
    rule: 'hardToReplace',
    head: 'Hard to replace',
    of: [
      ['yes', 'yes'],
      ['no', 'no'],
    ],
  },
];

/** What is sent of the choices: those left alone are not in it, and "as its kind" puts a rule back. */
export function rulesChosen(chosen: Readonly<Record<string, string>>): Record<string, unknown> {
  const valueOf = (rule: string, value: string) => {
    if (value === AS_KIND) return null;
    if (rule === 'waters') return [value];
    return rule === 'hardToReplace' ? value === 'yes' : value;
  };
  return Object.fromEntries(
    Object.entries(chosen).flatMap(([rule, value]) => (value === AS_EACH ? [] : [[rule, valueOf(rule, value)]])),
  );
}

function RulesForMany({ ids, onClose }: { ids: readonly number[]; onClose(): void }) {
  const [chosen, setChosen] = useState<Record<string, string>>({});
  const queries = useQueryClient();
  const rules = rulesChosen(chosen);
  const set = useMutation({
    mutationFn: () => ask('/plants/rules', { method: 'POST', body: { plant_ids: ids, rules } }),
    onSuccess: async () => {
      await queries.invalidateQueries();
      onClose();
    },
  });
  return (
    <Dialog title={`Rules of ${count(ids.length, 'plant')}`} onClose={onClose}>
      <Form
        error={set.error}
        onSubmit={() => {
          set.mutate();
        }}
      >
        {RULES.map(({ rule, head, of }) => (
          <Field key={rule} label={head}>
            {(id) => (
              <select
                id={id}
                className="select h-11 w-full"
                value={chosen[rule] ?? AS_EACH}
                onChange={({ target }) => setChosen({ ...chosen, [rule]: target.value })}
              >
                <option value={AS_EACH}>left as each has it</option>
                {of.map(([value, words]) => (
                  <option key={value} value={value}>
                    {words}
                  </option>
                ))}
                <option value={AS_KIND}>reset: as its kind and place suggest</option>
              </select>
            )}
          </Field>
        ))}
        <button
          type="submit"
          className="btn btn-primary mt-4 h-11 px-6"
          disabled={set.isPending || Object.keys(rules).length === 0}
        >
          {set.isPending ? 'Working it out…' : `Set for ${count(ids.length, 'plant')}`}
        </button>
      </Form>
    </Dialog>
  );
}

const NAMED = 6;

function GoneForMany({
  ids,
  names,
  today,
  onClose,
}: {
  ids: readonly number[];
  names: readonly string[];
  today: string;
  onClose(done: boolean): void;
}) {
  const [ending, setEnding] = useState<Ending>({ how: 'given', date: today, cause: '' });
  const queries = useQueryClient();
  const end = useMutation({
    mutationFn: () => ask('/plants/end', { method: 'POST', body: { plant_ids: ids, ...endBody(ending) } }),
    onSuccess: async () => {
      await queries.invalidateQueries();
      onClose(true);
    },
  });
  return (
    <Dialog title={`${count(ids.length, 'plant')} gone`} onClose={() => onClose(false)}>
      <Form
        error={end.error}
        onSubmit={() => {
          end.mutate();
        }}
      >
        <p className="mb-2">
          {names.slice(0, NAMED).join(', ')}
          {names.length > NAMED && ` and ${names.length - NAMED} more`}. Their records stay, and each can be restored
          from the shed.
        </p>
        <EndFields ending={ending} today={today} many onChange={setEnding} />
        <button type="submit" className="btn btn-primary mt-4 h-11 px-6" disabled={end.isPending}>
          {end.isPending ? 'Writing…' : `Write ${count(ids.length, 'end')}`}
        </button>
      </Form>
    </Dialog>
  );
}
