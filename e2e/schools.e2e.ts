import type { Page } from '@playwright/test';
import type { BowFacts, LoggedEntry } from '#core/log/entry.ts';
import { foldLog } from '#core/log/fold.ts';
import { twistRange } from '#core/limits/twist-limits.ts';
import { simulatedKit } from '#core/simulate/simulated-kit.ts';
import { type App, expect, test } from './app.ts';
import { followOne, MOST_MOVES, outOfBand, type Way } from './follow-moves.ts';

const NEVER_SAID_OF_A_LONGBOW = /pocket|bolt|long rod|plunger|walk-back|clicker|sight mark|screw/i;

/** Puts a bow on the rack from the answers given, and follows its next moves to the shooting. */
async function fromAnswersToReady(
  page: Page,
  app: App,
  who: {
    readonly answers: readonly string[];
    readonly way: Way;
    /** Which simulated bow. */
    readonly seed: number;
    readonly crawlMm?: number;
    readonly hasScale?: boolean;
  },
): Promise<string> {
  const { answers, way, seed, ...given } = who;
  await page.goto(`${app.address}/rack/new`);
  const dialog = page.getByRole('dialog', { name: 'New bow' });
  for (const answer of answers)
    await dialog.getByRole('radio', { name: answer, exact: true }).click();
  await dialog.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page.getByTestId('move-title')).toHaveText('Purpose');
  const name = 'Bow 1';
  await expect.poll(async () => (await app.log(name)).length).toBe(1);
  const made = (await app.log(name))[0]?.body as unknown as BowFacts;
  const facts = { ...made, crawlMm: given.crawlMm };
  const bow = simulatedKit(facts, seed, twistRange(made));
  const said: string[] = [];
  for (let i = 0; i < MOST_MOVES; i += 1) {
    const move = page.getByTestId('next-move');
    const words = (await move.textContent()) ?? '';
    if (/Shoot in|Shoot bare/.test(words)) break;
    said.push(words);
    await followOne(page, app, { name, bow, way, ...given });
  }
  await page.goto(`${app.address}/rack`);
  await expect(page.locator(`[data-bow="${name}"]`)).toContainText('Ready to tune');
  expect(outOfBand(foldLog((await app.log(name)) as unknown as LoggedEntry[]))).toEqual([]);
  return said.join('\n');
}

test('a longbow, left-handed, is made ready to tune by next moves only, and hears of nothing it has not', async ({
  page,
  app,
}) => {
  test.setTimeout(180_000);
  const said = await fromAnswersToReady(page, app, {
    answers: ['Longbow', 'Left-handed', 'Three under', 'Hunting'],
    way: 'keyboard',
    seed: 31,
  });
  expect(said).not.toMatch(NEVER_SAID_OF_A_LONGBOW);
});

test('a string-walker is asked for the crawl, and begins at its tiller and nocking height', async ({
  page,
  app,
}) => {
  test.setTimeout(180_000);
  const said = await fromAnswersToReady(page, app, {
    answers: ['Three under, walking the string', 'Field'],
    way: 'mouse',
    // Its brace begins far below the limits.
    seed: 77,
    crawlMm: 30,
  });
  expect(said).toContain('Say how deep the crawl is');
  const state = foldLog((await app.log('Bow 1')) as unknown as LoggedEntry[])!;
  expect(state.bow.crawlMm).toBe(30);
  const tiller =
    state.readings.get('tillerTop')!.at(-1)!.mean -
    state.readings.get('tillerBottom')!.at(-1)!.mean;
  expect(tiller).toBeLessThan(-2);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test('a newcomer without a scale says so, and is brought to ready to tune all the same', async ({
    page,
    app,
  }) => {
    test.setTimeout(180_000);
    const said = await fromAnswersToReady(page, app, {
      answers: ['Target recurve', 'Right-handed', 'Split, one finger above', 'Target'],
      way: 'touch',
      seed: 77,
      hasScale: false,
    });
    expect(said).toContain('Measure draw weight');
  });
});

test('a crawl that cannot be is refused where it is typed', async ({ page, app }) => {
  await page.goto(`${app.address}/rack/new`);
  const dialog = page.getByRole('dialog', { name: 'New bow' });
  await dialog.getByRole('radio', { name: 'Three under, walking the string' }).click();
  await dialog.getByLabel(/Crawl at the distance/).fill('300');
  await expect(dialog.getByRole('alert')).toContainText('0 to 80 mm');
  await dialog.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(dialog).toBeVisible();
  await dialog.getByLabel(/Crawl at the distance/).fill('30');
  await expect(dialog.getByRole('region', { name: 'Filled from the school' })).toContainText(
    'A crawl of 30 mm',
  );
  await dialog.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page.getByTestId('move-title')).toHaveText('Purpose');
  await expect.poll(async () => (await app.log('Bow 1')).length).toBe(1);
  expect((await app.log('Bow 1'))[0]?.body).toMatchObject({ crawlMm: 30, school: 'barebow' });
});
