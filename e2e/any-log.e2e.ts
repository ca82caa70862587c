import fc from 'fast-check';
import { v7 as newId } from 'uuid';
import { anyLog, underOwnIds } from '#contract/fixtures/any-log.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { expect, test } from './app.ts';

/** A page that says one of these has reckoned with something that is no number. */
const NONSENSE = /\b(NaN|undefined|Infinity)\b|\[object/;

for (const seed of [1, 2, 3])
  test(`bench and range open whatever was logged, ${seed}`, async ({ page, app }) => {
    test.slow();
    for (const log of fc.sample(anyLog, { numRuns: 3, seed })) {
      const entries = underOwnIds(log, newId);
      const bowId = entries[0]!.bowId;
      const kept: LoggedEntry[] = [];
      for (const { seq: _seq, ...entry } of entries) {
        const answer = await fetch(`${app.address}/api/bows/${bowId}/entries`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ entries: [entry] }),
        });
        if (answer.status === 201) kept.push({ ...entry, seq: 1 });
      }
      for (const sight of ['side', 'behind', 'above']) {
        await page.goto(`${app.address}/bench/${bowId}?sight=${sight}`);
        await expect(page.getByTestId('next-move').or(page.getByText('Done'))).not.toHaveCount(0);
        await expect(page.locator('main, #root').first()).not.toContainText(NONSENSE);
      }
      const sessions = kept.flatMap(({ body }) =>
        body.kind === 'sessionOpened' ? [body.sessionId] : [],
      );
      for (const sessionId of sessions) {
        await page.goto(`${app.address}/range/${bowId}?session=${sessionId}`);
        await expect(page.getByTestId('plot')).toBeVisible();
        await expect(page.locator('main, #root').first()).not.toContainText(NONSENSE);
      }
    }
  });
