import { HANDS } from '#core/craft/bow-terms.ts';
import { simulatedKit } from '#core/simulate/simulated-kit.ts';
import type { BowFacts, LoggedEntry } from '#core/log/entry.ts';
import { foldLog } from '#core/log/fold.ts';
import { twistRange } from '#core/limits/twist-limits.ts';
import { followOne, MOST_MOVES, outOfBand, type Way } from './follow-moves.ts';
import { echo, enter, expect, openBench, test } from './app.ts';

const KITS: readonly { readonly name: string; readonly way: Way }[] = [
  { name: 'Kit A', way: 'mouse' },
  { name: 'Kit B', way: 'keyboard' },
  { name: 'Kit C', way: 'touch' },
  { name: 'Kit D', way: 'touch' },
];

for (const { name, way } of KITS) {
  test.describe(`${name}, by ${way}`, () => {
    test.use(
      way === 'touch'
        ? { viewport: { width: 390, height: 844 }, hasTouch: true }
        : { viewport: { width: 1280, height: 800 } },
    );
    test('goes from in parts to ready to tune by next moves only', async ({ page, app }) => {
      test.setTimeout(180_000);
      const made = (await app.log(name))[0]?.body as unknown as BowFacts;
      const bow = simulatedKit(made, 21, twistRange(made));
      await openBench(page, app, name);
      for (let i = 0; i < MOST_MOVES; i += 1) {
        const title = await page.getByTestId('move-title').textContent();
        if (title?.startsWith('Shoot in') === true) break;
        await followOne(page, app, { name, bow, way });
      }
      await expect(page.getByTestId('move-title')).toContainText('Shoot in');
      await page.goto(`${app.address}/rack`);
      await expect(page.locator(`[data-bow="${name}"]`)).toContainText('Ready to tune');
      expect(outOfBand(foldLog((await app.log(name)) as unknown as LoggedEntry[]))).toEqual([]);
      expect(bow.stringOffs).toBeLessThanOrEqual(9);
    });
  });
}

test('tiller + 2 mm at constant weight asks for opposite bolt turns', async ({ page, app }) => {
  await openBench(page, app, 'Egret');
  await enter(page, 'band w 34 34.6');
  await enter(page, 'band t 0.4 0.6');
  await expect(page.getByTestId('move-title')).toHaveText(
    /Top bolt \d\/\d turn out, bottom bolt \d\/\d turn in/,
  );
  await expect(page.getByTestId('move-expect')).toContainText('weight 34');
});

