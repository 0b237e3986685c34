/** What a list shows, in its address: sort, filters, columns and the words looked for. What is usual is left out. */
import type { ColumnFiltersState, SortingState, VisibilityState } from '@tanstack/react-table';
import { COLUMNS } from './rows.ts';

export const USUAL: VisibilityState = Object.fromEntries(COLUMNS.map(({ id, usual }) => [id, usual]));

export interface Shown {
  sort: SortingState;
  filters: ColumnFiltersState;
  visible: VisibilityState;
  search: string;
}

const KNOWN = new Set<string>(COLUMNS.map(({ id }) => id));

/** `?sort=-due,name&columns=name,due&f.state=resting&q=sill`; what is unknown in it counts for nothing. */
export function fromAddress(address: URLSearchParams): Shown {
  const sort = (address.get('sort') ?? '')
    .split(',')
    .map((one) => ({ id: one.replace(/^-/, ''), desc: one.startsWith('-') }))
    .filter(({ id }) => KNOWN.has(id));
  const filters = [...address]
    .filter(([key, value]) => key.startsWith('f.') && KNOWN.has(key.slice(2)) && value !== '')
    .map(([key, value]) => ({ id: key.slice(2), value }));
  const columns =
    address
      .get('columns')
      ?.split(',')
      .filter((id) => KNOWN.has(id)) ?? [];
  return {
    sort,
    filters,
    visible: columns.length > 0 ? Object.fromEntries(COLUMNS.map(({ id }) => [id, columns.includes(id)])) : USUAL,
    search: address.get('q') ?? '',
  };
}

export function toAddress({ sort, filters, visible, search }: Shown): URLSearchParams {
  const address = new URLSearchParams();
  if (sort.length > 0) address.set('sort', sort.map(({ id, desc }) => `${desc ? '-' : ''}${id}`).join(','));
  const columns = COLUMNS.filter(({ id }) => visible[id] !== false).map(({ id }) => id);
  if (COLUMNS.some(({ id, usual }) => usual !== (visible[id] !== false))) address.set('columns', columns.join(','));
  for (const { id, value } of filters) if (String(value) !== '') address.set(`f.${id}`, String(value));
  if (search !== '') address.set('q', search);
  return address;
}
