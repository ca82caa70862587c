import type { Page } from '@playwright/test';
import { type App, enter, expect, test } from './app.ts';

async function openArrows(page: Page, app: App, name: string, query = ''): Promise<void> {
  await page.goto(`${app.address}/arrows/${await app.bowId(name)}${query}`);
  await expect(page.getByTestId('arrow-drawing')).toBeVisible();
}

const figures = (page: Page) => page.getByTestId('build-figures');
const field = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true });

test('length and point slide by keyboard, and mass, balance and what may still go follow at once', async ({
  page,
  app,
}) => {
  await openArrows(page, app, 'Heron');
  // 724 mm of 14.5 g/m are 162 gr, at 362 mm; 120 at 733, 6 at 48, 7 at the throat: balance 498 mm.
  await expect(figures(page)).toContainText('295 gr');
  await expect(figures(page)).toContainText('18.8 %');
  const point = page.getByRole('slider', { name: 'Point' });
  await point.focus();
  for (let press = 0; press < 4; press += 1) await point.press('ArrowRight');
  await expect(figures(page)).toContainText('315 gr');
  // 20 more at 733 mm: balance 513 mm.
  await expect(figures(page)).toContainText('20.8 %');
  await expect(page.getByTestId('build-standing')).toContainText('not kept yet');
  const length = page.getByRole('slider', { name: 'Length as cut' });
  await length.focus();
  await length.press('Home');
  await expect(page.getByTestId('build-cautions')).toContainText('too short');
  await expect(page.getByTestId('build-cautions')).toContainText('into the hand');
  await page.getByRole('button', { name: 'As it was' }).click();
  await expect(figures(page)).toContainText('295 gr');
  await expect(page.getByTestId('build-standing')).toHaveText('Revision 2, on Heron.');
});

