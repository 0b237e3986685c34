/** Answers that are kept ready: their text and its packed form are made once for an edition. */
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import type { Request, Response } from 'express';

const pack = promisify(gzip);

export class KeptAnswer {
  private packed: Promise<Buffer> | null = null;

  constructor(
    readonly edition: string,
    readonly text: string,
  ) {}

  gzipped(): Promise<Buffer> {
    // Fast rather than small: this goes to the same house.
    this.packed ??= pack(this.text, { level: 1 });
    return this.packed;
  }
}

export async function sendKept(request: Request, response: Response, answer: KeptAnswer): Promise<void> {
  response.type('application/json');
  if (request.acceptsEncodings('gzip')) {
    response.set({ 'Content-Encoding': 'gzip', Vary: 'Accept-Encoding' });
    response.send(await answer.gzipped());
  } else {
    response.send(answer.text);
  }
}
