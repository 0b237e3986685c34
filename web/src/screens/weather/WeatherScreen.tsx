/** What each place has been and will be: against outside, against who lives there, and how it is known. */
import { units } from '../../reader/units.ts';
import type { PlaceWeather, SiteWeather, WeatherTaken } from '@zinc-pail/contract/weather';
import { dayNumber, standsWhen } from '@zinc-pail/core';
import { standsWords } from '@zinc-pail/words/stands';
import { ageWords, SOURCE_WORDS, usualFromWords } from '@zinc-pail/words/weather';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link } from 'react-router';
import { ask, wordsOf } from '../../api/client.ts';
import { useWeather, weatherKey } from '../../api/weather.ts';
import { CSV, FileField, tooLongWords } from '../../forms/FileField.tsx';
import { Choice, SectionHead, Wrong } from '../../forms/Fields.tsx';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { Name } from '../../naming/Name.tsx';
import { DoorTabs, YEAR_TABS } from '../../parts/DoorTabs.tsx';
import { useWidth } from '../../parts/useWidth.ts';
import { count, degrees } from '../../reader/amounts.ts';
import { longDay } from '../../reader/days.ts';
import { KIND_WORDS } from '@zinc-pail/words/places';
import { Instruments } from './Instruments.tsx';
import { NormalsPanel } from './NormalsPanel.tsx';
import { PlaceDays } from './PlaceDays.tsx';
import { PlaceYear } from './PlaceYear.tsx';

const USUAL_WORDS: Record<string, string> = {
  rh_pct: 'humidity',
  sunshine_h: 'sunshine',
  rain_mm: 'rain',
  wind_m_s: 'wind',
};

export default function WeatherScreen() {
  const weather = useWeather();
  const [chosen, setChosen] = useState<number | null>(null);
  if (weather.isPending) return <Waiting what="the weather" />;
  if (weather.isError) return <Failed error={weather.error} again={() => void weather.refetch()} />;
  const site = weather.data.find(({ id }) => id === chosen) ?? weather.data[0];
  return (
    <div className="px-3 pb-12 pt-4 sm:px-6">
      <div className="mb-1 flex flex-wrap items-end gap-x-6">
        <h1 className="text-2xl font-semibold">Weather</h1>
        <DoorTabs label="Year" tabs={YEAR_TABS} />
      </div>
      {weather.data.length > 1 && (
        <Choice
          legend="Where"
          name="site"
          value={String(site!.id)}
          onChange={(id) => setChosen(Number(id))}
          options={weather.data.map(({ id, name }) => ({ id: String(id), label: name }))}
        />
      )}
      {site ? (
        <SiteSection key={site.id} site={site} nowMs={weather.dataUpdatedAt} />
      ) : (
        <p className="max-w-prose">
          First say where your garden is, in the{' '}
          <Link to="/shed" className="underline">
            shed
          </Link>
          .
        </p>
      )}
      <Instruments />
    </div>
  );
}

function SiteSection({ site, nowMs }: { site: SiteWeather; nowMs: number }) {
  const [placeId, setPlaceId] = useState<number | null>(null);
  const [normals, setNormals] = useState(false);
  const place = site.places.find(({ id }) => id === placeId) ?? site.places[0];
  const [first, ...rest] = ageWords(site, nowMs, units());
  const away = site.service?.failed_since != null;
  const queries = useQueryClient();
  const again = useMutation({
    mutationFn: () => ask<{ sites: SiteWeather[] }>(`/sites/${site.id}/weather/ask`, { method: 'POST', body: {} }),
    onSuccess: ({ sites }) => {
      queries.setQueryData(weatherKey, sites);
      return queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== weatherKey[0] });
    },
  });
  return (
    <>
      <p className="max-w-prose py-1">
        <span className={away ? 'font-semibold text-[var(--straw)]' : ''}>{first}</span> {rest.join(' ')}{' '}
        {site.usual_from && usualFromWords(site.usual_from)}
      </p>
      {site.service && (
        <button type="button" className="btn mb-3 h-11" disabled={again.isPending} onClick={() => again.mutate()}>
          {again.isPending ? 'Asking…' : 'Ask the weather now'}
        </button>
      )}
      <Wrong words={again.isError ? wordsOf(again.error) : null} />
      {place ? (
        <>
          {site.places.length > 1 && (
            <Choice
              legend="Place"
              name="place"
              value={String(place.id)}
              onChange={(id) => setPlaceId(Number(id))}
              options={site.places.map(({ id, name }) => ({ id: String(id), label: name }))}
            />
          )}
          <PlaceSection key={place.id} site={site} place={place} />
        </>
      ) : (
        <p>No bench yet; make one on the benches.</p>
      )}
      <section aria-labelledby="records" className="mt-8 max-w-3xl">
        <SectionHead id="records">Records of your own</SectionHead>
        <button type="button" className="btn h-11" onClick={() => setNormals(true)}>
          Type the usual weather…
        </button>
        <Records site={site} />
      </section>
      {normals && <NormalsPanel site={site} onClose={() => setNormals(false)} />}
    </>
  );
}

