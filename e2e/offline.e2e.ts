import { allStored, enter, expect, openRange, test, verdict } from './app.ts';

test.use({ viewport: { width: 390, height: 844 } });

test('with the network cut, shots are kept over a reload, shown as waiting, and sent once', async ({
  page,
  app,
  context,
}) => {
  await openRange(page, app, 'Heron');
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  // The first page came before the worker: from the next one on it keeps the program.
  await page.reload();
  await expect(page.getByTestId('plot')).toBeVisible();
  await enter(page, 'f 1.0,1 -1.0,0');
  await allStored(page);
  const before = await shotsOf(app);
  expect(before).toBeGreaterThan(0);

  await context.setOffline(true);
  const plot = page.getByTestId('plot');
  for (const [x, y] of [
    [150, 100],
    [180, 120],
    [200, 90],
  ] as const)
    await plot.click({ position: { x, y } });
  const bar = page.getByTestId('waiting-bar');
  await expect(bar).toContainText('3 entries wait in this browser');
  expect(await shotsOf(app)).toBe(before);

  await page.reload();
  await expect(page.getByTestId('plot')).toBeVisible();
  await expect(bar).toContainText('3 entries wait in this browser');
  await expect(page.getByRole('region', { name: 'Ends' }).last()).toBeVisible();
  await plot.click({ position: { x: 160, y: 140 } });
  await expect(bar).toContainText('4 entries wait in this browser');

  await context.setOffline(false);
  await expect(bar).toBeHidden({ timeout: 15_000 });
  await expect.poll(() => shotsOf(app)).toBe(before + 4);
  // The answer to a request can be lost after it was stored: sending all again must store nothing.
  const log = await app.log('Heron');
  const last = log.slice(-4);
  const again = await fetch(`${app.address}/api/bows/${await app.bowId('Heron')}/entries`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({
      entries: last.map((entry) =>
        Object.fromEntries(Object.entries(entry).filter(([name]) => name !== 'seq')),
      ),
    }),
  });
  expect(again.ok).toBe(true);
  expect(await shotsOf(app)).toBe(before + 4);
  await page.reload();
  await expect(verdict(page)).toContainText('6 of 6 shots counted');
});

test('the page itself opens with the network cut, the rack too', async ({ page, app, context }) => {
  await page.goto(`${app.address}/rack`);
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  await page.reload();
  await expect(page.getByText('Heron').first()).toBeVisible();
  await context.setOffline(true);
  await page.goto(`${app.address}/rack`);
  await expect(page.getByText('Heron').first()).toBeVisible();
});

async function shotsOf(app: Parameters<typeof openRange>[1]): Promise<number> {
  return (await app.log('Heron')).filter(({ body }) => body['kind'] === 'shotPlaced').length;
}
