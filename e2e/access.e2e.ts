import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type axe from 'axe-core';
import type { Page } from '@playwright/test';
import { type App, enter, expect, openBench, openRange, settled, test } from './app.ts';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Another look changes colours only: there contrast alone is looked at again. */
const BY_COLOUR = {
  runOnly: { type: 'rule', values: ['color-contrast', 'link-in-text-block'] },
} as const;

async function violations(page: Page, options: axe.RunOptions = {}): Promise<readonly string[]> {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(AXE);
  const result = await page.evaluate(
    async (chosen) =>
      (globalThis as unknown as { axe: typeof axe }).axe.run(document, {
        ...chosen,
        resultTypes: ['violations'],
      }),
    options,
  );
  return result.violations.map(
    (violation) =>
      `${violation.id}: ${violation.nodes.map((node) => node.target.join(' ')).join('; ')}`,
  );
}

const VIEWS = {
  rack: async (page: Page, app: App) => {
    await page.goto(`${app.address}/rack`);
    await expect(page.locator('[data-bow="Heron"]')).toBeVisible();
  },
  files: async (page: Page, app: App) => {
    await page.goto(`${app.address}/rack/files`);
    await expect(page.getByRole('dialog', { name: 'Files' })).toBeVisible();
    await page.getByLabel('File of bows').setInputFiles({
      name: 'saved.zip',
      mimeType: 'application/zip',
      buffer: Buffer.from(await (await fetch(`${app.address}/api/workshop-file`)).arrayBuffer()),
    });
    await expect(page.locator('[data-planned="Heron"]')).toBeVisible({ timeout: 30_000 });
    await page.locator('[data-planned="Heron"]').getByRole('combobox').selectOption('another');
  },
  cards: async (page: Page, app: App) => {
    await page.goto(`${app.address}/rack/cards`);
    await expect(page.locator('.tune-card').first()).toBeVisible();
  },
  bench: async (page: Page, app: App) => {
    await openBench(page, app, 'Heron');
    await enter(page, 'tw +4');
  },
  behind: async (page: Page, app: App) => {
    await page.goto(`${app.address}/bench/${await app.bowId('Heron')}?sight=behind`);
    await expect(page.getByTestId('behind')).toBeVisible();
  },
  above: async (page: Page, app: App) => {
    await page.goto(`${app.address}/bench/${await app.bowId('Curlew')}?sight=above`);
    await expect(page.getByTestId('above')).toBeVisible();
  },
  assembly: async (page: Page, app: App) => {
    await page.goto(`${app.address}/bench/${await app.bowId('Kit A')}?step=inspect`);
    await expect(page.getByRole('dialog', { name: 'Inspect and assemble' })).toBeVisible();
  },
  fitOut: async (page: Page, app: App) => {
    await page.goto(`${app.address}/bench/${await app.bowId('Heron')}?step=fitOut`);
    await page.getByRole('button', { name: 'New string' }).click();
    await expect(page.getByRole('form', { name: 'Change: string' })).toBeVisible();
  },
  arrows: async (page: Page, app: App) => {
    await page.goto(`${app.address}/arrows/${await app.bowId('Rook')}`);
    await expect(page.getByTestId('arrow-drawing')).toBeVisible();
    await page.getByRole('textbox', { name: 'Point, gr' }).fill('heavy');
    await expect(page.getByRole('alert').first()).toBeVisible();
  },
  plan: async (page: Page, app: App) => {
    await page.goto(`${app.address}/arrows/${await app.bowId('Wren')}`);
    await page.getByTestId('plan').getByRole('radio', { name: 'a balance' }).click();
    await page.getByRole('textbox', { name: 'Front of centre, %' }).fill('15');
    await expect(page.getByTestId('plan-reachable')).toBeVisible();
  },
  parts: async (page: Page, app: App) => {
    await page.goto(`${app.address}/arrows/${await app.bowId('Linnet')}?sheet=parts`);
    await expect(page.getByRole('dialog', { name: 'Parts' })).toBeVisible();
  },
  proof: async (page: Page, app: App) => {
    await page.goto(`${app.address}/range/${await app.bowId('Kestrel')}?session=new&kind=proof`);
    await page.getByRole('button', { name: 'Start shooting' }).click();
    await enter(page, 'f 0,0 1,1 -1,1');
    await enter(page, 'bh 6,0 7,1 6,-1');
    await expect(page.getByTestId('proof')).toContainText('Across:');
  },
  range: async (page: Page, app: App) => {
    await openRange(page, app, 'Heron');
    await enter(page, 'f 0,0 1,1 -1,1 2,0 -2,-1 0,2');
    await enter(page, 'b 6,0 7,1 6,-1');
  },
  walkBack: async (page: Page, app: App) => {
    await openSession(page, app, 'walkBack');
    await expect(page.getByTestId('walk-back')).toContainText(
      /Straight down the butt|does not lean/,
    );
  },
  fineTuning: async (page: Page, app: App) => {
    await openSession(page, app, 'fineTuning');
    await expect(page.getByTestId('fine-tuning')).toContainText('Closed');
  },
  quietHeight: async (page: Page, app: App) => {
    await page.goto(`${app.address}/range/${await app.bowId('Kit C')}?search=brace`);
    await expect(page.getByTestId('noise-chart')).toBeVisible();
    await expect(page.getByTestId('listen')).toBeVisible();
  },
  quietSetup: async (page: Page, app: App) => {
    await page.goto(`${app.address}/range/${await app.bowId('Heron')}?search=brace`);
    await expect(page.getByRole('button', { name: 'Begin the search' })).toBeVisible();
  },
  marks: async (page: Page, app: App) => {
    await page.goto(`${app.address}/range/${await app.bowId('Curlew')}?marks=read`);
    await expect(page.getByTestId('marks-table')).toBeVisible();
  },
  markSession: async (page: Page, app: App) => {
    await openSession(page, app, 'marks');
    await expect(page.getByTestId('marks-table')).toBeVisible();
  },
  record: async (page: Page, app: App) => {
    await page.goto(`${app.address}/record/${await app.bowId('Heron')}`);
    await page.locator('[data-line]').first().getByRole('button').first().click();
    await expect(page.getByRole('link', { name: 'The bow as it then was' })).toBeVisible();
    await expect(page.getByTestId('reading-curve')).toBeVisible();
  },
  compare: async (page: Page, app: App) => {
    await page.goto(`${app.address}/record/${await app.bowId('Heron')}?show=compare`);
    await expect(page.getByTestId('way-back')).toBeVisible();
  },
  card: async (page: Page, app: App) => {
    await page.goto(`${app.address}/record/${await app.bowId('Heron')}?show=card`);
    await expect(page.getByRole('article', { name: 'Tune card of Heron' })).toBeVisible();
  },
  care: async (page: Page, app: App) => {
    await page.goto(`${app.address}/record/${await app.bowId('Rook')}?show=care`);
    await expect(page.getByTestId('care')).toBeVisible();
  },
  benchThen: async (page: Page, app: App) => {
    const at = (await app.log('Heron')).at(-40)?.at ?? '';
    await page.goto(`${app.address}/bench/${await app.bowId('Heron')}?at=${at}`);
    await expect(page.getByTestId('bench-then')).toBeVisible();
  },
  noteForm: async (page: Page, app: App) => {
    await page.goto(`${app.address}/record/${await app.bowId('Heron')}?sheet=note`);
    await page.getByRole('button', { name: 'Keep the note' }).click();
    await expect(page.getByRole('alert')).toBeVisible();
  },
  sessionForm: async (page: Page, app: App) => {
    await openRange(page, app, 'Heron');
    await page.getByRole('radio', { name: 'Fine tuning' }).click();
    await page.getByText('Where and with what').click();
  },
  ...Object.fromEntries(
    (['note', 'remedies', 'paper', 'groups', 'photo', 'file'] as const).map((sheet) => [
      sheet,
      async (page: Page, app: App) => {
        await openSession(page, app, 'bareShaft', sheet);
        await expect(page.getByRole('dialog')).toBeVisible();
      },
    ]),
  ),
  // The last: after it nothing else of the page is answered.
  away: async (page: Page, app: App) => {
    await openBench(page, app, 'Heron');
    await page.route('**/api/**', (route) => route.abort());
    await enter(page, 'note a quiet evening');
    await expect(page.getByTestId('waiting-bar')).toContainText('does not answer');
  },
} as const;