test('a new string on a tuned bow: one tap lists what to re-check, and the schedule says when', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/bench/${await app.bowId('Heron')}?step=fitOut`);
  await page.getByRole('button', { name: 'New string' }).click();
  const form = page.getByRole('form', { name: 'Change: string' });
  await expect(form.getByRole('checkbox', { name: 'Nock fit' })).toBeChecked();
  await expect(form.getByRole('checkbox', { name: 'Fit-out' })).not.toBeChecked();
  await expect(form).toContainText('after 20, 50, 100 shots');
  await form.getByLabel('Twists').fill('25');
  await form.getByLabel('In words, if you like').fill('second string');
  await form.getByRole('button', { name: 'Put it on' }).click();
  await expect(page.getByTestId('string-schedule')).toContainText('after 20 shots: 20 to go');
  await page.keyboard.press('Escape');
  for (const step of ['nockFit', 'drawWeight', 'roughBrace', 'bareShaft', 'fix'])
    await expect(page.getByTestId(`state-${step}`)).toHaveText(
      step === 'fix' ? 'to do' : 'stale, new string since',
    );
  await expect(page.getByTestId('state-fitOut')).toHaveText('holds');
  await enter(page, 'b 219 219.5 219');
  await enter(page, 'shots 24');
  await expect(page.getByTestId('state-roughBrace')).toHaveText('stale, 20 shots on this string');
  await enter(page, 'b 218.2 218 218.1');
  await expect(page.getByTestId('state-roughBrace')).not.toHaveText(/20 shots/);
});

test('refusals, questions and conversions of setting up', async ({ page, app }) => {
  await openBench(page, app, 'Heron');
  const line = page.getByRole('textbox', { name: 'Entry line' });
  const cases: readonly (readonly [string, RegExp])[] = [
    ['top +3', /past the stop.*maker allows 3 turns out/],
    ['tw +9', /outside the maker’s range: 8 1\/4 to 8 3\/4 in.*I have already done it/],
    ['band b 8 9', /outside the maker’s range: 8 1\/4 to 8 3\/4 in.*never left/],
    ['n 4 1/4', /What did you mean/],
    ['b 219 plunger', /distance between throat and plunger is not known/],
    ['mark 30', /at which draw/],
    ['mark 28 34', /34 lb at 28 in/],
    ['cut -12', /No saw makes a shaft longer/],
    ['tp 12 lb', /not measured in lb/],
    ['bo 9 lb', /not measured in lb/],
    ['mark 30 26', /about 34\.0 lb at 28 in/],
    ['dl 26 1/4 pivot', /1 3\/4 in added to the pivot draw/],
    ['tc 60', /should hold 16 to 49/],
  ];
  for (const [typed, says] of cases) {
    await line.fill(typed);
    await expect(echo(page), typed).toContainText(says);
    await expect(line).toHaveValue(typed);
  }
  await line.fill('');
  await enter(page, 'tt 7 1/16 near');
  await line.fill('tb 6 7/8 far');
  await expect(echo(page)).toContainText('read from the near edge of the string');
  await enter(page, 'tp 30 mm');
  await line.fill('b 248.6 plunger');
  await expect(echo(page)).toContainText('Converted by 30.0 mm');
  await expect(echo(page)).toContainText('218.6 mm');
});

test('a back-up’s targets are the first bow’s readings, and the plan leads there', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/rack/new?of=${await app.bowId('Heron')}`);
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Brace height');
  await dialog.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Bench: Heron 2' })).toBeAttached();
  await enter(page, 'tc 22');
  await enter(page, 'bo 1 1/2');
  await enter(page, 'w 33.9 33.9');
  await enter(page, 'b 212 212.2 212');
  await enter(page, 'tt 174 mm');
  await enter(page, 'tb 170 mm');
  await page.getByRole('button', { name: /Rough brace height/ }).click();
  await expect(page.getByRole('dialog')).toContainText('Below band');
  await page.keyboard.press('Escape');
  const gauge = page.getByRole('img', { name: /Band as Heron, this bow.*below the band/ }).first();
  await expect(gauge).toBeVisible();
});

for (const hand of HANDS) {
  test(`behind: offsets, words and screw sides of a ${hand}-hander`, async ({ page, app }) => {
    const name = hand === 'left' ? 'Heron' : 'Curlew';
    await openBench(page, app, name);
    await enter(page, 'b 219 mm 219 mm 219 mm');
    await enter(page, 'll t 2 mm 2.1 mm 1.9 mm');
    await enter(page, 'll b 0');
    await enter(page, 'll r 0');
    const outward = hand === 'left' ? 'right' : 'left';
    await page.goto(`${app.address}/bench/${await app.bowId(name)}?sight=behind`);
    await expect(page.locator('[data-reading="limbLineTop"]').first()).toHaveAccessibleName(
      new RegExp(`2.0 mm ${outward}`),
    );
    const move = page.getByTestId('next-move');
    for (let i = 0; i < 4 && !(await move.textContent())?.includes('pocket'); i += 1)
      await move.getByRole('button', { name: 'Not now' }).click();
    const inward = outward === 'left' ? 'right' : 'left';
    await expect(move).toContainText(`passes 2.0 mm ${outward} of the top gauge’s middle`);
    await expect(move).toContainText(
      `loosen the ${inward} screw 1/2 turn, then tighten the ${outward} one`,
    );
  });
}

test('a step is skipped with its reason, and taken up again', async ({ page, app }) => {
  await openBench(page, app, 'Heron');
  await page.locator('[data-step="proof"]').click();
  await page.getByLabel('Skip it, because').fill('practice bow');
  await page.getByRole('button', { name: 'Skip this step' }).click();
  await expect(page.getByTestId('state-proof')).toHaveText('skipped: practice bow');
  await page.locator('[data-step="proof"]').click();
  await page.getByRole('button', { name: 'Take it up again' }).click();
  await expect(page.getByTestId('state-proof')).toHaveText('to do');
});

