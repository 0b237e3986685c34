/** What comes of asking. */
export interface Answer {
  /** 0: the connection broke, or nothing came in time */
  status: number;
  type: string;
  /** parsed only where somebody looks */
  readonly body: any;
  bytes: number;
  ms: number;
  retryAfter: string | undefined;
}
