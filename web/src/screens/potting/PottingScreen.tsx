/** The potting bench: who is due, what to mix, what lies in the stores. */
import { lazy, Suspense } from 'react';
import { NavLink, useParams } from 'react-router';
import { Waiting } from '../../frame/Waiting.tsx';
import { QueuePage } from './QueuePage.tsx';
import { StoresPage } from './StoresPage.tsx';

const MixingPage = lazy(() => import('./MixingPage.tsx'));

const PAGES = [
  { to: '/potting', label: 'Who is due' },
  { to: '/potting/mixing', label: 'Mixing' },
  { to: '/potting/stores', label: 'Stores' },
] as const;

export default function PottingScreen() {
  const { page } = useParams();
  return (
    <div className="px-3 pb-12 pt-4 sm:px-6">
      <h1 className="text-2xl font-semibold">Potting</h1>
      <nav aria-label="Potting bench" className="mb-4 flex gap-5 border-b border-[var(--rule)]">
        {PAGES.map(({ to, label }) => (
          <NavLink
            key={to}
            to={to}
            end
            className={({ isActive }) =>
              `flex h-11 items-center border-b-4 ${isActive ? 'border-[var(--clay)] font-semibold' : 'border-transparent'}`
            }
          >
            {label}
          </NavLink>
        ))}
      </nav>
      {page === 'mixing' ? (
        <Suspense fallback={<Waiting what="the mixing bench" />}>
          <MixingPage />
        </Suspense>
      ) : page === 'stores' ? (
        <StoresPage />
      ) : (
        <QueuePage />
      )}
    </div>
  );
}
