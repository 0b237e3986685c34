/** A bench's second view: its pots from the side, in walking order; a tap opens the plant. */
import { useNavigate } from 'react-router';
import { useBench } from '../../api/round.ts';
import { wordsOf } from '../../api/client.ts';
import { EmptyShelf, Shelf } from '../../drawing/Shelf.tsx';
import { Wrong } from '../../forms/Fields.tsx';

interface BenchShelfProps {
  placeId: number;
  today: string;
  /** only these are shown; null where all are */
  meant: ReadonlySet<number> | null;
}

export function BenchShelf({ placeId, today, meant }: BenchShelfProps) {
  const bench = useBench(placeId, true);
  const navigate = useNavigate();
  if (bench.isError && !bench.data) return <Wrong words={wordsOf(bench.error)} />;
  if (!bench.data) return <p className="py-4">Setting the pots up…</p>;
  if (bench.data.length === 0) return <EmptyShelf placeId={placeId} />;
  return (
    <div className="mt-3">
      <Shelf
        pots={meant ? bench.data.filter(({ id }) => meant.has(id)) : bench.data}
        today={today}
        onPot={({ id }) => void navigate(`/plants/${id}`)}
      />
    </div>
  );
}
