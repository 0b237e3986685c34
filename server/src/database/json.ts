/** mysql2 hands JSON columns of MariaDB over as text. */
export function json<T>(value: unknown): T {
  return (typeof value === 'string' ? JSON.parse(value) : value) as T;
}
