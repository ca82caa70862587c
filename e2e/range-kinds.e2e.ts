import type { Page } from '@playwright/test';
import { bodies, enter, expect, openRange, test, verdict } from './app.ts';

const title = (page: Page) => page.getByTestId('move-title').first();

test('a walk-back: near to far, only where hits stay on the butt, then reach', async ({
  page,
  app,
}) => {
  await openRange(page, app, 'Heron');
  await page.getByRole('radio', { name: 'Walk-back' }).click();
  await page.getByRole('button', { name: 'Start shooting' }).click();
  const panel = page.getByTestId('walk-back');
  // Nobody has seen yet where the sight points for 10 m: one arrow from near, far off to the right.
  await expect(title(page)).toHaveText('Shoot 1 fletched from 4 m');
  await expect(page.getByTestId('move-expect').first()).toContainText('Sight set for 10 m');
  await enter(page, '12.1,0.4');
  await expect(title(page)).toHaveText('Set the sight for 10 m');
  await expect(page.getByTestId('move-expect').first()).toContainText(/cm right at 10 m/);
  await page.getByTestId('next-move').first().getByRole('button', { name: 'Sight is set' }).click();
  await expect(title(page)).toHaveText('Shoot 3 fletched at 10 m');
  await expect(panel.getByRole('button', { name: /could fall below the butt/ })).toBeDisabled();
  // Left-hander: right is outward. 4 mm a metre to the right.
  const shoot = async (distanceM: number, leanMm: number) => {
    await expect(title(page)).toHaveText(`Shoot 3 fletched at ${distanceM} m`);
    const right = (leanMm * (distanceM - 10)) / 10;
    const up =
      11 * (distanceM / 10 - 1) - (9.81 / (2 * 52 ** 2)) * distanceM * (distanceM - 10) * 100;
    await enter(
      page,
      [-0.4, 0.1, 0.3]
        .map((off) => `${(right + off).toFixed(1)},${(up + off / 2).toFixed(1)}`)
        .join(' '),
    );
  };
  for (const distanceM of [10, 13, 16, 19, 22]) await shoot(distanceM, 4);
  await expect(panel).toContainText(/Leans outward with distance: \d\.\d ± \d\.\d cm right/);
  // As far left of the mark as right of it, and no hit outside the chart.
  const chart = panel.getByRole('figure', { name: 'Hits across against distance' });
  const axis = await chart.locator('.recharts-yAxis .recharts-cartesian-axis-tick').allInnerTexts();
  expect(axis.length).toBeGreaterThan(2);
  expect(axis).toEqual(axis.toReversed());
  await expect(chart.locator('circle')).toHaveCount(15);
  const inside = await chart.evaluate((figure) => {
    const middles = (selector: string) =>
      [...figure.querySelectorAll(selector)].map((one) => {
        const { top, bottom } = one.getBoundingClientRect();
        return (top + bottom) / 2;
      });
    const ticks = middles('.recharts-yAxis .recharts-cartesian-axis-tick-line');
    return middles('circle').every((y) => y >= Math.min(...ticks) && y <= Math.max(...ticks));
  });
  expect(inside).toBe(true);
  // What the hits have taught of the drop opens or shuts the distances beyond.
  for (const distanceM of [25, 28, 31]) {
    await expect(title(page)).not.toHaveText(`Shoot 3 fletched at ${distanceM - 3} m`);
    if ((await title(page).innerText()).startsWith('Plunger')) break;
    await shoot(distanceM, 4);
  }
  await expect(title(page)).toHaveText('Plunger reach 3/4 turn in');
  await page.getByTestId('next-move').first().getByRole('button', { name: 'Done' }).click();
  await expect(title(page)).toHaveText('Shoot 3 fletched at 10 m');
  const placed = (await bodies(app, 'Heron')).filter(({ kind }) => kind === 'shotPlaced');
  expect(placed.at(-1)).toMatchObject({ arrow: 'fletched' });
  expect(placed.at(-1)?.['distanceM']).toBeGreaterThanOrEqual(22);
  await page.goto(`${app.address}/bench/${await app.bowId('Heron')}`);
  await expect(page.getByTestId('state-walkBack')).toContainText('stale, plunger reach 3/4 turn');
});

