import { allStored, enter, expect, openBench, test } from './app.ts';

test('Heron’s creep is on the curve, and found by filter and by text', async ({ page, club }) => {
  const heron = await club.bowId('Heron');
  await page.goto(`${club.address}/record/${heron}`);
  await expect(page.getByTestId('reading-curve')).toContainText('quiet');
  const story = page.getByTestId('story');
  await page.getByRole('searchbox', { name: 'Words' }).fill('CREPT string');
  await expect(story.locator('[data-line]')).toHaveCount(1);
  await expect(story).toContainText('crept about 2 mm');
  await page.getByRole('searchbox', { name: 'Words' }).fill('');
  await page.getByRole('combobox', { name: 'Control' }).selectOption('twists');
  // Back up after the creep, and the four turns of the search that evening.
  await expect(story.locator('[data-line]')).toHaveCount(5);
  await expect(story).toContainText('2 twists in');
  await expect(page).toHaveURL(/control=twists/);
  await page.getByRole('combobox', { name: 'What' }).selectOption('session');
  await expect(page.getByText('Nothing fits.')).toBeVisible();
});

test('what a session said then stands beside it, and the bow of that moment opens read only', async ({
  page,
  club,
}) => {
  const heron = await club.bowId('Heron');
  await page.goto(`${club.address}/record/${heron}?what=session`);
  const stiff = page.locator('[data-line]').filter({ hasText: 'Stiff' });
  // Said when there is nothing else to do: on a busy machine that may be later.
  await expect(stiff).toContainText('right', { timeout: 30_000 });
  await stiff.getByRole('button').first().click();
  await stiff.getByRole('link', { name: 'The bow as it then was' }).click();
  await expect(page.getByTestId('then-bar')).toContainText('As it was on');
  // Then: the point was not heavier yet, and nothing can be written.
  await expect(page.getByRole('textbox', { name: 'Entry line' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /Done|Undo|Not now/ })).toHaveCount(0);
  const address = page.url();
  await page.getByRole('link', { name: 'The bow as it is now' }).click();
  await expect(page.getByRole('textbox', { name: 'Entry line' })).toBeVisible();
  await page.goto(address);
  await expect(page.getByTestId('bench-then')).toBeVisible();
  await page.goto(`${club.address}/bench/${heron}?at=1999-01-01T00:00:00.000Z`);
  await expect(page.getByText('was not in the record yet')).toBeVisible();
});

test('an entry is taken back with its reason and put back, and both stay to be seen', async ({
  page,
  app,
}) => {
  const heron = await app.bowId('Heron');
  await openBench(page, app, 'Heron');
  await enter(page, 'note the wrong bow');
  await page.goto(`${app.address}/record/${heron}`);
  const line = page.locator('[data-line]').filter({ hasText: 'the wrong bow' });
  await line.getByRole('button').first().click();
  await line.getByRole('textbox', { name: 'Why taken back, if you like' }).fill('was Egret');
  await line.getByRole('button', { name: 'Take back' }).click();
  await expect(line).toContainText('taken back');
  await expect(line).toContainText('Taken back: was Egret');
  await line.getByRole('button', { name: 'Put back' }).click();
  await expect(line).toContainText('Put back');
  await allStored(page);
  const log = await app.log('Heron');
  const note = log.find(({ body }) => body['text'] === 'the wrong bow');
  expect(log.filter(({ body }) => body['kind'] === 'undone')).toHaveLength(2);
  expect(note).toBeDefined();
});

test('the shots of a session go in one press, and come back', async ({ page, app }) => {
  const heron = await app.bowId('Heron');
  await page.goto(`${app.address}/record/${heron}?what=session`);
  const line = page.locator('[data-line]').filter({ hasText: 'Bare shaft at 18 m, 27 shots' });
  await line.getByRole('button').first().click();
  await line.getByRole('button', { name: 'Take back its 27 shots' }).click();
  await expect(line).toContainText('taken back in part');
  await line.getByRole('button', { name: 'Put back 27 entries' }).click();
  await expect(line).not.toContainText('taken back in part');
  await allStored(page);
  expect((await app.log('Heron')).filter(({ body }) => body['kind'] === 'undone')).toHaveLength(54);
});

test('a state is named, found, compared with now, and returned to', async ({ page, app }) => {
  const heron = await app.bowId('Heron');
  await page.goto(`${app.address}/record/${heron}?q=crept`);
  const line = page.locator('[data-line]').first();
  await line.getByRole('button').first().click();
  await line.getByRole('button', { name: 'Name this state' }).click();
  await page.getByRole('textbox', { name: 'Name' }).fill('before the twists');
  await page.getByRole('button', { name: 'Keep the name' }).click();
  await expect(page.getByRole('link', { name: /before the twists/ })).toBeVisible();
  await page.goto(`${app.address}/record/${heron}?show=compare`);
  const compare = page.getByTestId('compare');
  await expect(compare).toContainText('2 twists less');
  const way = page.getByTestId('way-back');
  await expect(way.locator('[data-way]').first()).toContainText('2 twists out');
  await way.getByRole('button', { name: 'Done, log it' }).click();
  await expect(compare).not.toContainText('2 twists less');
  await expect(way.locator('[data-way]').first()).toContainText('Point mass 20 gr lighter');
  await expect
    .poll(async () => (await app.log('Heron')).at(-1)?.body)
    .toMatchObject({ kind: 'change', control: 'twists', amount: -2 });
});

