/** Ids of garden files in tables that hold several: each bears its site before it. */

export const refIn = (siteId: number, id: string) => `${siteId}/${id}`;

/** The id as the file had it; one that came in no file is as it is. */
export const idFrom = (siteId: number, ref: string) =>
  ref.startsWith(`${siteId}/`) ? ref.slice(`${siteId}/`.length) : ref;