test('how to measure stands beside the line while a reading is typed, with the tool in hand', async ({
  page,
  app,
}) => {
  await openBench(page, app, 'Heron');
  await page.locator('[data-reading="tillerTop"]').first().click();
  const card = page.getByTestId('how-to');
  await expect(card.getByRole('img', { name: /square at the top limb’s root/ })).toBeVisible();
  await card.getByLabel('Tool in hand').fill('blue square');
  await enter(page, 'tt 7 1/16');
  await expect
    .poll(async () => (await app.log('Heron')).at(-1)?.body)
    .toMatchObject({ reading: 'tillerTop', tool: 'blue square' });
});

test('a photograph of the limb line is read within 0.3 mm', async ({ page, app }) => {
  await openBench(page, app, 'Heron');
  const png = await page.evaluate(paintPhoto);
  await page.locator('[data-step="limbLine"]').click();
  await page.getByRole('button', { name: 'Read it off a photograph' }).click();
  await page
    .getByLabel('Picture of the bow from behind')
    .setInputFiles({ name: 'bow.png', mimeType: 'image/png', buffer: Buffer.from(png, 'base64') });
  const photo = page.getByTestId('photo');
  await expect(photo).toBeVisible();
  const mark = async (x: number, y: number) => {
    const at = await photo.evaluate(
      (svg: SVGSVGElement, [px, py]) => {
        const point = new DOMPoint(px, py).matrixTransform(svg.getScreenCTM()!);
        return { x: point.x, y: point.y };
      },
      [x, y] as const,
    );
    await page.mouse.click(at.x, at.y);
  };
  const stringX = (y: number) => 300 + 0.01 * (y - 600);
  for (const y of [60, 420, 800, 1150]) await mark(stringX(y) + 1, y);
  const gauge = async (y: number, rightMm: number) => {
    const middle = stringX(y) - rightMm * 4;
    await mark(middle - 79, y);
    await mark(middle + 81, y);
  };
  await gauge(300, 1.5);
  await gauge(900, -0.8);
  await mark(40, 1180);
  await mark(440, 1180);
  const reading = page.getByTestId('photo-reading');
  await expect(reading).toBeVisible();
  await page.getByRole('button', { name: 'Keep these readings' }).click();
  await expect.poll(async () => (await app.log('Heron')).at(-1)?.body['tool']).toBe('photograph');
  const values = (await app.log('Heron'))
    .slice(-2)
    .map(({ body }) => (body['values'] as number[])[0]!);
  // Left-hander: right of the gauge is outward.
  expect(Math.abs(values[0]! - 1.5)).toBeLessThanOrEqual(0.3);
  expect(Math.abs(values[1]! + 0.8)).toBeLessThanOrEqual(0.3);
});

/** Paints a made-up photograph in the page, 4 px a millimetre; base64 of a PNG. */
function paintPhoto(): string {
  const canvas = document.createElement('canvas');
  canvas.width = 600;
  canvas.height = 1200;
  const context = canvas.getContext('2d')!;
  context.fillStyle = '#d8d8d8';
  context.fillRect(0, 0, 600, 1200);
  const stringX = (y: number) => 300 + 0.01 * (y - 600);
  context.fillStyle = '#707070';
  for (const [y, rightMm] of [
    [300, 1.5],
    [900, -0.8],
  ] as const)
    context.fillRect(stringX(y) - rightMm * 4 - 80, y - 40, 160, 80);
  context.fillStyle = '#303030';
  context.fillRect(40, 1176, 400, 8);
  context.strokeStyle = '#181818';
  context.lineWidth = 8;
  context.beginPath();
  context.moveTo(stringX(0), 0);
  context.lineTo(stringX(1200), 1200);
  context.stroke();
  return canvas.toDataURL('image/png').split(',')[1] ?? '';
}
