import { Keyboard, Moon, Sun } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, NavLink, Outlet, ScrollRestoration, useNavigate } from 'react-router';
import { KeySheet } from './KeySheet.tsx';
import { useKeys } from './keys.ts';
import { useLook } from './look.ts';
import { MarkBar } from './Marks.tsx';

/** The zinc rim round every screen. */
export function Frame() {
  const [sheet, setSheet] = useState(false);
  const [look, turnLook] = useLook();
  const navigate = useNavigate();
  useKeys(useMemo(() => ({ '?': () => setSheet(true), g: () => void navigate('/') }), [navigate]));
  return (
    <div className="flex min-h-dvh flex-col">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-20 focus:bg-[var(--paper)] focus:p-3">To the content</a>
      <header className="flex h-[52px] shrink-0 items-center gap-6 border-b border-[var(--rule)] bg-[var(--color-base-300)] px-3 sm:px-6">
        <Link to="/" className="slab flex items-center gap-2 text-[19px] font-semibold">
          <svg width="25" height="28" viewBox="0 0 25 28" aria-hidden="true" fill="none" stroke="currentColor" strokeWidth="1.8">
            <path d="M4 10h17l-2.2 16H6.2z" />
            <path d="M5 14.5h15M4 10C4.5 4 8.5 1.5 12.5 1.500S20.5 4 21 10" />
          </svg>
          Zinc Pail
        </Link>
        <nav aria-label="Screens">
          <NavLink to="/" end className={({ isActive }) => `inline-flex h-[52px] items-center border-b-4 px-1 ${isActive ? 'border-[var(--clay)] font-semibold' : 'border-transparent'}`}>
            Round
          </NavLink>
        </nav>
        <div className="ml-auto flex">
          <button type="button" className="grid size-11 place-items-center" aria-label={look === 'bench' ? 'Dim the lamp: dusk colours' : 'Light the lamp: day colours'} onClick={turnLook}>
            {look === 'bench' ? <Moon aria-hidden="true" size={20} /> : <Sun aria-hidden="true" size={20} />}
          </button>
          <button type="button" className="grid size-11 place-items-center" aria-label="Keys" onClick={() => setSheet(true)}>
            <Keyboard aria-hidden="true" size={21} />
          </button>
        </div>
      </header>
      <main id="main" className="flex-1">
        <Outlet />
      </main>
      <MarkBar />
      {sheet && <KeySheet onClose={() => setSheet(false)} />}
      <ScrollRestoration />
    </div>
  );
}
