import type { BrowserContext, Page, Route } from '@playwright/test';
import { type App, echo, enter, expect, openBench, openRange, test } from './app.ts';

/** What is said of the connection, whatever fails; and that nothing is said to be logged that is not. */
const bar = (page: Page) => page.getByTestId('waiting-bar');
const ENTRIES = '**/api/**/entries';
const API = '**/api/**';

async function notesOf(app: App, bow: string): Promise<readonly string[]> {
  return (await app.log(bow)).flatMap(({ body }) =>
    body['kind'] === 'note' ? [String(body['text'])] : [],
  );
}

/** Stands in the server's place for what is sent to be stored. */
async function instead(page: Page, answer: (route: Route) => Promise<void>): Promise<void> {
  await page.route(ENTRIES, (route) =>
    route.request().method() === 'POST' ? answer(route) : route.fallback(),
  );
}

/** It may have tried again by itself in the very moment the hand was on the button. */
async function tryNow(page: Page): Promise<void> {
  await page
    .getByRole('button', { name: 'Try now' })
    .click({ timeout: 3000 })
    .catch(() => undefined);
}

async function withProgramKept(page: Page): Promise<void> {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  await page.reload();
}

const HEADERS = { 'Keen-Limb-Now': String(Date.now()) };
const problem = (status: number, code: string, detail: string) => ({
  status,
  contentType: 'application/problem+json',
  body: JSON.stringify({ type: 'about:blank', title: 'No', status, code, detail }),
});

test.describe('what is answered instead of a stored entry', () => {
  const cases = [
    ['a disk that is full', 507, 'diskFull', 'The server’s disk is full. Free some space.'],
    ['a folder that is gone', 503, 'recordGone', 'The folder with the record was moved.'],
    ['a record that can only be read', 503, 'readOnly', 'The record can be read but not written.'],
    ['a locked record', 503, 'busy', 'Another program holds the record just now.'],
  ] as const;
  for (const [what, status, code, detail] of cases) {
    test(`${what} is said in the server’s own words, and what waits is sent once it is over`, async ({
      page,
      app,
    }) => {
      await openBench(page, app, 'Heron');
      await page.evaluate(() => fetch('/api/health'));
      const build = await buildOf(app);
      await instead(page, (route) =>
        route.fulfill({
          ...problem(status, code, detail),
          headers: {
            ...HEADERS,
            'Keen-Limb-Build': build,
            'Content-Type': 'application/problem+json',
          },
        }),
      );
      await enter(page, `note through ${code}`);
      await expect(bar(page)).toContainText('The server cannot store anything');
      await expect(bar(page)).toContainText(detail);
      await expect(bar(page)).toContainText('1 entry waits in this browser');
      await expect(echo(page)).toContainText('Kept here, waiting');
      await expect(echo(page)).not.toContainText('Logged');
      await page.unroute(ENTRIES);
      await tryNow(page);
      await expect(echo(page)).toContainText('Logged');
      await expect(bar(page)).toBeHidden();
      expect(await notesOf(app, 'Heron')).toContain(`through ${code}`);
    });
  }

  test('a proxy’s 502, a guest network’s page and a redirect are told from our server', async ({
    page,
    app,
  }) => {
    await openBench(page, app, 'Heron');
    await instead(page, (route) => route.fulfill({ status: 502, body: '<h1>Bad Gateway</h1>' }));
    await enter(page, 'note first');
    await expect(bar(page)).toContainText('cannot store anything');
    await expect(echo(page)).toContainText('Kept here, waiting');
    await page.unroute(ENTRIES);
    await page.route(API, (route) =>
      route.fulfill({ status: 200, contentType: 'text/html', body: '<form>Sign in</form>' }),
    );
    await tryNow(page);
    await expect(bar(page)).toContainText('Something else answers in the server’s place');
    await expect(bar(page)).toContainText('sign in');
    await page.unroute(API);
    await page.route(API, (route) =>
      route.fulfill({ status: 302, headers: { Location: 'http://guest.invalid/login' } }),
    );
    await enter(page, 'note second');
    await expect(bar(page)).toContainText('2 entries wait in this browser');
    await page.unroute(API);
    await tryNow(page);
    await expect(bar(page)).toBeHidden();
    expect((await notesOf(app, 'Heron')).slice(-2)).toEqual(['first', 'second']);
  });

  test('no answer at all in time is said, and the page stays usable', async ({ page, app }) => {
    test.slow();
    await openBench(page, app, 'Heron');
    const held: Route[] = [];
    await instead(page, (route) => {
      held.push(route);
      return Promise.resolve();
    });
    await enter(page, 'note held');
    await expect(echo(page)).toContainText('On its way');
    await expect(bar(page)).toContainText('does not answer in time', { timeout: 20_000 });
    await expect(echo(page)).toContainText('Kept here, waiting');
    await page.unroute(ENTRIES);
    await tryNow(page);
    await expect(echo(page)).toContainText('Logged', { timeout: 20_000 });
    await expect(bar(page)).toBeHidden();
    expect((await notesOf(app, 'Heron')).filter((text) => text === 'held')).toHaveLength(1);
  });

  test('on the rack, too, it is said what is the matter and what waits', async ({ page, app }) => {
    await openBench(page, app, 'Heron');
    await page.route(API, (route) => route.abort());
    await enter(page, 'note from the bench');
    await page.getByRole('link', { name: 'Rack', exact: true }).first().click();
    await expect(bar(page)).toContainText('The server does not answer');
    await expect(bar(page)).toContainText('1 entry waits in this browser since');
  });
});

