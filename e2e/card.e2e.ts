import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { expect, test } from './app.ts';

/** Half a millimetre to a pixel and a third: how a cheap printer or a phone sees the card. */
const DOTS_PER_INCH = 150;
const POINTS_PER_MM = 72 / 25.4;

interface Printed {
  readonly pdf: string;
  readonly png: Buffer;
}

async function print(page: Page): Promise<Printed> {
  const folder = mkdtempSync(join(tmpdir(), 'keen-limb-card-'));
  const pdf = join(folder, 'card.pdf');
  writeFileSync(pdf, await page.pdf({ preferCSSPageSize: true, printBackground: true }));
  execFileSync('pdftoppm', [
    '-r',
    `${DOTS_PER_INCH}`,
    '-png',
    '-singlefile',
    pdf,
    join(folder, 'card'),
  ]);
  return { pdf, png: readFileSync(join(folder, 'card.png')) };
}

/** What another program reads off a picture of the card. */
function readCode(png: Buffer): string {
  const file = join(mkdtempSync(join(tmpdir(), 'keen-limb-code-')), 'card.png');
  writeFileSync(file, png);
  return execFileSync('zbarimg', ['--raw', '-q', file], { stdio: ['ignore', 'pipe', 'ignore'] })
    .toString()
    .trimEnd();
}

/** Sizes of all text on the card as it is printed, pt. */
function textSizesPt(): number[] {
  const card = document.querySelector('.tune-card');
  if (card === null) return [];
  const walker = document.createTreeWalker(card, NodeFilter.SHOW_TEXT);
  const sizes: number[] = [];
  for (let node = walker.nextNode(); node !== null; node = walker.nextNode()) {
    const element = node.parentElement;
    if (element === null || (node.textContent ?? '').trim() === '') continue;
    const scale = element instanceof SVGGraphicsElement ? (element.getScreenCTM()?.a ?? 1) : 1;
    sizes.push(parseFloat(getComputedStyle(element).fontSize) * scale * 0.75);
  }
  return sizes;
}

for (const name of ['Heron', 'Curlew', 'Rook', 'Sparrow'])
  test(`the card of ${name} prints on one A6 page, and its code reads back turned and blurred`, async ({
    page,
    club,
  }) => {
    test.slow();
    await page.goto(`${club.address}/record/${await club.bowId(name)}?show=card`);
    await expect(page.getByRole('article')).toContainText(name);
    const text = await page.getByTestId('card-text').textContent();
    expect(Buffer.byteLength(text ?? '')).toBeLessThanOrEqual(300);
    const { pdf, png } = await print(page);
    const facts = execFileSync('pdfinfo', [pdf]).toString();
    expect(facts).toMatch(/Pages:\s+1\n/);
    const [, width = '', height = ''] = /Page size:\s+([\d.]+) x ([\d.]+)/.exec(facts) ?? [];
    expect(Number(width) / POINTS_PER_MM).toBeCloseTo(105, 0);
    expect(Number(height) / POINTS_PER_MM).toBeCloseTo(148, 0);
    const fonts = execFileSync('pdffonts', [pdf]).toString().trimEnd().split('\n').slice(2);
    expect(fonts.length).toBeGreaterThan(0);
    // Columns from the end: emb, sub, uni, object and its generation.
    expect(fonts.filter((line) => line.trim().split(/\s+/).at(-5) !== 'yes')).toEqual([]);
    const sizes = await page.evaluate(textSizesPt);
    expect(Math.min(...sizes)).toBeGreaterThanOrEqual(6.5);
    const fits = await page.evaluate(() => {
      const card = document.querySelector('.tune-card');
      return card !== null && card.scrollHeight <= card.clientHeight + 1;
    });
    expect(fits).toBe(true);
    expect(readCode(png)).toBe(text);
    const turned = await sharp(png).rotate(7, { background: '#fff' }).png().toBuffer();
    expect(readCode(turned)).toBe(text);
    const blurred = await sharp(png).blur(1).png().toBuffer();
    expect(readCode(blurred)).toBe(text);
  });

test('A5 and letter print as one page of their own size', async ({ page, club }) => {
  const heron = await club.bowId('Heron');
  for (const [size, widthMm] of [
    ['A5', 148],
    ['letter', 216],
  ] as const) {
    await page.goto(`${club.address}/record/${heron}?show=card&size=${size}`);
    await expect(page.getByRole('article')).toBeVisible();
    const facts = execFileSync('pdfinfo', [(await print(page)).pdf]).toString();
    expect(facts).toMatch(/Pages:\s+1\n/);
    expect(Number(/Page size:\s+([\d.]+)/.exec(facts)?.[1]) / POINTS_PER_MM).toBeCloseTo(
      widthMm,
      0,
    );
  }
});

