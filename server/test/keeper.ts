/** What a keeper does over and over in these tests, at a bench of their own. */
import { randomUUID } from 'node:crypto';
import { type Served, today } from './harness.ts';

export const watering = (over: object = {}) => ({
  client_id: randomUUID(),
  date: today(),
  type: 'watering',
  method: 'drench',
  ...over,
});

export const daysAgo = (n: number) => new Date(Date.now() - n * 86_400_000).toISOString().slice(0, 10);

export const POT = {
  shape: 'round',
  top_mm: 90,
  base_mm: 67,
  depth_mm: 80,
  material: 'plastic',
  holes: true,
  top_dressing_mm: 0,
};

/** @param here the bench, once it stands */
export function keeper(here: () => Served) {
  const send = (path: string, body: unknown, headers: Record<string, string> = {}, method = 'POST') =>
    here().ask(path, { method, body, headers });
  return {
    send,
    /** A plant in a plastic pot on the shelf, taken in today unless told otherwise. */
    takeIn: (over: object = {}) =>
      send('/api/plants', {
        client_id: randomUUID(),
        name: 'Aloe variegata',
        pot: POT,
        mix_id: 1,
        place_id: 1,
        date: today(),
        ...over,
      }),
    plant: async (id: number) => (await here().ask(`/api/plants/${id}`)).body,
    rows: async (table: string) =>
      ((await here().pool.query<any[]>(`SELECT COUNT(*) AS n FROM ${table}`))[0][0] as { n: number }).n,
  };
}
