import useSWR from 'swr';
import { type RackResponse, rackResponseSchema } from '#contract/rack.ts';
import { requestKept } from './http.ts';

/** Every bow, summed up by the server. */
export function useRack() {
  return useSWR<RackResponse, Error>('/api/bows', (path: string) =>
    requestKept(path, rackResponseSchema),
  );
}
