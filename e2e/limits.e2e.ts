import type { Page } from '@playwright/test';
import { type App, echo, enter, expect, openBench, openRange, test } from './app.ts';

const line = (page: Page) => page.getByRole('textbox', { name: 'Entry line' });
const title = (page: Page) => page.getByTestId('move-title').first();
/** Takes back the latest entry of the record. */
const undoLatest = (page: Page) =>
  page
    .getByRole('region', { name: 'Lately' })
    .first()
    .getByRole('button', { name: 'Undo' })
    .first()
    .click();
const lastBody = async (app: App, bow: string) => (await app.log(bow)).at(-1)?.body;

test('a bolt turned beyond its travel is recorded, and stops the bow on bench, range and rack until it is back', async ({
  page,
  app,
}) => {
  await openBench(page, app, 'Heron');
  await line(page).fill('top -2');
  await expect(echo(page)).toContainText('the maker allows 3 turns out');
  await expect(echo(page)).toContainText('The most that is allowed: Top bolt 1');
  await line(page).press('Enter');
  await expect(line(page)).toHaveValue('top -2');
  await echo(page).getByRole('button', { name: 'I have already done it' }).click();
  await expect(line(page)).toHaveValue('top -2 done ');
  await expect(line(page)).toBeFocused();
  await line(page).pressSequentially('turned by its owner');
  await line(page).press('Enter');
  await expect
    .poll(() => lastBody(app, 'Heron'))
    .toMatchObject({ control: 'topBolt', amount: -2, despite: 'turned by its owner' });
  await expect(page.getByTestId('next-move')).toContainText('Stop');
  await expect(page.getByTestId('next-move')).toContainText('Top bolt beyond its travel');
  await expect(page.getByTestId('next-move')).toContainText('Unstring first');
  await expect(page.getByRole('button', { name: 'Not now' })).toHaveCount(0);
  // Both tillers are as they were read; their difference is not.
  await expect(page.getByText('expected top less bottom')).toBeVisible();

  await openRange(page, app, 'Heron');
  await expect(page.getByTestId('shooting-bar')).toContainText('Stop: not to be shot');
  await expect(page.getByTestId('shooting-bar')).toContainText('3 1/2 turns out');
  await expect(page.getByTestId('against')).toContainText('not to be shot as it stands');
  await expect(page.getByRole('button', { name: 'Start shooting' })).toBeDisabled();
  await expect(page.getByText('or tap the butt')).toHaveCount(0);
  await page.goto(`${app.address}/rack`);
  await expect(page.locator('[data-bow="Heron"]').getByTestId('rack-stop')).toContainText(
    'not to be shot: top bolt beyond its travel',
  );

  await openBench(page, app, 'Heron');
  await page.getByTestId('next-move').getByRole('button', { name: 'Done' }).click();
  await expect(page.getByTestId('next-move')).not.toContainText('Stop');
  await page.goto(`${app.address}/rack`);
  await expect(page.locator('[data-bow="Heron"]')).toBeVisible();
  await expect(page.locator('[data-bow="Heron"]').getByTestId('rack-stop')).toHaveCount(0);
});

test('a shaft recorded too short and a brace read outside the maker’s range stop the bow in words', async ({
  page,
  app,
}) => {
  await openBench(page, app, 'Wren');
  await line(page).fill('cut 40');
  await expect(echo(page)).toContainText(/mm can go.*into the hand/);
  await enter(page, 'cut 40 done sawn at home');
  await expect(title(page)).toHaveText('Do not shoot this shaft');
  await page.getByTestId('next-move').getByRole('button', { name: 'Fit another' }).click();
  await expect(page.getByRole('form', { name: 'Change: shaft', exact: true })).toBeVisible();
  await page.keyboard.press('Escape');
  await undoLatest(page);
  await expect(title(page)).not.toHaveText('Do not shoot this shaft');
  await enter(page, 'b 8 3/8');
  await expect(page.getByTestId('next-move')).toContainText('Stop');
  await openRange(page, app, 'Wren');
  await expect(page.getByTestId('shooting-bar')).toContainText('outside the maker’s range');
});