test('fine tuning: steps of one control, the curve, and a change of another thing voids it', async ({
  page,
  app,
}) => {
  await openRange(page, app, 'Heron');
  await page.getByRole('radio', { name: 'Fine tuning' }).click();
  await page.getByRole('button', { name: 'Start shooting' }).click();
  const panel = page.getByTestId('fine-tuning');
  await expect(panel).toContainText('Nothing counted yet');
  await expect
    .poll(async () => (await bodies(app, 'Heron')).at(-2))
    .toMatchObject({ kind: 'experimentOpened', control: 'plungerPreload', step: 0.25 });
  const move = page.getByTestId('next-move').first();
  await expect(title(page)).toContainText(/Plunger preload .* turn (stiffer|softer)/);
  await move.getByRole('button', { name: 'Done' }).click();
  await expect(title(page)).toContainText('Shoot an end at');
  await enter(page, 'f 3,1 -2,2 1,-3 -3,-1 2,2 -1,-2');
  await expect(panel).toContainText('1 end counted, 6 of 72 shots');
  await expect(panel.getByRole('figure', { name: 'Group against setting' })).toBeVisible();
  await expect(title(page)).toContainText('Shoot an end at');
  await move.getByRole('button', { name: 'Start the next end' }).click();
  await enter(page, 'f 2,1 -2,1 1,-2 -2,-1 2,1 -1,-1');
  await expect(title(page)).toContainText(/Plunger preload .* turns? (stiffer|softer)/);
  await enter(page, 'nk -1');
  await expect(panel).toContainText('2 ends are left out: since then nocking point 1 mm');
});

test('fine tuning of tiller turns the bolts against each other, and how still it sat is noted', async ({
  page,
  app,
}) => {
  await openRange(page, app, 'Heron');
  await page.getByRole('radio', { name: 'Fine tuning' }).click();
  await page.getByRole('radio', { name: 'Tiller, bolts against each other' }).click();
  await page.getByRole('button', { name: 'Start shooting' }).click();
  await expect
    .poll(async () => (await bodies(app, 'Heron')).at(-2))
    .toMatchObject({ kind: 'experimentOpened', control: 'topBolt', opposed: true, step: 0.125 });
  await expect(page.getByTestId('fine-tuning')).toContainText('Tiller, bolts against each other');
  await expect(title(page)).toContainText(
    /Top bolt .* turn (in|out), bottom bolt .* turn (in|out)/,
  );
  await page.getByRole('button', { name: 'Note the end' }).click();
  await page.getByRole('radio', { name: '4', exact: true }).click();
  await expect
    .poll(async () => (await bodies(app, 'Heron')).at(-1))
    .toMatchObject({ kind: 'endNoted', steady: 4 });
});

test('notes of an end: marks on the rest put the blame list before any turn', async ({
  page,
  app,
}) => {
  await openRange(page, app, 'Heron');
  await enter(page, 'f 0,0 1,1 -1,1 2,0 -2,-1 0,2');
  await enter(page, 'b 6,0 7,1 6,-1');
  await page.getByRole('button', { name: 'Note the end' }).click();
  const sheet = page.getByRole('dialog', { name: 'Noted in end 1' });
  await sheet.getByRole('radio', { name: 'On the rest' }).click();
  await sheet.getByRole('radio', { name: 'Left' }).click();
  await sheet.getByRole('radio', { name: 'Tired' }).click();
  await sheet.getByLabel('Arrows of this end').fill('spine 700, 100 gr');
  await sheet.getByRole('button', { name: 'Close' }).click();
  await expect
    .poll(async () => (await bodies(app, 'Heron')).slice(-4))
    .toMatchObject([
      { kind: 'endNoted', endNumber: 1, marks: 'rest' },
      { kind: 'endNoted', flight: { outward: -1 } },
      { kind: 'endNoted', tired: true },
      { kind: 'endNoted', arrowBuild: 'spine 700, 100 gr' },
    ]);
  await expect(title(page)).toHaveText('Check before blaming bow or arrow');
  await page
    .getByTestId('next-move')
    .first()
    .getByRole('button', { name: 'All looked at' })
    .click();
  await expect(title(page)).not.toHaveText('Check before blaming bow or arrow');
  // Left-hander, tail left is inward: stiff, as the impact says.
  await expect(page.getByTestId('evidence')).toContainText(/flight seen \(1\) stiff/);
});

