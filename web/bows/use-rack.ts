import { useEffect, useRef, useSyncExternalStore } from 'react';
import useSWR from 'swr';
import { type RackResponse, rackResponseSchema } from '#contract/rack.ts';
import { requestKept } from '../api/http.ts';
import { outboxNow, subscribeOutbox } from '../outbox/outbox.ts';

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

const howManyWait = () => outboxNow().waiting.length;

/** Every bow, asked anew each time what waited has been stored: what was summed up before lacks it. */
export function useRackAsStored() {
  const rack = useRack();
  const { mutate } = rack;
  const waiting = useSyncExternalStore(subscribeOutbox, howManyWait);
  const before = useRef(waiting);
  useEffect(() => {
    if (waiting < before.current) void mutate();
    before.current = waiting;
  }, [waiting, mutate]);
  return rack;
}
