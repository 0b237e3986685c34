/** Every plant as a row: sorted, filtered and laid out as the keeper likes, smooth with thousands. */
import { LONGEST_NAME, LONGEST_VIEW_NAME } from '@zinc-pail/contract/limits';
import type { SavedView, ViewSpec } from '@zinc-pail/contract/keeping';
import type { TableColumn, TableRow } from '@zinc-pail/contract/table';
import {
  type Column,
  type ColumnDef,
  type ColumnFiltersState,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  type Header,
  type Row,
  type RowSelectionState,
  type SortingState,
  type Table,
  useReactTable,
  type VisibilityState,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ArrowDown, ArrowUp } from 'lucide-react';
import type { Judged, PlantState } from '@zinc-pail/core';
import { memo, type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { fromAddress, toAddress, USUAL } from './address.ts';
import { ask, wordsOf } from '../../api/client.ts';
import { kitKey, useKit } from '../../api/kit.ts';
import { usePlaces } from '../../api/places.ts';
import { useTable } from '../../api/table.ts';
import { count } from '../../reader/amounts.ts';
import { todayIn } from '../../reader/days.ts';
import { Wrong } from '../../forms/Fields.tsx';
import { usePhotographs } from '../../drawing/photographs.ts';
import { Name } from '../../naming/Name.tsx';
import { StateMark } from '../../naming/StateMark.tsx';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { FilterField } from '../../finding/FilterField.tsx';
import { meantBy } from '../../finding/meant.ts';
import { BENCH_TABS, DoorTabs } from '../../parts/DoorTabs.tsx';
import { useMedia, usePrinting } from '../../parts/media.ts';
import { useWidth } from '../../parts/useWidth.ts';
import { ForMany } from './ForMany.tsx';
import { MovePanel } from './MovePanel.tsx';
import { RowPicture } from './RowPicture.tsx';
import { cellWords, COLUMNS, compared, filterHint, headWords, passes } from './rows.ts';
import { TodayMark } from './TodayMark.tsx';

const ROW_PX = 44;

const columns: ColumnDef<TableRow>[] = COLUMNS.map(({ id, head, size }) => ({
  id,
  header: head,
  size,
  // What is empty is last, whichever way one sorts.
  accessorFn: (row) => row[id] ?? undefined,
  filterFn: (row, _column, filter: string) => passes(id, row.original[id], filter),
  sortUndefined: 'last',
  sortDescFirst: false,
  sortingFn: (a, b) => compared(a.original[id], b.original[id]),
}));

export default function ListScreen() {
  const table = useTable();
  const kit = useKit();
  if (table.isPending || kit.isPending) return <Waiting what="the list" />;
  if (table.isError) return <Failed error={table.error} again={() => void table.refetch()} />;
  if (kit.isError) return <Failed error={kit.error} again={() => void kit.refetch()} />;
  return <List rows={table.data} views={kit.data.views} today={todayIn(kit.data.sites[0]?.time_zone ?? 'UTC')} />;
}

interface ListProps {
  rows: TableRow[];
  views: SavedView[];
  today: string;
}

/** What is shown, sorted and chosen. */
function useRows(rows: TableRow[], today: string) {
  const [address, setAddress] = useSearchParams();
  const [first] = useState(() => fromAddress(address));
  const [sorting, setSorting] = useState<SortingState>(first.sort);
  const [filters, setFilters] = useState<ColumnFiltersState>(first.filters);
  const [visible, setVisible] = useState<VisibilityState>(first.visible);
  const [picked, setPicked] = useState<RowSelectionState>({});
  const [search, setSearch] = useState(first.search);
  // Back, reload and a link that is sent show the same list.
  useEffect(() => {
    const next = toAddress({ sort: sorting, filters, visible, search });
    if (next.toString() !== address.toString()) setAddress(next, { replace: true });
  }, [sorting, filters, visible, search, address, setAddress]);
  const table = useReactTable({
    data: rows,
    columns,
    state: { sorting, columnFilters: filters, columnVisibility: visible, rowSelection: picked, globalFilter: search },
    getRowId: (row) => String(row.id),
    onSortingChange: setSorting,
    onColumnFiltersChange: setFilters,
    onColumnVisibilityChange: setVisible,
    onRowSelectionChange: setPicked,
    onGlobalFilterChange: setSearch,
    globalFilterFn: (row, _id, filter: string) => meantBy(row.original, filter, today),
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
    getColumnCanGlobalFilter: (column) => column.id === 'name',
  });
  const ids = useMemo(
    () =>
      Object.keys(picked)
        .filter((id) => picked[id])
        .map(Number),
    [picked],
  );
  const view = (): ViewSpec => ({
    columns: table.getVisibleLeafColumns().map((column) => column.id),
    sort: sorting,
    filters: filters.map(({ id, value }) => ({ id, value: String(value) })),
  });
  const show = (spec: ViewSpec | null) => {
    setVisible(spec ? Object.fromEntries(COLUMNS.map(({ id }) => [id, spec.columns.includes(id)])) : USUAL);
    setSorting(spec?.sort ?? []);
    setFilters(spec?.filters ?? []);
  };
  return { table, ids, picked, setPicked, search, setSearch, visible, setVisible, setFilters, view, show };
}

function List({ rows, views, today }: ListProps) {
  const { table, ids, picked, setPicked, search, setSearch, visible, setVisible, setFilters, view, show } = useRows(
    rows,
    today,
  );
  const [moving, setMoving] = useState(false);
  const [photographs, showPhotographs] = usePhotographs();
  const cards = useMedia(NARROW);
  const places = usePlaces();
  const shown = table.getRowModel().rows;
  return (
    <div className="flex h-[calc(100dvh-53px)] max-sm:h-[calc(100dvh-60px)] flex-col px-3 pt-3 sm:px-6 print:block print:h-auto">
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <h1 className="text-2xl font-semibold">Benches</h1>
        <DoorTabs label="Benches" tabs={BENCH_TABS} keep />
        <FilterField value={search} onChange={setSearch} />
        <span role="status" className="text-[0.9375rem]">
          {shown.length === rows.length
            ? count(rows.length, 'plant')
            : `${shown.length} of ${count(rows.length, 'plant')}`}
        </span>
        <Views views={views} spec={view} onShow={show} />
        {!cards && <ColumnsMenu visible={visible} onChange={setVisible} />}
        {cards && <SortMenu table={table} />}
        <button type="button" className="h-11 underline" onClick={() => showPhotographs(!photographs)}>
          {photographs ? 'drawings' : 'photographs'}
        </button>
      </div>
      {ids.length > 0 && (
        <ForMany
          rows={rows.filter(({ id }) => picked[String(id)])}
          today={today}
          onMove={() => setMoving(true)}
          onNone={() => setPicked({})}
        />
      )}
      <Rows table={table} picked={picked} onPick={setPicked} cards={cards}>
        {rows.length === 0 && (
          <p className="p-4">
            No plant is kept yet.{' '}
            <Link to="/add" className="underline">
              Take the first one in
            </Link>
            .
          </p>
        )}
        {rows.length > 0 && shown.length === 0 && (
          <p className="p-4">
            No plant fits.{' '}
            <button
              type="button"
              className="h-11 underline"
              onClick={() => {
                setFilters([]);
                setSearch('');
              }}
            >
              Show all again
            </button>
          </p>
        )}
      </Rows>
      {moving && (
        <MovePanel
          ids={ids}
          places={places.data ?? []}
          today={today}
          onClose={(done) => {
            setMoving(false);
            if (done) setPicked({});
          }}
        />
      )}
    </div>
  );
}

interface RowsProps {
  table: Table<TableRow>;
  picked: RowSelectionState;
  onPick(picked: RowSelectionState): void;
  /** a card each, not a row of cells: a phone shows what matters of each without running sideways */
  cards: boolean;
  children: ReactNode;
}

/** Only the rows in sight are drawn, however many there are; on paper all are. */
function Rows({ table, picked, onPick, cards, children }: RowsProps) {
  const printing = usePrinting();
  const shown = table.getRowModel().rows;
  const body = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => body.current,
    estimateSize: () => (cards ? CARD_PX : ROW_PX),
    overscan: 8,
  });
  useEffect(() => virtual.measure(), [cards, virtual]);
  const leaf = table.getVisibleLeafColumns();
  const width = leaf.reduce((sum, column) => sum + column.getSize(), ROW_PX);
  const [last] = leaf.slice(-1);
  // Held names cost the browser a layer each: only where the rest runs out of sight.
  const runsOver = useWidth(body, Infinity) < width;
  const all = shown.length > 0 && shown.every((row) => picked[row.id]);
  return (
    <div
      ref={body}
      className="min-h-0 flex-1 overflow-auto border border-[var(--rule)] print:overflow-visible print:border-0"
    >
      {cards ? (
        <ul aria-label="Plants" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
          {virtual.getVirtualItems().map((item) => (
            <Card
              key={shown[item.index]!.id}
              row={shown[item.index]!}
              top={item.start}
              picked={picked[shown[item.index]!.id] ?? false}
            />
          ))}
        </ul>
      ) : (
        <div role="table" aria-label="Plants" aria-rowcount={shown.length + 1} style={{ minWidth: width }}>
          <div role="rowgroup" className="sticky top-0 z-10 bg-[var(--color-base-300)] print:static">
            {table.getHeaderGroups().map((headers) => (
              <div key={headers.id} role="row" className="flex">
                <div
                  role="columnheader"
                  className="sticky left-0 z-[1] grid w-11 shrink-0 place-items-center bg-[var(--color-base-300)] print:hidden"
                >
                  <input
                    type="checkbox"
                    className="checkbox checkbox-sm"
                    aria-label="Choose all that are shown"
                    checked={all}
                    onChange={() => onPick(all ? {} : Object.fromEntries(shown.map((row) => [row.id, true])))}
                  />
                </div>
                {headers.headers.map((header) => (
                  <Head key={header.id} header={header} grows={header.column.id === last?.id} />
                ))}
              </div>
            ))}
          </div>
          <div role="rowgroup" style={printing ? undefined : { height: virtual.getTotalSize(), position: 'relative' }}>
            {(printing ? shown.map((_, index) => ({ index, start: null })) : virtual.getVirtualItems()).map((item) => {
              const row = shown[item.index]!;
              return (
                <RowView
                  key={row.id}
                  row={row}
                  columns={leaf}
                  top={item.start}
                  index={item.index + 2}
                  lastId={last?.id ?? ''}
                  held={runsOver}
                  picked={picked[row.id] ?? false}
                />
              );
            })}
          </div>
        </div>
      )}
      {children}
    </div>
  );
}

