import type { RequestHandler } from 'express';
import { RefusedRequest } from './problem.ts';

const LOOPBACK_NAMES = new Set(['localhost', '127.0.0.1', '[::1]']);

/**
 * Only this machine, and only pages of our own. A foreign Host is how a hostile page reaches a
 * loopback server through a name of its own (DNS rebinding); a foreign Origin is a page elsewhere.
 */
export const guardLoopback: RequestHandler = (request, _response, next) => {
  if (!isLoopback(request.headers.host)) {
    throw new RefusedRequest(421, 'wrongHost', 'This server answers only to localhost.');
  }
  const { origin } = request.headers;
  if (origin !== undefined && !isOwnOrigin(origin, request.headers.host)) {
    throw new RefusedRequest(403, 'foreignOrigin', 'Requests from other pages are refused.');
  }
  next();
};

function isLoopback(host: string | undefined): boolean {
  if (host === undefined) return false;
  return LOOPBACK_NAMES.has(host.replace(/:\d+$/, '').toLowerCase());
}

function isOwnOrigin(origin: string, host: string | undefined): boolean {
  return origin === `http://${host ?? ''}`;
}
