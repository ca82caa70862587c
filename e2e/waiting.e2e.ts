import type { BrowserContext, Page } from '@playwright/test';
import { type App, echo, enter, expect, openBench, openRange, test } from './app.ts';
import { API, bar, ENTRIES, instead, notesOf, tryNow, withProgramKept } from './connection.ts';

test('a clock set back by an hour in the middle loses and reverses nothing', async ({
  page,
  app,
  context,
}) => {
  await page.addInitScript(() => {
    const { now } = Date;
    const shift = () => Number(window.sessionStorage.getItem('clock shift') ?? 0);
    Date.now = () => now() + shift();
  });
  await openRange(page, app, 'Heron');
  await withProgramKept(page);
  await openBench(page, app, 'Heron');
  await context.setOffline(true);
  await enter(page, 'b 8 1/2');
  await page.evaluate(() => sessionStorage.setItem('clock shift', String(-3_600_000)));
  await enter(page, 'b 8 9/16');
  await page.goto(page.url().replace('/bench/', '/range/').replace(/\?.*/, '') + '?session=new');
  await expect(page.getByTestId('plot')).toBeVisible();
  for (const x of [150, 180, 200])
    await page.getByTestId('plot').click({ position: { x, y: 100 } });
  await expect(bar(page)).toContainText(/[56] entries wait in this browser|6 entries/);
  await context.setOffline(false);
  await expect(bar(page)).toBeHidden({ timeout: 20_000 });
  const log = await app.log('Heron');
  const braces = log.flatMap(({ body }) =>
    body['kind'] === 'reading' && body['reading'] === 'braceHeight' ? [body['typed']] : [],
  );
  expect(braces.slice(-2)).toEqual(['b 8 1/2', 'b 8 9/16']);
  expect(log.slice(-4).map(({ body }) => body['kind'])).toEqual([
    'sessionOpened',
    'shotPlaced',
    'shotPlaced',
    'shotPlaced',
  ]);
  await openBench(page, app, 'Heron');
  await expect(page.locator('[data-reading="braceHeight"]').first()).toContainText('9/16');
});

test('an entry taken in the future is asked about, and kept until it is answered', async ({
  page,
  app,
  context,
}) => {
  await page.addInitScript(() => {
    const { now } = Date;
    Date.now = () => now() + Number(window.sessionStorage.getItem('clock shift') ?? 0);
  });
  await openBench(page, app, 'Heron');
  // The device's clock is a day ahead for a while, and no server is there to say so.
  await context.setOffline(true);
  await page.evaluate(() => sessionStorage.setItem('clock shift', String(26 * 3_600_000)));
  await enter(page, 'note tomorrow');
  await expect(echo(page)).toContainText('Kept here, waiting');
  await page.evaluate(() => sessionStorage.removeItem('clock shift'));
  await context.setOffline(false);
  await expect(bar(page)).toContainText('still to come by the server’s', { timeout: 20_000 });
  await expect(echo(page)).toContainText('Not stored');
  expect(await notesOf(app, 'Heron')).not.toContain('tomorrow');
  await page.getByRole('button', { name: 'It was taken just now' }).click();
  await expect(bar(page)).toBeHidden();
  await expect(echo(page)).toContainText('Logged');
  const [last] = (await app.log('Heron')).slice(-1) as unknown as { taken: { ms: number } }[];
  expect(Math.abs(last!.taken.ms - Date.now())).toBeLessThan(60_000);
  await enter(page, 'note after it');
  await expect(echo(page)).toContainText('Logged');
  expect((await notesOf(app, 'Heron')).slice(-2)).toEqual(['tomorrow', 'after it']);
});

