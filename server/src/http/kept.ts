/**
 * Answers that are kept ready: their bytes are made once for an edition. They are not packed: within one machine that only
 * costs time.
 */
import type { Response } from 'express';

export class KeptAnswer {
  private readonly bytes: Buffer;

  constructor(
    readonly edition: string,
    text: string,
  ) {
    this.bytes = Buffer.from(text);
  }

  send(response: Response): void {
    response.type('application/json').send(this.bytes);
  }
}
