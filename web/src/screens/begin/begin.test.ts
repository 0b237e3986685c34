import { describe, expect, it } from 'vitest';
import type { Kit } from '@zinc-pail/contract/keeping';
import { benchName, type Draft, EMPTY, type Made, makeIt, nextStep } from './begin.ts';

const TOWN = {
  name: 'Brackwehr',
  country: '',
  province: null,
  latitude_deg: 47.3,
  longitude_deg: 13.1,
  time_zone: 'Europe/Vienna',
};
const DRAFT: Draft = { ...EMPTY, town: TOWN, tap: 'soft', kind: 'windowsill', faces: 180, name: ' Aloe ' };
const KIT = {
  mixes: [
    { id: 3, name: 'All mineral', parts: [{ component: 'pumice', parts: 5 }] },
    { id: 7, name: 'Straight from the sack', parts: [{ component: 'potting-soil', parts: 1 }] },
  ],
} as unknown as Kit;

describe('the steps of a beginning', () => {
  it('come one after the other, and an answer taken back is asked again', () => {
    expect(nextStep(EMPTY)).toBe('where');
    expect(nextStep({ ...EMPTY, town: TOWN })).toBe('water');
    expect(nextStep({ ...EMPTY, town: TOWN, tap: 'hard' })).toBe('bench');
    expect(nextStep(DRAFT)).toBe('plant');
    expect(nextStep({ ...DRAFT, town: null })).toBe('where');
  });
  it('a bench is named for what it is and where it faces', () => {
    expect(benchName(DRAFT)).toBe('Windowsill, south');
    expect(benchName({ kind: 'lamp-shelf', faces: 180 })).toBe('Lamp');
    expect(benchName({ kind: 'covered', faces: null })).toBe('Balcony');
  });
});

describe('making it so', () => {
  const asked = () => {
    const sent: [string, Record<string, unknown>][] = [];
    let fails = '';
    const ask = async <T>(path: string, init?: { body: unknown }): Promise<T> => {
      if (path === fails) throw new Error('gone');
      sent.push([path, init!.body as Record<string, unknown>]);
      return { id: sent.length } as T;
    };
    return { sent, ask, failAt: (path: string) => (fails = path) };
  };
  it('sends site, water, bench and plant, each with what was told', async () => {
    const { sent, ask } = asked();
    await makeIt({ ...DRAFT, lastWatered: 'week' }, KIT, '2026-06-20', { client_id: 'a' }, ask);
    expect(sent.map(([path]) => path)).toEqual(['/sites', '/waters', '/places', '/plants']);
    expect(sent[0]![1]).toMatchObject({ latitude_deg: 47.3, time_zone: 'Europe/Vienna' });
    expect(sent[1]![1]).toEqual({ name: 'Tap', kind: 'soft' });
    expect(sent[2]![1]).toMatchObject({ site_id: 1, kind: 'windowsill', aspect_deg: 180 });
    expect(sent[3]![1]).toMatchObject({
      name: 'Aloe',
      place_id: 3,
      mix_id: 7,
      last_watered: '2026-06-13',
      client_id: 'a',
    });
  });
  it('goes on where it stopped: nothing is made twice', async () => {
    const { sent, ask, failAt } = asked();
    const made: Made = { client_id: 'a' };
    failAt('/plants');
    await expect(makeIt(DRAFT, KIT, '2026-06-20', made, ask)).rejects.toThrow('gone');
    failAt('');
    await makeIt(DRAFT, KIT, '2026-06-20', made, ask);
    expect(sent.map(([path]) => path)).toEqual(['/sites', '/waters', '/places', '/plants']);
  });
  it('a mix nobody knows is the bagged soil that most bought plants stand in, whatever it is called; a known one its own', async () => {
    const { sent, ask } = asked();
    await makeIt(DRAFT, KIT, '2026-06-20', { client_id: 'a' }, ask);
    await makeIt({ ...DRAFT, mix: 3 }, KIT, '2026-06-20', { client_id: 'b' }, ask);
    expect(sent.filter(([path]) => path === '/plants').map(([, body]) => body.mix_id)).toEqual([7, 3]);
  });
  it('where no such recipe is left it is made, once', async () => {
    const { sent, ask, failAt } = asked();
    const made: Made = { client_id: 'a' };
    const kit = { mixes: KIT.mixes.slice(0, 1) } as unknown as Kit;
    failAt('/plants');
    await expect(makeIt(DRAFT, kit, '2026-06-20', made, ask)).rejects.toThrow('gone');
    failAt('');
    await makeIt(DRAFT, kit, '2026-06-20', made, ask);
    expect(sent.map(([path]) => path)).toEqual(['/sites', '/waters', '/places', '/mixes', '/plants']);
    expect(sent[3]![1]).toMatchObject({ parts: [{ component: 'potting-soil', parts: 1 }] });
    expect(sent[4]![1]).toMatchObject({ mix_id: 4 });
  });
  it('a bench in the open is breezy, one behind glass still', async () => {
    const { sent, ask } = asked();
    for (const kind of ['open', 'covered', 'cold-glass', 'room'] as const)
      await makeIt({ ...DRAFT, kind }, KIT, '2026-06-20', { client_id: kind }, ask);
    expect(sent.filter(([path]) => path === '/places').map(([, body]) => body.air)).toEqual([
      'breezy',
      'breezy',
      'still',
      'still',
    ]);
  });
  it('a date nobody knows is not made up', async () => {
    const { sent, ask } = asked();
    await makeIt(DRAFT, KIT, '2026-06-20', { client_id: 'a' }, ask);
    expect(sent[3]![1]).not.toHaveProperty('last_watered');
  });
  it('asks for what lacks before it sends anything', async () => {
    const { sent, ask } = asked();
    await expect(makeIt({ ...DRAFT, tap: null }, KIT, '2026-06-20', { client_id: 'a' }, ask)).rejects.toThrow(/first/);
    expect(sent).toEqual([]);
  });
});