test('a left-hander’s bow and a right-hander’s, each as its own archer sees it', async ({
  page,
  club,
}) => {
  const sideOn = async (name: string) => {
    await page.goto(`${club.address}/bench/${await club.bowId(name)}?sight=behind`);
    const figure = page.locator('[data-reading=centreShotAtPoint]').first();
    const [, size, side] =
      /([\d.]+)\s*(mm (?:left|right))/.exec((await figure.textContent()) ?? '') ?? [];
    return `${size} ${side}`;
  };
  const sides = [await sideOn('Heron'), await sideOn('Curlew')];
  expect(sides).toEqual([expect.stringContaining('right'), expect.stringContaining('left')]);
  for (const [first, second, seen] of [
    ['Heron', 'Curlew', sides],
    ['Curlew', 'Heron', sides.toReversed()],
  ] as const) {
    await page.goto(
      `${club.address}/record/${await club.bowId(first)}?show=compare&left=now&right=bow:${await club.bowId(second)}`,
    );
    const row = page.getByTestId('compare').getByRole('row', { name: /^Centre shot at the point/ });
    await expect(row.getByRole('cell').nth(0)).toHaveText(seen[0] ?? '');
    await expect(row.getByRole('cell').nth(1)).toHaveText(seen[1] ?? '');
    await expect(row).toContainText(/further (out|in)ward/);
  }
});

test('Egret against Heron shows what differs, worst first', async ({ page, club }) => {
  const [heron, egret] = [await club.bowId('Heron'), await club.bowId('Egret')];
  await page.goto(`${club.address}/record/${egret}?show=compare&left=now&right=bow:${heron}`);
  const rows = page.getByTestId('compare').getByRole('row');
  await expect(rows.nth(1)).toContainText('times what one reading scatters');
  await expect(page.getByTestId('compare')).toContainText('Tiller, top less bottom');
});

test('care that is due is on the rack, done in the record, and its dates are a calendar file', async ({
  page,
  app,
}) => {
  const heron = await app.bowId('Heron');
  await page.goto(`${app.address}/rack`);
  await expect(page.locator('[data-bow="Heron"]').getByTestId('rack-care')).toContainText('Care:');
  await page.goto(`${app.address}/record/${heron}?show=care`);
  const wax = page.locator('[data-care="wax"]');
  await expect(wax).toContainText('due');
  await wax.getByRole('button', { name: 'Wax the string: done' }).click();
  await expect(wax).toContainText('in 30 days or 600 shots');
  await wax.getByRole('button', { name: 'Wax the string: how often' }).click();
  await page.getByRole('textbox', { name: 'After days' }).fill('ten');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByRole('alert')).toContainText('Whole numbers');
  await page.getByRole('textbox', { name: 'After days' }).fill('10');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(wax).toContainText('in 10 days or 600 shots');
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the dates for a calendar' }).click();
  expect((await saved).suggestedFilename()).toBe('Heron-care.ics');
});

test('readings, shots and a comparison are saved as tables, units in their headers', async ({
  page,
  club,
}) => {
  const [heron, egret] = [await club.bowId('Heron'), await club.bowId('Egret')];
  const saved = async (press: string) => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: press, exact: true }).click();
    const file = await download;
    const chunks: Buffer[] = [];
    for await (const chunk of await file.createReadStream()) chunks.push(chunk as Buffer);
    const [header = '', ...rows] = Buffer.concat(chunks).toString().trim().split(/\r?\n/);
    return { name: file.suggestedFilename(), header, rows };
  };
  await page.goto(`${club.address}/record/${heron}`);
  const readings = await saved('Readings');
  expect(readings.name).toBe('heron-readings.csv');
  expect(readings.header).toMatch(/value_in/);
  expect(readings.rows.some((row) => row.includes('Brace height'))).toBe(true);
  const shots = await saved('Shots');
  expect(shots.header).toMatch(/right/);
  const placed = (await club.log('Heron')).filter(({ body }) => body['kind'] === 'shotPlaced');
  expect(shots.rows).toHaveLength(placed.length);
  await page.goto(`${club.address}/record/${egret}?show=compare&left=now&right=bow:${heron}`);
  const comparison = await saved('Save as a table');
  expect(comparison.header).toContain('second_less_first');
  expect(comparison.rows.join('\n')).toMatch(/Brace height,in,/);
});

test('the last good state is in the bow menu of every view', async ({ page, club }) => {
  await page.goto(`${club.address}/bench/${await club.bowId('Heron')}`);
  await page.getByRole('button', { name: /^Heron.*take another bow/ }).click();
  await page.getByRole('menuitem', { name: /^Heron when last good,/ }).click();
  await expect(page.getByTestId('then-bar')).toContainText('As it was on');
});
