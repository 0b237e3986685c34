/** What is half filled in survives a reload and a step back, in this tab, until it is sent. */
import { type Dispatch, type SetStateAction, useEffect, useState } from 'react';

const keyOf = (name: string) => `zinc-kept-${name}`;

function read<T>(name: string, first: T): T {
  if (typeof sessionStorage === 'undefined') return first;
  try {
    const kept = sessionStorage.getItem(keyOf(name));
    return kept === null ? first : (JSON.parse(kept) as T);
  } catch {
    return first;
  }
}

export function useKept<T>(name: string, first: T): [T, Dispatch<SetStateAction<T>>] {
  const [value, setValue] = useState<T>(() => read(name, first));
  useEffect(() => sessionStorage.setItem(keyOf(name), JSON.stringify(value)), [name, value]);
  return [value, setValue];
}

/** Sent: nothing of it is left for the next time. */
export function forget(...names: string[]): void {
  for (const name of names) sessionStorage.removeItem(keyOf(name));
}