test('what a typed change asks, a press asks too: bolts out with the travel unknown', async ({
  page,
  app,
}) => {
  await openBench(page, app, 'Egret');
  // Egret knows its travel; a copy that does not is asked.
  await page.goto(`${app.address}/rack/new`);
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name, if you like').fill('Unknown travel');
  await dialog.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(title(page)).toBeVisible();
  for (const text of ['mark 36 28', 'tc 24', 'w 36 36', 'b 232 232 232', 'tt 185 mm', 'tb 170 mm'])
    await enter(page, text);
  for (const step of ['Purpose', 'Fit-out', 'Nock fit'] as const) {
    await page.getByRole('button', { name: new RegExp(`^${step}`) }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'It is so' }).click();
  }
  await page.getByRole('button', { name: /^Inspect and assemble/ }).click();
  for (const all of await page
    .getByRole('dialog')
    .getByRole('button', { name: 'All of these' })
    .all())
    await all.click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /All here/ })
    .click();
  await expect(title(page)).toHaveText('Count the turns both bolts stand out');
  await line(page).fill('top -1/8');
  await expect(echo(page)).toContainText('Nobody has counted where the bolts stand');
  await enter(page, 'bo 1 1/2');
  await expect(title(page)).toContainText('turn out');
  const before = (await app.log('Unknown travel')).length;
  await page.getByTestId('next-move').getByRole('button', { name: 'Done' }).click();
  await expect(page.getByTestId('change-asks')).toContainText('does the limb sit firm by hand?');
  await page.getByRole('button', { name: 'No: leave it' }).click();
  expect((await app.log('Unknown travel')).length).toBe(before);
  await page.getByTestId('next-move').getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'Yes to both: log it' }).click();
  await expect.poll(async () => (await app.log('Unknown travel')).length).toBeGreaterThan(before);
});

test('facts are put right where they stand, and what follows is said before', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/bench/${await app.bowId('Curlew')}?step=purpose`);
  const facts = page.getByRole('region', { name: 'Facts of this bow' });
  await facts.getByRole('button', { name: 'Correct: Hand' }).click();
  await expect(page.getByTestId('correct-hand')).toContainText(
    /\d+ plotted shots are mirrored.*typed as outward or inward stay/,
  );
  await page.getByTestId('correct-hand').getByRole('button', { name: 'Left-handed' }).click();
  await expect(facts).toContainText('left-handed');
  await expect.poll(() => lastBody(app, 'Curlew')).toMatchObject({ facts: { hand: 'left' } });
  await facts.getByRole('button', { name: 'Correct: Hook' }).click();
  await expect(page.getByTestId('correct-hook')).toContainText(/Turns stale: draw weight/);
  await page
    .getByTestId('correct-hook')
    .getByRole('button', { name: 'Three under' })
    .first()
    .click();
  await facts.getByRole('button', { name: 'Correct: Owner' }).click();
  await facts.getByLabel('Owner, put right').fill('Odin');
  await expect(facts).toContainText('longest draw has to be read again');
  await facts.getByRole('button', { name: 'Put it right' }).click();
  await expect.poll(() => lastBody(app, 'Curlew')).toMatchObject({ facts: { owner: 'Odin' } });
  await facts.getByRole('button', { name: 'Correct: Maker’s brace' }).click();
  await expect(line(page)).toHaveValue('mb ');
  await page.goto(`${app.address}/bench/${await app.bowId('Curlew')}`);
  await expect(page.getByTestId('state-drawWeight')).toContainText('stale');
  // Each of them is in the record, with its way back.
  await undoLatest(page);
  await expect.poll(() => lastBody(app, 'Curlew')).toMatchObject({ kind: 'undone' });
});

test('a tick of a list is an entry, and is there again after a reload', async ({ page, app }) => {
  await page.goto(`${app.address}/bench/${await app.bowId('Kit C')}?step=inspect`);
  const box = page.getByRole('checkbox', { name: /Bow square/ });
  await box.check();
  await expect
    .poll(() => lastBody(app, 'Kit C'))
    .toMatchObject({ kind: 'listTicked', list: 'tools', items: ['square'] });
  await page.reload();
  await expect(page.getByRole('checkbox', { name: /Bow square/ })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: /Draw scale/ })).not.toBeChecked();
});

test('a new string with too few twists, a shaft too short, are refused in the form or written down as done', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/bench/${await app.bowId('Heron')}?step=fitOut`);
  await page.getByRole('button', { name: 'New string' }).click();
  const string = page.getByRole('form', { name: 'Change: string' });
  await string.getByLabel('Twists').fill('2');
  await expect(page.getByTestId('item-against')).toContainText('16 to 49 is safe');
  await expect(string.getByRole('button', { name: 'Put it on' })).toBeDisabled();
  await string.getByLabel('Twists').fill('24');
  await expect(string.getByRole('button', { name: 'Put it on' })).toBeEnabled();
  await string.getByRole('button', { name: 'Leave it' }).click();
  await page.getByRole('combobox').selectOption('shaft');
  const shaft = page.getByRole('form', { name: 'Change: shaft' });
  await shaft.getByLabel('Length, mm').fill('26 in');
  await shaft.getByLabel('Diameter, mm').fill('5,6');
  await shaft.getByLabel('Point, gr').fill('100 gr');
  await expect(page.getByTestId('item-against')).toContainText('a shaft of 660 mm');
  await page.getByLabel('I have already done it, because').fill('bought so');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect
    .poll(() => lastBody(app, 'Heron'))
    .toMatchObject({ kind: 'itemFitted', item: 'shaft', despite: 'bought so' });
  await page.keyboard.press('Escape');
  await expect(title(page)).toHaveText('Do not shoot this shaft');
});

