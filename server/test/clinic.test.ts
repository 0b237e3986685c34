/** The clinic on the wire: one plant's sheet, verdicts that act, steps on the Round, cases that close, benches with guests. */
import { randomUUID } from 'node:crypto';
import { plantSchema, roundSchema } from '@zinc-pail/contract/api';
import { clinicSchema, clinicSheetSchema, type ClinicSheet, type ClinicView } from '@zinc-pail/contract/clinic';
import type { RoundSite } from '@zinc-pail/contract/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { garden } from '../../core/test/gardens.ts';
import { type Served, served, keeps, today } from './harness.ts';

let here: Served;
beforeAll(async () => {
  here = await served();
});
afterAll(() => here.drop());

const back = (days: number) => new Date(Date.parse(today()) - days * 86_400_000).toISOString().slice(0, 10);
async function post(plant: number, ...entries: object[]) {
  const ids = entries.map(() => randomUUID());
  const answer = await here.ask('/api/marks', {
    method: 'POST',
    body: {
      marks: [
        { plant_id: plant, entries: entries.map((entry, i) => ({ client_id: ids[i], date: today(), ...entry })) },
      ],
      anyway: true,
    },
  });
  return { ...answer, ids };
}
const sheet = async (plant: number): Promise<ClinicSheet> => {
  const { body } = await here.ask(`/api/plants/${plant}/clinic`);
  keeps(clinicSheetSchema, body);
  return body;
};
const clinic = async (): Promise<ClinicView> => {
  const { body } = await here.ask('/api/clinic');
  keeps(clinicSchema, body);
  return body;
};
const round = async (): Promise<RoundSite> => {
  const { body } = await here.ask('/api/round');
  keeps(roundSchema, body);
  return body.sites[0];
};
const sign = (name: string, more: object = {}) => ({ type: 'sign', sign: name, strength: 2, ...more });

describe('limp and wet', () => {
  it('asks for the base, re-ranks at once when it is soft, and the verdict acts: no water anywhere, steps on the Round', async () => {
    await post(1, { type: 'watering', method: 'drench', date: back(5) });
    await post(1, { type: 'check', finger: 'wet' }, sign('limp'));
    const first = await sheet(1);
    expect(first.diagnosis!.rot).toBeGreaterThan(0.3);
    expect(first.answer.check).toBe('press-base');
    expect(first.answer.water).toBe('after-check');
    expect((await clinic()).questions.map(({ patient }) => patient.id)).toContain(1);

    await post(1, sign('soft-base'));
    const soft = await sheet(1);
    expect(soft.diagnosis!.rot).toBeGreaterThan(first.diagnosis!.rot);
    expect(soft.judgement.deeds[0]).toMatchObject({ deed: 'act', what: 'unpot' });
    expect(soft.answer.water).toBe('hold');

    await post(1, { type: 'verdict', cause: 'stem-rot', hold_until: null, gap: null });
    const held = await sheet(1);
    expect(held.cases).toHaveLength(1);
    expect(held.cases[0]!.holdUntil! > today()).toBe(true);
    const { clinic: todays } = await round();
    expect(todays.steps.filter(({ plant_id: id }) => id === 1).map(({ step }) => step)).toEqual(
      expect.arrayContaining(['unpot', 'cut']),
    );
    const plant = (await here.ask('/api/plants/1')).body;
    keeps(plantSchema, plant);
    expect(plant.task.judgement.deeds.some(({ deed }: { deed: string }) => deed === 'water')).toBe(false);
    expect((await clinic()).questions.map(({ patient }) => patient.id)).not.toContain(1);
  });
  it('each step done moves the next: the cut dries, the pot is dry, the first water ends the hold', async () => {
    const day = (step: string) => (plan: ClinicSheet) => plan.cases[0]!.steps.find((one) => one.step === step)!;
    await post(
      1,
      { type: 'case-step', cause: 'stem-rot', step: 'unpot' },
      { type: 'case-step', cause: 'stem-rot', step: 'cut' },
    );
    const cut = await sheet(1);
    expect(day('unpot')(cut).doneOn).toBe(today());
    expect(day('pot-dry')(cut).due! > today()).toBe(true);
    expect((await round()).clinic.steps.map(({ step }) => step)).not.toContain('unpot');
    await post(1, { type: 'case-step', cause: 'stem-rot', step: 'pot-dry' });
    expect(day('first-water')(await sheet(1)).due! > today()).toBe(true);
    await post(1, { type: 'case-step', cause: 'stem-rot', step: 'first-water' });
    expect((await sheet(1)).cases[0]!.holdUntil).toBeNull();
  });
  it('closes with an outcome, counts it, and is opened again when that is taken back', async () => {
    const { ids } = await post(1, { type: 'case-closed', cause: 'stem-rot', outcome: 'cured' });
    const after = await clinic();
    expect(after.open.map(({ patient }) => patient.id)).not.toContain(1);
    expect(after.closed[0]).toMatchObject({
      patient: { id: 1 },
      case: { cause: 'stem-rot', closed: { outcome: 'cured' } },
    });
    expect(after.worked[0]).toMatchObject({ cause: 'stem-rot', closed: 1, helped: 1, lost: 0 });
    expect(after.worked[0]!.steps.map(({ step }) => step)).toContain('cut');
    const taken = await here.ask('/api/marks/void', { method: 'POST', body: { client_ids: ids } });
    expect(taken.status).toBeLessThan(300);
    expect((await clinic()).open.map(({ patient }) => patient.id)).toContain(1);
  });
});