test('what cannot be is answered at its place, and nothing else that was typed is lost', async ({
  page,
  app,
}) => {
  await openArrows(page, app, 'Heron');
  await field(page, 'Nock, gr').fill('9');
  await field(page, 'Point, gr').fill('-100');
  await expect(page.getByText(/Point: 30 to 400 gr/)).toBeVisible();
  await field(page, 'Point, gr').fill('5000 gr');
  await expect(page.getByText(/Point: 30 to 400 gr/)).toBeVisible();
  await field(page, 'Spine, thousandths').fill('20');
  await expect(page.getByText(/150 to 2000/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeDisabled();
  await page.reload();
  await expect(field(page, 'Nock, gr')).toHaveValue('9');
  await expect(field(page, 'Spine, thousandths')).toHaveValue('20');
  await field(page, 'Spine, thousandths').fill('700');
  await field(page, 'Point, gr').fill('7,8 g');
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeEnabled();
  await expect(figures(page)).toContainText('297 gr');
});

test('a new arrow is kept, put on the bow and found at another; its cut is a revision at both', async ({
  page,
  app,
}) => {
  await openArrows(page, app, 'Curlew', '?build=new');
  await expect(page.getByTestId('build-standing')).toHaveText('New, and not kept yet.');
  await field(page, 'Name').fill('Long and stiff');
  await field(page, 'Spine, thousandths').fill('450');
  await field(page, 'Length as bought, mm').fill('820');
  await field(page, 'Length as cut, mm').fill('800');
  await field(page, 'Insert, gr').fill('30');
  await page.getByRole('button', { name: 'Put it on Curlew' }).click();
  await expect(page.getByTestId('build-standing')).toHaveText('Revision 1, on Curlew.');
  await expect
    .poll(async () => (await app.log('Curlew')).at(-1)?.body)
    .toMatchObject({ kind: 'itemFitted', item: 'shaft', described: 'Long and stiff' });
  // The saw goes through the same door as on the line: 6 mm, and it is another revision.
  await field(page, 'Length as cut, mm').fill('794');
  await page.getByRole('button', { name: 'Put it on Curlew' }).click();
  const question = page.getByRole('dialog');
  if (await question.isVisible()) await question.getByRole('button').first().click();
  await expect(page.getByTestId('build-standing')).toHaveText('Revision 2, on Curlew.');
  await expect
    .poll(async () => (await app.log('Curlew')).at(-1)?.body)
    .toMatchObject({ kind: 'change', control: 'shaftCut', amount: 6 });
  await openArrows(page, app, 'Wren');
  await page
    .getByRole('combobox', { name: 'Arrow' })
    .selectOption({ label: 'Long and stiff, on Curlew' });
  await expect(field(page, 'Name')).toHaveValue('Long and stiff');
  await expect(page.getByTestId('build-standing')).toHaveText(
    'Revision 2, not on this bow, also on Curlew.',
  );
});

test('an arrow too light for the bow is not put on it, and says so before and after', async ({
  page,
  app,
}) => {
  await openArrows(page, app, 'Kestrel');
  await field(page, 'Mass of an inch, gr').fill('4');
  await field(page, 'Point, gr').fill('60');
  await field(page, 'Insert, gr').fill('');
  await field(page, 'Collar, gr').fill('');
  await field(page, 'Wrap, gr').fill('');
  await expect(page.getByTestId('build-cautions')).toContainText('Stop.');
  await expect(page.getByTestId('fit-against')).toContainText('dry shot');
  await expect(page.getByRole('button', { name: 'Put it on Kestrel' })).toBeDisabled();
});

test('which shaft to buy is said with its reason, what could break is refused, and what is missing is asked for', async ({
  page,
  app,
}) => {
  await openArrows(page, app, 'Kestrel', '?sheet=buy');
  const sheet = page.getByRole('dialog', { name: 'Which shaft to buy' });
  await expect(sheet.getByTestId('buy-recommended')).toContainText('left long');
  await expect(sheet.getByTestId('buy-refused')).toContainText('they can break');
  await expect(sheet).toContainText('wc and mm');
  const offered = await sheet.getByTestId('buy-offers').getByRole('rowheader').allTextContents();
  const refused = (await sheet.getByTestId('buy-refused').textContent()) ?? '';
  for (const spine of offered) expect(refused).not.toContain(spine.replace(/\D.*/, ''));
  await page.keyboard.press('Escape');
  // How far the window is cut goes in by the line, and the sheet no longer asks.
  await enter(page, 'wc 3');
  await page.getByRole('button', { name: 'Which shaft to buy' }).click();
  await expect(sheet).not.toContainText('wc and mm');
  await page.goto(`${app.address}/rack/new`);
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page).toHaveURL(/bench/);
  await page.goto(`${page.url().replace('/bench/', '/arrows/').replace(/\?.*/, '')}?sheet=buy`);
  await expect(page.getByTestId('buy-unknown')).toContainText('the weight on the fingers (w)');
});

test('the map is there, rough and then fine, and its circle follows the sliders', async ({
  page,
  app,
}) => {
  await openArrows(page, app, 'Heron');
  const map = page.getByTestId('match-map');
  await expect(map).toHaveAttribute('data-cells', '180');
  await expect(map.getByTestId('right-line')).toHaveAttribute('d', /^M/);
  await expect(page.getByTestId('build-match')).toContainText('By the bare shafts of this bow');
  const circle = map.getByTestId('this-arrow');
  const before = Number(await circle.getAttribute('cy'));
  const point = page.getByRole('slider', { name: 'Point' });
  await point.focus();
  for (let press = 0; press < 8; press += 1) await point.press('ArrowRight');
  await expect.poll(async () => Number(await circle.getAttribute('cy'))).toBeLessThan(before);
  await expect(page.getByTestId('build-match')).toContainText('eak');
});

test('twelve of seventy-two are found while the page answers; a line that cannot be read is named', async ({
  page,
  app,
}) => {
  await openArrows(page, app, 'Curlew', '?sheet=set');
  const lot = Array.from(
    { length: 72 },
    (_, at) => `s${at + 1};${180 + ((at * 37) % 23) / 2};${595 + ((at * 53) % 17)};0,0${at % 9}`,
  );
  lot[4] = 's5;heavy;600;0,01';
  await page.getByRole('textbox', { name: /Shafts, one a line/ }).fill(lot.join('\n'));
  await page.getByRole('textbox', { name: 'How many' }).fill('12');
  await expect(page.getByTestId('lot-problems')).toContainText('Line 5, mass: “heavy” is no mass');
  const found = page.getByTestId('matched-set');
  await expect(found.getByRole('row')).toHaveCount(13, { timeout: 20_000 });
  await expect(found).toContainText('mm at 18 m');
});

test('a test arrow 30 gr off its build is caught before anything is shot with it', async ({
  page,
  app,
}) => {
  await openArrows(page, app, 'Heron');
  await page.getByRole('textbox', { name: 'Entry line' }).fill('am 325 gr');
  await expect(page.getByText(/over what its parts come to, 295 gr/)).toBeVisible();
  await expect(page.getByText(/another point \(150 gr\)/)).toBeVisible();
  const before = (await app.log('Heron')).length;
  await page.getByRole('textbox', { name: 'Entry line' }).fill('am 297 gr');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await app.log('Heron')).length).toBe(before + 1);
});

