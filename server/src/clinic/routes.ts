/** The clinic: cases open and closed, hands raised by the record, outbreaks by bench, and one plant's sheet. */
import { plantIdParam } from '@zinc-pail/contract/api';
import {
  type CaseLine,
  clinicSchema,
  type ClinicSheet,
  clinicSheetSchema,
  type ClinicView,
  type Outbreak,
  type Patient,
} from '@zinc-pail/contract/clinic';
import {
  type Case,
  type ClinicLine,
  type Diagnosis,
  remedyFor,
  SIGN_TABLE,
  signsThat,
  spreads,
  whatWorked,
} from '@zinc-pail/core';
import type { App } from '../context.ts';
import { todayAt } from '../garden/clock.ts';
import { type SiteRow, sites } from '../garden/store.ts';
import { LONG_S } from '../http/limit.ts';
import { notFound } from '../http/refusals.ts';
import { route, type Route } from '../http/route.ts';
import { livingPlant } from '../plants/store.ts';
import { closedCases, type LookedOver, lookedOver, patients } from './store.ts';

export function clinicRoutes(app: App): Route[] {
  return [
    route({
      method: 'get',
      path: '/clinic',
      patienceS: LONG_S,
      does: 'Cases open and closed, signs without a case, hands that the record raised, outbreaks by bench, and what worked.',
      answer: clinicSchema,
      handle: () => clinic(app),
    }),
    route({
      method: 'get',
      path: '/plants/:plantId/clinic',
      does: 'What ails a plant: causes with what speaks for and against, the next check, its cases, two months back.',
      params: plantIdParam,
      answer: clinicSheetSchema,
      refuses: ['ended'],
      async handle({ params: { plantId } }) {
        const row = await livingPlant(app.pool, plantId);
        const site = (await sites(app.pool)).find(({ id }) => id === row.site_id);
        if (!site) throw notFound('plant');
        const [whole, closed, here] = await Promise.all([
          app.outlooks.clinicOf(site, plantId),
          closedCases(app.pool, site.collection_id, plantId),
          patients(app.pool, site.id),
        ]);
        const patient = here.find(({ id }) => id === plantId);
        if (!patient) throw notFound('plant');
        const { clinic: found, answer, judgement, strip, gap } = whole;
        const { diagnosis, raised, cases, plan } = found;
        return {
          today: todayAt(site.time_zone),
          patient,
          version: row.revision,
          diagnosis: diagnosis && told(diagnosis),
          answer,
          judgement,
          raised,
          cases,
          closed: closed.map(({ case: one }) => one),
          cautions: [...plan.cautions],
          traits: { form: plan.form, store: plan.store },
          strip,
          gap,
        };
      },
    }),
  ];
}

/** The signs stand in the strip. */
function told({ signs: _signs, ...diagnosis }: Diagnosis): ClinicSheet['diagnosis'] {
  return diagnosis;
}

async function clinic(app: App): Promise<ClinicView> {
  const all = await sites(app.pool);
  const parts = await Promise.all(all.map((site) => ofSite(app, site)));
  const closed = (
    await Promise.all([...new Set(all.map(({ collection_id: id }) => id))].map((id) => closedCases(app.pool, id)))
  ).flat();
  return {
    today: todayAt(all[0]?.time_zone ?? 'UTC'),
    open: parts.flatMap(({ open }) => open),
    closed: closed.map(({ patient, case: one }) => ({ patient, case: one })),
    questions: parts.flatMap(({ questions }) => questions),
    raised: parts.flatMap(({ raised }) => raised),
    outbreaks: parts.flatMap(({ outbreaks }) => outbreaks),
    worked: whatWorked(closed.map(({ case: one }) => one)),
  };
}

async function ofSite(
  app: App,
  site: SiteRow,
): Promise<Pick<ClinicView, 'open' | 'questions' | 'raised' | 'outbreaks'>> {
  const [outlooks, here, looked] = await Promise.all([
    app.outlooks.ofSite(site),
    patients(app.pool, site.id),
    lookedOver(app.pool, site.id),
  ]);
  const lines = here.flatMap((patient) => {
    const line = outlooks.tasks.get(patient.id)?.clinic;
    return line ? [{ patient, line }] : [];
  });
  return {
    open: lines.flatMap(({ patient, line }) => line.cases.map((one): CaseLine => ({ patient, case: one }))),
    questions: lines.flatMap(({ patient, line: { cases, raised: _raised, ...line } }) =>
      line.signs.some(({ sign }) => !GOOD.has(sign)) && !cases.some((one) => answers(one, line))
        ? [{ patient, line }]
        : [],
    ),
    raised: lines.flatMap(({ patient, line: { raised } }) => (raised.length > 0 ? [{ patient, raised }] : [])),
    outbreaks: outbreaksOf(here, lines, looked),
  };
}

/** Signs of nothing amiss: no question. */
const GOOD = signsThat('fine');

/** A case opened since the last sign was seen, or for something that is treated alike, is about these signs. */
function answers({ cause, openedOn }: Case, { signs, top }: Pick<ClinicLine, 'signs' | 'top'>): boolean {
  return signs.every(({ on }) => on <= openedOn) || (top !== null && remedyFor(cause) === remedyFor(top.cause));
}

/** Who has it, since when, and who stands beside them: a guest on one plant of a bench is a matter of the bench. */
function outbreaksOf(
  here: readonly Patient[],
  lines: readonly { patient: Patient; line: ClinicLine }[],
  looked: ReadonlyMap<number, LookedOver>,
): Outbreak[] {
  const found = new Map<string, Outbreak>();
  for (const { patient, line } of lines)
    for (const [pest, seen] of guestsOf(line)) {
      const key = `${patient.place_id} ${pest}`;
      const { place_id: placeId, place, site } = patient;
      const outbreak = found.get(key) ?? { pest, place_id: placeId, place, site, since: seen, on: [], beside: [] };
      outbreak.on.push({ id: patient.id, name: patient.name, seen });
      if (seen < outbreak.since) outbreak.since = seen;
      found.set(key, outbreak);
    }
  for (const outbreak of found.values()) {
    const sick = new Set(outbreak.on.map(({ id }) => id));
    outbreak.beside = here
      .filter((other) => other.place_id === outbreak.place_id && !sick.has(other.id))
      .map(({ id, name }) => ({ id, name, looked: looked.get(id)?.day ?? null }));
  }
  return [...found.values()].toSorted((a, b) => b.on.length - a.on.length);
}

function guestsOf({ cases, signs, top }: ClinicLine): Map<string, string> {
  const guests = new Map<string, string>();
  for (const { cause, openedOn } of cases) if (spreads(cause)) guests.set(cause, openedOn);
  for (const { sign, on } of signs) {
    const pest = SIGN_TABLE[sign].pest;
    // A sign that the clinic reads otherwise is no outbreak.
    if (pest && spreads(pest) && top?.cause === pest && !guests.has(pest)) guests.set(pest, on);
  }
  return guests;
}
