import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import type { z } from 'zod';
import { NewerEntry } from '#contract/entry-version.ts';
import type { Problem } from '#contract/problem.ts';
import { storeFaultOf } from '../db/store-fault.ts';

/** A refusal the client can act on: thrown anywhere in a route, answered as problem+json. */
export class RefusedRequest extends Error {
  readonly status: number;
  readonly code: string;
  readonly issues: Problem['issues'];
  constructor(status: number, code: string, detail: string, issues?: Problem['issues']) {
    super(detail);
    this.status = status;
    this.code = code;
    this.issues = issues;
  }
}

/**
 * What a request says, by the contract. What the record holds is read elsewhere: a row that does not
 * fit is no fault of whoever asks.
 *
 * @throws RefusedRequest with every path at fault
 */
export function readRequest<T>(schema: z.ZodType<T>, said: unknown): T {
  const { success, data, error } = schema.safeParse(said);
  if (success) return data;
  const issues = error.issues.map(({ path, message }) => ({ path: path.join('.'), message }));
  const first = issues[0];
  throw new RefusedRequest(
    400,
    'invalidInput',
    first === undefined
      ? 'The request does not fit.'
      : `${first.path || 'request'}: ${first.message}`,
    issues,
  );
}

const TITLES: Readonly<Record<number, string>> = {
  400: 'The request cannot be read',
  403: 'Not from here',
  404: 'Not found',
  405: 'Not possible here',
  406: 'Not available in that form',
  409: 'Already there, with other content',
  413: 'Too much at once',
  415: 'Not JSON',
  421: 'Wrong address',
  422: 'Understood, but refused',
  500: 'Something went wrong here',
  503: 'Not now',
  507: 'No room',
};

function sendProblem(response: Response, problem: Omit<Problem, 'type' | 'title'>): void {
  const { issues, ...rest } = problem;
  const full: Problem = {
    type: 'about:blank',
    title: TITLES[problem.status] ?? 'Refused',
    ...rest,
    ...(issues === undefined ? {} : { issues }),
  };
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(full));
}

/** Answers every path nobody has claimed. */
export const notFound: RequestHandler = (request, response) => {
  sendProblem(response, {
    status: 404,
    code: 'notFound',
    detail: `There is nothing at ${request.path}.`,
  });
};

/** For a path that exists, but not for this method. */
export function onlyMethods(...methods: readonly string[]): RequestHandler {
  return (request, response) => {
    response.set('Allow', methods.join(', '));
    sendProblem(response, {
      status: 405,
      code: 'methodNotAllowed',
      detail: `${request.method} is not possible here; ${methods.join(' and ')} ${methods.length > 1 ? 'are' : 'is'}.`,
    });
  };
}

/** Turns whatever was thrown into problem+json; only our own faults are 500 and are reported. */
export function problemHandler(report: (error: unknown) => void): ErrorRequestHandler {
  return (error: unknown, _request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const fault = storeFaultOf(error);
    if (fault === null) {
      sendProblem(response, toProblem(error, report));
      return;
    }
    // Our own machine's fault, not a fault of the program: it is told in one line, without a trace.
    report(fault.detail);
    const { retryAfterS, ...problem } = fault;
    if (retryAfterS !== null) response.set('Retry-After', String(retryAfterS));
    sendProblem(response, problem);
  };
}

function toProblem(
  error: unknown,
  report: (error: unknown) => void,
): Omit<Problem, 'type' | 'title'> {
  if (error instanceof RefusedRequest) {
    return { status: error.status, code: error.code, detail: error.message, issues: error.issues };
  }
  if (error instanceof NewerEntry) {
    return {
      status: 422,
      code: 'newerEntries',
      detail:
        'This page is newer than the server. Nothing was stored; what you log waits in this browser. Start the server again with the newer program.',
    };
  }
  const status = statusOf(error);
  if (status >= 400 && status < 500) {
    return { status, code: 'badRequest', detail: messageOf(error) };
  }
  report(error);
  return {
    status: 500,
    code: 'internal',
    detail:
      'Nothing was stored by this request. Try again; if it stays, see the server’s own output.',
  };
}

function statusOf(error: unknown): number {
  if (error instanceof Error && 'status' in error && typeof error.status === 'number')
    return error.status;
  return 500;
}

function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : 'The request cannot be read.';
}
