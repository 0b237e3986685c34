/** Where the gardens lie: sky, season and day follow from it. */
import { LONGEST_NAME } from '@zinc-pail/contract/limits';
import { usualFromWords } from '@zinc-pail/words/weather';
import { useState } from 'react';
import { Link } from 'react-router';
import { notSent } from '../../api/client.ts';
import type { Kit } from '../../api/kit.ts';
import { Form } from '../../forms/Form.tsx';
import { KeepOrLeave, Line } from '../../forms/Fields.tsx';
import { TownPicker } from '../../parts/TownPicker.tsx';
import { Ledger } from './Ledger.tsx';
import { type Site, type SiteForm, siteFormOf, siteOf, whereWords } from './siteForm.ts';
import { useKept } from './useKept.ts';

export function Sites({ kit }: { kit: Kit }) {
  const { drop } = useKept('sites');
  return (
    <section aria-label="Sites">
      <p className="mb-3 max-w-prose">
        Season, sun and usual weather follow from where a site lies; a thermometer among the plants mends what it shows.
      </p>
      <Ledger
        items={kit.sites}
        another="Another site"
        goes="Its benches go with it, and the weather on record; plants must stand elsewhere first. The books of plants that stood there stay."
        Words={SiteWords}
        Panel={SitePanel}
        onDrop={drop.mutateAsync}
      />
    </section>
  );
}

function SiteWords({ item: site }: { item: Site }) {
  return (
    <>
      {whereWords(site)}, {site.elevation_m} m up, {site.time_zone}.{' '}
      {site.usual_from ? (
        <>
          {usualFromWords(site.usual_from)}{' '}
          <Link to="/year/weather" className="underline">
            Bring better
          </Link>
        </>
      ) : (
        'Usual weather as you brought it.'
      )}
    </>
  );
}

function SitePanel({ item: site, onDone }: { item: Site | null; onDone(): void }) {
  const { add, change } = useKept('sites');
  const [form, setForm] = useState<SiteForm>(() =>
    siteFormOf(site, new Intl.DateTimeFormat().resolvedOptions().timeZone),
  );
  const [error, setError] = useState<unknown>(null);
  const [picking, setPicking] = useState(site === null);
  const set = (more: Partial<SiteForm>) => setForm((before) => ({ ...before, ...more }));
  const send = async () => {
    const given = siteOf(form, site);
    if (given.kind === 'wrong') return setError(notSent(given.at));
    try {
      if (site) await change.mutateAsync({ id: site.id, version: site.version, body: given.value });
      else await add.mutateAsync(given.value);
      onDone();
    } catch (failed) {
      setError(failed);
    }
  };
  const box = (field: keyof SiteForm, at: string, label: string, hint?: string) => (
    <Line
      label={label}
      hint={hint}
      at={at}
      list={field === 'zone' ? 'zones' : undefined}
      most={LONGEST_NAME}
      value={form[field]}
      onChange={(typed) => set({ [field]: typed })}
    />
  );
  return (
    <section aria-label={site ? `Change ${site.name}` : 'A new site'} className="border-l-4 border-[var(--rule)] pl-4">
      {picking ? (
        <>
          <TownPicker
            onTown={(town) => {
              set({ name: form.name || town.name, where: whereWords(town), zone: town.time_zone });
              setPicking(false);
            }}
          />
          <button type="button" className="mt-1 h-11 underline" onClick={() => setPicking(false)}>
            Type it all instead
          </button>
        </>
      ) : (
        <Form error={error} onSubmit={() => void send()}>
          {box('name', 'name', 'Name')}
          <div className="grid gap-x-4 sm:grid-cols-2">
            {box('where', 'where', 'Where it lies', '51.5° N, 0° 7′ W, or as your map writes it.')}
            {box('height', 'elevation_m', 'Height above the sea, m', 'Empty: guessed from the towns around.')}
            {box('zone', 'time_zone', 'Time zone')}
          </div>
          <datalist id="zones">
            {Intl.supportedValuesOf('timeZone').map((zone) => (
              <option key={zone} value={zone}>
                {zone}
              </option>
            ))}
          </datalist>
          <button type="button" className="h-11 underline" onClick={() => setPicking(true)}>
            By the name of a town
          </button>
          <KeepOrLeave
            keep={site ? 'Save' : 'Add this site'}
            busy={add.isPending || change.isPending}
            onLeave={onDone}
          />
        </Form>
      )}
    </section>
  );
}
