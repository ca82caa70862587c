import { mutate } from 'swr';
import { leaveWhatIsInPage, openOutbox } from './outbox.ts';
import { flush } from './sender.ts';
import { pauseMs } from '../connection/backoff.ts';
import { connectionNow, subscribeConnection } from '../connection/connection.ts';

const isOurs = (key: unknown) => typeof key === 'string' && key.startsWith('/api/bows');

let asking: ReturnType<typeof setTimeout> | undefined;
let failures = 0;
let didRead = true;

/**
 * While the server is not here it is asked again, ever less often; once it answers, what waits is sent
 * and what is shown is asked anew.
 */
export function keepConnected(): void {
  subscribeConnection(() => {
    const { reads } = connectionNow();
    if (reads === didRead) return;
    didRead = reads;
    clearTimeout(asking);
    failures = 0;
    if (reads) void flush().then(() => mutate(isOurs));
    else askLater();
  });
  // A write that finds no server says nothing of what is asked: that is found out at once.
  subscribeConnection(() => {
    const { server, reads } = connectionNow();
    if (reads && server.kind === 'away') void mutate(isOurs);
  });
  // Asked whether to go only where going would lose something.
  window.addEventListener('beforeunload', (event) => {
    if (!leaveWhatIsInPage()) event.preventDefault();
  });
  window.addEventListener('pagehide', leaveWhatIsInPage);
  void openOutbox();
}

function askLater(): void {
  failures += 1;
  asking = setTimeout(() => {
    void mutate(isOurs).finally(() => {
      if (!didRead) askLater();
    });
  }, pauseMs(failures));
}

/** At a press: everything is tried at once. */
export function tryNow(): void {
  failures = 0;
  void flush();
  void mutate(isOurs);
}
