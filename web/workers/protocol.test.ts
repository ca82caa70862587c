import { describe, expect, it } from 'vitest';
import { type JobsDone, type Line, serveJobs } from './protocol.ts';
import { type StartedWorker, WorkerDoor } from './worker-door.ts';

type Sums = {
  readonly add: { readonly order: readonly number[]; readonly answer: number };
  readonly fail: { readonly order: string; readonly answer: never };
  readonly slowly: { readonly order: number; readonly answer: string };
};

/** Two ends of one line within a test, each hearing what the other says, a tick later. */
function pair(): { readonly page: StartedWorker; readonly worker: Line; ended: () => boolean } {
  const heard: Record<'page' | 'worker', ((event: MessageEvent) => void)[]> = {
    page: [],
    worker: [],
  };
  let isEnded = false;
  const line = (mine: 'page' | 'worker', other: 'page' | 'worker'): Line => ({
    postMessage: (data) => {
      queueMicrotask(() => {
        if (!isEnded) for (const hear of heard[other]) hear({ data } as MessageEvent);
      });
    },
    addEventListener: (_kind, listener) => {
      heard[mine].push(listener);
    },
  });
  return {
    page: {
      ...line('page', 'worker'),
      terminate: () => {
        isEnded = true;
      },
    },
    worker: line('worker', 'page'),
    ended: () => isEnded,
  };
}

function door(jobs: Partial<JobsDone<Sums>> = {}) {
  const ends: (() => boolean)[] = [];
  const made = new WorkerDoor<Sums>(() => {
    const { page, worker, ended } = pair();
    ends.push(ended);
    serveJobs<Sums>(worker, {
      add: (numbers) => numbers.reduce((sum, one) => sum + one, 0),
      fail: (why) => {
        throw new Error(why);
      },
      slowly: () => 'done',
      ...jobs,
    });
    return page;
  });
  return { door: made, ends };
}

describe('the page and its workers', () => {
  it('answers each order with its own answer, whichever is done first', async () => {
    const { door: sums, ends } = door();
    expect(ends).toHaveLength(0);
    const asked = [sums.ask('add', [1, 2]), sums.ask('add', [4, 5, 6]), sums.ask('slowly', 1)];
    expect(await Promise.all(asked)).toEqual([3, 15, 'done']);
    expect(ends).toHaveLength(1);
  });

  it('says why a job failed, and goes on', async () => {
    const { door: sums } = door();
    await expect(sums.ask('fail', 'no picture')).rejects.toThrow('no picture');
    expect(await sums.ask('add', [7])).toBe(7);
  });

  it('tells how far a job has come', async () => {
    const { door: sums } = door({
      slowly: (steps, { progress }) => {
        for (let step = 1; step <= steps; step += 1) progress(step / steps);
        return 'done';
      },
    });
    const seen: number[] = [];
    await sums.ask('slowly', 4, { progress: (share) => seen.push(share) });
    expect(seen).toEqual([0.25, 0.5, 0.75, 1]);
  });

  it('calls a job off: the page hears at once, the job between two pieces of work', async () => {
    let isCalledOff: () => boolean = () => false;
    let finish: (words: string) => void = () => undefined;
    const { door: sums } = door({
      slowly: (_order, context) => {
        ({ isCalledOff } = context);
        return new Promise((resolve) => {
          finish = resolve;
        });
      },
    });
    const off = new AbortController();
    const asked = sums.ask('slowly', 1, { signal: off.signal });
    await Promise.resolve();
    expect(isCalledOff()).toBe(false);
    off.abort(new Error('another question came'));
    await expect(asked).rejects.toThrow('another question came');
    expect(isCalledOff()).toBe(true);
    // An answer that comes all the same reaches nobody.
    finish('too late');
    expect(await sums.ask('add', [1])).toBe(1);
    await expect(sums.ask('add', [1], { signal: off.signal })).rejects.toThrow('another question');
  });

  it('ends the worker with the door, and whoever waits is told', async () => {
    const { door: sums, ends } = door({ slowly: () => new Promise(() => undefined) });
    const asked = sums.ask('slowly', 1);
    sums.close();
    await expect(asked).rejects.toThrow('ended');
    expect(ends[0]?.()).toBe(true);
    // The next order starts another.
    expect(await sums.ask('add', [2, 2])).toBe(4);
    expect(ends).toHaveLength(2);
  });
});