test('paper is torn by dragging; two tears that agree count, against the impact by name', async ({
  page,
  app,
}) => {
  await openRange(page, app, 'Curlew');
  await enter(page, 'f 0,0 1,1 -1,1 2,0 -2,-1 0,2');
  await enter(page, 'b 6,0 7,1 6,-1');
  await page.getByRole('button', { name: 'Paper' }).click();
  const paper = page.getByTestId('paper');
  for (const far of [80, 86]) {
    const box = (await paper.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + far, box.y + box.height / 2, { steps: 4 });
    await page.mouse.up();
    // Right-hander: a tail to the right is inward.
    await expect(page.getByText('Looks stiff (tail right).')).toBeVisible();
    await page.getByRole('button', { name: 'Write this tear down' }).click();
  }
  await expect(page.getByText('They repeat: they count beside the impact.')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(verdict(page)).toContainText(
    /Impact says weak, paper says stiff. Usual causes: contact/,
  );
  await expect(title(page)).toHaveText('Check before blaming bow or arrow');
});

test('remedies are weighed, and one can be taken instead of the proposed', async ({
  page,
  app,
}) => {
  // A left-hander whose bare shafts land left: weak, which a cut would cure.
  await openRange(page, app, 'Heron');
  await enter(page, 'f 0,0 1,1 -1,1 2,0 -2,-1 0,2');
  await enter(page, 'b -6,0 -7,1 -6,-1');
  await page.getByRole('button', { name: 'Remedies' }).click();
  const sheet = page.getByRole('dialog', { name: 'Remedies' });
  const across = sheet.getByRole('region', { name: 'Across' });
  await expect(across).toContainText(/now \d\.\d ± \d\.\d cm left, inside with/);
  await expect(across.getByRole('listitem').first()).toContainText('Can be taken back');
  await expect(across).toContainText('Cannot be taken back');
  await expect(across).toContainText(/\d+ mm is the shortest that is safe/);
  await expect(sheet).toContainText(/The saw comes after all that can be taken back/);
  await across.getByRole('button', { name: /Log Plunger preload/ }).click();
  await expect(sheet).toBeHidden();
  await expect
    .poll(async () => (await bodies(app, 'Heron')).at(-1))
    .toMatchObject({ kind: 'change', control: 'plungerPreload' });
  // Off the shelf nothing but string and arrow is offered.
  await openRange(page, app, 'Wren');
  await enter(page, 'f 0,0 1,1 -1,1 2,0 -2,-1 0,2');
  await enter(page, 'b -6,0 -7,1 -6,-1');
  await page.getByRole('button', { name: 'Remedies' }).click();
  await expect(across).toContainText(/twist/);
  await expect(across).not.toContainText(/preload|bolt/i);
});

test('shots go out to a file and come in from one; a fault is named with its line', async ({
  page,
  app,
}) => {
  await openRange(page, app, 'Heron');
  await page.getByRole('button', { name: 'File' }).click();
  const file = (text: string) => ({
    name: 'end.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(text),
  });
  const chooser = page.getByLabel('File of shots');
  await chooser.setInputFiles(file('right_mm,up_mm\n10,5\n3,high'));
  await expect(
    page.getByRole('status').filter({ hasText: 'Line 3: up_mm is “high”' }),
  ).toBeVisible();
  await chooser.setInputFiles(
    file(
      'end,arrow,right_mm,up_mm,arrow_number\n1,fletched,10,5,1\n1,fletched,-4,2,2\n1,bare,60,-3,3\n',
    ),
  );
  await expect(page.getByRole('status').filter({ hasText: '3 shots taken' })).toBeVisible();
  await expect
    .poll(async () => (await bodies(app, 'Heron')).at(-1))
    .toMatchObject({ kind: 'shotPlaced', arrow: 'bare', outwardMm: 60, arrowNumber: 3 });
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save this session’s 3 shots' }).click();
  const saved = await saving;
  expect(saved.suggestedFilename()).toMatch(/^heron-\d{4}-\d\d-\d\d\.csv$/);
  const chunks: Buffer[] = [];
  for await (const chunk of await saved.createReadStream()) chunks.push(chunk as Buffer);
  expect(Buffer.concat(chunks).toString()).toContain('1,bare,60,-3,no,3,18,,');
});

test('a file of shots is asked about where it can be read in two ways, and again where it was loaded before', async ({
  page,
  app,
}) => {
  await openRange(page, app, 'Heron');
  await page.getByRole('button', { name: 'File' }).click();
  const chooser = page.getByLabel('File of shots');
  const load = (text: string) =>
    chooser.setInputFiles({ name: 'end.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  const says = page.getByRole('region', { name: 'In from a file' }).getByRole('status');
  const placed = async () =>
    (await bodies(app, 'Heron')).filter(({ kind }) => kind === 'shotPlaced').length;
  const before = await placed();

  await load('right_mm,up_mm\n10,5\n-4,2\n');
  await expect(says).toContainText('If a comma is the decimal point there, it means 10.5 mm');
  await page.getByRole('button', { name: 'Take nothing' }).click();
  await expect(says).toContainText('Nothing was taken.');
  expect(await placed()).toBe(before);

  await load('right_mm;up_mm;distance_m\n10,5;-3;18\n-4;2;18\n7;7;30\n');
  await expect(says).toContainText('Line 4 was shot from 30 m; this session is at 18 m.');
  await page.getByRole('button', { name: 'Take the 2 shots from 18 m only' }).click();
  await expect(says).toContainText('2 shots taken from end.csv.');
  await expect.poll(placed).toBe(before + 2);
  expect((await bodies(app, 'Heron')).at(-2)).toMatchObject({ outwardMm: 10.5, upMm: -3 });

  await load('right_mm;up_mm\n10,5;-3\n-4;2\n');
  await expect(says).toContainText('2 shots in this file are in the session already');
  await page.getByRole('button', { name: 'Take nothing' }).click();
  expect(await placed()).toBe(before + 2);
  await load('right_mm;up_mm\n10,5;-3\n-4;2\n');
  await page.getByRole('button', { name: 'Take them a second time' }).click();
  await expect.poll(placed).toBe(before + 4);
});

test('a leaning bow is corrected for, and where bare shafts land can become the target', async ({
  page,
  app,
}) => {
  // Groups at their best are those of a tuning that was kept.
  const [heron, experimentId] = [await app.bowId('Heron'), crypto.randomUUID()];
  const entry = (body: unknown) => ({
    id: crypto.randomUUID(),
    bowId: heron,
    at: new Date().toISOString(),
    by: 'Test',
    body,
  });
  const about = { control: 'plungerPreload', low: -1, high: 1, step: 0.25 };
  await app.store(heron, [
    entry({ kind: 'experimentOpened', experimentId, ...about, distanceM: 18, shotsADay: 24 }),
    entry({ kind: 'experimentNarrowed', experimentId, best: 0.25, other: 0 }),
    entry({ kind: 'experimentClosed', experimentId, why: 'kept' }),
  ]);
  await openRange(page, app, 'Heron');
  await page.getByText('Where and with what').click();
  await page.getByRole('textbox', { name: 'Place' }).fill('club hall');
  await page.getByLabel('Top limb leans, ° right').fill('30');
  await page.getByRole('button', { name: 'Start shooting' }).click();
  // The bow throws bare shafts 6 cm low in its own frame: leaning 30° right, that is left and low.
  await enter(page, 'f 0,0 1,1 -1,1 1,-1 -1,-1 0,0');
  await enter(page, 'b -3,-5.2 -3.1,-5 -2.9,-5.4');
  await expect(verdict(page)).toContainText(/Nocking point high, by this one look: 6\.\d ±/);
  await expect
    .poll(async () => (await bodies(app, 'Heron')).find(({ kind }) => kind === 'sessionOpened'))
    .toBeDefined();
  await expect(verdict(page)).not.toContainText(/Stiff|Weak/);
  await verdict(page).locator('summary').click();
  await page.getByRole('button', { name: /Make this landing the target/ }).click();
  await expect(page.getByTestId('landing')).toContainText('Tuned to where bare shafts landed');
  await expect(verdict(page)).not.toContainText('Nocking point high');
  await expect(page.getByTestId('landing-mark')).toBeAttached();
});

test('two things changed between ends void the comparison, visibly', async ({ page, app }) => {
  await openRange(page, app, 'Heron');
  await enter(page, 'f 0,0 1,1 -1,1 2,0 -2,-1 0,2');
  await enter(page, 'b 6,0 7,1 6,-1');
  await enter(page, 'pp +0.5');
  await enter(page, 'pt +10 gr');
  await page.getByRole('button', { name: 'Next end' }).first().click();
  await enter(page, 'f 0,0 1,1 -1,1 2,0 -2,-1 0,2');
  await enter(page, 'b 3,0 4,1 3,-1');
  await expect(page.getByRole('note')).toContainText(
    'plunger preload and point mass were both changed before end 2',
  );
});

test('broadheads among bare shafts get a verdict against the practice arrows, and what to look at', async ({
  page,
  app,
}) => {
  await openRange(page, app, 'Kestrel');
  await page.getByRole('button', { name: 'Start shooting' }).click();
  for (const end of ['one', 'two']) {
    await enter(page, 'f 0,0 1,1 -1,-1');
    await enter(page, 'bh 14,0 15,1 14,-1');
    if (end === 'one') await page.getByRole('button', { name: 'Next end' }).first().click();
  }
  const session = new URL(page.url()).searchParams.get('session');
  await page.goto(
    `${app.address}/range/${await app.bowId('Kestrel')}?session=${session}&sheet=groups`,
  );
  const points = page.getByRole('region', { name: 'Points for use' });
  await expect(points).toContainText('Broadheads land apart from the practice arrows.');
  await expect(points).toContainText('no wobble at the joint');
});
