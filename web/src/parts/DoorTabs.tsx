import { NavLink, useLocation } from 'react-router';

export interface DoorTab {
  to: string;
  label: string;
}

/** The rooms behind one door, in one row; what is filtered stays filtered from one to the next. */
export function DoorTabs({ label, tabs, keep = false }: { label: string; tabs: readonly DoorTab[]; keep?: boolean }) {
  const { search } = useLocation();
  return (
    <nav aria-label={label} className="flex gap-5 print:hidden">
      {tabs.map(({ to, label: name }) => (
        <NavLink
          key={to}
          to={keep ? { pathname: to, search } : to}
          end
          className={({ isActive }) =>
            `flex h-11 items-center border-b-4 whitespace-nowrap ${isActive ? 'border-[var(--clay)] font-semibold' : 'border-transparent'}`
          }
        >
          {name}
        </NavLink>
      ))}
    </nav>
  );
}

export const BENCH_TABS: readonly DoorTab[] = [
  { to: '/benches', label: 'From above' },
  { to: '/benches/side', label: 'From the side' },
  { to: '/benches/list', label: 'As a list' },
];
export const YEAR_TABS: readonly DoorTab[] = [
  { to: '/year', label: 'Almanac' },
  { to: '/year/weather', label: 'Weather' },
];
export const POTTING_TABS: readonly DoorTab[] = [
  { to: '/potting', label: 'Who is due' },
  { to: '/potting/mixing', label: 'Mixing' },
  { to: '/potting/stores', label: 'Stores' },
];
