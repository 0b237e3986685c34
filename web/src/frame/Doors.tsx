/** The ways in: six doors and a button, along the top; on a phone five under the thumb, the others behind the last. */
import { CirclePlus, Ellipsis, Footprints, type LucideIcon, Search, Sprout, Stethoscope } from 'lucide-react';
import { useState } from 'react';
import { Link, NavLink, useLocation } from 'react-router';

interface Door {
  to: string;
  label: string;
  key: string;
}

export const DOORS: readonly Door[] = [
  { to: '/', label: 'Round', key: 'g' },
  { to: '/benches', label: 'Benches', key: 'b' },
  { to: '/year', label: 'Year', key: 'm' },
  { to: '/potting', label: 'Potting', key: 'p' },
  { to: '/clinic', label: 'Clinic', key: 'c' },
  { to: '/shed', label: 'Shed', key: 's' },
];
export const ADD: Door = { to: '/add', label: 'Add a plant', key: 'a' };
/** Rooms behind a door that have a key of their own. */
export const SHORTCUTS: readonly Door[] = [
  { to: '/benches/list', label: 'List', key: 'i' },
  { to: '/year/weather', label: 'Weather', key: 'e' },
];

/** What the window is called there; null where the screen says it itself. */
export function titleOf(path: string): string | null {
  if (/^\/(plants|clinic)\/./.test(path)) return null;
  if (path === '/walk') return 'The walk';
  const inside = [...SHORTCUTS, ADD].find(({ to }) => path === to);
  if (inside) return inside.label;
  return DOORS.find(({ to }) => (to === '/' ? path === '/' : path.startsWith(to)))?.label ?? 'No such page';
}

export function TopDoors() {
  return (
    <nav aria-label="Screens" className="hidden gap-3 text-[1rem] whitespace-nowrap sm:flex lg:gap-5">
      {DOORS.map(({ to, label }) => (
        <NavLink
          key={to}
          to={to}
          end={to === '/'}
          className={({ isActive }) =>
            `inline-flex h-[52px] items-center border-b-4 px-0.5 ${isActive ? 'border-[var(--clay)] font-semibold' : 'border-transparent'}`
          }
        >
          {label}
        </NavLink>
      ))}
    </nav>
  );
}

const THUMB: readonly [to: string, label: string, icon: LucideIcon][] = [
  ['/', 'Round', Footprints],
  ['/benches', 'Benches', Sprout],
];
const ITEM = 'flex min-w-0 flex-1 flex-col items-center justify-center gap-0.5 text-[0.8125rem]';

/** @param more what else is behind the last of them */
export function ThumbDoors({ onFind, more }: { onFind(): void; more: React.ReactNode }) {
  const { pathname } = useLocation();
  // Opened here, it is shut by going anywhere.
  const [openAt, setOpenAt] = useState<string | null>(null);
  const open = openAt === pathname;
  const door = ([to, label, Icon]: (typeof THUMB)[number]) => (
    <NavLink
      key={to}
      to={to}
      end={to === '/'}
      className={({ isActive }) =>
        `${ITEM} border-t-4 ${isActive ? 'border-[var(--clay)] font-semibold' : 'border-transparent'}`
      }
    >
      <Icon aria-hidden="true" size={22} />
      {label}
    </NavLink>
  );
  return (
    <div className="fixed inset-x-0 bottom-0 z-30 sm:hidden print:hidden">
      {open && (
        <nav
          aria-label="Further screens"
          className="grid grid-cols-2 gap-x-4 border-t-2 border-[var(--ink)] bg-[var(--paper)] px-4 py-2"
        >
          {DOORS.filter(({ to }) => !['/', '/benches', '/clinic'].includes(to)).map(({ to, label }) => (
            <Link key={to} to={to} className="flex h-12 items-center text-[1.0625rem]">
              {label}
            </Link>
          ))}
          <Link to={ADD.to} className="flex h-12 items-center gap-2 text-[1.0625rem] font-semibold">
            <CirclePlus aria-hidden="true" size={20} /> {ADD.label}
          </Link>
          {more}
        </nav>
      )}
      <nav
        aria-label="Screens"
        className="flex h-[60px] border-t border-[var(--rule)] bg-[var(--color-base-300)] pb-[env(safe-area-inset-bottom)]"
      >
        {THUMB.map(door)}
        <button type="button" className={ITEM} aria-label="Find a plant" onClick={onFind}>
          <Search aria-hidden="true" size={22} />
          Find
        </button>
        {door(['/clinic', 'Clinic', Stethoscope])}
        <button type="button" className={ITEM} aria-expanded={open} onClick={() => setOpenAt(open ? null : pathname)}>
          <Ellipsis aria-hidden="true" size={22} />
          More
        </button>
      </nav>
    </div>
  );
}