/** A column's head, which sorts, and its filter. */
function Head({ header, grows }: { header: Header<TableRow, unknown>; grows: boolean }) {
  const { column } = header;
  const sorted = column.getIsSorted();
  return (
    <div
      role="columnheader"
      aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
      style={grows ? { minWidth: header.getSize() } : { width: header.getSize() }}
      className={`px-1 ${grows ? 'flex-1' : 'shrink-0'} ${header.id === 'name' ? HELD : ''} bg-[var(--color-base-300)]`}
    >
      <button
        type="button"
        className="flex h-11 w-full items-center gap-1 text-left text-[0.9375rem] font-semibold"
        onClick={column.getToggleSortingHandler()}
      >
        {headWords(column.id as TableColumn, String(column.columnDef.header))}
        {sorted === 'asc' && <ArrowUp aria-hidden="true" size={15} />}
        {sorted === 'desc' && <ArrowDown aria-hidden="true" size={15} />}
      </button>
      <input
        aria-label={`Filter ${String(column.columnDef.header)}`}
        className="input input-sm mb-1 h-9 w-full px-1 print:hidden"
        placeholder={filterHint(column.id as TableColumn)}
        maxLength={LONGEST_NAME}
        value={(column.getFilterValue() as string | undefined) ?? ''}
        onChange={(event) => column.setFilterValue(event.target.value || undefined)}
      />
    </div>
  );
}

