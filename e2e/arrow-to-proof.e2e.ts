import type { Page } from '@playwright/test';
import { rightFromOutward } from '#core/craft/handedness.ts';
import { seededUniform, standardNormal } from '#core/numeric/random.ts';
import { G_PER_GR } from '#core/quantity/units.ts';
import { type App, enter, expect, openBench, test } from './app.ts';

const NAME = 'Linnet';
const MOST_MOVES = 90;

/** What a tuner reads off this bow when its code stands on the line. */
const READ: Readonly<Record<string, string>> = {
  w: 'w 44.1 44.0',
  b: 'b 6 7/8',
  n: 'n 5/8',
  cs: 'cs 3 mm',
  dl: 'dl 27 1/2',
  tt: 'tt 5 7/8',
  tb: 'tb 5 3/4',
};

/** A longbow with one arrow on it, as it truly is: stiff by 60 mm at 18 m, and low by 30. */
class Longbow {
  private readonly normal = standardNormal(seededUniform(4410));
  private outwardMm = 60;
  private upMm = -30;

  change(control: string, amount: number): void {
    if (control === 'pointMass') this.outwardMm -= (1.6 * amount) / G_PER_GR;
    if (control === 'nockingPoint') this.upMm -= 22 * amount;
    if (control === 'twists') this.outwardMm -= 2 * amount;
  }

  /** Shots as they are typed, cm right and up: points with fletching on show six tenths of what bare shafts do. */
  shots(arrow: 'f' | 'b' | 'bh', count: number, distanceM: number): string {
    const share = { f: 0, b: 1, bh: 0.6 }[arrow] * (distanceM / 18);
    const cm = (mm: number) => (mm / 10).toFixed(1);
    const one = () =>
      `${cm(rightFromOutward(share * this.outwardMm + 8 * this.normal(), 'right'))},${cm(share * this.upMm + 8 * this.normal())}`;
    return `${arrow} ${Array.from({ length: count }, one).join(' ')}`;
  }
}

const nextMove = (page: Page) => page.getByTestId('next-move').first();
const bodies = async (app: App) => (await app.log(NAME)).map(({ body }) => body);
const isProved = async (app: App) =>
  (await bodies(app)).some((body) => body['kind'] === 'stepConfirmed' && body['step'] === 'proof');

/** Does what the one next move says, wherever it leads; returns what it was. */
async function follow(page: Page, app: App, bow: Longbow): Promise<string> {
  const key = (await nextMove(page).getAttribute('data-move')) ?? '';
  const action = await nextMove(page).getAttribute('data-action');
  const before = await bodies(app);
  await nextMove(page).locator('.btn').click();
  const dialog = page.getByRole('dialog');
  switch (action) {
    case 'openArrows':
      await dialog.getByRole('button', { name: /^Lay out spine/ }).click();
      await page.getByRole('button', { name: `Put it on ${NAME}` }).click();
      break;
    case 'openSession':
      await page.getByRole('button', { name: 'Start shooting' }).click();
      break;
    case 'openSearch':
      // The height is the maker's: the step takes the hunter's word.
      await page.goto(`${app.address}/bench/${await app.bowId(NAME)}?step=braceSearch`);
      await dialog.getByRole('button', { name: 'It is so' }).click();
      await expect(dialog).toHaveCount(0);
      break;
    case 'enterReading': {
      const line = page.getByRole('textbox', { name: 'Entry line' });
      await expect(line).not.toHaveValue('');
      await enter(page, READ[(await line.inputValue()).trim()] ?? '');
      break;
    }
    case 'openStep':
      for (const all of await dialog.getByRole('button', { name: 'All of these' }).all())
        await all.click();
      await dialog
        .getByRole('button', { name: /All here|It is so/ })
        .first()
        .click();
      break;
    case 'shootEnd':
      await expect(page).toHaveURL(/\/range\//);
      if (key === 'marks:end') await shootForMarks(page);
      else await shootEnd(page, app, bow, key.startsWith('proof') ? 'bh' : 'b');
      break;
    case 'change':
      if (await page.getByTestId('change-asks').isVisible())
        await dialog.getByRole('button', { name: /log it/ }).click();
      break;
    default:
  }
  await expect.poll(async () => (await bodies(app)).length).toBeGreaterThan(before.length);
  for (const body of (await bodies(app)).slice(before.length))
    if (body['kind'] === 'change') bow.change(body['control'] as string, body['amount'] as number);
  return key;
}

/** With the point laid on the mark: high near, low far. */
async function shootForMarks(page: Page): Promise<void> {
  const marks = page.getByTestId('marks');
  for (const [distance, upCm] of [
    ['10', 9],
    ['25', -14],
  ] as const) {
    for (const [at, typed] of [distance, '0'].entries()) {
      await marks.locator('input').nth(at).fill(typed);
      await marks.locator('input').nth(at).press('Enter');
    }
    await expect(marks).toContainText('Another distance or setting begins');
    await enter(page, `f 0.1,${upCm} 1.1,${upCm + 1} -1.2,${upCm}.4 0.3,${upCm - 2} 0.2,${upCm}`);
  }
}

async function shootEnd(page: Page, app: App, bow: Longbow, judged: 'b' | 'bh'): Promise<void> {
  const start = page.getByRole('button', { name: 'Start shooting' });
  await expect(page.getByRole('toolbar', { name: 'Plotting' })).toBeVisible();
  if (await start.isVisible()) await start.click();
  await expect(start).toHaveCount(0);
  const opened = (await bodies(app)).findLast(({ kind }) => kind === 'sessionOpened');
  const distanceM = opened?.['distanceM'] as number;
  await enter(page, bow.shots('f', 4, distanceM));
  await enter(page, bow.shots(judged, 3, distanceM));
}

test('a hunter’s longbow without an arrow: which shaft, bare shafts that land with the fletched, a broadhead proof', async ({
  page,
  app,
}) => {
  test.setTimeout(300_000);
  await openBench(page, app, NAME);
  const bow = new Longbow();
  await expect(nextMove(page)).toContainText('Choose a shaft: spine 450, left long');
  const keys: string[] = [];
  while (!(await isProved(app)) && keys.length < MOST_MOVES)
    keys.push(await follow(page, app, bow));
  expect(await isProved(app), keys.join(' ')).toBe(true);
  const log = await bodies(app);
  const at = (kind: string, of: Readonly<Record<string, string>> = {}) =>
    log.findIndex((body) =>
      Object.entries({ kind, ...of }).every(([name, value]) => body[name] === value),
    );
  // In this order: the shaft, what suits it to the bow, bare shafts that prove it, broadheads.
  const order = [
    at('itemFitted', { item: 'shaft' }),
    at('shotPlaced', { arrow: 'bare' }),
    at('sessionOpened', { sessionKind: 'proof' }),
    at('shotPlaced', { arrow: 'broadhead' }),
    at('stepConfirmed', { step: 'proof' }),
  ];
  expect(
    order.every((place, index) => place > (order[index - 1] ?? -1)),
    order.join(' '),
  ).toBe(true);
  expect(log[order[0]!]).toMatchObject({ arrow: { build: { parts: { shaft: { spine: 450 } } } } });
  // Stiff and low: a heavier point and the nocking point, and nothing sawn for it.
  const changed = log.flatMap((body) => (body['kind'] === 'change' ? [body['control']] : []));
  expect(changed).toContain('pointMass');
  expect(changed).not.toContain('shaftCut');
  // Whoever goes back to the bench is not asked to prove it twice.
  await openBench(page, app, NAME);
  await expect(nextMove(page)).toHaveAttribute('data-move', 'step:fix');
});
