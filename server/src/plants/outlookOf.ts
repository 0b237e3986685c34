import type { OutlookView } from '@zinc-pail/core';
import type { App } from '../app.ts';
import { sites } from '../garden/store.ts';
import { notFound } from '../http/problem.ts';

/** One plant's outlook as things stand now. */
export async function outlookOf(app: App, siteId: number, plantId: number): Promise<OutlookView> {
  const site = (await sites(app.pool)).find(({ id }) => id === siteId);
  const view = site && (await app.outlooks.ofSite(site)).views.get(plantId);
  if (!view) throw notFound('plant');
  return view;
}