interface RowViewProps {
  row: Row<TableRow>;
  columns: Column<TableRow>[];
  /** null on paper, where rows follow each other by themselves */
  top: number | null;
  index: number;
  /** the column that takes what room is left */
  lastId: string;
  /** its name stays in sight */
  held: boolean;
  picked: boolean;
}

/** Stays in sight while the rest scrolls sideways: of whom is the rest? */
const HELD = 'sticky left-11 z-[1] print:static';
const CARD_PX = 84;
const NARROW = '(max-width: 639px)';

/** As large as a thumb. */
function RowTick({ row, picked }: Pick<RowViewProps, 'row' | 'picked'>) {
  const { name, number } = row.original;
  return (
    <label className="grid size-11 shrink-0 cursor-pointer place-items-center">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        aria-label={`Choose ${name}, ${number}`}
        checked={picked}
        onChange={row.getToggleSelectedHandler()}
      />
    </label>
  );
}

/** Drawn anew only when it moves, is chosen, or shows other columns: that keeps scrolling smooth. */
const RowView = memo(function RowView({ row, columns: shown, top, index, lastId, held, picked }: RowViewProps) {
  const plant = row.original;
  const ground = picked ? 'bg-[var(--frame)]' : 'bg-[var(--paper)]';
  return (
    <div
      role="row"
      aria-rowindex={index}
      style={top === null ? undefined : { position: 'absolute', top, height: ROW_PX, contain: 'strict' }}
      className={`flex w-full items-center border-b border-[var(--rule)] ${ground}`}
    >
      <div
        role="cell"
        className={`grid h-full w-11 shrink-0 place-items-center print:hidden ${held ? `sticky left-0 z-[1] ${ground}` : ''}`}
      >
        <RowTick row={row} picked={picked} />
      </div>
      {shown.map((column) => (
        <div
          key={column.id}
          role="cell"
          style={column.id === lastId ? { minWidth: column.getSize() } : { width: column.getSize() }}
          className={`flex h-full items-center px-1 text-[0.9375rem] ${column.id === lastId ? 'flex-1' : 'shrink-0'} ${held && column.id === 'name' ? `${HELD} ${ground}` : ''}`}
        >
          <Cell id={column.id as TableColumn} plant={plant} />
        </div>
      ))}
    </div>
  );
});

