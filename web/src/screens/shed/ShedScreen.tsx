/** Where the can, the waters and the feeds stand, and where papers come in and go out: one shelf at a time. */
import {
  Archive,
  Droplet,
  FileInput,
  FileOutput,
  FlaskConical,
  House,
  type LucideIcon,
  MapPin,
  PaintBucket,
} from 'lucide-react';
import type { ReactNode } from 'react';
import { NavLink, useParams } from 'react-router';
import { type Kit, useKit } from '../../api/kit.ts';
import { Lost } from '../../frame/Lost.tsx';
import { useTitle } from '../../frame/title.ts';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { litres } from '../../reader/amounts.ts';
import { Calendars } from './Calendars.tsx';
import { Can } from './Can.tsx';
import { CsvIn } from './CsvIn.tsx';
import { Feeds } from './Feeds.tsx';
import { GardensIn } from './GardenFiles.tsx';
import { Gone } from './Gone.tsx';
import { Labels } from './Labels.tsx';
import { PapersOut } from './PapersOut.tsx';
import { PhoneAddress } from './PhoneAddress.tsx';
import { Settings } from './Settings.tsx';
import { Sites } from './Sites.tsx';
import { Waters } from './Waters.tsx';

interface Shelf {
  name: string;
  label: string;
  icon: LucideIcon;
  /** what stands there, in a few words */
  told(kit: Kit): string;
  content(kit: Kit): ReactNode;
}

const names = (all: readonly { name: string }[], none: string) =>
  all.length === 0 ? none : all.map(({ name }) => name).join(', ');

const SHELVES: readonly Shelf[] = [
  {
    name: 'sites',
    label: 'Sites',
    icon: MapPin,
    told: ({ sites }) => names(sites, 'none yet: begin here'),
    content: (kit) => <Sites kit={kit} />,
  },
  {
    name: 'waters',
    label: 'Waters',
    icon: Droplet,
    told: ({ waters }) => names(waters, 'nothing told'),
    content: (kit) => <Waters kit={kit} />,
  },
  {
    name: 'feeds',
    label: 'Feeds',
    icon: FlaskConical,
    told: ({ feeds }) => names(feeds, 'none at hand'),
    content: (kit) => <Feeds kit={kit} />,
  },
  {
    name: 'can',
    label: 'The can',
    icon: PaintBucket,
    told: ({ collection }) => `holds ${litres(collection.can_ml)}`,
    content: (kit) => <Can kit={kit} />,
  },
  {
    name: 'papers-in',
    label: 'Import',
    icon: FileInput,
    told: () => 'lists of plants, garden files',
    content: (kit) => (
      <>
        <CsvIn kit={kit} />
        <GardensIn />
      </>
    ),
  },
  {
    name: 'papers-out',
    label: 'Export and labels',
    icon: FileOutput,
    told: () => 'lists, labels, calendars, garden files',
    content: (kit) => (
      <>
        <PapersOut kit={kit} />
        <Labels />
        <Calendars kit={kit} />
        <PhoneAddress kit={kit} />
      </>
    ),
  },
  { name: 'gone', label: 'Past plants', icon: Archive, told: () => 'records kept', content: () => <Gone /> },
  {
    name: 'house',
    label: 'Collection settings',
    icon: House,
    told: ({ collection }) =>
      [collection.name, collection.has_pets && 'pets', collection.has_children && 'children']
        .filter(Boolean)
        .join(', '),
    content: (kit) => <Settings kit={kit} />,
  },
];

export default function ShedScreen() {
  const { shelf: name } = useParams();
  const kit = useKit();
  const shelf = SHELVES.find((one) => one.name === name);
  useTitle(shelf ? `${shelf.label}, in the shed` : 'Shed');
  if (name !== undefined && !shelf) return <Lost />;
  if (kit.isPending) return <Waiting what="the shed" />;
  if (kit.isError) return <Failed error={kit.error} again={() => void kit.refetch()} />;
  return (
    <div className="px-3 pb-12 pt-4 sm:px-6 lg:grid lg:grid-cols-[17rem_1fr] lg:gap-x-10">
      <div className={shelf ? 'max-lg:hidden' : ''}>
        <h1 className="mb-3 text-2xl font-semibold">Shed</h1>
        <Rail kit={kit.data} />
      </div>
      {shelf && (
        <div className="max-w-3xl lg:pt-1">
          <NavLink to="/shed" className="inline-flex h-11 items-center underline lg:hidden">
            All of the shed
          </NavLink>
          <p className="slab mb-4 text-2xl font-semibold max-lg:mt-1" role="heading" aria-level={2}>
            {shelf.label}
          </p>
          {shelf.content(kit.data)}
        </div>
      )}
      {!shelf && (
        <p className="max-w-prose pt-4 text-[var(--ink-2)] max-lg:hidden lg:pt-14">
          Where you keep your plants, what you water and feed with, and everything that is written on paper. Take a
          shelf.
        </p>
      )}
    </div>
  );
}

/** The shelves, each with what stands on it. */
function Rail({ kit }: { kit: Kit }) {
  return (
    <nav aria-label="Shelves of the shed">
      <ul>
        {SHELVES.map(({ name, label, icon: Icon, told }) => (
          <li key={name}>
            <NavLink
              to={`/shed/${name}`}
              className={({ isActive }) =>
                'flex min-h-14 items-center gap-3 border-b border-[var(--rule)] border-l-4 py-2 pl-3 ' +
                `${isActive ? 'border-l-[var(--clay)] bg-[var(--frame)]' : 'border-l-transparent'}`
              }
            >
              <Icon aria-hidden="true" size={22} className="shrink-0" />
              <span className="min-w-0">
                <span className="block font-semibold">{label}</span>
                <span className="block truncate text-[0.875rem] text-[var(--ink-2)]">{told(kit)}</span>
              </span>
            </NavLink>
          </li>
        ))}
      </ul>
    </nav>
  );
}
