import type { Download } from '@playwright/test';
import { echo, enter, expect, openBench, test } from './app.ts';

test('a row that turned on the disk is set aside and shown, and the bow goes on without it', async ({
  page,
  app,
}) => {
  await openBench(page, app, 'Heron');
  await enter(page, 'note a quiet evening');
  await expect(echo(page)).toContainText('Logged');
  await app.stop();
  app.spoil('a quiet evening', 'a quiet morning');
  await app.start();
  await page.goto(`${app.address}/rack`);
  const row = page.locator('[data-bow="Heron"]');
  await expect(row).toContainText('1 entry cannot be read');
  await expect(page.locator('[data-bow="Curlew"]')).not.toContainText('cannot be read');
  await openBench(page, app, 'Heron');
  const bar = page.getByTestId('waiting-bar');
  await expect(bar).toContainText('1 entry on the server’s disk cannot be read and is set aside');
  await expect(page.getByText('a quiet morning')).toHaveCount(0);
  await page.getByRole('textbox', { name: 'Entry line' }).fill('cut 6');
  await expect(echo(page)).toContainText('One entry of this bow cannot be read');
  await page.getByRole('textbox', { name: 'Entry line' }).fill('');
  await enter(page, 'pp + 1/4');
  await expect(echo(page)).toContainText('Logged');
  const saved = page.waitForEvent('download');
  await bar.getByRole('button', { name: 'Save to a file' }).click();
  expect(await textOf(await saved)).toContain('a quiet morning');
});

test('a bow whose first entry turned is said to be there, and can be saved', async ({
  page,
  app,
}) => {
  await app.stop();
  app.spoil('"name":"Heron"', '"name":"Heran"');
  await app.start();
  await page.goto(`${app.address}/rack`);
  await expect(page.getByText('Curlew').first()).toBeVisible();
  await page.getByRole('link', { name: 'A bow whose first entry is damaged' }).click();
  await expect(page.getByRole('heading', { name: 'This bow cannot be read.' })).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save what is there to a file' }).click();
  const text = await textOf(await saved);
  expect(text).toContain('Heran');
  expect(text).toContain('tillerTop');
});

test('the folder of the record removed under the server: nothing is said to be logged', async ({
  page,
  app,
}) => {
  await openBench(page, app, 'Heron');
  app.moveRecordAway();
  await enter(page, 'note while it is gone');
  const bar = page.getByTestId('waiting-bar');
  await expect(bar).toContainText('The server cannot store anything');
  await expect(bar).toContainText('The folder with the record was moved or removed');
  await expect(echo(page)).toContainText('Kept here, waiting');
  app.moveRecordBack();
  await page.getByRole('button', { name: 'Try now' }).click();
  await expect(echo(page)).toContainText('Logged');
  expect((await app.log('Heron')).at(-1)?.body['text']).toBe('while it is gone');
});

async function textOf(download: Download): Promise<string> {
  let text = '';
  for await (const chunk of await download.createReadStream()) text += String(chunk);
  return text;
}
