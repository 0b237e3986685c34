/** A living plant with all that is known and reckoned of it. */
import type { PlantView } from '@zinc-pail/contract/api';
import { genusCare, genusOf } from '@zinc-pail/core';
import { companionClashes } from '@zinc-pail/words/companions';
import type { App } from '../context.ts';
import { todayAt } from '../garden/clock.ts';
import { sites } from '../garden/store.ts';
import { notFound } from '../http/refusals.ts';
import { journalOf } from '../journal/store.ts';
import { potTask } from './pots.ts';
import { livingPlant, mixParts, plantRecord } from './store.ts';

export async function plantView(app: App, plantId: number): Promise<PlantView> {
  const row = await livingPlant(app.pool, plantId);
  const [{ reasons, ...record }, journal, parts] = await Promise.all([
    plantRecord(app.pool, plantId),
    journalOf(app.pool, plantId),
    mixParts(app.pool, row.mix_id),
  ]);
  const site = (await sites(app.pool, 'all')).find(({ id }) => id === row.site_id)!;
  const outlooks = await app.outlooks.ofPlants(site, [plantId]);
  const outlook = outlooks.views.get(plantId);
  const task = outlooks.tasks.get(plantId);
  if (!outlook || !task) throw notFound('plant');
  const { form, habit } = outlook.traits;
  const genus = genusOf(outlook.genus);
  const { doubt, slow, poisonous } = genusCare(genus, form, habit);
  const { id, number, name, taxon, provenance, diameter_mm, height_mm, revision, version, potted_on } = row;
  return {
    id,
    number,
    name,
    taxon,
    provenance,
    form,
    diameter_mm,
    height_mm,
    revision,
    version,
    potted_on,
    site: { id: row.site_id, name: row.site_name, today: todayAt(row.time_zone), latitude_deg: row.latitude_deg },
    place: { id: row.place_id, name: row.place_name, kind: row.place_kind },
    mix: { id: row.mix_id, name: row.mix_name, parts },
    outlook,
    task: potTask(task, record),
    care: { ...task.rules, reasons },
    journal,
    record: {
      ...record,
      doubt,
      slow,
      poisonous,
      genus: genus?.name ?? null,
      clashes: companionClashes(outlook.traits, record.companions),
    },
  };
}
