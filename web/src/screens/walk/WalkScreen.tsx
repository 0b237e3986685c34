/** The keeper's walk: benches, and the pots of each, put in order by dragging or by keyboard. */
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { GripVertical } from 'lucide-react';
import { type ReactNode, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { wordsOf } from '../../api/client.ts';
import { useBench, useReorder, useRound } from '../../api/round.ts';
import { Wrong } from '../../forms/Fields.tsx';
import { Name } from '../../naming/Name.tsx';
import { Failed, Waiting } from '../../frame/Waiting.tsx';

export default function WalkScreen() {
  const round = useRound();
  const [open, setOpen] = useState<number | null>(null);
  const reorder = useReorder();
  if (round.isPending) return <Waiting what="the walk" />;
  if (round.isError) return <Failed error={round.error} again={() => void round.refetch()} />;
  return (
    <div className="max-w-3xl px-3 pb-12 pt-4 sm:px-6">
      <h1 className="text-2xl font-semibold">The walk</h1>
      <p className="mb-4 max-w-prose text-[1rem]">
        Drag a bench by its grip. By keyboard: space takes it, arrows move it, space lets go. Open a bench to order its
        pots.{' '}
        <Link to="/" className="underline">
          Back to the round
        </Link>
      </p>
      <Wrong words={reorder.isError ? wordsOf(reorder.error) : null} />
      {round.data.sites.map((site) => (
        <section key={site.id} aria-label={site.name} className="mb-8">
          <h2 className="mb-1 border-b-2 border-[var(--ink)] text-[1.0625rem] font-semibold">{site.name}</h2>
          <Sortable
            ids={site.places.map((place) => place.id)}
            onOrder={(ids) => reorder.mutate({ placeId: null, ids })}
            opened={open}
            below={open !== null && <Pots placeId={open} onOrder={(ids) => reorder.mutate({ placeId: open, ids })} />}
          >
            {(id) => {
              const place = site.places.find((one) => one.id === id)!;
              return (
                <>
                  <span className="slab">{place.name}</span>
                  <button
                    type="button"
                    aria-expanded={open === id}
                    className="ml-auto h-11 px-3 text-[0.9375rem] underline"
                    onClick={() => setOpen(open === id ? null : id)}
                  >
                    {open === id ? 'close' : `${place.pots.length + place.left} pots`}
                  </button>
                </>
              );
            }}
          </Sortable>
        </section>
      ))}
    </div>
  );
}

function Pots({ placeId, onOrder }: { placeId: number; onOrder(ids: number[]): void }) {
  const bench = useBench(placeId, true);
  if (!bench.data) return <Waiting what="its pots" />;
  const byId = new Map(bench.data.map((pot) => [pot.id, pot]));
  return (
    <div className="ml-6 border-l-4 border-[var(--rule)] pl-3">
      <Sortable ids={bench.data.map((pot) => pot.id)} onOrder={onOrder}>
        {(id) => (
          <span>
            <Name written={byId.get(id)!.name} />{' '}
            <span className="text-[0.875rem] text-[var(--ink-2)]">{byId.get(id)!.number}</span>
          </span>
        )}
      </Sortable>
    </div>
  );
}

/** A list whose order is shown at once and told once a piece is let go. */
function Sortable({
  ids,
  onOrder,
  opened = null,
  below = null,
  children,
}: {
  ids: number[];
  onOrder(ids: number[]): void;
  /** one of them, and what stands open under it */
  opened?: number | null;
  below?: ReactNode;
  children(id: number): ReactNode;
}) {
  const given = ids.join();
  const [order, setOrder] = useState({ given, ids });
  // What the server says wins as soon as it says something new.
  const shown = order.given === given ? order.ids : ids;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const next = arrayMove(shown, shown.indexOf(Number(active.id)), shown.indexOf(Number(over.id)));
    setOrder({ given, ids: next });
    onOrder(next);
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={shown} strategy={verticalListSortingStrategy}>
        <ol>
          {shown.map((id) => (
            <Item key={id} id={id} below={id === opened && below}>
              {children(id)}
            </Item>
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

function Item({ id, below, children }: { id: number; below: ReactNode; children: ReactNode }) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id });
  const style = useMemo(
    () => ({ transform: transform ? `translateY(${Math.round(transform.y)}px)` : undefined, transition }),
    [transform, transition],
  );
  return (
    <li
      ref={setNodeRef}
      style={style}
      data-testid={`walk-${id}`}
      className={`border-b border-[var(--rule)] ${isDragging ? 'relative z-10 bg-[var(--frame)]' : ''}`}
    >
      <div className="flex min-h-11 items-center gap-2">
        <button
          type="button"
          className="grid size-11 shrink-0 cursor-grab touch-none place-items-center"
          {...attributes}
          {...listeners}
          aria-label="Grip: move in the walk"
        >
          <GripVertical aria-hidden="true" size={18} />
        </button>
        {children}
      </div>
      {below}
    </li>
  );
}
