import type { Page, Route } from '@playwright/test';
import type { App } from './app.ts';

/** What is said of the connection, whatever fails; and that nothing is said to be logged that is not. */
export const bar = (page: Page) => page.getByTestId('waiting-bar');
export const ENTRIES = '**/api/**/entries';
export const API = '**/api/**';

export async function notesOf(app: App, bow: string): Promise<readonly string[]> {
  return (await app.log(bow)).flatMap(({ body }) =>
    body['kind'] === 'note' ? [String(body['text'])] : [],
  );
}

/** Stands in the server's place for what is sent to be stored. */
export async function instead(page: Page, answer: (route: Route) => Promise<void>): Promise<void> {
  await page.route(ENTRIES, (route) =>
    route.request().method() === 'POST' ? answer(route) : route.fallback(),
  );
}

/** It may have tried again by itself in the very moment the hand was on the button. */
export async function tryNow(page: Page): Promise<void> {
  await page
    .getByRole('button', { name: 'Try now' })
    .click({ timeout: 3000 })
    .catch(() => undefined);
}

export async function withProgramKept(page: Page): Promise<void> {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  await page.reload();
}
