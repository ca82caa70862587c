import { appendResponseSchema } from '#contract/entry.ts';
import { ENTRY_VERSION } from '#contract/entry-version.ts';
import { RefusedByServer, request } from '../api/http.ts';
import { pauseMs } from '../connection/backoff.ts';
import { leave, onPosted, readOutbox, refuse, sendable, type Waiting } from './outbox.ts';

const MOST_A_REQUEST = 50;
/** One tab sends for all: the others find what was sent gone. */
const LOCK = 'keen-limb-sender';

let failures = 0;
let retry: ReturnType<typeof setTimeout> | undefined;
let running: Promise<void> | null = null;
let isAskedAgain = false;

/** Sends what waits, oldest first, one bow's run of entries a request; again later when it fails. */
export function flush(): Promise<void> {
  clearTimeout(retry);
  if (running !== null) {
    isAskedAgain = true;
    return running;
  }
  running = sendAll().finally(() => {
    running = null;
    if (!isAskedAgain) return;
    isAskedAgain = false;
    void flush();
  });
  return running;
}

async function sendAll(): Promise<void> {
  if (sendable().length === 0) return;
  try {
    await alone(async () => {
      // While this tab waited for its turn another may have sent them.
      await readOutbox();
      for (;;) {
        const batch = nextBatch();
        if (batch.length === 0) break;
        await send(batch);
      }
    });
    failures = 0;
  } catch {
    failures += 1;
    isAskedAgain = false;
    retry = setTimeout(() => void flush(), pauseMs(failures));
  }
}

function alone(act: () => Promise<void>): Promise<void> {
  return 'locks' in navigator ? navigator.locks.request(LOCK, act) : act();
}

function nextBatch(): readonly Waiting[] {
  const ready = sendable();
  const bowId = ready[0]?.entry.bowId;
  const end = ready.findIndex((one) => one.entry.bowId !== bowId);
  return ready.slice(0, Math.min(end < 0 ? ready.length : end, MOST_A_REQUEST));
}

async function send(batch: readonly Waiting[]): Promise<void> {
  const [first] = batch;
  if (first === undefined) return;
  try {
    const { entries } = await request(
      `/api/bows/${first.entry.bowId}/entries`,
      appendResponseSchema,
      {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ version: ENTRY_VERSION, entries: batch.map((one) => one.entry) }),
      },
    );
    await leave(batch, entries);
  } catch (error) {
    if (!(error instanceof RefusedByServer)) throw error;
    // One bad entry must not hold up the rest: find it by sending one at a time.
    if (batch.length > 1) {
      for (const one of batch) await send([one]);
      return;
    }
    await refuse(first, { code: error.problem.code, words: error.message });
  }
}

onPosted(() => void flush());
window.addEventListener('online', () => void flush());
