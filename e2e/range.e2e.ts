import { type App, echo, enter, expect, openBench, openRange, test, verdict } from './app.ts';
import type { Page } from '@playwright/test';

const FLETCHED = '-1.5,1.1 -0.1,-0.9 -1.2,0.3 0.3,1.4 -1,-0.8 0.2,0';
const BARE = '6,-0.4 6.6,0.6 5.8,0.2';
const mirrored = (pairs: string) =>
  pairs
    .split(' ')
    .map((pair) => pair.split(','))
    .map(([right = '', up = '']) => `${-Number(right)},${up}`)
    .join(' ');

async function shootTwoEnds(page: Page, fletched: string, bare: string) {
  for (const end of [1, 2]) {
    await enter(page, `f ${fletched}`);
    await enter(page, `b ${bare}`);
    if (end === 1)
      await page.getByRole('button', { name: 'Next end', exact: true }).first().click();
  }
}

test('tapped shots give verdict, offset with its uncertainty, and ellipses', async ({
  page,
  app,
}) => {
  await openRange(page, app, 'Heron');
  const plot = page.getByTestId('plot');
  const box = await plot.boundingBox();
  if (box === null) throw new Error('no plot');
  const tap = (x: number, y: number) =>
    plot.click({ position: { x: box.width * x, y: box.height * y } });
  for (const [x, y] of [
    [0.45, 0.42],
    [0.47, 0.5],
    [0.5, 0.45],
    [0.52, 0.49],
    [0.48, 0.53],
    [0.5, 0.4],
  ] as const)
    await tap(x, y);
  await expect(verdict(page)).toContainText('2 bare more');
  await page.getByRole('button', { name: 'Bare', exact: true }).click();
  for (const [x, y] of [
    [0.74, 0.46],
    [0.77, 0.5],
    [0.75, 0.43],
  ] as const)
    await tap(x, y);
  await expect(verdict(page)).toContainText(/Stiff, by this one look: \d\.\d ± \d\.\d cm right/);
  await expect(verdict(page)).toContainText('9 of 9 shots counted');
  await expect(page.locator('[data-ellipse="fletched"]')).toBeVisible();
  await expect(page.locator('[data-ellipse="bare"]')).toBeVisible();
  await expect
    .poll(
      async () =>
        (await app.log('Heron')).filter(({ body }) => body['kind'] === 'shotPlaced').length,
    )
    .toBeGreaterThan(9);
});

test('fletched and bare typed one after the other, faster than the address follows, are one session', async ({
  page,
  app,
}) => {
  await openRange(page, app, 'Heron');
  const before = (await app.log('Heron')).length;
  await page.getByRole('textbox', { name: 'Entry line' }).evaluate(
    (line: HTMLInputElement, typed) => {
      for (const text of typed) {
        Reflect.set(HTMLInputElement.prototype, 'value', text, line);
        line.dispatchEvent(new Event('input', { bubbles: true }));
        line.form?.requestSubmit();
      }
    },
    [`f ${FLETCHED}`, `b ${BARE}`],
  );
  await expect(verdict(page)).toContainText('9 of 9 shots counted');
  await expect.poll(async () => (await app.log('Heron')).length).toBe(before + 10);
  const logged = (await app.log('Heron')).slice(before);
  expect(logged.filter(({ body }) => body['kind'] === 'sessionOpened')).toHaveLength(1);
  expect(new Set(logged.map(({ body }) => body['sessionId'])).size).toBe(1);
});

test('the tap that closes the list of bows plots no shot', async ({ page, app }) => {
  await openRange(page, app, 'Heron');
  const before = (await app.log('Heron')).length;
  await page.getByRole('button', { name: /take another bow/ }).click();
  await expect(page.getByRole('menu')).toBeVisible();
  const box = await page.getByTestId('plot').boundingBox();
  if (box === null) throw new Error('no plot');
  await page.mouse.click(box.x + box.width * 0.9, box.y + box.height * 0.8);
  await expect(page.getByRole('menu')).toBeHidden();
  // The next tap is a shot again, and the only one.
  await page.mouse.click(box.x + box.width * 0.9, box.y + box.height * 0.8);
  await expect.poll(async () => (await app.log('Heron')).length).toBe(before + 2);
});