async function openSession(page: Page, app: App, kind: string, sheet = ''): Promise<void> {
  const log = await app.log('Curlew');
  const opened = log.findLast(
    ({ body }) => body['kind'] === 'sessionOpened' && (body['sessionKind'] ?? 'bareShaft') === kind,
  );
  const session = String(opened?.body['sessionId']);
  const beside = sheet === '' ? '' : `&sheet=${sheet}`;
  await page.goto(`${app.address}/range/${await app.bowId('Curlew')}?session=${session}${beside}`);
  await expect(page.getByTestId('plot')).toBeVisible();
}

/** Views that are looked at after something was typed: on a record of their own. */
const WRITES: readonly string[] = ['bench', 'range', 'proof', 'away'];

/** Sheets share their look with the pages they lie on: looked at in one. */
const IN_ONE_LOOK: readonly string[] = [
  'assembly',
  'fitOut',
  'above',
  'sessionForm',
  'note',
  'remedies',
  'paper',
  'groups',
  'photo',
  'file',
  'parts',
  'noteForm',
];

/** Colours are the same at every size: each look but the first is looked at in one of them. */
const SIZES = [
  { width: 1280, height: 800, looks: ['shop', 'night'] },
  { width: 390, height: 844, looks: ['shop', 'sun'] },
] as const;