test.describe('two tabs', () => {
  test('share what waits, and it is sent once by whichever comes first', async ({
    page,
    app,
    context,
  }) => {
    await openBench(page, app, 'Heron');
    const other = await context.newPage();
    await openBench(other, app, 'Heron');
    await context.route(ENTRIES, (route) =>
      route.request().method() === 'POST' ? route.abort() : route.fallback(),
    );
    await enter(page, 'note in the first tab');
    await expect(bar(other)).toContainText('1 entry waits in this browser');
    await enter(other, 'note in the second tab');
    await expect(bar(page)).toContainText('2 entries wait in this browser');
    await context.unroute(ENTRIES);
    await tryNow(other);
    await expect(bar(other)).toBeHidden();
    await expect(bar(page)).toBeHidden();
    expect((await notesOf(app, 'Heron')).slice(-2)).toEqual([
      'in the first tab',
      'in the second tab',
    ]);
    await expect(page.getByRole('region', { name: 'Lately' }).first()).toContainText(
      'in the second tab',
    );
  });

  test('what a closed tab left waiting is sent by the other', async ({ page, app, context }) => {
    await openBench(page, app, 'Heron');
    const other = await context.newPage();
    await openBench(other, app, 'Heron');
    await context.route(ENTRIES, (route) =>
      route.request().method() === 'POST' ? route.abort() : route.fallback(),
    );
    await enter(page, 'note of a closed tab');
    await expect(echo(page)).toContainText('Kept here, waiting');
    await page.close();
    await context.unroute(ENTRIES);
    await other.reload();
    await expect.poll(() => notesOf(app, 'Heron')).toContain('of a closed tab');
  });
});

test('two browsers, both offline: the reading taken later wins on both', async ({
  browser,
  app,
}) => {
  const [one, other] = [
    await kept(await browser.newContext(), app),
    await kept(await browser.newContext(), app),
  ];
  await one.context.setOffline(true);
  await other.context.setOffline(true);
  await enter(one.page, 'b 8 1/2');
  await enter(other.page, 'b 8 9/16');
  await expect(echo(one.page)).toContainText('Kept here, waiting');
  await expect(echo(other.page)).toContainText('Kept here, waiting');
  // The later reading arrives first.
  await other.context.setOffline(false);
  await expect(bar(other.page)).toBeHidden({ timeout: 20_000 });
  await one.context.setOffline(false);
  await expect(bar(one.page)).toBeHidden({ timeout: 20_000 });
  for (const { page, context } of [one, other]) {
    await page.reload();
    await expect(page.locator('[data-reading="braceHeight"]').first()).toContainText('9/16');
    await context.close();
  }
});

async function kept(
  context: BrowserContext,
  app: App,
): Promise<{ page: Page; context: BrowserContext }> {
  const page = await context.newPage();
  await openBench(page, app, 'Heron');
  await withProgramKept(page);
  await expect(page.getByRole('region', { name: 'Order of work' })).toBeVisible();
  return { page, context };
}

test('301 entries whose answers are cut off after they were stored are stored once, in order', async ({
  page,
  app,
}) => {
  test.slow();
  await openBench(page, app, 'Heron');
  await instead(page, (route) => route.abort());
  await enter(page, 'note number 1');
  await page.evaluate(leaveMore, 280);
  await expect(bar(page)).toContainText('281 entries wait in this browser');
  for (let n = 282; n <= 301; n += 1) await enter(page, `note number ${n}`);
  await expect(bar(page)).toContainText('301 entries wait in this browser');
  await page.unroute(ENTRIES);
  let cut = 0;
  await instead(page, async (route) => {
    cut += 1;
    if (cut > 5) return route.continue();
    // Stored, but nobody hears of it.
    await route.fetch({ maxRetries: 3 });
    return route.abort();
  });
  // By itself it would wait longer after every failure.
  await expect(async () => {
    await tryNow(page);
    await expect(bar(page)).toBeHidden({ timeout: 1000 });
  }).toPass({ timeout: 90_000 });
  const numbers = (await notesOf(app, 'Heron')).filter((text) => text.startsWith('number '));
  expect(numbers).toEqual(Array.from({ length: 301 }, (_, n) => `number ${n + 1}`));
  expect(cut).toBeGreaterThan(5);
});

/** Leaves copies of the one note that waits, numbered on, as another tab would; this tab hears of it. */
async function leaveMore(count: number): Promise<void> {
  interface Kept {
    readonly count: number;
    readonly entry: { readonly taken: object; readonly body: object };
  }
  const done = <T>(asked: IDBRequest<T>) =>
    new Promise<T>((resolve, reject) => {
      asked.onsuccess = () => resolve(asked.result);
      asked.onerror = () => reject(asked.error ?? new Error('the outbox does not answer'));
    });
  const db = await done(indexedDB.open('keen-limb-outbox'));
  const tx = db.transaction(['waiting', 'device'], 'readwrite');
  const waiting = tx.objectStore('waiting');
  const devices = tx.objectStore('device');
  const [first] = (await done(waiting.getAll())) as readonly Kept[];
  const device = (await done(devices.get('this'))) as { readonly count: number };
  if (first === undefined) throw new Error('nothing waits');
  for (let more = 1; more <= count; more += 1) {
    const place = device.count + more;
    waiting.add({
      ...first,
      count: place,
      entry: {
        ...first.entry,
        id: crypto.randomUUID(),
        taken: { ...first.entry.taken, count: place },
        body: { ...first.entry.body, text: `number ${more + 1}` },
      },
    });
  }
  await done(devices.put({ ...device, count: device.count + count }, 'this'));
  db.close();
  new BroadcastChannel('keen-limb-outbox').postMessage({ kind: 'changed' });
}

