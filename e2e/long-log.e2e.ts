import type { Page } from '@playwright/test';
import { v7 as newId } from 'uuid';
import { type App, expect, test } from './app.ts';

const brace = (mm: number) => ({
  kind: 'reading',
  reading: 'braceHeight',
  values: [mm],
  typed: `b ${mm}`,
  datum: 'deepest part of the grip to the string',
  tool: 'club square',
  source: 'measured',
  confirmedUnlikely: false,
});

/** Logs entries as another browser would. */
async function elsewhere(app: App, bowId: string, bodies: readonly object[]): Promise<void> {
  for (let from = 0; from < bodies.length; from += 100) {
    const answer = await fetch(`${app.address}/api/bows/${bowId}/entries`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        entries: bodies
          .slice(from, from + 100)
          .map((body) => ({ id: newId(), bowId, at: new Date().toISOString(), by: 'Phone', body })),
      }),
    });
    expect(answer.status).toBe(201);
  }
}

/** What the page asks of one bow's log from now on, `whole` or only what is newer. */
function logQuestions(page: Page, bowId: string): readonly string[] {
  const asked: string[] = [];
  page.on('request', (request) => {
    const { pathname, search } = new URL(request.url());
    if (request.method() === 'GET' && pathname.endsWith(`${bowId}/entries`))
      asked.push(search === '' ? 'whole' : 'newer');
  });
  return asked;
}

/** To the rack, and long enough there that the bow's log counts as asked for a while ago. */
async function toRack(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Keen Limb, to the rack' }).click();
  await page.waitForTimeout(2200);
}
const toHeron = (page: Page) => page.locator('[data-bow="Heron"]').click();
const lately = (page: Page) => page.getByRole('region', { name: 'Lately' });

test('a long log is fetched once, before its bow is opened; then only what is new', async ({
  page,
  app,
}) => {
  const bowId = await app.bowId('Heron');
  await elsewhere(
    app,
    bowId,
    Array.from({ length: 1500 }, (_, i) =>
      i % 5 === 4
        ? { kind: 'change', control: 'twists', amount: i % 10 === 4 ? 1 : -1, because: '' }
        : brace(216 + (i % 3)),
    ),
  );
  const asked = logQuestions(page, bowId);
  // The bow used last, without a touch; another one once somebody points at it.
  const last = page.waitForResponse(`**/api/bows/${bowId}/entries`);
  await page.goto(`${app.address}/rack`);
  await last;
  const pointedAt = page.waitForResponse(`**/api/bows/${await app.bowId('Wren')}/entries`);
  await page.locator('[data-bow="Wren"]').hover();
  await pointedAt;
  expect(asked).toEqual(['whole']);
  await toHeron(page);
  await expect(page.getByTestId('next-move')).toBeVisible();

  await elsewhere(app, bowId, [brace(9 * 25.4)]);
  await toRack(page);
  await toHeron(page);
  await expect(lately(page)).toContainText('Brace height 9 in');
  expect(asked.filter((one) => one === 'whole')).toHaveLength(1);
  expect(asked.filter((one) => one === 'newer').length).toBeGreaterThan(0);

  // The network is cut: the last answers, and what came after them, are still here.
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await app.stop();
  await page.reload();
  await expect(lately(page)).toContainText('Brace height 9 in');
});

test('where the server has another record than the page knows, the whole is asked for again', async ({
  page,
  app,
}) => {
  const bowId = await app.bowId('Heron');
  const asked = logQuestions(page, bowId);
  await page.goto(`${app.address}/bench/${bowId}`);
  await expect(page.getByTestId('next-move')).toBeVisible();
  await elsewhere(app, bowId, [brace(9 * 25.4)]);
  // As if the entry had come before one the page knows: nothing is newer, yet there is one more.
  await page.route(/entries\?after=/, async (route) => {
    const response = await route.fetch({ maxRetries: 3 });
    const { count } = (await response.json()) as { count: number };
    await route.fulfill({ response, json: { entries: [], count } });
  });
  await toRack(page);
  await toHeron(page);
  await expect(lately(page)).toContainText('Brace height 9 in');
  expect(asked.filter((one) => one === 'whole')).toHaveLength(2);
});
