import { CirclePlus, Ellipsis, Keyboard, Moon, Search, Sun, UserRound } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, Outlet, ScrollRestoration, useLocation, useNavigate } from 'react-router';
import { Dialog } from '../forms/Dialog.tsx';
import { Choice, Field } from '../forms/Fields.tsx';
import { ADD, DOORS, SHORTCUTS, ThumbDoors, titleOf, TopDoors } from './Doors.tsx';
import { Find } from './Find.tsx';
import { keeperName, LONGEST_KEEPER, setKeeperName } from './keeper.ts';
import { Pail } from './Pail.tsx';
import { KeySheet } from './KeySheet.tsx';
import { useKeys } from './keys.ts';
import { useTheme } from './theme.ts';
import { useTitle } from './title.ts';
import { MarkBar } from '../marking/Marks.tsx';
import { Timers } from '../marking/Timers.tsx';
import { setUnits, type Units, units } from '../reader/units.ts';

type Panel = 'keys' | 'find' | 'keeper' | null;

/** The zinc rim round every screen. */
export function Frame() {
  const [panel, setPanel] = useState<Panel>(null);
  const [measures, setMeasures] = useState(() => JSON.stringify(units()));
  const navigate = useNavigate();
  useTitle(titleOf(useLocation().pathname));
  useKeys(
    useMemo(
      () => ({
        '?': () => setPanel('keys'),
        '/': () => setPanel('find'),
        ...Object.fromEntries([...DOORS, ...SHORTCUTS, ADD].map(({ to, key }) => [key, () => void navigate(to)])),
      }),
      [navigate],
    ),
  );
  return (
    <div className="flex min-h-dvh flex-col max-sm:pb-[60px] print:pb-0">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-20 focus:bg-[var(--paper)] focus:p-3">
        To the content
      </a>
      <TopBar onPanel={setPanel} />
      <div className="print:hidden">
        <Timers />
      </div>
      {/* Other units: the whole screen says everything again. */}
      <main id="main" key={measures} className="flex-1">
        <Outlet />
      </main>
      <div className="contents print:hidden">
        <MarkBar />
      </div>
      <ThumbDoors onFind={() => setPanel('find')} more={<Tools onPanel={setPanel} wide />} />
      {panel === 'keys' && <KeySheet onClose={() => setPanel(null)} />}
      {panel === 'find' && <Find onClose={() => setPanel(null)} />}
      {panel === 'keeper' && (
        <Keeper
          onClose={() => {
            setPanel(null);
            setMeasures(JSON.stringify(units()));
          }}
        />
      )}
      <ScrollRestoration />
    </div>
  );
}

function TopBar({ onPanel }: { onPanel(panel: Panel): void }) {
  return (
    <header className="flex h-[52px] shrink-0 items-center gap-x-4 border-b border-[var(--rule)] bg-[var(--color-base-300)] px-3 max-sm:hidden sm:px-6 lg:gap-x-6 print:hidden">
      <Link
        to="/"
        aria-label="Zinc Pail"
        className="slab flex h-[48px] items-center gap-3 text-[1.25rem] font-semibold"
      >
        <Pail />
        <span className="whitespace-nowrap max-[900px]:hidden">Zinc Pail</span>
      </Link>
      <TopDoors />
      <div className="ml-auto flex items-center gap-2">
        <Link
          to={ADD.to}
          className="flex h-9 items-center border border-[var(--ink)] px-3 font-semibold whitespace-nowrap hover:bg-[var(--paper)]"
        >
          <span className="max-[760px]:sr-only">{ADD.label}</span>
          <CirclePlus aria-hidden="true" size={19} className="min-[761px]:hidden" />
        </Link>
        <button
          type="button"
          className="flex h-9 items-center justify-between gap-2 border border-[var(--rule)] bg-[var(--paper)] px-2.5 text-[var(--ink-2)] hover:border-[var(--ink)] min-[1000px]:w-40"
          aria-label="Find a plant"
          onClick={() => onPanel('find')}
        >
          <span className="whitespace-nowrap max-[999px]:hidden">Find a plant</span>
          <Search aria-hidden="true" size={18} className="min-[1000px]:hidden" />
          <span aria-hidden="true" className="max-[999px]:hidden">
            /
          </span>
        </button>
        <details className="relative">
          <summary className="grid size-11 cursor-pointer list-none place-items-center" aria-label="This device">
            <Ellipsis aria-hidden="true" size={20} />
          </summary>
          <div className="absolute right-0 z-20 w-56 border border-[var(--ink)] bg-[var(--paper)] px-3 py-1">
            <Tools onPanel={onPanel} />
          </div>
        </details>
      </div>
    </header>
  );
}

/** How this device shows things, and the sheet of keys. */
function Tools({ onPanel, wide = false }: { onPanel(panel: Panel): void; wide?: boolean }) {
  const [theme, turnLook] = useTheme();
  const item = `flex w-full items-center gap-3 text-left ${wide ? 'h-12 text-[1.0625rem]' : 'h-11'}`;
  return (
    <>
      <button type="button" className={item} onClick={() => onPanel('keeper')}>
        <UserRound aria-hidden="true" size={20} /> Your name and units
      </button>
      <button type="button" className={item} onClick={turnLook}>
        {theme === 'bench' ? <Moon aria-hidden="true" size={20} /> : <Sun aria-hidden="true" size={20} />}
        {theme === 'bench' ? 'Dark colours' : 'Light colours'}
      </button>
      <button type="button" className={item} onClick={() => onPanel('keys')}>
        <Keyboard aria-hidden="true" size={20} /> Keys
      </button>
    </>
  );
}

function Keeper({ onClose }: { onClose(): void }) {
  const [name, setName] = useState(keeperName);
  const [measures, setMeasures] = useState<Units>(units);
  return (
    <Dialog title="Your name and units" onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          setKeeperName(name);
          setUnits(measures);
          onClose();
        }}
      >
        <Field label="Name on this device" hint="It is shown with each note, so that two keepers see whose it is.">
          {(id) => (
            <input
              id={id}
              className="input h-11 w-full"
              maxLength={LONGEST_KEEPER}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
          )}
        </Field>
        <Choice
          legend="Temperatures"
          name="temperature"
          value={measures.temperature}
          onChange={(temperature) => setMeasures({ ...measures, temperature: temperature as 'C' })}
          options={[
            { id: 'C', label: '°C' },
            { id: 'F', label: '°F' },
          ]}
        />
        <Choice
          legend="Lengths"
          name="length"
          value={measures.length}
          onChange={(length) => setMeasures({ ...measures, length: length as 'cm' })}
          options={[
            { id: 'cm', label: 'cm' },
            { id: 'in', label: 'inches' },
          ]}
        />
        <Choice
          legend="Water"
          name="volume"
          value={measures.volume}
          onChange={(volume) => setMeasures({ ...measures, volume: volume as 'l' })}
          options={[
            { id: 'l', label: 'ml and litres' },
            { id: 'cups', label: 'cups' },
          ]}
        />
        <button type="submit" className="btn btn-primary h-11 px-6">
          Save
        </button>
      </form>
    </Dialog>
  );
}
