import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { ITEM_TOUCHES } from '#core/craft/fit-out.ts';
import { elevationFor } from '#core/flight/arrow-flight.ts';
import { showExact } from '#core/quantity/show.ts';
import { type App, allStored, enter, expect, openBench, test } from './app.ts';

const SHAFT = [...ITEM_TOUCHES.shaft];
const GROUP = '0,0 1,1 -1,0 0,-1 0.5,1 1,0';

/** Begins a session of marks from its step on the bench. */
async function begin(page: Page, app: App, bow: string): Promise<void> {
  await page.goto(`${app.address}/bench/${await app.bowId(bow)}?step=sightMarks`);
  await page.getByRole('link', { name: 'Shoot for marks' }).click();
  await expect(page.getByRole('radio', { name: 'Marks', exact: true })).toBeChecked();
  await page.getByRole('button', { name: 'Start shooting' }).click();
  await expect(page.getByTestId('marks')).toBeVisible();
}

/** One end: from where, with what, and where it landed. */
async function shootEnd(page: Page, distance: string, set: string, shots = GROUP): Promise<void> {
  const [from, reads] = [0, 1].map((at) => page.getByTestId('marks').locator('input').nth(at));
  await from!.fill(distance);
  await from!.press('Enter');
  await reads!.fill(set);
  await reads!.press('Enter');
  await expect(page.getByTestId('marks')).toContainText('Another distance or setting begins');
  await enter(page, `f ${shots}`);
  await allStored(page);
}

/** What the table says for a distance: `4.72 ± 0.04`. */
async function markAt(page: Page, distance: string) {
  await expect(page.getByRole('group', { name: 'Marks, table' })).toHaveAttribute(
    'aria-busy',
    'false',
  );
  const row = page
    .getByTestId('marks-table')
    .getByRole('row')
    .filter({ has: page.getByRole('rowheader', { name: new RegExp(`^${distance}( shot)?$`) }) });
  const text = await row.getByRole('cell').first().innerText();
  const [middle = NaN, half = NaN] = (text.replaceAll('−', '-').match(/-?\d+(\.\d+)?/g) ?? []).map(
    Number,
  );
  return { middle, half, text };
}

const opened = (page: Page) => page.getByTestId('marks-table');

test('marks of a sight: three distances, the rest reckoned; a new string makes them stale, one distance brings them back', async ({
  page,
  app,
}) => {
  await begin(page, app, 'Heron');
  await shootEnd(page, '18', '4.20');
  await expect(page.getByTestId('marks')).toContainText('Two distances at least');
  await shootEnd(page, '30', '5.10', '0,-2 1,-3 2,-1 -1,-2 0,-4 1,-2');
  await shootEnd(page, '50', '7.00', '0,1 3,2 -2,4 1,-3 4,3 -3,0');
  await expect(page.getByTestId('marks')).toContainText('From 3 ends');
  const known = await markAt(page, '40');
  // Between 30 and 50 m, a little nearer to the lower one: the curve bends.
  expect(known.middle).toBeGreaterThan(5.9);
  expect(known.middle).toBeLessThan(6.2);
  // What landed 2.3 cm low at 30 m wants the aperture lower: 6.6 mm in 10 m of eye to aperture over 30.
  expect((await markAt(page, '30')).middle).toBeGreaterThan(5.1);
  await enter(page, 'tw +3');
  await page.goto(`${app.address}/range/${await app.bowId('Heron')}?marks=read`);
  await expect(page.getByTestId('marks-stale')).toContainText('string twists');
  const stale = await markAt(page, '40');
  expect(stale.half).toBeGreaterThan(1.5 * known.half);
  await begin(page, app, 'Heron');
  await shootEnd(page, '40', '6.10', '0.2,1 1,1.2 -1,1 0.1,0.4 0,2 1,1');
  await expect(page.getByTestId('marks-stale')).toBeHidden();
  await expect.poll(async () => (await markAt(page, '40')).half).toBeLessThan(stale.half);
});

test('a string-walker: two crawls give all of them; a new point makes them stale, one distance confirms', async ({
  page,
  app,
}) => {
  await begin(page, app, 'Curlew');
  await shootEnd(page, '12', '46');
  await shootEnd(page, '25', '27', '0,-2 1,-3 2,-1 -1,-2 0,-4 1,-2');
  await expect(page.getByTestId('marks')).toContainText('Point-on at');
  const before = await markAt(page, '18');
  expect(before.text).toMatch(/mm, \d+\.\d st\./);
  expect(before.middle).toBeLessThan(46);
  expect(before.middle).toBeGreaterThan(27);
  await openBench(page, app, 'Curlew');
  await enter(page, 'pt +20 gr');
  await page.goto(`${app.address}/range/${await app.bowId('Curlew')}?marks=read`);
  await expect(page.getByTestId('marks-stale')).toContainText('point mass');
  await expect(opened(page)).toContainText('Moved');
  // A heavier arrow is slower: less crawl for the same distance.
  const stale = await markAt(page, '18');
  expect(stale.middle).toBeLessThan(before.middle);
  await begin(page, app, 'Curlew');
  await shootEnd(page, '18', String(Math.round(stale.middle)));
  await expect(page.getByTestId('marks-stale')).toBeHidden();
  await expect.poll(async () => (await markAt(page, '18')).half).toBeLessThanOrEqual(stale.half);
});

