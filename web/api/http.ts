import type { z } from 'zod';
import { type Problem, problemSchema } from '#contract/problem.ts';
import { keepAnswer, lastAnswer } from './last-answers.ts';
import { whenIdle } from './when-idle.ts';
import { noteServerAway } from './server-away.ts';

const NOT_IN_THIS_FORM =
  'The record does not take it in this form. Nothing else is lost: enter it again in other words or figures.';

/** The server understood and refused: says why, nothing was stored. */
export class RefusedByServer extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    // What the contract says of a field is for engineers, not for the bench.
    super(problem.code === 'invalidInput' ? NOT_IN_THIS_FORM : problem.detail);
    this.problem = problem;
  }
}

/** The server could not be reached at all. */
export class ServerAway extends Error {}

/**
 * One request, its answer parsed by the contract.
 *
 * @throws RefusedByServer for a problem+json answer, ServerAway when there is no usable answer
 */
export async function request<T>(
  path: string,
  schema: z.ZodType<T>,
  init?: RequestInit,
): Promise<T> {
  const { body } = await ask(path, init);
  return schema.parse(body);
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
    const answer = schema.parse(body);
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

/** A usable answer: what it says, and the bytes it came in. */
interface Said {
  readonly body: unknown;
  readonly bytes: ArrayBuffer;
}

async function ask(path: string, init?: RequestInit): Promise<Said> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch {
    noteServerAway(true);
    throw new ServerAway('The server does not answer.');
  }
  const bytes = await response.arrayBuffer().catch(() => new ArrayBuffer(0));
  const body = parsed(bytes);
  if (response.ok) {
    noteServerAway(false);
    return { body, bytes };
  }
  const problem = problemSchema.safeParse(body);
  if (problem.success && problem.data.status < 500) {
    noteServerAway(false);
    throw new RefusedByServer(problem.data);
  }
  throw new ServerAway('The server answered with a fault of its own.');
}

/** What JSON says; null when it is none. */
function parsed(bytes: ArrayBuffer): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    return null;
  }
}
