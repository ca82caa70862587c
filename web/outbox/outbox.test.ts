// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Entry, LoggedEntry } from '#core/log/entry.ts';

const idOf = (place: number) => `00000000-0000-4000-8000-${String(place).padStart(12, '0')}`;
const note = (place: number): Entry => ({
  id: idOf(place),
  bowId: idOf(99),
  at: '2026-01-05T09:00:00.000Z',
  by: 'test',
  body: { kind: 'note', text: `note ${place}` },
});
const stored = (place: number): LoggedEntry => ({ ...note(place), seq: place });

type Box = typeof import('./outbox.ts');
let box: Box;
let woken = 0;
async function freshBox(): Promise<void> {
  vi.resetModules();
  box = await import('./outbox.ts');
  woken = 0;
  box.onPosted(() => {
    woken += 1;
  });
}
beforeEach(async () => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  localStorage.clear();
  // Each test is a browser with one tab: nobody else listens.
  vi.stubGlobal('BroadcastChannel', undefined);
  Reflect.deleteProperty(globalThis, 'BroadcastChannel');
  await freshBox();
});
const idsSendable = () => box.sendable().map(({ entry }) => entry.id);
/** A machine with much else to do takes longer than the second that is usual. */
const PATIENT = { timeout: 60_000 };
const kept = (howMany: number) =>
  vi.waitFor(() => {
    expect(box.outboxNow().waiting.filter(({ count }) => count !== null)).toHaveLength(howMany);
  }, PATIENT);