test('a called bad shot changes the figures and is kept', async ({ page, app }) => {
  await openRange(page, app, 'Heron');
  await enter(page, `f ${FLETCHED}`);
  await enter(page, `b ${BARE} -7,6`);
  const before = await verdict(page).innerText();
  await page.getByTestId('plot').focus();
  await page.keyboard.press('c');
  await expect(verdict(page)).toContainText('9 of 10 shots counted');
  expect(await verdict(page).innerText()).not.toBe(before);
  await expect(page.getByRole('region', { name: 'Ends' }).first()).toContainText('1 called bad');
  await expect
    .poll(async () => (await app.log('Heron')).at(-1)?.body)
    .toMatchObject({ kind: 'shotAmended', calledBad: true });
});

/** Opens a session at a distance that this build has not been shot to yet, and says why. */
async function openAtOnce(page: Page, distanceM: number) {
  await page.getByLabel('Distance, m').fill(String(distanceM));
  await expect(page.getByTestId('against')).toContainText('starts at 6 m or nearer');
  const start = page.getByRole('button', { name: 'Start shooting' });
  await expect(start).toBeDisabled();
  await page.getByLabel('It is shot nevertheless, because').fill('shot elsewhere before');
  await start.click();
}

async function readVerdict(page: Page, app: App, bow: string, fletched: string, bare: string) {
  await openRange(page, app, bow);
  await openAtOnce(page, 18);
  await shootTwoEnds(page, fletched, bare);
  await expect(verdict(page)).toContainText('18 of 18 shots counted');
  return {
    says: (await verdict(page).locator('p').first().innerText()).trim(),
    move: await page.getByTestId('move-title').first().innerText(),
  };
}

