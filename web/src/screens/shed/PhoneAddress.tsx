/** The address that codes on labels and calendars bear: the one under which a phone reaches this machine. */
import { LONGEST_ADDRESS } from '@zinc-pail/contract/limits';
import { useState } from 'react';
import type { Kit } from '../../api/kit.ts';
import { Form } from '../../forms/Form.tsx';
import { Line, SectionHead } from '../../forms/Fields.tsx';
import { useSettings } from './useSettings.ts';

export function PhoneAddress({ kit }: { kit: Kit }) {
  const [address, setAddress] = useState(kit.collection.reach_url ?? '');
  const [error, setError] = useState<unknown>(null);
  const save = useSettings();
  const wanted = address.trim().replace(/\/+$/, '') || null;
  const send = async () => {
    setError(null);
    await save.mutateAsync({ reach_url: wanted }).catch(setError);
  };
  return (
    <section aria-labelledby="reach" className="mt-8">
      <SectionHead id="reach">Where a phone finds it</SectionHead>
      <p className="mb-3 max-w-prose">
        {kit.collection.reach_url
          ? `Codes on labels and addresses of calendars begin with ${kit.collection.reach_url}.`
          : 'Zinc Pail listens on this machine alone: a code on a label, read by a phone, opens nothing yet.'}{' '}
        Something of yours must hand that address on to this machine (a proxy or a private network, with a lock of its
        own: whoever reaches it may read and write).
      </p>
      <Form error={error} onSubmit={() => void send()}>
        <Line
          label="Address in codes and calendars"
          at="reach_url"
          hint="As http://shed.local:4780; empty: this machine’s own."
          most={LONGEST_ADDRESS}
          inputMode="url"
          value={address}
          onChange={setAddress}
        />
        <button type="submit" className="btn h-11" disabled={save.isPending}>
          {save.isSuccess && wanted === kit.collection.reach_url ? 'Saved' : 'Save this address'}
        </button>
      </Form>
    </section>
  );
}
