import type { Page } from '@playwright/test';
import { echo, enter, expect, openBench, test } from './app.ts';
import { API, bar, notesOf } from './connection.ts';

interface Holding {
  isHeld: boolean;
}

/** The database is busy in this tab: what another wants to write waits, as on a slow disk. */
async function holdDatabase(page: Page): Promise<void> {
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const holding = window as unknown as Holding;
        holding.isHeld = true;
        const opening = indexedDB.open('keen-limb-outbox');
        opening.onsuccess = () => {
          const store = opening.result.transaction('waiting', 'readwrite').objectStore('waiting');
          const again = () => {
            resolve();
            if (holding.isHeld) store.count().onsuccess = again;
            else opening.result.close();
          };
          store.count().onsuccess = again;
        };
      }),
  );
}

const letGoOfDatabase = (page: Page) =>
  page.evaluate(() => {
    (window as unknown as Holding).isHeld = false;
  });

for (const how of ['closed', 'left for another address'] as const) {
  test(`what is not on the disk yet when the page is ${how} is there in the next, once and in order`, async ({
    page,
    app,
    context,
  }) => {
    const other = await context.newPage();
    await other.goto(`${app.address}/rack`);
    await openBench(page, app, 'Heron');
    await enter(page, 'note before');
    await expect(echo(page)).toContainText('Logged');
    await holdDatabase(other);
    const line = page.getByRole('textbox', { name: 'Entry line' });
    for (const text of ['note at the door', 'note in the door']) {
      await line.fill(text);
      await line.press('Enter');
      await expect(line).toHaveValue('');
    }
    await expect(echo(page)).toContainText('On its way');
    if (how === 'closed') {
      await page.close({ runBeforeUnload: true });
      await expect.poll(() => page.isClosed()).toBe(true);
    } else await page.goto('about:blank');
    await letGoOfDatabase(other);
    const next = await context.newPage();
    await openBench(next, app, 'Heron');
    await expect.poll(() => notesOf(app, 'Heron')).toContain('in the door');
    expect((await notesOf(app, 'Heron')).slice(-3)).toEqual([
      'before',
      'at the door',
      'in the door',
    ]);
    await expect(bar(next)).toBeHidden();
    const names = await next.evaluate(() => Object.keys(localStorage));
    expect(names.filter((name) => name.startsWith('keen-limb.outbox.'))).toEqual([]);
  });
}

test('a page that is the only place of an entry asks before it goes, and only then', async ({
  page,
  app,
}) => {
  await page.addInitScript(() => {
    for (const name of ['localStorage', 'sessionStorage', 'indexedDB', 'caches'])
      Object.defineProperty(window, name, {
        get: () => {
          throw new DOMException('forbidden', 'SecurityError');
        },
      });
  });
  const asked: string[] = [];
  page.on('dialog', (dialog) => {
    asked.push(dialog.type());
    void dialog.dismiss();
  });
  await openBench(page, app, 'Heron');
  await page.route(API, (route) => route.abort());
  await enter(page, 'note in this page only');
  await expect(bar(page)).toContainText('in this page only');
  await page.close({ runBeforeUnload: true });
  await expect.poll(() => asked).toEqual(['beforeunload']);
  expect(page.isClosed()).toBe(false);
  await page.unroute(API);
  await expect.poll(() => notesOf(app, 'Heron')).toContain('in this page only');
  await expect(echo(page)).toContainText('Logged');
  await page.close({ runBeforeUnload: true });
  await expect.poll(() => page.isClosed()).toBe(true);
  expect(asked).toEqual(['beforeunload']);
});
