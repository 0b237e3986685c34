/** Every plant as a row: sorted, filtered and laid out as the keeper likes, smooth with thousands. */
import { LONGEST_NAME, LONGEST_SEARCH, LONGEST_VIEW_NAME, MOST_LABELS } from '@zinc-pail/contract/limits';
import type { SavedView, ViewSpec } from '@zinc-pail/contract/keeping';
import type { TableColumn, TableRow } from '@zinc-pail/contract/table';
import {
  type Column,
  type ColumnDef,
  type ColumnFiltersState,
  flexRender,
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
import { memo, type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { fromAddress, toAddress, USUAL } from './address.ts';
import { ask, wordsOf } from '../../api/client.ts';
import { kitKey, useKit } from '../../api/kit.ts';
import { usePlaces } from '../../api/places.ts';
import { useTable } from '../../api/table.ts';
import { count } from '../../words/amounts.ts';
import { todayIn } from '../../words/days.ts';
import { Wrong } from '../../forms/Fields.tsx';
import { Name } from '../../naming/Name.tsx';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { MovePanel } from './MovePanel.tsx';
import { cellWords, COLUMNS, compared, isMeant, passes } from './rows.ts';

const ROW_PX = 44;

const columns: ColumnDef<TableRow>[] = COLUMNS.map(({ id, head, size }) => ({
  id,
  header: head,
  size,
  accessorFn: (row) => row[id],
  filterFn: (row, _column, filter: string) => passes(id, row.original[id], filter),
  sortUndefined: 'last',
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
function useRows(rows: TableRow[]) {
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
    globalFilterFn: (row, _id, filter: string) => isMeant(row.original, filter),
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
  const { table, ids, picked, setPicked, search, setSearch, visible, setVisible, setFilters, view, show } =
    useRows(rows);
  const [moving, setMoving] = useState(false);
  const places = usePlaces();
  const shown = table.getRowModel().rows;
  return (
    <div className="flex h-[calc(100dvh-53px)] flex-col px-3 pt-3 sm:px-6">
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <h1 className="text-2xl font-semibold">List</h1>
        <input
          aria-label="Words to look for in name, number or bench"
          className="input h-11 w-56"
          placeholder="name, number, bench"
          maxLength={LONGEST_SEARCH}
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
        <span role="status" className="text-[0.9375rem]">
          {shown.length === rows.length
            ? count(rows.length, 'plant')
            : `${shown.length} of ${count(rows.length, 'plant')}`}
        </span>
        <Views views={views} spec={view} onShow={show} />
        <ColumnsMenu visible={visible} onChange={setVisible} />
      </div>
      {ids.length > 0 && <Chosen ids={ids} onMove={() => setMoving(true)} onNone={() => setPicked({})} />}
      <Rows table={table} picked={picked} onPick={setPicked}>
        {shown.length === 0 && (
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

interface ChosenProps {
  ids: readonly number[];
  onMove(): void;
  onNone(): void;
}

function Chosen({ ids, onMove, onNone }: ChosenProps) {
  return (
    <div
      role="region"
      aria-label="Chosen plants"
      className="mb-2 flex flex-wrap items-center gap-2 border-y border-[var(--ink)] bg-[var(--frame)] px-2 py-1"
    >
      <strong className="font-semibold">{count(ids.length, 'plant')} chosen</strong>
      <button type="button" className="btn btn-primary h-11" onClick={onMove}>
        Move them…
      </button>
      <a
        className="btn h-11"
        href={`/api/labels.pdf?ids=${ids.slice(0, MOST_LABELS).join(',')}`}
        target="_blank"
        rel="noreferrer"
      >
        Print labels
      </a>
      <button type="button" className="btn btn-ghost h-11" onClick={onNone}>
        Choose none
      </button>
    </div>
  );
}

interface RowsProps {
  table: Table<TableRow>;
  picked: RowSelectionState;
  onPick(picked: RowSelectionState): void;
  children: ReactNode;
}

/** Only the rows in sight are drawn, however many there are. */
function Rows({ table, picked, onPick, children }: RowsProps) {
  const shown = table.getRowModel().rows;
  const body = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => body.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });
  const leaf = table.getVisibleLeafColumns();
  const width = leaf.reduce((sum, column) => sum + column.getSize(), ROW_PX);
  const all = shown.length > 0 && shown.every((row) => picked[row.id]);
  return (
    <div ref={body} className="min-h-0 flex-1 overflow-auto border border-[var(--rule)]">
      <div role="table" aria-label="Plants" aria-rowcount={shown.length + 1} style={{ width }}>
        <div role="rowgroup" className="sticky top-0 z-10 bg-[var(--color-base-300)]">
          {table.getHeaderGroups().map((headers) => (
            <div key={headers.id} role="row" className="flex">
              <div role="columnheader" className="grid w-11 shrink-0 place-items-center">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  aria-label="Choose all that are shown"
                  checked={all}
                  onChange={() => onPick(all ? {} : Object.fromEntries(shown.map((row) => [row.id, true])))}
                />
              </div>
              {headers.headers.map((header) => (
                <Head key={header.id} header={header} />
              ))}
            </div>
          ))}
        </div>
        <div role="rowgroup" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
          {virtual.getVirtualItems().map((item) => {
            const row = shown[item.index]!;
            return (
              <RowView
                key={row.id}
                row={row}
                columns={leaf}
                top={item.start}
                index={item.index + 2}
                width={width}
                picked={picked[row.id] ?? false}
              />
            );
          })}
        </div>
      </div>
      {children}
    </div>
  );
}

/** A column's head, which sorts, and its filter. */
function Head({ header }: { header: Header<TableRow, unknown> }) {
  const { column } = header;
  const sorted = column.getIsSorted();
  return (
    <div
      role="columnheader"
      aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
      style={{ width: header.getSize() }}
      className="shrink-0 px-1"
    >
      <button
        type="button"
        className="flex h-9 w-full items-center gap-1 text-left text-[0.9375rem] font-semibold"
        onClick={column.getToggleSortingHandler()}
      >
        {flexRender(column.columnDef.header, header.getContext())}
        {sorted === 'asc' && <ArrowUp aria-hidden="true" size={15} />}
        {sorted === 'desc' && <ArrowDown aria-hidden="true" size={15} />}
      </button>
      <input
        aria-label={`Filter ${String(column.columnDef.header)}`}
        className="input input-sm mb-1 h-8 w-full px-1"
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
  top: number;
  index: number;
  width: number;
  picked: boolean;
}

/** Drawn anew only when it moves, is chosen, or shows other columns: that keeps scrolling smooth. */
const RowView = memo(function RowView({ row, columns: shown, top, index, width, picked }: RowViewProps) {
  const plant = row.original;
  return (
    <div
      role="row"
      aria-rowindex={index}
      style={{ position: 'absolute', top: 0, height: ROW_PX, transform: `translateY(${top}px)`, width }}
      className={`flex items-center border-b border-[var(--rule)] ${picked ? 'bg-[var(--frame)]' : ''}`}
    >
      <div role="cell" className="grid w-11 shrink-0 place-items-center">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          aria-label={`Choose ${plant.name}, ${plant.number}`}
          checked={picked}
          onChange={row.getToggleSelectedHandler()}
        />
      </div>
      {shown.map((column) => (
        <div
          key={column.id}
          role="cell"
          style={{ width: column.getSize() }}
          className="shrink-0 truncate px-1 text-[0.9375rem]"
        >
          {column.id === 'name' ? (
            <Link to={`/plants/${row.id}`} className="hover:underline">
              <Name written={plant.name} />
            </Link>
          ) : (
            cellWords(column.id as TableColumn, plant[column.id as TableColumn])
          )}
        </div>
      ))}
    </div>
  );
});

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
          As it is at first
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
                onClick={() => drop.mutate(view.id)}
              >
                drop
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
