/** The arrival list: what to look at before a new plant joins the others. */
import type { PlantView } from '@zinc-pail/contract/api';
import { APART_DAYS } from '@zinc-pail/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask } from '../../api/client.ts';
import { useJournal } from '../../api/journal.ts';
import { plantKey } from '../../api/plant.ts';
import { roundKey } from '../../api/round.ts';
import { addDays, fullDay } from '../../reader/days.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { Form } from '../../forms/Form.tsx';
import { Choice, DayField, Field, Tick } from '../../forms/Fields.tsx';
import { cautionLines } from './Cautions.tsx';
import { Name } from '../../naming/Name.tsx';

export function LookOver({ plant, onClose }: { plant: PlantView; onClose(): void }) {
  const { today } = plant.site;
  const [found, setFound] = useState({
    pests: false,
    sleeve_off: false,
    peat_off: false,
    hole: plant.outlook.pot.holes,
    name_checked: false,
  });
  const [roots, setRoots] = useState('not-seen');
  const [words, setWords] = useState('');
  const [apart, setApart] = useState(addDays(today, APART_DAYS));
  const journal = useJournal();
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: async () => {
      await journal.write([
        {
          plantId: plant.id,
          seen: null,
          events: [
            {
              type: 'arrival',
              date: today,
              ...found,
              roots: roots as 'sound',
              ...(words.trim() ? { text: words.trim() } : {}),
            },
          ],
        },
      ]);
      const { pot } = plant.outlook;
      // What is seen of the hole is a fact of the pot: from it drinks are measured.
      if (found.hole !== pot.holes)
        await ask(`/plants/${plant.id}/pottings`, {
          method: 'POST',
          version: plant.version,
          body: {
            client_id: crypto.randomUUID(),
            kind: 'set-right',
            pot: { ...pot, holes: found.hole },
            mix_id: plant.mix.id,
          },
        });
      const { version } = await ask<PlantView>(`/plants/${plant.id}`);
      await ask(`/plants/${plant.id}`, {
        method: 'PATCH',
        version,
        body: { quarantine_until: apart === '' ? null : apart },
      });
      await Promise.all([
        queries.invalidateQueries({ queryKey: plantKey(plant.id) }),
        queries.invalidateQueries({ queryKey: roundKey }),
      ]);
    },
    onSuccess: onClose,
  });
  const tick = (key: keyof typeof found, label: string) => (
    <Tick label={label} checked={found[key]} onChange={(on) => setFound({ ...found, [key]: on })} />
  );
  return (
    <Dialog
      title={
        <>
          Looking over <Name written={plant.name} />
        </>
      }
      onClose={onClose}
    >
      <Form
        error={save.error}
        onSubmit={() => {
          save.mutate();
        }}
      >
        <ul className="mb-2 text-[0.9375rem]">
          {cautionLines(plant.outlook, plant.record.poisonous).map((line) => (
            <li key={line} className="border-l-4 border-[var(--rust)] pl-2">
              {line}
            </li>
          ))}
        </ul>
        {tick('sleeve_off', 'foil, sleeve and outer pot are off')}
        {tick('hole', 'the pot has an open hole')}
        {tick('peat_off', 'soaked peat is shaken off, or noted to be')}
        {tick('name_checked', 'the name is checked against the plant')}
        {tick('pests', 'pests were found: check axils, folds, under the rim and the roots')}
        <Choice
          legend="Roots"
          name="roots"
          value={roots}
          onChange={setRoots}
          options={[
            { id: 'sound', label: 'sound' },
            { id: 'poor', label: 'poor' },
            { id: 'not-seen', label: 'not seen' },
          ]}
        />
        <Field label="In words">
          {(id) => (
            <textarea
              id={id}
              rows={2}
              maxLength={1000}
              className="textarea w-full"
              value={words}
              onChange={(event) => setWords(event.target.value)}
            />
          )}
        </Field>
        <DayField
          label="In quarantine until"
          hint="Most pests show within four weeks. Leave empty for no quarantine."
          min={today}
          value={apart}
          onChange={setApart}
        />
        {(!found.sleeve_off || !found.hole) && (
          <p className="border-l-4 border-[var(--straw)] pl-2 text-[0.9375rem]">
            Do that today:{' '}
            {[
              !found.sleeve_off && 'take sleeve and foil off, they hold the run-off',
              !found.hole && 'give the pot a hole, or water it by small measures only',
            ]
              .filter(Boolean)
              .join('; ')}
            .
          </p>
        )}
        {found.pests && (
          <p className="border-l-4 border-[var(--rust)] pl-2 text-[0.9375rem]">
            Keep it well apart until {fullDay(apart || today)}, and wash your hands and tools between it and the others.
          </p>
        )}
        <div className="mt-4 flex gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6" disabled={save.isPending}>
            {save.isPending ? 'Writing…' : 'Save'}
          </button>
          <button type="button" className="btn h-11" onClick={onClose}>
            Later
          </button>
        </div>
      </Form>
    </Dialog>
  );
}