test('a card is put beside its bow by its photograph or its text', async ({ page, club }) => {
  const heron = await club.bowId('Heron');
  await page.goto(`${club.address}/record/${heron}?show=card`);
  const text = (await page.getByTestId('card-text').textContent()) ?? '';
  const photo = await sharp((await print(page)).png)
    .rotate(7, { background: '#fff' })
    .jpeg({ quality: 70 })
    .toBuffer();
  await page.goto(`${club.address}/record/${heron}?show=compare&right=card:`);
  await page
    .getByLabel('or a photograph of its code')
    .setInputFiles({ name: 'card.jpg', mimeType: 'image/jpeg', buffer: photo });
  const field = page.getByRole('textbox', { name: 'The card’s text' });
  await expect(field).toHaveValue(text);
  await expect(page.getByTestId('compare')).toContainText('No difference seen in');
  await field.fill(text.replace(/;b[\d.]+;/, ';b214.0;'));
  await expect(page.getByTestId('compare')).toContainText('1 difference');
  await expect(page.getByTestId('compare')).toContainText('times what one reading scatters');
  await field.fill(text.slice(0, -3));
  await expect(page.getByText('The text is cut off')).toBeVisible();
  await page
    .getByLabel('or a photograph of its code')
    .setInputFiles({ name: 'card.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') });
  await expect(page.getByText('no picture that can be opened')).toBeVisible();
});

for (const [paper, count, size] of [
  ['A4', 2, '210 x 297'],
  ['letter', 4, '216 x 279'],
] as const)
  test(`cards of all bows print in one go on ${paper}, with marks to cut along`, async ({
    page,
    club,
  }) => {
    await page.goto(`${club.address}/rack/cards?paper=${paper}`);
    await expect(page.getByRole('button', { name: 'Print 8 cards' })).toBeVisible();
    await expect(page.locator('.tune-card')).toHaveCount(8);
    await expect(page.getByTestId('cut-marks')).toHaveCount(count);
    await page.evaluate(() => document.fonts.ready.then(() => null));
    const { pdf, png } = await print(page);
    const said = execFileSync('pdfinfo', [pdf]).toString();
    expect(said).toMatch(new RegExp(`Pages:\\s+${count}\n`));
    const [, width, height] = /Page size:\s+([\d.]+) x ([\d.]+)/.exec(said) ?? [];
    const mm = (points?: string) => Math.round(Number(points) / POINTS_PER_MM);
    expect(`${mm(width)} x ${mm(height)}`).toBe(size);
    // The first page's codes are read as they lie there, all at once.
    const codes = readCode(png).split('\n');
    expect(codes).toHaveLength(paper === 'A4' ? 4 : 2);
    for (const code of codes) expect(code).toMatch(/^KEENLIMB1;.*;\.$/);
    await page.getByRole('checkbox', { name: 'Wren' }).uncheck();
    await expect(page.getByRole('button', { name: 'Print 7 cards' })).toBeVisible();
    await expect(page).toHaveURL(/bows=/);
  });

test('the story of the tune prints on a second page', async ({ page, club }) => {
  await page.goto(`${club.address}/record/${await club.bowId('Heron')}?show=card`);
  await page.getByRole('checkbox', { name: 'The story on a second page' }).check();
  const story = page.getByRole('article', { name: 'Story of Heron' });
  await expect(story).toContainText('Bare shaft at 18 m');
  await expect(story).toContainText('2 twists in, back up after creep');
  // As it was said then: the point was changed for it.
  await expect(story).toContainText(/Bare shaft at 18 m, 18 shots\. Stiff/);
  const { pdf } = await print(page);
  expect(execFileSync('pdfinfo', [pdf]).toString()).toMatch(/Pages:\s+2\n/);
  const text = execFileSync('pdftotext', ['-f', '2', pdf, '-']).toString();
  expect(text).toContain('how it came to be so');
});

test('of many bows none is printed unasked: found by name, or all of them', async ({
  page,
  app,
}) => {
  const made = (await app.log('Heron')).find(({ body }) => body['kind'] === 'bowMade');
  for (let bow = 1; bow <= 6; bow += 1) {
    const bowId = crypto.randomUUID();
    const body = { ...made?.body, name: `Club bow ${bow}` };
    const entry = { id: crypto.randomUUID(), bowId, at: made?.at, by: 'Test', body };
    await app.store(bowId, [entry]);
  }
  await page.goto(`${app.address}/rack/cards`);
  await expect(page.getByRole('button', { name: 'Print 0 cards' })).toBeDisabled();
  await page.getByRole('textbox', { name: 'Find a bow' }).fill('club bow 5');
  await expect(page.getByRole('checkbox')).toHaveCount(1);
  await page.getByRole('checkbox', { name: 'Club bow 5' }).check();
  await expect(page.getByRole('button', { name: 'Print 1 card' })).toBeEnabled();
  await expect(page.locator('.tune-card')).toHaveCount(1);
  await page.getByRole('button', { name: 'All 14' }).click();
  await expect(page.locator('.tune-card')).toHaveCount(14);
  await page.getByRole('button', { name: 'None' }).click();
  await expect(page.locator('.tune-card')).toHaveCount(0);
});