test.describe('what an earlier version of the program left in the browser', () => {
  const old = (bowId: string, n: number, clockMs: number) => ({
    name: `keen-limb.outbox.${String(clockMs).padStart(15, '0')}.${String(n).padStart(6, '0')}.x`,
    value: {
      entry: {
        id: `00000000-0000-4000-8000-00000000000${n}`,
        bowId,
        at: new Date(clockMs).toISOString(),
        by: 'Tuner',
        body: { kind: 'note', text: `left ${n}` },
      },
      refused: null,
    },
  });

  test('is taken over at the start and sent once; what cannot be read is kept and can be saved', async ({
    page,
    app,
    context,
  }) => {
    const bowId = await app.bowId('Heron');
    await page.goto(`${app.address}/rack`);
    const left = [1, 2].map((n) => old(bowId, n, Date.now() - 60_000 + n));
    await page.evaluate((items) => {
      for (const { name, value } of items) localStorage.setItem(name, JSON.stringify(value));
      localStorage.setItem('keen-limb.outbox.000000000000000.000001.bad', '{"entry":{"future":1}}');
    }, left);
    // The old tab is still open and has sent its first already.
    await app.store(bowId, [left[0]!.value.entry]);
    const fresh = await context.newPage();
    await openBench(fresh, app, 'Heron');
    await expect.poll(() => notesOf(app, 'Heron')).toContain('left 2');
    expect((await notesOf(app, 'Heron')).slice(-2)).toEqual(['left 1', 'left 2']);
    await expect(bar(fresh)).toContainText('1 entry kept in this browser cannot be read');
    const names = await fresh.evaluate(() => Object.keys(localStorage));
    expect(names.filter((name) => name.startsWith('keen-limb.outbox.'))).toEqual([]);
    // The old tab leaves one more.
    const late = old(bowId, 3, Date.now());
    await page.evaluate(
      ({ name, value }) => localStorage.setItem(name, JSON.stringify(value)),
      late,
    );
    await fresh.reload();
    await expect.poll(() => notesOf(app, 'Heron')).toContain('left 3');
    const saved = fresh.waitForEvent('download');
    await fresh.getByRole('button', { name: 'Save a copy and let go' }).click();
    await saved;
    await expect(bar(fresh)).toBeHidden();
  });
});

test('a new version is said to be there, and what is half typed stays', async ({ page, app }) => {
  await openBench(page, app, 'Heron');
  await page.route(API, async (route) => {
    const answer = await route.fetch({ maxRetries: 3 });
    await route.fulfill({
      response: answer,
      headers: { ...answer.headers(), 'keen-limb-build': 'newer' },
    });
  });
  await page.getByRole('textbox', { name: 'Entry line' }).fill('b 8 1');
  await page.getByRole('button', { name: 'mm', exact: true }).click();
  await expect(bar(page)).toContainText('A new version is there');
  await page.unroute(API);
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByRole('textbox', { name: 'Entry line' })).toHaveValue('b 8 1');
  await expect(bar(page)).toBeHidden();
});

test('the rack follows what is stored while it is looked at', async ({ page, app }) => {
  let open: () => void = () => undefined;
  const opened = new Promise<void>((resolve) => {
    open = resolve;
  });
  await openBench(page, app, 'Heron');
  await instead(page, async (route) => {
    await opened;
    await route.fallback();
  });
  const line = page.getByRole('textbox', { name: 'Entry line' });
  await line.fill('top -2 done turned by its owner');
  await line.press('Enter');
  await expect(page.getByTestId('next-move')).toContainText('Stop');
  await page.goto(`${app.address}/rack`);
  const stop = page.locator('[data-bow="Heron"]').getByTestId('rack-stop');
  await expect(page.locator('[data-bow="Heron"]')).toBeVisible();
  await expect(stop).toHaveCount(0);
  open();
  await expect(stop).toContainText('top bolt beyond its travel');
});