describe('guests', () => {
  it('are an outbreak of the bench: who has them, since when, who stands beside; and the neighbours are likelier to have them', async () => {
    await post(2, sign('white-fluff', { date: back(3) }));
    const { outbreaks } = await clinic();
    expect(outbreaks).toHaveLength(1);
    expect(outbreaks[0]).toMatchObject({ pest: 'mealybug', since: back(3) });
    expect(outbreaks[0]!.on.map(({ id }) => id)).toEqual([2]);
    expect(outbreaks[0]!.beside.length).toBeGreaterThan(0);
    const { judgement } = await sheet(2);
    expect(judgement.deeds).toContainEqual({ deed: 'move', what: 'apart' });
  });
  it('guests set a plant apart for four weeks from when they were found; a longer time that was chosen stays', async () => {
    const apart = async (id: number) => (await here.ask(`/api/plants/${id}`)).body.record.quarantine_until;
    const before = await apart(1);
    await post(1, { type: 'verdict', cause: 'thirst' });
    expect(await apart(1)).toBe(before);
    await post(1, { type: 'verdict', cause: 'mealybug', date: back(3) });
    expect(await apart(1)).toBe(back(3 - 28));
    await post(1, { type: 'verdict', cause: 'mealybug', date: back(20) });
    expect(await apart(1)).toBe(back(3 - 28));
    await post(1, { type: 'case-closed', cause: 'mealybug', outcome: 'cured' });
  });
  it('a case of a powdered plant asks for picking off again, never for the swab, until it was clean twice in a row, and can then be closed', async () => {
    await post(2, { type: 'verdict', cause: 'mealybug', date: back(20) });
    await post(2, { type: 'case-step', cause: 'mealybug', step: 'pick-off', date: back(20) });
    const asked = (await round()).clinic.steps
      .filter(({ plant_id: id }) => id === 2)
      .map(({ step, time }) => `${step} ${time}`);
    expect(asked).toEqual(expect.arrayContaining(['pick-off 2', 'look-over 1', 'neighbours 1']));
    await post(2, { type: 'case-step', cause: 'mealybug', step: 'look-over', found: 'clean', date: back(8) });
    expect((await sheet(2)).cases[0]).toMatchObject({ cleanRun: 1, ready: false });
    await post(2, { type: 'case-step', cause: 'mealybug', step: 'look-over', found: 'clean' });
    expect((await sheet(2)).cases[0]).toMatchObject({ cleanRun: 2, ready: true });
    expect(
      (await round()).clinic.steps.filter(
        ({ plant_id: id, step }) => id === 2 && step !== 'neighbours' && step !== 'isolate',
      ),
    ).toEqual([]);
  });
});

