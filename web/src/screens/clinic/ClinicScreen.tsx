/** The clinic: who is ill and what is done about it; or one plant, what was seen on it and what that means. */
import { useParams } from 'react-router';
import { OverviewPage } from './OverviewPage.tsx';
import { SheetPage } from './SheetPage.tsx';

export default function ClinicScreen() {
  const { plantId } = useParams();
  const id = Number(plantId);
  return (
    <div className="mx-auto max-w-[1320px] px-3 pb-12 pt-4 sm:px-6">
      {Number.isInteger(id) && id > 0 ? <SheetPage key={id} plantId={id} /> : <OverviewPage />}
    </div>
  );
}
