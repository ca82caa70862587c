import type { Route } from '@playwright/test';
import { type App, echo, enter, expect, openBench, openRange, test } from './app.ts';
import { API, bar, ENTRIES, instead, notesOf, tryNow, withProgramKept } from './connection.ts';

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
    await page.getByRole('textbox', { name: 'Entry line' }).fill('note held');
    await page.keyboard.press('Enter');
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

async function buildOf(app: App): Promise<string> {
  return (await fetch(`${app.address}/api/health`)).headers.get('keen-limb-build') ?? '';
}
