// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Entry } from '#core/log/entry.ts';

const BOW = '00000000-0000-4000-8000-00000000000b';
const idOf = (place: number) => `00000000-0000-4000-8000-${String(place).padStart(12, '0')}`;

function note(place: number, text = `note ${place}`): Entry {
  return {
    id: idOf(place),
    bowId: BOW,
    at: '2026-01-05T09:00:00.000Z',
    by: 'test',
    body: { kind: 'note', text },
  };
}
const fresh = (...places: number[]) => places.map((at) => ({ entry: note(at), refused: null }));

type Db = typeof import('./outbox-db.ts');
let db: Db;
beforeEach(async () => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  vi.resetModules();
  db = await import('./outbox-db.ts');
});

const countsOf = async () => (await db.readKept()).entries.map(({ count }) => count);

describe('what the browser keeps until the server has it', () => {
  it('counts what is kept, in order, and says of one device when each was taken', async () => {
    const first = await db.keepEntries(fresh(1, 2), 1000, 0);
    const [third] = await db.keepEntries(fresh(3), 900, 0);
    expect(first.map(({ count }) => count)).toEqual([1, 2]);
    // The clock was set back by 100 ms: what is taken later is not taken before.
    expect(third?.entry.taken).toEqual({
      ms: 1000,
      device: first[0]?.entry.taken?.device,
      count: 3,
    });
    const { entries, unreadable } = await db.readKept();
    expect(entries.map(({ entry }) => entry.id)).toEqual([idOf(1), idOf(2), idOf(3)]);
    expect(unreadable).toEqual([]);
  });

  it('takes nothing before what its author had seen', async () => {
    const [kept] = await db.keepEntries(fresh(1), 1000, 5000);
    expect(kept?.entry.taken?.ms).toBe(5000);
  });

  it('gives no count twice, however many keep at once', async () => {
    await Promise.all(Array.from({ length: 12 }, (_, at) => db.keepEntries(fresh(at), at, 0)));
    expect(await countsOf()).toEqual(Array.from({ length: 12 }, (_, at) => at + 1));
  });

  it('leaves the place of an entry that was taken before', async () => {
    const taken = { ms: 7, device: 'old', count: 40 };
    const [kept] = await db.keepEntries([{ entry: { ...note(1), taken }, refused: null }], 1000, 0);
    expect(kept?.entry.taken).toEqual(taken);
    expect(kept?.count).toBe(1);
  });

  it('drops only what is named, and changes only what is still there', async () => {
    await db.keepEntries(fresh(1, 2, 3), 1000, 0);
    await db.dropStored([2]);
    await db.changeKept([2, 3], (kept) => ({
      ...kept,
      refused: { code: 'unknownSession', words: 'No such session.' },
    }));
    const { entries } = await db.readKept();
    expect(entries.map(({ count, refused }) => [count, refused?.code])).toEqual([
      [1, undefined],
      [3, 'unknownSession'],
    ]);
  });

  it('keeps a copy of what is let go of', async () => {
    await db.keepEntries(fresh(1), 1000, 0);
    await db.dropWithCopy(1);
    expect(await countsOf()).toEqual([]);
    const copies = await new Promise<unknown[]>((resolve, reject) => {
      const opened = indexedDB.open('keen-limb-outbox');
      opened.onerror = () => reject(new Error('not opened'));
      opened.onsuccess = () => {
        const asked = opened.result.transaction('letGo').objectStore('letGo').getAll();
        asked.onsuccess = () => resolve(asked.result);
      };
    });
    expect(copies).toMatchObject([{ count: 1, entry: { id: idOf(1) } }]);
  });

  it('keeps and shows what is no entry, among those that are', async () => {
    await db.keepEntries(fresh(1), 1000, 0);
    await db.keepUnreadable({ version: 2, entry: { id: 'half' }, refused: null });
    await db.keepEntries(fresh(3), 1000, 0);
    const { entries, unreadable } = await db.readKept();
    expect(entries.map(({ count }) => count)).toEqual([1, 3]);
    expect(unreadable).toMatchObject([{ count: 2, raw: { entry: { id: 'half' } } }]);
  });

  it('forgets a clock that was ahead', async () => {
    await db.keepEntries(fresh(1), 90_000, 0);
    await db.forgetFuture(1000);
    const [kept] = await db.keepEntries(fresh(2), 1000, 0);
    expect(kept?.entry.taken?.ms).toBe(1000);
  });
});
