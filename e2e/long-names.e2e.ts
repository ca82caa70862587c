import type { Page } from '@playwright/test';
import { v7 as newId } from 'uuid';
import { expect, test } from './app.ts';

const LONG = 'The second long-limbed bow of the club’s own making, lent out, back in spring 26';
const UNBROKEN = 'Donaudampfschifffahrtsgesellschaftsbogenvereinsübungsbogen'.padEnd(78, 'x');

/** How far the page is wider than its window, and what text runs out of its own box unseen. */
async function overflow(page: Page): Promise<{ readonly page: number; readonly cut: string[] }> {
  return page.evaluate(() => {
    const cut = [...document.querySelectorAll('h1, h2, h3, p, li, label, button, a')]
      .filter((one) => {
        const { right, left, width } = one.getBoundingClientRect();
        const seen = width > 2 && getComputedStyle(one).visibility !== 'hidden';
        return seen && (right > innerWidth + 1 || left < -1) && one.closest('svg') === null;
      })
      .map((one) => `${one.tagName} ${one.textContent.slice(0, 40)}`);
    return { page: document.documentElement.scrollWidth - innerWidth, cut };
  });
}

for (const [kind, name] of [
  ['many words', LONG],
  ['one word', UNBROKEN],
] as const)
  for (const width of [320, 390, 1280])
    test(`a bow’s longest name, ${kind}, fits every view at ${width}`, async ({ page, app }) => {
      await page.setViewportSize({ width, height: 844 });
      const known = await app.log('Heron');
      const bowId = newId();
      const sessionId = newId();
      const bodies = [
        { ...known[0]!.body, name, owner: name, described: name },
        {
          kind: 'sessionOpened',
          sessionId,
          distanceM: 18,
          toleranceMm: 40,
          toleranceWhy: 'rule of thumb',
          buttMm: 1220,
          place: name,
          aim: name,
          arrowBuild: name,
          despite: name,
        },
        { kind: 'note', text: name },
        { kind: 'stepSkipped', step: 'proof', why: name },
        { kind: 'itemFitted', item: 'rest', described: name, touches: [] },
      ];
      const answer = await fetch(`${app.address}/api/bows/${bowId}/entries`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({
          entries: bodies.map((body) => ({
            id: newId(),
            bowId,
            at: new Date().toISOString(),
            by: 'Test',
            body,
          })),
        }),
      });
      expect(answer.status).toBe(201);
      for (const path of [
        '/rack',
        `/bench/${bowId}`,
        `/bench/${bowId}?step=fitOut`,
        `/bench/${bowId}?step=proof`,
        `/range/${bowId}?session=${sessionId}`,
        `/range/${bowId}?session=new`,
        `/rack/new`,
      ]) {
        await page.goto(`${app.address}${path}`);
        await expect(page.getByText(name.slice(0, 20)).first()).toBeAttached();
        expect(await overflow(page), path).toEqual({ page: 0, cut: [] });
      }
    });
