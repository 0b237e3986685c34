/**
 * Who writes at this device: a name beside each line of the books, so that two keepers can tell whose mark is whose.
 */
const KEY = 'zinc-keeper';
export const LONGEST_KEEPER = 40;

export function keeperName(): string {
  return (typeof localStorage === 'undefined' ? null : localStorage.getItem(KEY)) ?? '';
}

export function setKeeperName(name: string): void {
  localStorage.setItem(KEY, name.trim().slice(0, LONGEST_KEEPER));
}
