import type { Server } from 'node:http';
import type { Problem } from '#contract/problem.ts';

/** What Node says of a request its parser gave up on. */
interface UnreadableRequest extends NodeJS.ErrnoException {
  readonly rawPacket?: Buffer;
}

/**
 * What the parser itself refuses never reaches the app; it gets the same shape of answer, and its
 * status says whether it was too long or no HTTP at all.
 */
export function answerUnreadable(server: Server): void {
  server.on('clientError', (error: UnreadableRequest, socket) => {
    // Nobody asked anything: an answer would be taken for that of whatever is asked next.
    if (error.code === 'ERR_HTTP_REQUEST_TIMEOUT') {
      socket.destroy();
      return;
    }
    if (!socket.writable) return;
    const tooLong = error.code === 'HPE_HEADER_OVERFLOW';
    const [status, phrase] = tooLong
      ? [431, 'Request Header Fields Too Large']
      : [400, 'Bad Request'];
    const problem: Problem = {
      type: 'about:blank',
      title: 'The request cannot be read',
      status,
      code: 'badRequest',
      detail: tooLong
        ? 'Its address and headers are longer than 16 kB. What is sent belongs in the body.'
        : 'This is not HTTP as the server understands it.',
    };
    const body = JSON.stringify(problem);
    // An answer to HEAD has no body: one would be taken for the next answer.
    const shown = error.rawPacket?.toString('latin1', 0, 5) === 'HEAD ' ? '' : body;
    socket.end(
      `HTTP/1.1 ${status} ${phrase}\r\nContent-Type: application/problem+json\r\nContent-Length: ${Buffer.byteLength(body)}\r\nConnection: close\r\n\r\n${shown}`,
    );
  });
}