for (const [name, open] of Object.entries(VIEWS)) {
  const title = `${name} has nothing axe objects to in any look, and fits a phone and a thumb`;
  const look = async (page: Page, app: App) => {
    test.slow();
    await page.setViewportSize(SIZES[0]);
    await open(page, app);
    for (const size of SIZES) {
      // Turned and narrowed as a window is: the view stays open as it is.
      await page.setViewportSize(size);
      await settled(page);
      if (size.width < 600) {
        const width = await page.evaluate(() => document.documentElement.scrollWidth);
        expect(width).toBeLessThanOrEqual(size.width);
        expect(await page.evaluate(lowerThanAThumb)).toEqual([]);
      }
      for (const theme of IN_ONE_LOOK.includes(name) ? size.looks.slice(0, 1) : size.looks) {
        await page.evaluate((chosen) => {
          document.documentElement.dataset['theme'] = chosen;
        }, theme);
        const options = theme === 'shop' ? {} : BY_COLOUR;
        expect(await violations(page, options), `${theme} at ${size.width}`).toEqual([]);
      }
    }
  };
  if (WRITES.includes(name)) test(title, async ({ page, app }) => look(page, app));
  else test(title, async ({ page, club }) => look(page, club));
}

test('dialogs have nothing axe objects to, close with Escape, and hand the focus back', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/rack/new`);
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/\/rack$/);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await openBench(page, app, 'Heron');
  const step = page.locator('[data-step="limbLine"]');
  await step.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Limb line' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(step).toBeFocused();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys, codes and look' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('single keys can be switched off', async ({ page, app }) => {
  await openBench(page, app, 'Heron');
  await page.keyboard.press('?');
  await page
    .getByRole('radiogroup', { name: 'Single keys' })
    .getByRole('radio', { name: 'Off' })
    .click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('/');
  await expect(page.getByRole('textbox', { name: 'Entry line' })).not.toBeFocused();
});

/** What can be pressed and is drawn lower than 44 px; ticks are pressed by their rows. */
function lowerThanAThumb(): string[] {
  const pressed = 'button, summary, select, a, input:not([type="checkbox"]):not([type="radio"])';
  return [...document.querySelectorAll<HTMLElement>(pressed)]
    .filter((element) => element.closest('[inert], .visually-hidden') === null)
    .map((element) => ({ height: element.getBoundingClientRect().height, element }))
    .filter(({ height }) => height > 2 && height < 43.5)
    .map(({ height, element }) => `${element.textContent || element.tagName} ${height}`);
}
