import { createWriteStream, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { Page } from '@playwright/test';
import { v7 as newId } from 'uuid';
import { ZipFile } from 'yazl';
import { App, expect, test } from './app.ts';

/** Saves what is chosen on the files sheet; returns where it is. */
async function save(page: Page, app: App, what: RegExp | string): Promise<string> {
  await page.goto(`${app.address}/rack/files`);
  const choice = page.getByRole('combobox', { name: 'What' });
  const option = choice.getByRole('option', { name: what });
  await choice.selectOption((await option.textContent()) ?? '');
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  const path = join(mkdtempSync(join(tmpdir(), 'keen-limb-saved-')), 'file.zip');
  await (await coming).saveAs(path);
  await expect(page.getByText(/^Saved .*\.zip, \d/)).toBeVisible();
  return path;
}

/** A process of its own reads it: on a busy machine that takes its time to begin. */
const READ_BY = { timeout: 30_000 };

/** Chooses a file and waits until it is read. */
async function choose(page: Page, app: App, file: string): Promise<void> {
  await page.goto(`${app.address}/rack/files`);
  await page.getByLabel('File of bows').setInputFiles(file);
  await expect(page.getByText('Cancel, change nothing')).toBeHidden(READ_BY);
}

test.describe('the workshop as a file', () => {
  const other = new App({ withDemo: false });
  test.beforeEach(() => other.start());
  test.afterEach(() => other.end());

  test('goes to another computer and back the same, byte for byte', async ({ page, app }) => {
    const file = await save(page, app, /whole workshop/);
    await page.goto(`${other.address}/rack`);
    await expect(page.getByText('The rack is empty.')).toBeVisible();
    await choose(page, other, file);
    const bows = page.locator('[data-planned]');
    await expect(bows.first()).toContainText('a bow that is not here yet');
    const count = await bows.count();
    await page.getByRole('button', { name: `Take in ${count} of ${count}` }).click();
    await expect(page.getByText(new RegExp(`^Taken in: .* of ${count} bows\\.$`))).toBeVisible(
      READ_BY,
    );
    await page.getByRole('button', { name: 'Close' }).click();
    await expect(page.locator('[data-bow]')).toHaveCount(count);
    const back = await save(page, other, /whole workshop/);
    expect(readFileSync(back).equals(readFileSync(file))).toBe(true);

    // A second time there is nothing to take; under another name there is.
    await choose(page, other, file);
    const heron = page.locator('[data-planned="Heron"]');
    await expect(heron).toContainText('nothing new');
    await expect(page.getByRole('button', { name: /^Take in 0/ })).toBeDisabled();
    await heron.getByRole('combobox').selectOption('As another bow, called');
    await heron.getByLabel('Its name here').fill('Heron, the old one');
    await page.getByRole('button', { name: /^Take in 1 of/ }).click();
    await expect(page.getByText(/^Taken in: .* of 1 bow\.$/)).toBeVisible(READ_BY);
    await page.getByRole('button', { name: 'Close' }).click();
    await page.locator('[data-bow="Heron, the old one"]').click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Heron, the old one');
  });

  test('that says otherwise under the same id is shown, and cannot be added', async ({
    page,
    app,
  }) => {
    const file = await save(page, app, 'Heron');
    const heronId = await app.bowId('Heron');
    const { entries } = (await (
      await fetch(`${app.address}/api/bows/${heronId}/entries`)
    ).json()) as { entries: { seq: number; taken: unknown; by: string }[] };
    const plain = entries.slice(0, 3).map(({ seq: _seq, taken: _taken, ...entry }) => entry);
    await other.store(heronId, [plain[0], { ...plain[1], by: 'Somebody else' }]);
    await choose(page, other, file);
    const heron = page.locator('[data-planned="Heron"]');
    await expect(heron).toContainText('1 entry with other content than here: it cannot be added');
    await expect(heron).toContainText(`bows/${heronId}.jsonl, line 2: Here the entry`);
    await expect(heron.getByRole('option', { name: 'Add to what is here' })).toHaveCount(0);
    await page.getByRole('button', { name: 'Take nothing' }).click();
    await expect(heron).toBeHidden();
  });
});

test('a damaged file is refused with its place', async ({ page, app }) => {
  const good = readFileSync(await save(page, app, 'Heron'));
  const folder = mkdtempSync(join(tmpdir(), 'keen-limb-spoiled-'));
  const spoiled = join(folder, 'spoiled.zip');
  const at = Math.floor(good.length / 2);
  writeFileSync(
    spoiled,
    Buffer.concat([good.subarray(0, at), Buffer.alloc(8), good.subarray(at + 8)]),
  );
  await choose(page, app, spoiled);
  await expect(page.getByText(/^bows\/.*\.jsonl.*Nothing was changed\./)).toBeVisible();
  await page.getByLabel('File of bows').setInputFiles({
    name: 'notes.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('hello'),
  });
  await expect(page.getByText(/^The file: It is no zip file.*Nothing was changed\./)).toBeVisible(
    READ_BY,
  );
});

test('a long file is read and taken with its count, and cancelled at either leaves all as it was', async ({
  page,
  app,
}) => {
  const file = await longFile(app, 60_000);
  const before = await entriesOf(app);
  await page.goto(`${app.address}/rack/files`);
  const cancel = page.getByRole('button', { name: 'Cancel, change nothing' });
  await page.getByLabel('File of bows').setInputFiles(file);
  await expect(page.getByText(/^Reading: [1-9][\d,]* entries so far\.$/)).toBeVisible(READ_BY);
  await cancel.click();
  await expect(page.getByText(/^Reading/)).toBeHidden();

  await page.getByLabel('File of bows').setInputFiles(file);
  await page.getByRole('button', { name: 'Take in 1 of 1' }).click(READ_BY);
  await expect(page.getByText(/^Taking in: [1-9][\d,]* entries so far\.$/)).toBeVisible(READ_BY);
  await cancel.click();
  await expect(page.getByText('Cancelled: nothing was taken.')).toBeVisible(READ_BY);
  expect(await entriesOf(app)).toBe(before);

  // Left while it is taken, it is taken all the same.
  await page.getByLabel('File of bows').setInputFiles(file);
  await page.getByRole('button', { name: 'Take in 1 of 1' }).click(READ_BY);
  await expect(page.getByText(/^Taking in/)).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.locator('[data-bow="Long"]')).toBeVisible(READ_BY);
  expect(await entriesOf(app)).toBe(before + 60_000);
});