test('parts lie in a catalogue: put on the arrow, taken from a table with a broken row, and kept by hand', async ({
  page,
  app,
}) => {
  await openArrows(page, app, 'Wren');
  await page.getByRole('button', { name: 'Parts', exact: true }).click();
  const sheet = page.getByRole('dialog', { name: 'Parts' });
  await sheet.getByRole('button', { name: 'Put screw-in 175 on the arrow' }).click();
  await expect(sheet).toHaveCount(0);
  await expect(field(page, 'Point, gr')).toHaveValue('175');
  await expect(page.getByTestId('build-standing')).toContainText('changed here and not kept yet');
  await page.getByRole('button', { name: 'Parts', exact: true }).click();
  const table =
    '\uFEFFpart;name;mass_g;centre_in_front_mm\npoint;heavy field;12,96;10\npoint;broken;-4;10\n';
  await sheet
    .getByLabel('File of parts')
    .setInputFiles({ name: 'drawer.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
  const said = sheet.getByTestId('parts-said');
  await expect(said).toContainText('1 part taken.');
  await expect(said).toContainText('line 3, mass_g: “-4” is outside');
  await expect(sheet.getByText('heavy field')).toBeVisible();
  // The same file again adds nothing.
  await sheet
    .getByLabel('File of parts')
    .setInputFiles({ name: 'drawer.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
  await expect(said).toContainText('0 parts taken.');
  await sheet.getByRole('textbox', { name: 'Name of the part' }).fill('my feathers');
  await sheet.getByRole('button', { name: 'Keep its fletching' }).click();
  await expect(sheet.getByText('my feathers')).toBeVisible();
  const saved = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Save as CSV' }).click();
  expect((await saved).suggestedFilename()).toBe('parts.csv');
  // It is the workshop’s: another bow finds it.
  await openArrows(page, app, 'Heron', '?sheet=parts');
  await expect(page.getByRole('dialog').getByText('heavy field')).toBeVisible();
});

test('a numbered arrow 30 gr off its build is pointed at on the range, before its end is plotted', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/range/${await app.bowId('Heron')}`);
  const line = page.getByRole('textbox', { name: 'Entry line' });
  await line.fill('sw 3 325 gr');
  await expect(page.getByText(/over what its parts come to, 295 gr/)).toBeVisible();
  await page.getByRole('button', { name: 'It is this one: log what it weighs' }).click();
  await expect(page.getByTestId('shafts-apart')).toContainText(
    'Shaft 3: 30 gr over what its parts come to: another point?',
  );
  await openArrows(page, app, 'Heron', '?sheet=numbers');
  const row = page.getByTestId('numbered-shafts').getByRole('row').nth(1);
  await expect(row).toContainText('325 gr');
  await expect(row).toContainText('not shot');
  await page.keyboard.press('Escape');
  await enter(page, 'sw 3 295');
  await page.goto(`${app.address}/range/${await app.bowId('Heron')}`);
  await expect(page.getByRole('toolbar', { name: 'Plotting' })).toBeVisible();
  await expect(page.getByTestId('shafts-apart')).toHaveCount(0);
});

test('a target bow changes its point, then its length: just what each moves turns stale', async ({
  page,
  app,
}) => {
  const states = async () => {
    await page.goto(`${app.address}/bench/${await app.bowId('Heron')}`);
    await expect(page.getByTestId('next-move').first()).toBeVisible();
    const steps = await page.locator('[data-step]').all();
    const stale = [];
    for (const step of steps)
      if (/stale/.test(await step.innerText())) stale.push(await step.getAttribute('data-step'));
    return stale;
  };
  const before = await states();
  await openArrows(page, app, 'Heron');
  await field(page, 'Point, gr').fill('130');
  await page.getByRole('button', { name: 'Put it on Heron' }).click();
  await expect(page.getByTestId('build-standing')).toContainText('on Heron.');
  const byPoint = (await states()).filter((step) => !before.includes(step));
  expect(byPoint).toEqual(
    ['bareShaft', 'fineTuning', 'sightMarks'].filter((s) => !before.includes(s)),
  );
  expect(byPoint).not.toContain('clickerLength');
  await openArrows(page, app, 'Heron');
  await field(page, 'Length as cut, in').fill('28 3/8');
  await page.getByRole('button', { name: 'Put it on Heron' }).click();
  const question = page.getByRole('dialog');
  if (await question.isVisible()) await question.getByRole('button').first().click();
  await expect
    .poll(async () => (await app.log('Heron')).at(-1)?.body)
    .toMatchObject({ kind: 'change', control: 'shaftCut' });
  expect(await states()).toContain('clickerLength');
});

test('the plan: a mass that is wanted, step by step, and what cannot be undone said before', async ({
  page,
  app,
}) => {
  await openArrows(page, app, 'Wren');
  const plan = page.getByTestId('plan');
  await expect(plan.getByTestId('plan-next')).toBeVisible();
  await expect(plan.getByTestId('plan-reachable').getByRole('row')).not.toHaveCount(1);
  await plan.getByRole('radio', { name: 'a mass' }).click();
  await expect(plan).toContainText('A mass of a whole arrow, like 420.');
  await plan.getByRole('textbox', { name: 'Whole arrow, gr' }).fill('-400');
  await expect(plan).toContainText('A mass of a whole arrow, like 420.');
  await plan.getByRole('textbox', { name: 'Whole arrow, gr' }).fill('390');
  await expect(plan.getByTestId('plan-next')).toContainText('A point of');
  const cuts = plan.getByText(/^Cut .* off$/);
  if ((await cuts.count()) > 0) await expect(cuts.first()).toBeVisible();
  const logged = (await app.log('Wren')).length;
  await plan.getByTestId('plan-next').getByRole('button').click();
  const asks = page.getByTestId('change-asks');
  await expect
    .poll(async () => (await asks.isVisible()) || (await app.log('Wren')).length > logged)
    .toBe(true);
  if (await asks.isVisible())
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /log it/ })
      .click();
  await expect
    .poll(async () => (await app.log('Wren')).at(-1)?.body)
    .toMatchObject({ kind: 'change', control: 'pointMass' });
});
