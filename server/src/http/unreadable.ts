/** What never becomes a request, since its head cannot be read: refused in words all the same. */
import type { Server } from 'node:http';
import type { Socket } from 'node:net';
import { problemOf } from './problem.ts';

export function refuseUnreadable(server: Server): void {
  server.on('clientError', (error: NodeJS.ErrnoException, socket: Socket) => {
    // One that went away wants no answer.
    if (error.code === 'ECONNRESET' || !socket.writable) return void socket.destroy();
    const tooLong = error.code === 'HPE_HEADER_OVERFLOW';
    const problem = tooLong
      ? problemOf('head-too-long', 'The address and headers are longer than 16 kB; send what is long in the body.')
      : problemOf('not-http', 'That cannot be read as a request.');
    const body = JSON.stringify(problem);
    socket.end(
      [
        `HTTP/1.1 ${problem.status} ${tooLong ? 'Request Header Fields Too Large' : 'Bad Request'}`,
        'Content-Type: application/problem+json',
        `Content-Length: ${Buffer.byteLength(body)}`,
        'Connection: close',
        '',
        body,
      ].join('\r\n'),
    );
  });
}