test('a reload reaches the kept program whatever answers in the server’s place', async ({
  page,
  app,
  context,
}) => {
  await openBench(page, app, 'Heron');
  await withProgramKept(page);
  await expect(page.getByTestId('next-move')).toBeVisible();
  const answers: readonly ((route: Route) => Promise<void>)[] = [
    (route) => route.fulfill({ status: 500, contentType: 'application/json', body: '{"raw":1}' }),
    (route) => route.fulfill({ status: 502, body: '<h1>Bad Gateway</h1>' }),
    (route) =>
      route.fulfill({ status: 200, contentType: 'text/html', body: '<h1>Welcome guest</h1>' }),
    (route) => route.abort(),
  ];
  for (const answer of answers) {
    await context.route(`${app.address}/**`, answer);
    await page.reload();
    await expect(page.getByRole('region', { name: 'Order of work' })).toBeVisible();
    await expect(bar(page)).toBeVisible();
    await context.unroute(`${app.address}/**`);
  }
  await page.reload();
  await expect(bar(page)).toBeHidden();
});

test.describe('a browser that keeps nothing', () => {
  const forbid = () => {
    for (const name of ['localStorage', 'sessionStorage', 'indexedDB', 'caches'])
      Object.defineProperty(window, name, {
        get: () => {
          throw new DOMException('forbidden', 'SecurityError');
        },
      });
  };

  test('shows every view, says so, and stores what the server takes', async ({ page, app }) => {
    await page.addInitScript(forbid);
    await page.goto(`${app.address}/rack`);
    await expect(page.getByText('Heron').first()).toBeVisible();
    await openBench(page, app, 'Heron');
    await enter(page, 'note straight through');
    await expect(echo(page)).toContainText('Logged');
    await expect(bar(page)).toContainText('its storage is forbidden');
    await expect(bar(page)).toContainText('goes straight to the server');
    expect(await notesOf(app, 'Heron')).toContain('straight through');
  });

  test('says what would be lost when the server is away as well', async ({ page, app }) => {
    await page.addInitScript(forbid);
    await openRange(page, app, 'Heron');
    await page.route(API, (route) => route.abort());
    await page.getByTestId('plot').click({ position: { x: 150, y: 100 } });
    await expect(bar(page)).toContainText('in this page only');
    await expect(bar(page)).toContainText('Leave this page open');
    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save a copy' }).click();
    expect((await saved).suggestedFilename()).toMatch(/^keen-limb-waiting-\d{4}-\d\d-\d\d\.json$/);
    await page.unroute(API);
    await tryNow(page);
    await expect(bar(page)).not.toContainText('in this page only');
    await expect
      .poll(
        async () =>
          (await app.log('Heron')).filter(({ body }) => body['kind'] === 'shotPlaced').length,
      )
      .toBeGreaterThan(0);
  });

  test('because it is full says so, and keeps again when there is room', async ({ page, app }) => {
    await openBench(page, app, 'Heron');
    const cdp = await page.context().newCDPSession(page);
    await cdp.send('Storage.overrideQuotaForOrigin', { origin: app.address, quotaSize: 1 });
    await instead(page, (route) => route.abort());
    await enter(page, `note ${'long '.repeat(300)}`);
    await expect(bar(page)).toContainText('storage is full');
    await expect(bar(page)).toContainText('1 entry is in this page only');
    await expect(echo(page)).toContainText('In this page only');
    await cdp.send('Storage.overrideQuotaForOrigin', { origin: app.address });
    await enter(page, 'note with room again');
    await expect(bar(page)).not.toContainText('storage is full');
    await page.unroute(ENTRIES);
    await tryNow(page);
    await expect(bar(page)).toBeHidden();
    const notes = await notesOf(app, 'Heron');
    expect(notes.slice(-2)).toEqual([expect.stringContaining('long long'), 'with room again']);
  });
});

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
  await page.goto(`${app.address}/range/${await heronOffline(page)}?session=new`);
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

