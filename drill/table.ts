/** What was promised, what was found, and whether it held. */
export interface Finding {
  promise: string;
  found: string;
  held: boolean;
}

export class Table {
  private readonly rows: (Finding & { part: string })[] = [];

  constructor(private readonly part: string) {}

  /** Holds a promise against what was found. */
  hold(promise: string, held: boolean, found: string): void {
    this.rows.push({ part: this.part, promise, held, found });
    console.log(`${held ? 'held  ' : 'BROKEN'}  ${this.part}: ${promise} (${found})`);
  }

  get findings(): readonly (Finding & { part: string })[] {
    return this.rows;
  }
}