test('mirrored shots of a left-handed bow give the same cause, remedy and size; the same shots the opposite', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/rack`);
  for (const [hand, name] of [
    ['Right-handed', 'Twin right'],
    ['Left-handed', 'Twin left'],
    ['Left-handed', 'Same shots'],
  ] as const) {
    await page.goto(`${app.address}/rack/new`);
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('radio', { name: hand }).click();
    await dialog.getByLabel('Name, if you like').fill(name);
    await dialog.getByRole('button', { name: 'Put it on the bench' }).click();
    await expect(page.getByTestId('move-title')).toBeVisible();
    await expect.poll(async () => app.bowId(name).catch(() => null)).not.toBeNull();
  }
  const right = await readVerdict(page, app, 'Twin right', FLETCHED, BARE);
  const left = await readVerdict(page, app, 'Twin left', mirrored(FLETCHED), mirrored(BARE));
  const same = await readVerdict(page, app, 'Same shots', FLETCHED, BARE);
  expect(right.says).toMatch(/^Weak, and it is not you: \d\.\d ± \d\.\d cm right\.$/);
  expect(left.says).toBe(right.says.replace('right', 'left'));
  expect(left.move).toBe(right.move);
  expect(same.says).toBe(right.says.replace('Weak', 'Stiff'));
  expect(same.move).not.toBe(right.move);
});

test('two bare shafts far apart are undecided with a number, not a diagnosis', async ({
  page,
  app,
}) => {
  await openRange(page, app, 'Sparrow');
  await page.getByLabel(/Good enough/).fill('2.5');
  await enter(page, 'f 2,0 1,0 0,0.5 -0.5,-0.5 -1,0 -1.5,0.2');
  await enter(page, 'b 6.0,0 -9.0,0');
  await expect(verdict(page)).toContainText(/Across undecided: (more than 24|\d+) more/);
  await expect(verdict(page)).not.toContainText(/Stiff|Weak/);
  await expect(page.getByTestId('move-title').first()).toContainText(/touch nothing|shoot again/i);
});

test('the move is the same on bench and range; done marks bare shaft stale, asks for a re-shoot; undo reverses', async ({
  page,
  app,
}) => {
  await openRange(page, app, 'Curlew');
  await shootTwoEnds(page, FLETCHED, '-0.4,-7.4 0.4,-6.8 -0.2,-7.1');
  await expect(verdict(page)).toContainText('Nocking point high, and it is not you');
  const title = page.getByTestId('move-title').first();
  await expect(title).toHaveText(/^Nocking point \d(\.5)? mm down$/);
  const told = await title.innerText();
  await expect(page.getByTestId('move-expect').first()).toContainText(
    /Expect bare shafts \d\.\d ± \d\.\d cm low, now \d\.\d ± \d\.\d cm low/,
  );
  await openBench(page, app, 'Curlew');
  await expect(title).toHaveText(told);
  await expect(page.getByTestId('next-move')).toContainText('Bare shafts stray');
  await page.getByTestId('next-move').getByRole('button', { name: 'Done' }).click();
  await expect(page.getByTestId('state-bareShaft')).toHaveText(
    /^vertical stale, nocking point \d(\.5)? mm since$/,
  );
  await expect(title).toContainText(/shoot/i);
  await page.getByTestId('next-move').getByRole('button', { name: 'Start the next end' }).click();
  await expect(page).toHaveURL(/\/range\//);
  await expect(page.getByRole('region', { name: 'Ends' }).first()).toContainText('3');
  await openBench(page, app, 'Curlew');
  await page.getByRole('button', { name: `Undo ${told}` }).click();
  await expect(title).toHaveText(told);
  await expect(page.getByRole('region', { name: 'Lately' })).toContainText('taken back');
});

test('keyboard only: open a bow, enter a reading, plot an end, accept the move', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/rack`);
  await expect(page.locator('[data-bow="Heron"]')).toBeVisible();
  for (let i = 0; i < 20; i += 1) {
    await page.keyboard.press('Tab');
    if ((await page.evaluate(() => document.activeElement?.getAttribute('data-bow'))) === 'Heron')
      break;
  }
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('move-title')).toHaveText('2 twists in');
  await page.keyboard.press('/');
  await page.keyboard.type('b 8 5/8');
  await page.keyboard.press('Enter');
  await expect(echo(page)).toContainText('Logged');
  await page.keyboard.press('Escape');
  await page.keyboard.press('g');
  await page.keyboard.press('4');
  await expect(page.getByTestId('plot')).toBeVisible();
  await page.getByTestId('plot').press('Enter');
  const plot = page.getByTestId('plot');
  await expect(plot).toBeFocused();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Shift+ArrowUp');
  for (let shot = 0; shot < 4; shot += 1) {
    await page.keyboard.press('Enter');
    await page.keyboard.press(shot % 2 === 0 ? 'Shift+ArrowRight' : 'Shift+ArrowDown');
  }
  await page.keyboard.press('b');
  for (let shot = 0; shot < 3; shot += 1) {
    await page.keyboard.press('Enter');
    await page.keyboard.press('Shift+ArrowDown');
  }
  await page.keyboard.type('a4');
  await page.keyboard.press('ArrowUp');
  await expect(verdict(page)).toContainText('8 of 8 shots counted');
  await expect(plot).toHaveAccessibleName(/Shot in hand: bare/);
  await expect
    .poll(
      async () =>
        (await app.log('Heron')).filter(({ body }) => body['attitude'] !== undefined).at(-1)?.body,
    )
    .toMatchObject({ attitude: { outwardDeg: 0, upDeg: 4 } });
  await page.keyboard.press('g');
  await page.keyboard.press('2');
  // The move stands on both views: wait for the bench's own, or the focus goes with the range.
  await expect(page).toHaveURL(/\/bench\//);
  await expect(page.getByTestId('plot')).toHaveCount(0);
  const accept = page.getByTestId('next-move').getByRole('button').first();
  await accept.focus();
  await expect(accept).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/range\//);
});

test('shots are kept as waiting while the server is away, through a reload of the page', async ({
  page,
  app,
}) => {
  await openRange(page, app, 'Heron');
  await enter(page, 'f 0.0,0 1.0,1');
  await expect
    .poll(
      async () =>
        (await app.log('Heron')).filter(({ body }) => body['kind'] === 'shotPlaced').length,
    )
    .toBeGreaterThan(1);
  const before = (await app.log('Heron')).length;
  await page.route('**/api/**/entries', (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  );
  await enter(page, 'f 2,2');
  await expect(echo(page)).toContainText('Kept here, waiting: Fletched shot at');
  await page.reload();
  await expect(
    page
      .getByRole('region', { name: 'Ends' })
      .first()
      .getByRole('button', { name: /fletched shot/ }),
  ).toHaveCount(3);
  expect((await app.log('Heron')).length).toBe(before);
  await page.unroute('**/api/**/entries');
  await expect
    .poll(async () => (await app.log('Heron')).length, { timeout: 15_000 })
    .toBe(before + 1);
});
