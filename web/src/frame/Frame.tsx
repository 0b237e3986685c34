import { Keyboard, Moon, Search, Sun, UserRound } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, NavLink, Outlet, ScrollRestoration, useLocation, useNavigate } from 'react-router';
import { Dialog } from '../forms/Dialog.tsx';
import { Choice, Field } from '../forms/Fields.tsx';
import { Find } from './Find.tsx';
import { keeperName, LONGEST_KEEPER, setKeeperName } from './keeper.ts';
import { KeySheet } from './KeySheet.tsx';
import { useKeys } from './keys.ts';
import { useTheme } from './theme.ts';
import { useTitle } from './title.ts';
import { MarkBar } from '../marking/Marks.tsx';
import { Timers } from '../marking/Timers.tsx';
import { setUnits, type Units, units } from '../reader/units.ts';

const SCREENS = [
  { to: '/', label: 'Round', key: 'g' },
  { to: '/benches', label: 'Benches', key: 'b' },
  { to: '/list', label: 'List', key: 'i' },
  { to: '/almanac', label: 'Almanac', key: 'm' },
  { to: '/weather', label: 'Weather', key: 'e' },
  { to: '/potting', label: 'Potting', key: 'p' },
  { to: '/clinic', label: 'Clinic', key: 'c' },
  { to: '/take-in', label: 'Add a plant', key: 'a' },
  { to: '/shed', label: 'Shed', key: 's' },
] as const;

/** The walk is reached from the Round alone; a plant's own pages say its name. */
function titleOf(path: string): string | null {
  if (/^\/(plants|clinic)\/./.test(path)) return null;
  if (path === '/walk') return 'The walk';
  return SCREENS.find(({ to }) => (to === '/' ? path === '/' : path.startsWith(to)))?.label ?? 'No such page';
}

type Panel = 'keys' | 'find' | 'keeper' | null;

/** The zinc rim round every screen. */
export function Frame() {
  const [panel, setPanel] = useState<Panel>(null);
  const [measures, setMeasures] = useState(() => JSON.stringify(units()));
  const [theme, turnLook] = useTheme();
  const navigate = useNavigate();
  useTitle(titleOf(useLocation().pathname));
  useKeys(
    useMemo(
      () => ({
        '?': () => setPanel('keys'),
        '/': () => setPanel('find'),
        ...Object.fromEntries(SCREENS.map(({ to, key }) => [key, () => void navigate(to)])),
      }),
      [navigate],
    ),
  );
  return (
    <div className="flex min-h-dvh flex-col">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-20 focus:bg-[var(--paper)] focus:p-3">
        To the content
      </a>
      <header className="flex shrink-0 print:hidden flex-wrap items-center gap-x-5 border-b border-[var(--rule)] bg-[var(--color-base-300)] px-3 sm:h-[52px] sm:flex-nowrap sm:px-6">
        <Link to="/" className="slab flex h-[48px] items-center gap-2 text-[1.1875rem] font-semibold">
          <svg
            width="25"
            height="28"
            viewBox="0 0 25 28"
            aria-hidden="true"
            fill="none"
            stroke="currentColor"
            strokeWidth="1.8"
          >
            <path d="M4 10h17l-2.2 16H6.2z" />
            <path d="M5 14.5h15M4 10C4.5 4 8.5 1.5 12.5 1.500S20.5 4 21 10" />
          </svg>
          Zinc Pail
        </Link>
        <nav
          aria-label="Screens"
          className="order-last flex w-full overflow-x-auto text-[0.875rem] whitespace-nowrap sm:order-none sm:w-auto sm:gap-4 sm:text-[1rem]"
        >
          {SCREENS.map(({ to, label }) => (
            <NavLink
              key={to}
              to={to}
              end={to === '/'}
              className={({ isActive }) =>
                'inline-flex h-11 grow items-center justify-center border-b-4 px-1 sm:h-[52px] sm:grow-0 ' +
                `${isActive ? 'border-[var(--clay)] font-semibold' : 'border-transparent'}`
              }
            >
              {label}
            </NavLink>
          ))}
        </nav>
        <div className="ml-auto flex">
          <button
            type="button"
            className="grid size-11 place-items-center"
            aria-label="Find a plant"
            onClick={() => setPanel('find')}
          >
            <Search aria-hidden="true" size={20} />
          </button>
          <button
            type="button"
            className="grid size-11 place-items-center"
            aria-label="Your name and units"
            onClick={() => setPanel('keeper')}
          >
            <UserRound aria-hidden="true" size={20} />
          </button>
          <button
            type="button"
            className="grid size-11 place-items-center"
            aria-label={theme === 'bench' ? 'Dark colours' : 'Light colours'}
            onClick={turnLook}
          >
            {theme === 'bench' ? <Moon aria-hidden="true" size={20} /> : <Sun aria-hidden="true" size={20} />}
          </button>
          <button
            type="button"
            className="grid size-11 place-items-center"
            aria-label="Keys"
            onClick={() => setPanel('keys')}
          >
            <Keyboard aria-hidden="true" size={21} />
          </button>
        </div>
      </header>
      <div className="print:hidden">
        <Timers />
      </div>
      {/* Other units: the whole screen says everything anew. */}
      <main id="main" key={measures} className="flex-1">
        <Outlet />
      </main>
      <div className="contents print:hidden">
        <MarkBar />
      </div>
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