describe('a bench is looked over', () => {
  it('asked for once half of its plants are due, beside an outbreak within a week; all clean, and it is not asked again', async () => {
    const { clinic: before } = await round();
    expect(before.inspect).not.toBeNull();
    expect(before.inspect!.spots.length).toBeGreaterThan(0);
    const { pots } = (await here.ask(`/api/places/${before.inspect!.place_id}/pots`)).body as {
      pots: { id: number }[];
    };
    expect(pots.length).toBe(before.inspect!.plants);
    await here.ask('/api/marks', {
      method: 'POST',
      body: {
        marks: pots.map(({ id }) => ({
          plant_id: id,
          entries: [
            {
              client_id: randomUUID(),
              type: 'case-step',
              date: today(),
              cause: 'mealybug',
              step: 'look-over',
              found: 'clean',
            },
          ],
        })),
      },
    });
    const { clinic: after } = await round();
    expect(after.inspect?.place_id).not.toBe(before.inspect!.place_id);
  });
});

describe('what may not be written', () => {
  it.each([
    [{ type: 'verdict', cause: 'bad-luck' }, /cause/],
    [{ type: 'case-step', cause: 'thirst', step: 'pray' }, /step/],
    [{ type: 'case-closed', cause: 'thirst', outcome: 'well' }, /outcome/],
    [{ type: 'verdict', cause: 'thirst', hold_until: 'soon' }, /hold_until/],
  ])('%j is refused by name', async (entry, field) => {
    const { status, body } = await post(3, entry);
    expect(status).toBe(400);
    expect(JSON.stringify(body)).toMatch(field);
  });
  it('a plant that is not there has no sheet', async () => {
    expect((await here.ask('/api/plants/99999/clinic')).status).toBe(404);
  });
});

describe('cases in a garden file', () => {
  it('go in and come out again as they were, and hold the water of the plant they are of', async () => {
    const file = { format: 'zinc-pail/garden', version: 1, ...garden({ today: today() }) };
    const book = [
      { type: 'sign', date: back(9), sign: 'limp', strength: 2 },
      { type: 'verdict', date: back(8), cause: 'overwatering', hold_until: back(-20), gap: 'later' },
      { type: 'case-step', date: back(7), cause: 'overwatering', step: 'drier-air' },
      { type: 'verdict', date: back(60), cause: 'scale' },
      { type: 'case-step', date: back(50), cause: 'scale', step: 'look-over', found: 'clean' },
      { type: 'case-closed', date: back(40), cause: 'scale', outcome: 'cured' },
    ].sort((a, b) => (a.date < b.date ? -1 : 1));
    file.plants[0]!.events = book as never;
    const { status, body } = await here.ask('/api/import/garden?name=Clinic&time_zone=UTC', {
      method: 'POST',
      body: file,
    });
    expect(status, JSON.stringify(body)).toBeLessThan(300);
    const { sites } = (await here.ask('/api/kit')).body as { sites: { id: number; name: string }[] };
    const site = sites.find(({ name }) => name === 'Clinic')!;
    const out = (await here.ask(`/api/export/garden/${site.id}`)).body;
    expect(out.plants[0].events).toEqual(book);
    const view = await clinic();
    const open = view.open.find(({ patient }) => patient.site === 'Clinic')!;
    expect(open.case).toMatchObject({ cause: 'overwatering', holdUntil: back(-20), gap: 'later' });
    expect(view.closed.some(({ patient, case: one }) => patient.site === 'Clinic' && one.cause === 'scale')).toBe(true);
    expect((await sheet(open.patient.id)).answer.water).toBe('hold');
  });
});
