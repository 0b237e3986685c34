import type { PlaceView } from '@zinc-pail/contract/keeping';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, notSent } from '../../api/client.ts';
import { CSV, FileField, tooLongWords } from '../../forms/FileField.tsx';
import { count, degrees } from '../../reader/amounts.ts';
import { fullDay, todayIn } from '../../reader/days.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { Form } from '../../forms/Form.tsx';
import { DayField, Typed } from '../../forms/Fields.tsx';
import { numberIn } from '@zinc-pail/words/numbers';
import { celsiusOf, typed } from '../../reader/units.ts';

/** Fields of the one reading that is sent. */
const [LOW, HIGH, HUMIDITY] = ['readings/0/tmin_c', 'readings/0/tmax_c', 'readings/0/rh_pct'] as const;

/** Lowest and highest among the plants, by hand in one go, or as a logger's table. */
export function ReadingsPanel({ place, timeZone, onClose }: { place: PlaceView; timeZone: string; onClose(): void }) {
  const [date, setDate] = useState(() => todayIn(timeZone));
  const [low, setLow] = useState('');
  const [high, setHigh] = useState('');
  const [humidity, setHumidity] = useState('');
  const [wrong, setWrong] = useState<unknown>(null);
  const [told, setTold] = useState<string | null>(null);
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: ({ path, body }: { path: string; body: unknown }) =>
      ask<{ written: number }>(`/places/${place.id}/${path}`, { method: 'POST', body }),
    onSuccess: async ({ written }) => {
      setTold(`${count(written, 'day')} written.`);
      setLow('');
      setHigh('');
      await queries.invalidateQueries();
    },
    onError: setWrong,
  });
  const submit = () => {
    const [tmin_c, tmax_c] = [celsiusOf(numberIn(low, -100, 200)), celsiusOf(numberIn(high, -100, 200))];
    const rh_pct = humidity.trim() === '' ? null : numberIn(humidity, 0, 100);
    const at = {
      ...(Number.isNaN(tmin_c) ? { [LOW]: `A number of ${typed.temperature()}.` } : {}),
      ...(Number.isNaN(tmax_c) ? { [HIGH]: `A number of ${typed.temperature()}.` } : {}),
      ...(Number.isNaN(rh_pct) ? { [HUMIDITY]: 'Percent, or nothing.' } : {}),
    };
    if (Object.keys(at).length > 0) return setWrong(notSent(at));
    setWrong(null);
    save.mutate({ path: 'readings', body: { readings: [{ date, tmin_c, tmax_c, rh_pct }] } });
  };
  const readFile = async (file: File) => {
    const tooLong = tooLongWords(file);
    setWrong(tooLong);
    if (tooLong) return;
    save.mutate({ path: 'readings.csv', body: { csv: await file.text() } });
  };
  return (
    <Dialog title={`Thermometer: ${place.name}`} onClose={onClose}>
      <Form error={wrong} onSubmit={submit}>
        <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-4">
          <DayField label="Day" at="readings/0/date" width="w-full" value={date} onChange={setDate} />
          <Typed label={`Lowest, ${typed.temperature()}`} at={LOW} width="w-full" value={low} onChange={setLow} />
          <Typed label={`Highest, ${typed.temperature()}`} at={HIGH} width="w-full" value={high} onChange={setHigh} />
          <Typed label="Humidity, %" at={HUMIDITY} width="w-full" value={humidity} onChange={setHumidity} />
        </div>
        <div className="flex flex-wrap items-center gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6" disabled={save.isPending}>
            {save.isPending ? 'Working it out…' : 'Save'}
          </button>
          <FileField label="or a table" accept={CSV} className="text-[0.9375rem]" onFile={readFile} />
        </div>
        <p className="mt-1 text-[0.875rem] text-[var(--ink-2)]">
          A CSV with a header. Either date, min, max and humidity, one row a day; or date and temperature, many rows a
          day, as loggers write.
        </p>
        {told && (
          <p role="status" className="my-2 font-semibold">
            {told}
          </p>
        )}
      </Form>
      <LastReadings readings={place.last_readings} />
    </Dialog>
  );
}

function LastReadings({ readings }: { readings: PlaceView['last_readings'] }) {
  if (readings.length === 0) return null;
  return (
    <table className="mt-3 w-full text-[0.9375rem]">
      <caption className="text-left font-semibold">The last readings</caption>
      <thead>
        <tr className="border-b border-[var(--rule)] text-left text-[var(--ink-2)]">
          <th className="font-normal">day</th>
          <th className="font-normal">lowest</th>
          <th className="font-normal">highest</th>
          <th className="font-normal">air</th>
        </tr>
      </thead>
      <tbody>
        {readings.map((reading) => (
          <tr key={reading.date}>
            <td>{fullDay(reading.date)}</td>
            <td>{degrees(reading.tmin_c)}</td>
            <td>{degrees(reading.tmax_c)}</td>
            <td>{reading.rh_pct === null ? '' : `${reading.rh_pct} %`}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