async function heronOffline(page: Page): Promise<string> {
  return page.url().split('/').at(-1)?.split('?')[0] ?? '';
}

test('an entry taken in the future is asked about, and kept until it is answered', async ({
  page,
  app,
}) => {
  await page.addInitScript(() => {
    const { now } = Date;
    Date.now = () => now() + Number(window.sessionStorage.getItem('clock shift') ?? 0);
  });
  await openBench(page, app, 'Heron');
  await page.evaluate(() => sessionStorage.setItem('clock shift', String(26 * 3_600_000)));
  await enter(page, 'note tomorrow');
  await expect(bar(page)).toContainText('still to come by the server’s');
  await expect(echo(page)).not.toContainText('Logged');
  expect(await notesOf(app, 'Heron')).not.toContain('tomorrow');
  await page.getByRole('button', { name: 'They were taken just now' }).click();
  await expect(bar(page)).toBeHidden();
  await expect(echo(page)).toContainText('Logged');
  const [last] = (await app.log('Heron')).slice(-1) as unknown as { taken: { ms: number } }[];
  expect(Math.abs(last!.taken.ms - Date.now())).toBeLessThan(60_000);
  await enter(page, 'note after it');
  await expect(echo(page)).toContainText('Logged');
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
  const line = page.getByRole('textbox', { name: 'Entry line' });
  for (let n = 1; n <= 301; n += 1) {
    await line.fill(`note number ${n}`);
    await line.press('Enter');
  }
  await expect(bar(page)).toContainText('301 entries wait in this browser');
  await page.unroute(ENTRIES);
  let cut = 0;
  await instead(page, async (route) => {
    cut += 1;
    if (cut > 5) return route.continue();
    // Stored, but nobody hears of it.
    await route.fetch();
    return route.abort();
  });
  for (let n = 0; n < 6; n += 1) {
    await tryNow(page);
    await page.waitForTimeout(400);
  }
  await expect(bar(page)).toBeHidden({ timeout: 30_000 });
  const numbers = (await notesOf(app, 'Heron')).filter((text) => text.startsWith('number '));
  expect(numbers).toEqual(Array.from({ length: 301 }, (_, n) => `number ${n + 1}`));
  expect(cut).toBeGreaterThan(5);
});

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
    const answer = await route.fetch();
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

async function buildOf(app: App): Promise<string> {
  return (await fetch(`${app.address}/api/health`)).headers.get('keen-limb-build') ?? '';
}
