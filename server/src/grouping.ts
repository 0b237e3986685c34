/** Items by what `of` says of them, groups and items in the order in which they come. */
export function groupBy<T, K>(items: Iterable<T>, of: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const item of items) {
    const key = of(item);
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}
