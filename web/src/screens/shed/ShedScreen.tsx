import { useKit } from '../../api/kit.ts';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { Calendars } from './Calendars.tsx';
import { Feeds, Waters } from './Kit.tsx';
import { CsvIn } from './CsvIn.tsx';
import { Gone } from './Gone.tsx';
import { GardenFiles } from './GardenFiles.tsx';
import { Sites } from './Sites.tsx';
import { Settings } from './Settings.tsx';

/** Where the can, the waters and the feeds stand, and where lists come in and go out. */
export default function ShedScreen() {
  const kit = useKit();
  if (kit.isPending) return <Waiting what="the shed" />;
  if (kit.isError) return <Failed error={kit.error} again={() => void kit.refetch()} />;
  return (
    <div className="px-3 pb-12 pt-4 sm:px-6">
      <h1 className="mb-3 text-2xl font-semibold">Shed</h1>
      <div className="grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-2">
        <Settings kit={kit.data} />
        <Sites kit={kit.data} />
        <Waters kit={kit.data} />
        <Feeds kit={kit.data} />
        <Calendars />
        <CsvIn kit={kit.data} />
        <GardenFiles kit={kit.data} />
        <Gone />
      </div>
    </div>
  );
}
