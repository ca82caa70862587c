import type { z } from 'zod';
import { BUILD_HEADER, NOW_HEADER } from '#contract/headers.ts';
import { type Problem, problemSchema } from '#contract/problem.ts';
import { noteOtherBuild, noteOutcome, type Outcome } from '../connection/connection.ts';
import { noteServerTime } from '../device/device-time.ts';
import { buildId } from '#contract/build-id.ts';
import { keepAnswer, lastAnswer } from './last-answers.ts';
import { whenIdle } from '../device/when-idle.ts';

const NOT_IN_THIS_FORM =
  'The record does not take it in this form. Nothing else is lost: enter it again in other words or figures.';

/** Longer, and it is said that there is no answer. A picture takes its time. */
const PATIENCE_MS = 10_000;
const PICTURE_PATIENCE_MS = 60_000;

/** The server understood and refused: says why, nothing was stored. */
export class RefusedByServer extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    // What the contract says of a field is for engineers, not for the bench.
    super(problem.code === 'invalidInput' ? NOT_IN_THIS_FORM : problem.detail);
    this.problem = problem;
  }
}

/** There is no usable answer of our server: away, too slow, failing, or something else in its place. */
export class ServerAway extends Error {}

/** A request, and how long its answer may take where it is longer than usual. */
interface Asked extends RequestInit {
  readonly patienceMs?: number;
}

/**
 * One request, its answer parsed by the contract.
 *
 * @throws RefusedByServer for a problem+json answer, ServerAway when there is no usable answer
 */
export async function request<T>(path: string, schema: z.ZodType<T>, init?: Asked): Promise<T> {
  const { body } = await ask(path, init);
  return understood(schema, body);
}

/** How later answers to other questions add to the last answer to this one. */
interface Additions<T> {
  readonly holds: (answer: T, addition: string) => boolean;
  /** The answer with additions, as they were kept: to be parsed again. */
  readonly join: (answer: unknown, additions: readonly unknown[]) => unknown;
}
const NO_ADDITIONS: Additions<unknown> = { holds: () => true, join: (answer) => answer };

/** A question whose last answer is kept and given again while the server is away. */
export async function requestKept<T>(
  path: string,
  schema: z.ZodType<T>,
  { holds, join }: Additions<T> = NO_ADDITIONS,
): Promise<T> {
  try {
    const { body, bytes } = await ask(path);
    const answer = understood(schema, body);
    // Keeping a long answer takes as long as drawing it: the drawing goes first.
    whenIdle(() => void keepAnswer(path, bytes, (addition) => holds(answer, addition)));
    return answer;
  } catch (error) {
    if (!(error instanceof ServerAway)) throw error;
    const kept = await lastAnswer(path);
    const answer = schema.safeParse(kept === null ? null : join(kept.answer, kept.additions));
    if (!answer.success) throw error;
    return answer.data;
  }
}

/** Our server's answer, but of a build that says other things: then this page is to be fetched anew. */
function understood<T>(schema: z.ZodType<T>, body: unknown): T {
  const answer = schema.safeParse(body);
  if (answer.success) return answer.data;
  noteOtherBuild();
  throw new ServerAway('The server is of another version than this page.');
}

/** A usable answer: what it says, and the bytes it came in. */
interface Said {
  readonly body: unknown;
  readonly bytes: ArrayBuffer;
}

async function ask(path: string, asked: Asked = {}): Promise<Said> {
  const { patienceMs = asked.method === 'PUT' ? PICTURE_PATIENCE_MS : PATIENCE_MS, ...init } =
    asked;
  const isWrite = init.method !== undefined && init.method !== 'GET';
  const fail = (outcome: Outcome, words: string) => {
    noteOutcome(outcome, isWrite);
    return new ServerAway(words);
  };
  let response: Response;
  let bytes: ArrayBuffer;
  try {
    // An answer from elsewhere is a guest network's page, not one to be followed.
    const signal = AbortSignal.timeout(patienceMs);
    response = await fetch(path, { redirect: 'manual', ...init, signal });
    bytes = await response.arrayBuffer();
  } catch (error) {
    const isSlow = error instanceof DOMException && error.name === 'TimeoutError';
    throw isSlow
      ? fail({ kind: 'slow' }, 'The server does not answer in time.')
      : fail({ kind: 'away' }, 'The server does not answer.');
  }
  const build = response.headers.get(BUILD_HEADER);
  const body = parsed(bytes);
  if (build === null) {
    throw response.status >= 500
      ? fail(
          { kind: 'failing', says: null },
          `Something answers ${response.status} in the server’s place.`,
        )
      : fail({ kind: 'notOurs' }, 'Something else answers in the server’s place.');
  }
  const serverMs = Number(response.headers.get(NOW_HEADER));
  if (serverMs > 0) noteServerTime(serverMs);
  if (build !== buildId()) noteOtherBuild();
  if (response.ok && body !== null) {
    noteOutcome({ kind: 'here' }, isWrite);
    return { body, bytes };
  }
  const problem = problemSchema.safeParse(body);
  if (problem.success && problem.data.code === 'newerEntries') {
    // Asking again cannot change it; the entries wait until the server is the newer one too.
    noteOtherBuild();
    throw fail({ kind: 'failing', says: problem.data.detail }, problem.data.detail);
  }
  if (problem.success && problem.data.status < 500) {
    noteOutcome({ kind: 'here' }, isWrite);
    throw new RefusedByServer(problem.data);
  }
  const says = problem.success ? problem.data.detail : null;
  throw fail({ kind: 'failing', says }, says ?? 'The server answered with a fault of its own.');
}

/** What JSON says; null when it is none. */
function parsed(bytes: ArrayBuffer): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    return null;
  }
}
