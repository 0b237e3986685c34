/** The potting bench: who is due, what to mix, what lies in the stores. */
import { lazy, Suspense } from 'react';
import { useParams } from 'react-router';
import { Waiting } from '../../frame/Waiting.tsx';
import { DoorTabs, POTTING_TABS } from '../../parts/DoorTabs.tsx';
import { QueuePage } from './QueuePage.tsx';
import { StoresPage } from './StoresPage.tsx';

const MixingPage = lazy(() => import('./MixingPage.tsx'));

export default function PottingScreen() {
  const { page } = useParams();
  return (
    <div className="px-3 pb-12 pt-4 sm:px-6">
      <div className="mb-3 flex flex-wrap items-end gap-x-6">
        <h1 className="text-2xl font-semibold">Potting</h1>
        <DoorTabs label="Potting" tabs={POTTING_TABS} />
      </div>
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
