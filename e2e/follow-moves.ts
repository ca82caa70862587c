import type { Locator, Page } from '@playwright/test';
import { typedAnswer } from '#core/simulate/typed-answer.ts';
import type { SimulatedBow } from '#core/simulate/simulated-bow.ts';
import type { Control } from '#core/craft/controls.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { countedBand } from '#core/setup/counted-band.ts';
import { pooledValue } from '#core/setup/pooled-value.ts';
import { beyondBand } from '#core/order/step-states.ts';
import { targetFor, type TargetId } from '#core/setup/targets.ts';
import { allStored, type App, echo, expect, openBench } from './app.ts';

export const MOST_MOVES = 90;

export type Way = 'mouse' | 'touch' | 'keyboard';

/** A walk is some forty moves: it would spend its time between looks. */
const OFTEN = { intervals: [30, 60, 100], timeout: 15_000 };

/** Presses a button the way this hand does. */
async function press(button: Locator, way: Way): Promise<void> {
  if (way === 'touch') await button.tap();
  else if (way === 'mouse') await button.click();
  else {
    await button.focus();
    await button.press('Enter');
  }
}

/** Who follows the moves, on which bow, and how. */
export interface Follower {
  readonly name: string;
  readonly bow: SimulatedBow;
  readonly way: Way;
  readonly crawlMm?: number;
  readonly hasScale?: boolean;
}

/** Presses the one button of the next move and does what it says on the simulated bow. */
export async function followOne(
  page: Page,
  app: App,
  { name, bow, way, crawlMm = 0, hasScale = true }: Follower,
): Promise<void> {
  const line = page.getByRole('textbox', { name: 'Entry line' });
  const action = await page.getByTestId('next-move').getAttribute('data-action');
  const logged = (await app.stored(name)).length;
  const hasMore = async () => (await app.stored(name)).length > logged;
  const isLogged = async () => {
    await expect.poll(hasMore, OFTEN).toBe(true);
    // Several entries of one press are sent together, or one after the other.
    await allStored(page);
  };
  const without = page.getByRole('button', { name: 'No scale here' });
  if (!hasScale && (await without.isVisible())) {
    await press(without, way);
    await isLogged();
    return;
  }
  await press(page.getByTestId('next-move').locator('.btn'), way);
  const dialog = page.getByRole('dialog');
  if (action === 'openArrows') {
    await press(dialog.getByRole('button', { name: /^Lay out spine/ }), way);
    await press(page.getByRole('button', { name: `Put it on ${name}` }), way);
    await isLogged();
    await openBench(page, app, name);
    return;
  }
  if (action === 'openSearch') {
    // Found already: the step takes the tuner's word.
    const bowId = await app.bowId(name);
    await page.goto(`${app.address}/bench/${bowId}?step=braceSearch`);
    await press(dialog.getByRole('button', { name: 'It is so' }), way);
    await isLogged();
    await openBench(page, app, name);
    return;
  }
  if (action === 'openStep') {
    await expect(dialog).toBeVisible();
    for (const all of await dialog.getByRole('button', { name: 'All of these' }).all())
      await press(all, way);
    await press(dialog.getByRole('button', { name: /All here|It is so/ }).first(), way);
    await expect(dialog).toHaveCount(0);
  } else if (action === 'change') {
    const asks = page.getByTestId('change-asks');
    await expect.poll(async () => (await asks.isVisible()) || (await hasMore()), OFTEN).toBe(true);
    if (await asks.isVisible()) await press(dialog.getByRole('button', { name: /log it/ }), way);
  } else if (action === 'enterReading') {
    await expect(line).not.toHaveValue('');
    await line.fill(typedAnswer(bow, (await line.inputValue()).trim(), crawlMm));
    const question = echo(page).getByRole('group');
    if (await question.isVisible()) await press(question.getByRole('button').last(), way);
    else if (way === 'touch') await page.getByRole('button', { name: 'Enter stores it' }).tap();
    else await line.press('Enter');
    await expect(line).toHaveValue('');
  }
  await isLogged();
  const changes = (await app.stored(name))
    .slice(logged)
    .flatMap(({ body }) =>
      body['kind'] === 'change'
        ? [{ control: body['control'] as Control, amount: body['amount'] as number }]
        : [],
    );
  if (changes.length > 0) bow.move(changes);
}

const JUDGED: readonly TargetId[] = [
  'drawWeight',
  'braceHeight',
  'tiller',
  'limbLineTop',
  'limbLineBottom',
  'limbLineRod',
  'restHeight',
  'nockingHeight',
  'centreShotAtPoint',
];

/** What was read last, or is known from all readings together, and lies outside its band. */
export function outOfBand(state: BowState | null): readonly string[] {
  if (state === null) return ['no bow'];
  return JUDGED.flatMap((id) => {
    const target = targetFor(state, id);
    const last = id === 'tiller' ? null : state.readings.get(id)?.at(-1)?.mean;
    const value = pooledValue(state, id) ?? last ?? null;
    if (target === null || value === null) return [];
    return beyondBand(value, countedBand(state, id, target)) === 0 ? [] : [`${id} ${value}`];
  });
}