function Cell({ id, plant }: { id: TableColumn; plant: TableRow }) {
  switch (id) {
    case 'name':
      return (
        <Link to={`/plants/${plant.id}`} className="flex h-full min-w-0 items-center gap-2 hover:underline">
          <RowPicture plant={plant} size={36} />
          <span className="truncate">
            <Name written={plant.name} />
          </span>
        </Link>
      );
    case 'verdict':
      return <TodayMark verdict={plant.verdict as Judged} />;
    case 'state':
      return <StateMark state={plant.state as PlantState} />;
    default:
      return <span className="truncate">{cellWords(id, plant[id])}</span>;
  }
}

/** What a thumb wants of a plant: who, where, what today, when next. */
const Card = memo(function Card({ row, top, picked }: Pick<RowViewProps, 'row' | 'picked'> & { top: number }) {
  const plant = row.original;
  return (
    <li
      style={{ position: 'absolute', top, height: CARD_PX, contain: 'strict' }}
      className={`flex w-full items-center gap-2 border-b border-[var(--rule)] ${picked ? 'bg-[var(--frame)]' : ''}`}
    >
      <RowTick row={row} picked={picked} />
      <Link to={`/plants/${plant.id}`} className="flex min-w-0 flex-1 items-center gap-3 py-1">
        <RowPicture plant={plant} size={56} />
        <span className="min-w-0">
          <span className="block truncate text-[1.0625rem]">
            <Name written={plant.name} />
          </span>
          <span className="block truncate text-[0.875rem] text-[var(--ink-2)]">
            {plant.number}, {plant.place}
          </span>
          <span className="flex gap-3 text-[0.875rem]">
            <TodayMark verdict={plant.verdict as Judged} />
            <StateMark state={plant.state as PlantState} />
            {plant.due && <span className="text-[var(--ink-2)]">drinks {cellWords('due', plant.due)}</span>}
          </span>
        </span>
      </Link>
    </li>
  );
});

