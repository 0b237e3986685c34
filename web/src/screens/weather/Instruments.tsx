/** Instruments that push their readings: what each last said, and what of it is doubted. */
import type { DeviceKind, DeviceView, Doubt } from '@zinc-pail/contract/devices';
import { DEVICE_KINDS } from '@zinc-pail/contract/devices';
import { agoWords } from '@zinc-pail/words/weather';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { ask, wordsOf } from '../../api/client.ts';
import { devicesKey, useDevices } from '../../api/weather.ts';
import { usePlaces } from '../../api/places.ts';
import { OneOf, SectionHead, Typed, Wrong } from '../../forms/Fields.tsx';
import { count, degrees } from '../../reader/amounts.ts';

const DOUBT_WORDS: Record<Doubt, string> = {
  'out-of-range': 'cannot be',
  jump: 'a jump that no pot and no air makes',
  stuck: 'has not moved for a day and a night',
  clock: 'its clock is wrong',
};
const KIND_WORDS: Record<DeviceKind, string> = {
  thermometer: 'thermometer, at a place',
  probe: 'moisture probe, in a pot',
  scale: 'scale, under a pot',
};

function valueWords({ kind, last }: DeviceView, nowMs: number): string {
  if (!last) return 'has said nothing yet';
  const value =
    kind === 'thermometer'
      ? `${degrees(last.value)}${last.rh_pct === null ? '' : `, ${Math.round(last.rh_pct)} % humidity`}`
      : kind === 'probe'
        ? `${last.value} of 10`
        : `${Math.round(last.value)} g`;
  return `${value}, ${agoWords(last.at, nowMs)}${last.doubt ? ` (not believed: ${DOUBT_WORDS[last.doubt]})` : ''}`;
}

export function Instruments() {
  const devices = useDevices();
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: devicesKey });
  const revoke = useMutation({
    mutationFn: (id: number) => ask(`/devices/${id}/revoke`, { method: 'POST', body: {} }),
    onSuccess: again,
  });
  const places = usePlaces();
  const move = useMutation({
    mutationFn: ({ id, place }: { id: number; place: number }) =>
      ask(`/devices/${id}/move`, { method: 'POST', body: { place_id: place } }),
    onSuccess: again,
  });
  const remove = useMutation({
    mutationFn: (id: number) => ask(`/devices/${id}`, { method: 'DELETE' }),
    onSuccess: again,
  });
  const failed = [revoke, move, remove].find((one) => one.isError);
  return (
    <section aria-labelledby="instruments" className="mt-8 max-w-3xl">
      <SectionHead id="instruments">Instruments</SectionHead>
      {devices.data?.length === 0 && (
        <p className="mb-2 max-w-prose">
          None yet. A thermometer’s days become readings of its place; a probe’s or a scale’s morning becomes a look
          into its pot. What it says that cannot be is kept, and not believed.
        </p>
      )}
      <ul>
        {(devices.data ?? []).map((device) => (
          <li
            key={device.id}
            className="flex min-h-11 flex-wrap items-center gap-x-3 border-b border-[var(--rule)] py-1"
          >
            <span>
              <b>{device.name}</b>, {device.where}: {valueWords(device, devices.dataUpdatedAt)}
              {device.doubted > 0 && (
                <span className="text-[var(--straw)]">
                  ; {device.doubted} of {device.readings} this week not believed
                </span>
              )}
              {device.revoked && ', taken off'}
            </span>
            <span className="ml-auto flex flex-wrap items-center">
              {device.kind === 'thermometer' && (
                <select
                  className="select h-11 w-44"
                  aria-label={`Hang ${device.name} elsewhere`}
                  value={String(device.place_id)}
                  onChange={(event) => move.mutate({ id: device.id, place: Number(event.target.value) })}
                >
                  {(places.data ?? []).map((place) => (
                    <option key={place.id} value={place.id}>
                      {place.name}
                    </option>
                  ))}
                </select>
              )}
              {!device.revoked && (
                <button
                  type="button"
                  className="h-11 px-2 underline"
                  aria-label={`Take ${device.name} off`}
                  onClick={() => revoke.mutate(device.id)}
                >
                  take it off
                </button>
              )}
              {device.revoked && (
                <button
                  type="button"
                  className="h-11 px-2 underline"
                  aria-label={`Remove ${device.name} from the list`}
                  onClick={() => remove.mutate(device.id)}
                >
                  strike it off
                </button>
              )}
            </span>
          </li>
        ))}
      </ul>
      <Wrong words={failed ? wordsOf(failed.error) : null} />
      <NewInstrument onMade={again} />
    </section>
  );
}

function NewInstrument({ onMade }: { onMade(): void }) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState<DeviceKind>('thermometer');
  const [where, setWhere] = useState('');
  const places = usePlaces();
  const plants = useQuery({
    queryKey: ['plants-by-name'],
    queryFn: () => ask<{ fields: string[]; rows: unknown[][] }>('/plants'),
    enabled: kind !== 'thermometer',
  });
  const make = useMutation({
    mutationFn: () =>
      ask<{ token: string }>('/devices', {
        method: 'POST',
        body: { name: name.trim(), kind, [kind === 'thermometer' ? 'place_id' : 'plant_id']: Number(where) },
      }),
    onSuccess: () => {
      setName('');
      onMade();
    },
  });
  const field = (of: string) => plants.data?.fields.indexOf(of) ?? -1;
  const spots: (readonly [string, string])[] =
    kind === 'thermometer'
      ? (places.data ?? []).map((place) => [String(place.id), place.name])
      : (plants.data?.rows ?? []).map((row) => [
          String(row[field('id')]),
          `${String(row[field('number')])} ${String(row[field('name')])}`,
        ]);
  return (
    <details className="mt-2">
      <summary className="flex h-11 cursor-pointer items-center underline">Add an instrument</summary>
      <form
        noValidate
        className="flex flex-wrap items-end gap-x-4"
        onSubmit={(event: FormEvent) => {
          event.preventDefault();
          make.mutate();
        }}
      >
        <Typed label="Its name" width="w-48" value={name} onChange={setName} />
        <OneOf
          label="What it is"
          value={kind}
          onChange={(next) => {
            setKind(next as DeviceKind);
            setWhere('');
          }}
          options={DEVICE_KINDS.map((one) => [one, KIND_WORDS[one]] as const)}
        />
        <OneOf label="Where" value={where} onChange={setWhere} options={[['', 'choose…'], ...spots]} width="max-w-60" />
        <button type="submit" className="btn mb-4 h-11" disabled={make.isPending || !name.trim() || !where}>
          Add it
        </button>
      </form>
      <Wrong words={make.isError ? wordsOf(make.error) : null} />
      {make.data && (
        <p className="my-2 break-all border-l-4 border-[var(--lichen)] pl-2">
          Its token, shown this once: <code>{make.data.token}</code>. It sends{' '}
          <code>POST {window.location.origin}/devices/readings</code> with <code>Authorization: Bearer</code> and that
          token; docs/formats.md has the words.
        </p>
      )}
      {make.isSuccess && (
        <span role="status" className="sr-only">
          {count(1, 'instrument')} added
        </span>
      )}
    </details>
  );
}