async function entriesOf(app: App): Promise<number> {
  const said = (await (await fetch(`${app.address}/api/health`)).json()) as { entries: number };
  return said.entries;
}

/** A file of one bow with a long log. */
async function longFile(app: App, entries: number): Promise<string> {
  const about = { format: 'keen-limb-workshop', version: 1, entryVersion: 2 };
  const bowId = newId();
  const heron = (await app.log('Heron')).find(({ body }) => body['kind'] === 'bowMade');
  const made = { ...heron?.body, name: 'Long' };
  const lines = Array.from({ length: entries }, (_, at) => {
    const ms = Date.UTC(2020, 0, 1) + at * 60_000;
    const body = at === 0 ? made : { kind: 'note', text: `number ${at}` };
    const entry = { id: newId(), bowId, at: new Date(ms).toISOString(), by: 'Test' };
    return JSON.stringify({ ...entry, taken: { ms, device: 'test', count: at }, body });
  });
  const zip = new ZipFile();
  zip.addBuffer(Buffer.from(JSON.stringify(about)), 'about.json');
  zip.addBuffer(Buffer.from(`${lines.join('\n')}\n`), `bows/${bowId}.jsonl`);
  zip.end();
  const path = join(mkdtempSync(join(tmpdir(), 'keen-limb-long-')), 'long.zip');
  await pipeline(zip.outputStream, createWriteStream(path));
  return path;
}
