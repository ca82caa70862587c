import type { FromWorker, Jobs, Line, ToWorker } from './protocol.ts';

/** A worker as the page holds it. */
export interface StartedWorker extends Line {
  terminate(): void;
}
interface Waiting {
  readonly answer: (value: unknown) => void;
  readonly fail: (why: Error) => void;
  readonly progress: ((share: number) => void) | undefined;
}

/**
 * The page's end of a worker: it is started with the first order and kept until the door is closed.
 */
export class WorkerDoor<J extends Jobs> {
  private readonly start: () => StartedWorker;
  private worker: StartedWorker | null = null;
  private readonly waiting = new Map<number, Waiting>();
  private newest = 0;

  /** @param start starts the worker */
  constructor(start: () => StartedWorker) {
    this.start = start;
  }

  /**
   * Asks for one job.
   *
   * @throws Error with the worker's own words where it failed; the reason of `signal` where it was
   *   called off
   */
  ask<K extends keyof J & string>(
    kind: K,
    order: J[K]['order'],
    { signal, progress }: { signal?: AbortSignal; progress?: (share: number) => void } = {},
  ): Promise<J[K]['answer']> {
    this.newest += 1;
    const id = this.newest;
    return new Promise((resolve, reject) => {
      if (signal?.aborted === true) {
        reject(calledOff(signal));
        return;
      }
      this.waiting.set(id, { answer: resolve, fail: reject, progress });
      signal?.addEventListener('abort', () => {
        if (!this.waiting.delete(id)) return;
        this.send({ kind: null, id });
        reject(calledOff(signal));
      });
      this.send({ kind, id, order } as ToWorker<J>);
    });
  }

  /** Ends the worker, whatever it is at: nobody waits for its answers any more. */
  close(): void {
    this.worker?.terminate();
    this.worker = null;
    for (const { fail } of this.waiting.values()) fail(new Error('The worker was ended.'));
    this.waiting.clear();
  }

  private send(message: ToWorker<J>): void {
    this.worker ??= this.started();
    this.worker.postMessage(message);
  }

  private started(): StartedWorker {
    const worker = this.start();
    worker.addEventListener('message', ({ data }: MessageEvent<FromWorker<J>>) => {
      this.hear(data);
    });
    return worker;
  }

  private hear(said: FromWorker<J>): void {
    const waiting = this.waiting.get(said.id);
    if (waiting === undefined) return;
    if (said.kind === 'progress') {
      waiting.progress?.(said.share);
      return;
    }
    this.waiting.delete(said.id);
    if (said.kind === 'answer') waiting.answer(said.answer);
    else waiting.fail(new Error(said.why));
  }
}

function calledOff(signal: AbortSignal): Error {
  return signal.reason instanceof Error ? signal.reason : new Error('Called off.');
}