test('the tune card has the marks, and stays one card', async ({ page, app }) => {
  await page.goto(`${app.address}/record/${await app.bowId('Curlew')}?show=card`);
  const card = page.getByRole('article', { name: 'Tune card of Curlew' });
  await expect(card.getByRole('heading', { name: 'Marks' })).toBeVisible();
  await expect(card).toContainText(/12 m\s*44 ± 1 mm/);
  const out = await card.evaluate((article) => {
    const edge = article.getBoundingClientRect();
    return [...article.querySelectorAll('dd, dt, h3')].filter((one) => {
      const { right, bottom } = one.getBoundingClientRect();
      return right > edge.right + 1 || bottom > edge.bottom + 1;
    }).length;
  });
  expect(out).toBe(0);
});

test.describe('on a phone at the line', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test('a mark is read within two touches, in metres or yards', async ({ page, app }) => {
    await begin(page, app, 'Heron');
    await shootEnd(page, '18', '4.20');
    await shootEnd(page, '30', '5.10');
    // At the line the butt is in reach: the table is folded.
    await expect(opened(page)).toBeHidden();
    await page.getByText('All marks').tap();
    await expect(opened(page)).toBeVisible();
    await openBench(page, app, 'Heron');
    await page.getByRole('link', { name: 'Range', exact: true }).tap();
    await page.getByRole('link', { name: 'Marks', exact: true }).tap();
    await expect(opened(page)).toBeVisible();
    const row = page.getByRole('rowheader', { name: '25', exact: true });
    await expect(row).toBeInViewport();
    const metres = await markAt(page, '18 shot');
    await page.getByLabel(/Another distance/).fill('27.4');
    await expect(page.getByRole('rowheader', { name: '27.4', exact: true })).toBeVisible();
    const far = await markAt(page, '27.4');
    await page.getByRole('radio', { name: 'yards' }).tap();
    await page.getByLabel(/Another distance/).fill('');
    await expect(opened(page).getByRole('columnheader').first()).toHaveText('yd');
    // 30 yd are 27.4 m, 18 m are 19.7 yd: the same marks.
    await expect.poll(async () => (await markAt(page, '30')).middle).toBeCloseTo(far.middle, 1);
    expect((await markAt(page, '19.7 shot')).middle).toBeCloseTo(metres.middle, 1);
  });
});

test('a scale that runs the other way is asked about, and what was typed is kept', async ({
  page,
  app,
}) => {
  await begin(page, app, 'Heron');
  await shootEnd(page, '18', '5.10');
  await shootEnd(page, '40', '4.20');
  await expect(page.getByTestId('mark-slip')).toContainText('grow the other way');
  const notes = (await app.log('Heron')).filter(({ body }) => body['aimSet'] !== undefined);
  expect(notes.map(({ body }) => body['aimSet'])).toEqual([5.1, 4.2]);
});

/** What the scale of a sight reads for an arrow of 56 m/s, the eye 115 mm over the nock and 850 mm from the aperture. */
const readsAt = (distanceM: number) =>
  2 + 85 * Math.tan(elevationFor({ speedMps: 56, dragPerM: 0.0021 }, distanceM, 0.115) ?? 0);

for (const { slip, typed, reads, asks } of [
  // 50 m, paced as 54.7 yards and typed as metres.
  { slip: 'yards among metres', typed: '54.7', reads: readsAt(50), asks: /paced in yards/ },
  { slip: 'the other edge', typed: '50', reads: readsAt(50) + 0.5, asks: /from its other edge/ },
])
  test(`${slip}: the likely slip is named, and what was typed is kept`, async ({ page, app }) => {
    await begin(page, app, 'Heron');
    for (const distance of [18, 30, 40])
      await shootEnd(page, String(distance), readsAt(distance).toFixed(2));
    await expect(page.getByTestId('mark-slip')).toBeHidden();
    await shootEnd(page, typed, reads.toFixed(2));
    await expect(page.getByTestId('mark-slip')).toContainText(asks);
    await expect(page.getByTestId('mark-slip')).toContainText(
      `${typed} m, ${showExact(Number(reads.toFixed(2)))}`,
    );
    const kept = (await app.log('Heron')).filter(({ body }) => body['aimSet'] !== undefined);
    expect(kept.at(-1)?.body['aimSet']).toBe(Number(reads.toFixed(2)));
  });

