// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { TapQueue } from './tap-queue.ts';

const tap = (outwardMm: number) => ({ outwardMm, upMm: 0, arrow: 'fletched' }) as const;
const across = (shots: readonly { readonly outwardMm: number }[]) =>
  shots.map(({ outwardMm }) => outwardMm);

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['requestAnimationFrame', 'cancelAnimationFrame', 'setTimeout'] });
});
afterEach(() => {
  vi.useRealTimers();
});

describe('taps on the butt', () => {
  it('are there at once, and taken after the frame that shows them', () => {
    const queue = new TapQueue();
    const taken: number[][] = [];
    queue.onTaken((shots) => taken.push(across(shots)));
    let told = 0;
    queue.subscribe(() => {
      told += 1;
    });
    queue.add(tap(10));
    expect(across(queue.now())).toEqual([10]);
    expect(told).toBe(1);
    expect(taken).toEqual([]);
    vi.runAllTimers();
    expect(taken).toEqual([[10]]);
    expect(queue.now()).toEqual([]);
    expect(told).toBe(2);
  });

  it('within one frame go together, in their order', () => {
    const queue = new TapQueue();
    const taken: number[][] = [];
    queue.onTaken((shots) => taken.push(across(shots)));
    for (const mm of [1, 2, 3]) queue.add(tap(mm));
    vi.runAllTimers();
    queue.add(tap(4));
    vi.runAllTimers();
    expect(taken).toEqual([[1, 2, 3], [4]]);
  });

  it('are taken once when something cannot wait for the frame', () => {
    const queue = new TapQueue();
    const taken: number[][] = [];
    queue.onTaken((shots) => taken.push(across(shots)));
    queue.add(tap(7));
    queue.flush();
    queue.flush();
    vi.runAllTimers();
    expect(taken).toEqual([[7]]);
  });

  it('a rehearsal shows nothing and takes nothing', () => {
    const queue = new TapQueue();
    const taken: number[][] = [];
    queue.onTaken((shots) => taken.push(across(shots)));
    let told = 0;
    const end = queue.subscribe(() => {
      told += 1;
    });
    queue.rehearse();
    expect([told, queue.now()]).toEqual([1, []]);
    queue.add(tap(1));
    queue.rehearse();
    expect(told).toBe(2);
    end();
    vi.runAllTimers();
    expect(told).toBe(2);
    expect(taken).toEqual([[1]]);
  });
});
