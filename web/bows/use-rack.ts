import useSWR from 'swr';
import { type RackResponse, rackResponseSchema } from '#contract/rack.ts';
import { requestKept } from '../api/http.ts';

/**
 * Every bow, summed up by the server.
 *
 * @param wanted false while something else is waited for: then it is not asked yet
 */
export function useRack(wanted = true) {
  return useSWR<RackResponse, Error>(wanted ? '/api/bows' : null, (path: string) =>
    requestKept(path, rackResponseSchema),
  );
}