test('a new arrow: crawls are stale and wide, and one distance brings them back', async ({
  page,
  app,
}) => {
  const bowId = await app.bowId('Curlew');
  const read = `${app.address}/range/${bowId}?marks=read`;
  await page.goto(read);
  const before = await markAt(page, '20');
  const at = new Date().toISOString();
  const body = { kind: 'itemFitted', item: 'shaft', described: 'another lot', touches: SHAFT };
  await app.store(bowId, [{ id: crypto.randomUUID(), bowId, at, by: 'Odo', body }]);
  await page.goto(read);
  await expect(page.getByTestId('marks-stale')).toContainText('shaft');
  const stale = await markAt(page, '20');
  expect(stale.half).toBeGreaterThan(before.half);
  await begin(page, app, 'Curlew');
  await shootEnd(page, '18', '33');
  await expect(page.getByTestId('marks-stale')).toBeHidden();
  await expect.poll(async () => (await markAt(page, '20')).half).toBeLessThan(stale.half);
});

test('gaps of a longbow are told in shafts too, and a string-walker hears where bare shafts wander', async ({
  page,
  app,
}) => {
  await begin(page, app, 'Rook');
  await shootEnd(page, '10', '0', '0.1,12 1.1,14 -1.2,11.4 0.3,9 0.2,12');
  await shootEnd(page, '25', '0', '0.1,-20 1.1,-18 -1.2,-21.4 0.3,-23 0.2,-20');
  // 8.7 mm of wood, 740 mm before the eye, cover 29 cm of a butt at 25 m.
  expect((await markAt(page, '25 shot')).text).toMatch(/^2\d ± \d+ cm above, 0\.[67] shafts$/);
  await openBench(page, app, 'Curlew');
  await enter(page, 'cr 30');
  await page.goto(`${app.address}/range/${await app.bowId('Curlew')}?marks=read`);
  await expect(
    page.getByText(/^Bare shafts, by rule of thumb: .* cm high with 55 mm at 5 m/),
  ).toBeVisible();
  await expect(page.getByText(/against the 30 mm it is tuned at/)).toBeVisible();
});

test('the table of crawls prints by itself, on one page', async ({ page, app }) => {
  await page.goto(`${app.address}/range/${await app.bowId('Curlew')}?marks=read`);
  await expect(opened(page)).toContainText('44 ± 1 mm');
  await page.evaluate(() => {
    window.print = () => undefined;
  });
  await page.getByRole('button', { name: 'Print the table' }).click();
  const pdf = join(mkdtempSync(join(tmpdir(), 'keen-limb-table-')), 'table.pdf');
  writeFileSync(pdf, await page.pdf({ preferCSSPageSize: true, printBackground: true }));
  expect(execFileSync('pdfinfo', [pdf]).toString()).toMatch(/Pages:\s+1\n/);
  const text = execFileSync('pdftotext', ['-layout', pdf, '-']).toString();
  expect(text).toMatch(/12 shot\s+44 ± 1 mm, 14\.8 st\./);
  expect(text).toContain('Curlew');
  expect(text).not.toMatch(/Rack|Bench|Entry/);
});

const DOTS_PER_INCH = 300;

test('the strip for the bar is printed to scale: its line of 100 mm measures as much', async ({
  page,
  app,
}) => {
  await begin(page, app, 'Heron');
  await shootEnd(page, '18', '4.20');
  await shootEnd(page, '50', '7.00');
  await page.goto(`${app.address}/range/${await app.bowId('Heron')}?marks=read`);
  await page.getByRole('button', { name: 'Strip for the bar' }).click();
  await expect(page.getByTestId('sight-strip')).toContainText('Print at 100 %');
  const folder = mkdtempSync(join(tmpdir(), 'keen-limb-strip-'));
  const pdf = join(folder, 'strip.pdf');
  writeFileSync(pdf, await page.pdf({ preferCSSPageSize: true, printBackground: true }));
  execFileSync('pdftoppm', [
    '-r',
    `${DOTS_PER_INCH}`,
    '-png',
    '-singlefile',
    pdf,
    join(folder, 's'),
  ]);
  const longestMm = await longestUpright(readFileSync(join(folder, 's.png')));
  expect(Math.abs(longestMm - 100)).toBeLessThanOrEqual(0.3);
});

/** The longest dark upright line of a picture, mm on paper. */
async function longestUpright(png: Buffer): Promise<number> {
  const { data, info } = await sharp(png).greyscale().raw().toBuffer({ resolveWithObject: true });
  let longest = 0;
  for (let x = 0; x < info.width; x += 1) {
    let run = 0;
    for (let y = 0; y < info.height; y += 1) {
      run = data[y * info.width + x]! < 128 ? run + 1 : 0;
      longest = Math.max(longest, run);
    }
  }
  return (longest / DOTS_PER_INCH) * 25.4;
}