test('a bow in parts is not shot: no distance is offered before it was looked over', async ({
  page,
  app,
}) => {
  await openRange(page, app, 'Kit A');
  await expect(page.getByTestId('shooting-bar')).toContainText('nobody has looked it over');
  await expect(page.getByRole('button', { name: 'Start shooting' })).toBeDisabled();
  const answer = await fetch(`${app.address}/api/bows/${await app.bowId('Kit A')}/entries`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({
      entries: [
        {
          id: crypto.randomUUID(),
          bowId: await app.bowId('Kit A'),
          at: new Date().toISOString(),
          by: 'Test',
          body: {
            kind: 'sessionOpened',
            sessionId: crypto.randomUUID(),
            distanceM: 60,
            toleranceMm: 40,
            toleranceWhy: '',
            buttMm: 1220,
          },
        },
      ],
    }),
  });
  expect(answer.status).toBe(422);
  expect(((await answer.json()) as { code: string }).code).toBe('notToBeShot');
});

test('a comma at the butt is asked about where it could be either', async ({ page, app }) => {
  await openRange(page, app, 'Curlew');
  await line(page).fill('f 4,9 -1,1');
  await expect(echo(page)).toContainText('Is a comma the decimal sign here?');
  await line(page).press('Enter');
  await expect(line(page)).toHaveValue('f 4,9 -1,1');
  await echo(page)
    .getByRole('button', { name: /^One shot/ })
    .click();
  await expect(line(page)).toHaveValue('f 4.9,-1.1');
  await line(page).fill('b 222,5');
  await echo(page)
    .getByRole('button', { name: /^Brace height 222\.5/ })
    .click();
  await expect
    .poll(() => lastBody(app, 'Curlew'))
    .toMatchObject({ kind: 'reading', reading: 'braceHeight', values: [222.5] });
  await line(page).fill('bare 219,5');
  await expect(echo(page)).toContainText('off this butt');
  await echo(page)
    .getByRole('button', { name: /^21\.9,0\.5/ })
    .click();
  await expect(line(page)).toHaveValue('bare 21.9,0.5');
  await line(page).press('Enter');
  await expect
    .poll(() => lastBody(app, 'Curlew'))
    .toMatchObject({ kind: 'shotPlaced', arrow: 'bare' });
});