function PlaceSection({ site, place }: { site: SiteWeather; place: PlaceWeather }) {
  const [day, setDay] = useState(site.today);
  const box = useRef<HTMLDivElement>(null);
  const width = Math.floor(useWidth(box, 0));
  const at = site.outside.findIndex(({ date }) => date === day);
  const learned = place.learned;
  return (
    <>
      <section aria-labelledby="days" ref={box}>
        <SectionHead id="days">
          {place.name}, {KIND_WORDS[place.kind as keyof typeof KIND_WORDS]}
        </SectionHead>
        {width > 0 && <PlaceDays site={site} place={place} width={width} day={day} onDay={setDay} />}
        <label className="flex h-11 items-center gap-3 text-[0.9375rem]">
          Day
          <input
            type="range"
            className="max-w-md grow accent-[var(--clay)]"
            min={0}
            max={site.outside.length - 1}
            value={at}
            onChange={(event) => setDay(site.outside[Number(event.target.value)]!.date)}
          />
        </label>
        <p aria-live="polite" className="min-h-12">
          {dayTold(site, place, day)}
        </p>
        <p className="text-[0.875rem] text-[var(--ink-2)]">
          Pale: outside. Green: among the plants; rings are readings; hatched: how unsure it is. Blue from the foot:
          rain. Dotted: nights that its plants bear, as dry or moist as they stand; teeth: nights that fell, or may
          fall, below.
        </p>
        <p className="mt-1">
          {learned.readings === 0
            ? 'No thermometer reading here: temperatures are estimated from the weather outside and the kind of place.'
            : `Against the estimate, nights are ${kelvin(learned.offset_min_c)} and days ${kelvin(learned.offset_max_c)}, ` +
              `learned from ${count(learned.readings, 'reading')}.`}
        </p>
      </section>
      <section aria-labelledby="year" className="mt-6">
        <SectionHead id="year">Its year of light</SectionHead>
        {width > 0 && <PlaceYear place={place} width={width} />}
      </section>
      <section aria-labelledby="who" className="mt-6 max-w-3xl">
        <SectionHead id="who">Which plants can be here, and when</SectionHead>
        <Stands site={site} place={place} />
        <AllYear site={site} place={place} />
      </section>
    </>
  );
}

function kelvin(k: number): string {
  if (Math.abs(k) < 0.05) return 'as estimated';
  return `${Math.abs(k).toFixed(1)} K ${k > 0 ? 'warmer' : 'colder'}`;
}