/** On a phone, where there are no heads to tap. */
function SortMenu({ table }: { table: Table<TableRow> }) {
  const [first] = table.getState().sorting;
  return (
    <select
      aria-label="Sorted by"
      className="select h-11 w-40"
      value={first ? `${first.desc ? '-' : ''}${first.id}` : ''}
      onChange={({ target }) =>
        table.setSorting(
          target.value === '' ? [] : [{ id: target.value.replace(/^-/, ''), desc: target.value.startsWith('-') }],
        )
      }
    >
      <option value="">in walking order</option>
      <option value="due">next drink first</option>
      <option value="name">by name</option>
      <option value="number">by number</option>
      <option value="-moisture">wettest first</option>
      <option value="last_watered">watered longest ago</option>
    </select>
  );
}

function ColumnsMenu({ visible, onChange }: { visible: VisibilityState; onChange(visible: VisibilityState): void }) {
  return (
    <details className="relative">
      <summary className="btn h-11 list-none">Columns</summary>
      <fieldset className="absolute right-0 z-20 grid w-80 grid-cols-2 border border-[var(--ink)] bg-[var(--paper)] p-3">
        <legend className="sr-only">Columns shown</legend>
        {COLUMNS.map(({ id, head }) => (
          <label key={id} className="flex h-9 items-center gap-2 text-[0.9375rem]">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={visible[id] ?? false}
              onChange={(event) => onChange({ ...visible, [id]: event.target.checked })}
            />{' '}
            {head}
          </label>
        ))}
      </fieldset>
    </details>
  );
}

interface ViewsProps {
  views: readonly SavedView[];
  spec(): ViewSpec;
  /** null: as it is at first */
  onShow(spec: ViewSpec | null): void;
}

function Views({ views, spec, onShow }: ViewsProps) {
  const [name, setName] = useState('');
  const [dropping, setDropping] = useState<number | null>(null);
  const queries = useQueryClient();
  const settled = { onSettled: () => queries.invalidateQueries({ queryKey: kitKey }) };
  const save = useMutation({
    mutationFn: () => ask('/views', { method: 'POST', body: { name: name.trim(), spec: spec() } }),
    onSuccess: () => setName(''),
    ...settled,
  });
  const drop = useMutation({ mutationFn: (id: number) => ask(`/views/${id}`, { method: 'DELETE' }), ...settled });
  return (
    <details className="relative">
      <summary className="btn h-11 list-none">Views</summary>
      <div className="absolute z-20 w-80 border border-[var(--ink)] bg-[var(--paper)] p-3">
        <button type="button" className="h-11 w-full text-left underline" onClick={() => onShow(null)}>
          Default view
        </button>
        <ul>
          {views.map((view) => (
            <li key={view.id} className="flex items-center">
              <button type="button" className="h-11 grow text-left underline" onClick={() => onShow(view.spec)}>
                {view.name}
              </button>
              <button
                type="button"
                className="h-11 px-2 text-[0.875rem]"
                aria-label={`Drop the view ${view.name}`}
                onClick={() => (dropping === view.id ? drop.mutate(view.id) : setDropping(view.id))}
              >
                {dropping === view.id ? 'delete it' : 'delete'}
              </button>
            </li>
          ))}
        </ul>
        <form
          className="mt-2 flex gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim() !== '') save.mutate();
          }}
        >
          <input
            aria-label="Name of this view"
            className="input h-11 grow"
            maxLength={LONGEST_VIEW_NAME}
            placeholder="keep this view as"
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <button type="submit" className="btn h-11">
            Keep
          </button>
        </form>
        <Wrong words={save.isError ? wordsOf(save.error) : null} />
      </div>
    </details>
  );
}
