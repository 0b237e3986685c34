/** What a form comes to: the thing that is sent, or what is wrong with it by field. */
export type Read<T> = { kind: 'read'; value: T } | { kind: 'wrong'; at: Record<string, string> };

export function readOr<T>(wrong: Record<string, string>, value: T): Read<T> {
  return Object.keys(wrong).length > 0 ? { kind: 'wrong', at: wrong } : { kind: 'read', value };
}