describe('the outbox', () => {
  it('shows what is posted at once, and sends it once it is kept, in order', async () => {
    box.post([note(1), note(2)], 0);
    box.post([note(3)], 0);
    expect(box.outboxNow().waiting).toHaveLength(3);
    expect(idsSendable()).toEqual([]);
    await kept(3);
    expect(idsSendable()).toEqual([idOf(1), idOf(2), idOf(3)]);
    expect(woken).toBe(2);
  });

  it('shows what is stored before it leaves, and says so before it is kept and tidied up', async () => {
    const seen: [string, number][] = [];
    const waiting = () => box.outboxNow().waiting.length;
    box.onDelivered({
      show: ({ length }) => Promise.resolve(void seen.push([`show ${length}`, waiting()])),
      keep: async ({ length }) => {
        seen.push([`keep ${length}`, waiting()]);
        // Another tab may say meanwhile that something has changed.
        await box.readOutbox();
        seen.push(['read', waiting()]);
      },
    });
    box.post([note(1), note(2)], 0);
    await kept(2);
    const [first] = box.sendable();
    await box.leave([first!], [stored(1)]);
    expect(seen).toEqual([
      ['show 1', 2],
      ['keep 1', 1],
      ['read', 1],
    ]);
    expect(idsSendable()).toEqual([idOf(2)]);
    await freshBox();
    await box.openOutbox();
    expect(idsSendable()).toEqual([idOf(2)]);
  });

  it('sends again what was stored in a page that closed before it was kept beside its log', async () => {
    let closed: () => void = () => undefined;
    box.onDelivered({
      show: () => Promise.resolve(),
      keep: () =>
        new Promise<void>((resolve) => {
          closed = resolve;
        }),
    });
    box.post([note(1)], 0);
    await kept(1);
    const leaving = box.leave(box.sendable(), [stored(1)]);
    await vi.waitFor(() => {
      expect(box.outboxNow().waiting).toEqual([]);
    }, PATIENT);
    await freshBox();
    await box.openOutbox();
    expect(idsSendable()).toEqual([idOf(1)]);
    closed();
    await leaving;
  });

  it('holds back what was refused until it is tried again', async () => {
    box.post([note(1), note(2)], 0);
    await kept(2);
    const [first] = box.sendable();
    await box.refuse(first!, { code: 'unknownSession', words: 'No such session.' });
    expect(idsSendable()).toEqual([idOf(2)]);
    await box.tryAgain(box.outboxNow().waiting.filter(({ refused }) => refused !== null));
    expect(idsSendable()).toEqual([idOf(1), idOf(2)]);
  });

  it('shows what another tab made of what waits here', async () => {
    box.post([note(1)], 0);
    await kept(1);
    const { changeKept } = await import('./outbox-db.ts');
    const [count] = box.sendable().flatMap((one) => one.count ?? []);
    const refused = { code: 'shotTwice', words: 'There already.' };
    await changeKept([count!], (one) => ({ ...one, refused }));
    await box.readOutbox();
    expect(box.outboxNow().waiting.map((one) => one.refused?.code)).toEqual(['shotTwice']);
    expect(idsSendable()).toEqual([]);
  });

  it('has all of it again in a page opened later, refusals included', async () => {
    box.post([note(1), note(2)], 0);
    await kept(2);
    await box.refuse(box.sendable()[1]!, { code: 'shotTwice', words: 'There already.' });
    await freshBox();
    expect(box.outboxNow().waiting).toEqual([]);
    await box.openOutbox();
    expect(box.outboxNow().waiting.map(({ refused }) => refused?.code)).toEqual([
      undefined,
      'shotTwice',
    ]);
    expect(idsSendable()).toEqual([idOf(1)]);
  });

  it('lets go of one, and of that one only', async () => {
    box.post([note(1), note(2)], 0);
    await kept(2);
    const [first] = box.outboxNow().waiting;
    await box.letGo({ key: first!.key, count: first!.count });
    await freshBox();
    await box.openOutbox();
    expect(idsSendable()).toEqual([idOf(2)]);
  });

  it('where the browser keeps nothing, holds it in the page, counted, and sends it', async () => {
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('forbidden', 'SecurityError');
      },
    });
    await freshBox();
    box.post([note(1)], 0);
    box.post([note(2)], 0);
    await vi.waitFor(() => {
      expect(idsSendable()).toEqual([idOf(1), idOf(2)]);
    }, PATIENT);
    const places = box.sendable().map(({ entry }) => entry.taken);
    expect(places.map((place) => place?.count)).toEqual([1, 2]);
    expect(places[0]?.ms).toBeLessThanOrEqual(places[1]?.ms ?? 0);
    expect(box.outboxNow().waiting.every(({ count }) => count === null)).toBe(true);
  });

  it('leaves what is not in the database yet for the next page, in order and not before what was seen', async () => {
    const seenMs = Date.now() + 60_000;
    box.post([note(2), note(1)], seenMs);
    expect(box.leaveWhatIsInPage()).toBe(true);
    expect(localStorage).toHaveLength(2);
    // The page is gone before any of it was written.
    vi.stubGlobal('indexedDB', new IDBFactory());
    await freshBox();
    await box.openOutbox();
    expect(idsSendable()).toEqual([idOf(2), idOf(1)]);
    expect(box.sendable().map(({ entry }) => entry.taken?.ms)).toEqual([seenMs, seenMs]);
    expect(localStorage).toHaveLength(0);
  });

  it('takes over once what was left and written all the same', async () => {
    box.post([note(1)], 0);
    box.leaveWhatIsInPage();
    await kept(1);
    await freshBox();
    await box.openOutbox();
    expect(idsSendable()).toEqual([idOf(1)]);
    expect(localStorage).toHaveLength(0);
  });

  it('leaves nothing behind of what is in the database', async () => {
    box.post([note(1)], 0);
    await kept(1);
    expect(box.leaveWhatIsInPage()).toBe(true);
    expect(localStorage).toHaveLength(0);
  });

  it('shows and sends what was left where the database takes nothing, and keeps it until it does', async () => {
    box.post([note(1)], 0);
    box.leaveWhatIsInPage();
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('full', 'QuotaExceededError');
      },
    });
    await freshBox();
    await box.openOutbox();
    expect(idsSendable()).toEqual([idOf(1)]);
    expect(localStorage).toHaveLength(1);
    vi.stubGlobal('indexedDB', new IDBFactory());
    await freshBox();
    await box.openOutbox();
    expect(idsSendable()).toEqual([idOf(1)]);
    expect(localStorage).toHaveLength(0);
  });

  it('says that going would lose something where nothing can be left', async () => {
    const forbidden = () => {
      throw new DOMException('forbidden', 'SecurityError');
    };
    box.post([note(1)], 0);
    const write = vi.spyOn(window, 'localStorage', 'get').mockImplementation(forbidden);
    expect(box.leaveWhatIsInPage()).toBe(false);
    write.mockRestore();
    await kept(1);
    expect(box.leaveWhatIsInPage()).toBe(true);
  });

  it('takes what was in the future as taken now, in its order', async () => {
    box.post([note(1), note(2)], Date.now() + 3_600_000);
    await kept(2);
    const ahead = box.sendable();
    for (const one of ahead) await box.refuse(one, { code: 'takenInFuture', words: '' });
    const before = Date.now();
    await box.takenJustNow(box.outboxNow().waiting);
    const places = box.sendable().map(({ entry }) => entry.taken);
    expect(places.map((place) => place?.count)).toEqual([1, 2]);
    for (const place of places) {
      expect(place?.ms).toBeGreaterThanOrEqual(before);
      expect(place?.ms).toBeLessThanOrEqual(Date.now());
    }
  });
});
