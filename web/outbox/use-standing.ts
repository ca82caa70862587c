import { useSyncExternalStore } from 'react';
import { connectionNow, subscribeConnection } from '../connection/connection.ts';
import { outboxNow, subscribeOutbox, type Waiting } from './outbox.ts';

/** Where an entry is: on the server's disk, kept by this browser, in this page only, or refused. */
export type Standing = 'stored' | 'onItsWay' | 'kept' | 'inPage' | 'refused';

/** Where the least safe of these entries is. */
export function useStanding(ids: readonly string[]): Standing {
  return useSyncExternalStore(subscribeBoth, () => standingOf(ids, outboxNow().waiting));
}

function subscribeBoth(listener: () => void): () => void {
  const ends = [subscribeOutbox(listener), subscribeConnection(listener)];
  return () => {
    for (const end of ends) end();
  };
}

function standingOf(ids: readonly string[], waiting: readonly Waiting[]): Standing {
  const those = waiting.filter((one) => ids.includes(one.entry.id));
  if (those.length === 0) return 'stored';
  if (those.some((one) => one.refused !== null)) return 'refused';
  const inPage = those.filter((one) => one.count === null);
  if (inPage.some((one) => one.entry.taken !== undefined)) return 'inPage';
  if (inPage.length > 0 || connectionNow().server.kind === 'here') return 'onItsWay';
  return 'kept';
}

export const STANDING_WORDS: Readonly<Record<Standing, string>> = {
  stored: 'Logged',
  onItsWay: 'On its way:',
  kept: 'Kept here, waiting:',
  inPage: 'In this page only:',
  refused: 'Not stored:',
};
