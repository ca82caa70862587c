import type { z } from 'zod';
import { type Problem, problemSchema } from '#contract/problem.ts';

/** The server understood and refused: says why, nothing was stored. */
export class RefusedByServer extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    super(problem.detail);
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
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch {
    throw new ServerAway('The server does not answer.');
  }
  const body: unknown = await response.json().catch(() => null);
  if (response.ok) return schema.parse(body);
  const problem = problemSchema.safeParse(body);
  if (problem.success && problem.data.status < 500) throw new RefusedByServer(problem.data);
  throw new ServerAway('The server answered with a fault of its own.');
}
