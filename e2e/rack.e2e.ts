import { expect, test } from './app.ts';

test('the rack shows the demo bows with what is due on each', async ({ page, app }) => {
  await page.goto(app.address);
  await expect(page).toHaveURL(/\/rack$/);
  for (const name of [
    'Heron',
    'Curlew',
    'Wren',
    'Kestrel',
    'Egret',
    'Sparrow',
    'Rook',
    'Linnet',
    'Kit A',
    'Kit D',
  ]) {
    await expect(page.locator(`[data-bow="${name}"]`)).toBeVisible();
  }
  const kestrel = page.locator('[data-bow="Kestrel"]');
  await expect(kestrel.getByTestId('standing')).toContainText(
    'Due: draw weight, rough brace height',
  );
  await expect(page.locator('[data-bow="Heron"]').getByTestId('standing')).toContainText(
    'Next: 2 twists in',
  );
  await expect(kestrel).toContainText('off the shelf, for hunting');
  await kestrel.click();
  await expect(page).toHaveURL(/\/bench\//);
});

test('two long names that begin alike are told apart', async ({ page, app }) => {
  const [made] = await app.log('Wren');
  const names = ['of the club, second limb', 'of the club, third limb'].map(
    (end) => `Hunting takedown ${end}`,
  );
  for (const name of names) {
    const bowId = crypto.randomUUID();
    await app.store(bowId, [
      { id: crypto.randomUUID(), bowId, at: made!.at, by: 'test', body: { ...made!.body, name } },
    ]);
  }
  await page.goto(`${app.address}/rack`);
  for (const name of names) {
    const shown = page.getByText(name, { exact: true });
    await expect(shown).toBeVisible();
    expect(await shown.evaluate((text) => text.scrollHeight - text.clientHeight)).toBeLessThan(3);
    expect(await shown.evaluate((text) => text.scrollWidth - text.clientWidth)).toBeLessThan(1);
  }
});

test('a bow is made from five answers, everything it fills called a rule of thumb', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/rack`);
  await page.getByRole('link', { name: 'New bow' }).click();
  const dialog = page.getByRole('dialog', { name: 'New bow' });
  await dialog.getByRole('radio', { name: 'Hunting or takedown recurve' }).click();
  await dialog.getByRole('radio', { name: '58' }).click();
  await dialog.getByRole('radio', { name: 'Left-handed' }).click();
  await dialog.getByRole('radio', { name: 'Three under', exact: true }).click();
  await dialog.getByRole('radio', { name: 'Hunting', exact: true }).click();
  const filled = dialog.getByRole('region', { name: 'Filled from the school' }).getByRole('row');
  const rows = await filled.all();
  expect(rows.length).toBeGreaterThanOrEqual(6);
  for (const row of rows) await expect(row).toContainText('Rule of thumb.');
  await dialog.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page).toHaveURL(/\/bench\//);
  await expect(page.getByTestId('move-title')).toHaveText('Purpose');
  await expect.poll(async () => (await app.log('Bow 1')).length).toBe(1);
  const [made] = await app.log('Bow 1');
  expect(made?.body).toMatchObject({
    amoLengthIn: 58,
    hand: 'left',
    school: 'shelfHunting',
    maker: {},
  });
});

test('the bench rehearsed behind the rack is out of reach and goes again', async ({
  page,
  app,
}) => {
  await page.addInitScript(() => {
    const seen: boolean[] = [];
    Object.assign(window, { rehearsed: seen });
    new MutationObserver(() => {
      const line = document.querySelector('main #entry-line');
      if (line instanceof HTMLElement)
        seen.push(
          line.closest('[inert][aria-hidden=true]') !== null &&
            !line.checkVisibility({ visibilityProperty: true }),
        );
    }).observe(document, { childList: true, subtree: true });
  });
  await page.goto(`${app.address}/rack`);
  await page.waitForFunction(
    () =>
      (window as { rehearsed?: boolean[] }).rehearsed?.length &&
      !document.getElementById('entry-line'),
  );
  const seen = await page.evaluate(() => (window as { rehearsed?: boolean[] }).rehearsed ?? []);
  expect(seen.length).toBeGreaterThan(0);
  expect(seen).not.toContain(false);
  // The page behind it works as if nothing had been there.
  await page.locator('[data-bow="Wren"]').click();
  await expect(page.getByRole('textbox', { name: 'Entry line' })).toHaveCount(1);
});

test('pressed twice in a hurry, one bow is made', async ({ page, app }) => {
  await page.goto(`${app.address}/rack`);
  await page.getByRole('link', { name: 'New bow' }).click();
  const bowCount = async () =>
    ((await (await fetch(`${app.address}/api/bows`)).json()) as { bows: unknown[] }).bows.length;
  const before = await bowCount();
  await page
    .getByRole('button', { name: 'Put it on the bench' })
    .evaluate((button: HTMLButtonElement) => {
      button.click();
      button.click();
    });
  await expect(page).toHaveURL(/\/bench\//);
  await expect.poll(async () => (await app.log('Bow 1')).length).toBe(1);
  expect(await bowCount()).toBe(before + 1);
});

test('an address that leads nowhere says so', async ({ page, app }) => {
  await page.goto(`${app.address}/nowhere`);
  await expect(page.getByText('There is no such view.')).toBeVisible();
  await page.goto(`${app.address}/bench/00000000-0000-4000-8000-000000000000`);
  await expect(page.getByRole('alert')).toContainText('No bow has this id. Nothing was lost');
});

test('a bow is put away and taken out again; its record stays', async ({ page, app }) => {
  const id = await app.bowId('Sparrow');
  await page.goto(`${app.address}/record/${id}?show=care`);
  await page.getByRole('button', { name: 'Put it away' }).click();
  await expect(page.getByText('It is put away')).toBeVisible();
  await expect.poll(async () => (await app.log('Sparrow')).at(-1)?.body['kind']).toBe('bowPutAway');
  await page.goto(`${app.address}/rack`);
  await expect(page.locator('[data-bow="Heron"]')).toBeVisible();
  await expect(page.locator('[data-bow="Sparrow"]')).toBeHidden();
  await page.getByText('Put away, 1').click();
  await page.locator('[data-bow="Sparrow"]').click();
  await expect(page.locator('[data-line]').first()).toContainText('Put away');
  await page.getByRole('radio', { name: 'care' }).click();
  await page.getByRole('button', { name: 'Take it out again' }).click();
  await expect(page.getByRole('button', { name: 'Put it away' })).toBeVisible();
  await expect.poll(async () => (await app.log('Sparrow')).at(-1)?.body['away']).toBe(false);
  await page.goto(`${app.address}/rack`);
  await expect(page.locator('[data-bow="Sparrow"]')).toBeVisible();
  await expect(page.getByText(/^Put away,/)).toBeHidden();
});