/** A day in words: outside, among the plants, and how it is known. */
function dayTold(site: SiteWeather, place: PlaceWeather, day: string): string {
  const outside = site.outside.find(({ date }) => date === day)!;
  const past = place.past.find(({ date }) => date === day);
  const ahead = place.ahead.find(({ date }) => date === day);
  const here = past
    ? `among the plants ${degrees(past.tmin_c)} to ${degrees(past.tmax_c)}, ${past.rh_pct} % humidity, ${SOURCE_WORDS[past.source]}`
    : ahead
      ? `among the plants a night of ${degrees(ahead.low_c.p50)} (${degrees(ahead.low_c.p10)} to ` +
        `${degrees(ahead.low_c.p90)}), a day of ${degrees(ahead.high_c.p50)} (${degrees(ahead.high_c.p10)} to ` +
        `${degrees(ahead.high_c.p90)}), ${SOURCE_WORDS[ahead.source]}`
      : '';
  const rain = outside.rain_mm >= 0.5 ? `, ${Math.round(outside.rain_mm)} mm of rain` : '';
  return `${longDay(day)}: outside ${degrees(outside.tmin_c)} to ${degrees(outside.tmax_c)}${rain}; ${here}.`;
}

const SHOWN = 12;

function Stands({ site, place }: { site: SiteWeather; place: PlaceWeather }) {
  const [all, setAll] = useState(false);
  if (place.plants.length === 0) return <p>No pots here.</p>;
  return (
    <>
      <ul>
        {place.plants.slice(0, all ? undefined : SHOWN).map((plant) => (
          <li key={plant.id} className="flex flex-wrap justify-between gap-x-4 border-b border-[var(--rule)] py-1.5">
            <Link to={`/plants/${plant.id}`} className="underline">
              <Name written={plant.name} />
            </Link>
            <span>
              takes {degrees(plant.min_wet_c)} moist, {degrees(plant.min_dry_c)} dry;{' '}
              {standsWords(plant.stands, site.today, units())}
            </span>
          </li>
        ))}
      </ul>
      {place.plants.length > SHOWN && !all && (
        <button type="button" className="h-11 underline" onClick={() => setAll(true)}>
          and {place.plants.length - SHOWN} more
        </button>
      )}
    </>
  );
}

/** Plants of the site that bear every night here, wherever they stand now: what may stay all year. */
function AllYear({ site, place }: { site: SiteWeather; place: PlaceWeather }) {
  const others = site.places
    .filter(({ id }) => id !== place.id)
    .flatMap(({ plants }) => plants)
    .filter((plant) => standsWhen(place.coldest_c, plant.weekly_limit_c, dayNumber(site.today)).when === 'always');
  if (others.length === 0) return null;
  return (
    <details className="mt-2">
      <summary className="flex h-11 cursor-pointer items-center underline">
        {count(others.length, 'plant')} from elsewhere could stand here all year, by the nights
      </summary>
      <p>
        {others.map(({ id, name }, i) => (
          <span key={id}>
            {i > 0 && ', '}
            <Link to={`/plants/${id}`} className="underline">
              <Name written={name} />
            </Link>
          </span>
        ))}
        .
      </p>
    </details>
  );
}

function Records({ site }: { site: SiteWeather }) {
  const [wrong, setWrong] = useState<string | null>(null);
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: (csv: string) => ask<WeatherTaken>(`/sites/${site.id}/weather.csv`, { method: 'POST', body: { csv } }),
    onSuccess: () => queries.invalidateQueries(),
    onError: (error) => setWrong(wordsOf(error)),
  });
  const read = async (file: File) => {
    const tooLong = tooLongWords(file);
    setWrong(tooLong);
    if (tooLong) return;
    take.mutate(await file.text());
  };
  const usual = take.data?.usual_for.map((field) => USUAL_WORDS[field]) ?? [];
  return (
    <>
      <FileField label="Daily records as a table" accept={CSV} className="mt-2" onFile={read} />
      <p className="mt-1 text-[0.875rem] text-[var(--ink-2)]">
        A CSV with a header: date, min, max, and any of rh, sunshine (hours), rain (mm) and wind (m/s). What you bring
        counts before what a service says.
      </p>
      <Wrong words={wrong} />
      {take.data && (
        <p role="status" className="my-2 font-semibold">
          {count(take.data.written, 'day')} written.
          {usual.length > 0 && ` For ${usual.join(', ')} the usual weather stands: the table has no such column.`}
        </p>
      )}
    </>
  );
}
