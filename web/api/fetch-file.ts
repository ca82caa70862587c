import { BUILD_HEADER } from '#contract/headers.ts';
import { problemSchema } from '#contract/problem.ts';
import { RefusedByServer, ServerAway } from './http.ts';

/**
 * A file of the server's, whole.
 *
 * @throws RefusedByServer, ServerAway
 */
export async function fetchFile(path: string): Promise<Blob> {
  const response = await fetch(path, { redirect: 'manual' }).catch(() => {
    throw new ServerAway('The server does not answer.');
  });
  if (response.headers.get(BUILD_HEADER) === null)
    throw new ServerAway('Something else answers in the server’s place.');
  if (response.ok)
    return response.blob().catch(() => {
      throw new ServerAway('The server stopped in the middle of the file.');
    });
  const problem = problemSchema.safeParse(await response.json().catch(() => null));
  if (problem.success && problem.data.status < 500) throw new RefusedByServer(problem.data);
  throw new ServerAway(
    problem.success ? problem.data.detail : 'The server answered with a fault of its own.',
  );
}
