import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { randomUUID } from 'node:crypto';
import { chromium } from '@playwright/test';
import { ensureBuilt, ensureChromium, ensurePackages, run } from './ensure.mjs';

const LONG_LOG = 5000;

/** Measurements: the core as ratios within one run, and how soon a second start answers. */
ensurePackages();
ensureBuilt();
run('npx', [
  '--no-install',
  'vite',
  'build',
  '--ssr',
  'bench/core-ratios.ts',
  '--outDir',
  'dist/bench',
  '--logLevel',
  'warn',
]);
run(process.execPath, ['dist/bench/core-ratios.js']);

const folder = mkdtempSync(join(tmpdir(), 'keen-limb-'));
for (const which of ['first start, demo club written', 'second start']) {
  const begun = performance.now();
  const start = spawn('npm', ['start', '--silent'], {
    env: { ...process.env, PORT: '0', KEEN_LIMB_DB: join(folder, 'bench.db') },
    stdio: ['ignore', 'pipe', 'ignore'],
    detached: true,
  });
  const address = await new Promise((resolve) => {
    start.stdout.on('data', (chunk) => {
      const found = /(http:\/\/localhost:\d+)/.exec(String(chunk));
      if (found) resolve(found[1]);
    });
  });
  await fetch(`${address}/rack`);
  console.log(`${which} to the first page: ${Math.round(performance.now() - begun)} ms`);
  process.kill(-start.pid, 'SIGTERM');
  await new Promise((resolve) => start.once('exit', resolve));
}
await longLogOnTheBench();
rmSync(folder, { recursive: true, force: true });

/** A bow with 5,000 entries: from its log arriving in the page to the next move on the screen. */
async function longLogOnTheBench() {
  ensureChromium();
  const server = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, PORT: '0', KEEN_LIMB_DB: join(folder, 'long.db') },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const address = await new Promise((resolve) => {
    server.stdout.on('data', (chunk) => {
      const found = /(http:\/\/localhost:\d+)/.exec(String(chunk));
      if (found) resolve(found[1]);
    });
  });
  try {
    await measureLongLog(address);
  } finally {
    server.kill();
  }
}

async function measureLongLog(address) {
  const { bows } = await (await fetch(`${address}/api/bows`)).json();
  const bowId = bows.find((bow) => bow.name === 'Heron').bowId;
  const known = (await (await fetch(`${address}/api/bows/${bowId}/entries`)).json()).entries;
  const readings = known.filter(({ body }) => body.kind === 'reading');
  for (let made = known.length; made < LONG_LOG; ) {
    const entries = Array.from({ length: Math.min(100, LONG_LOG - made) }, (_, index) => ({
      id: randomUUID(),
      bowId,
      at: new Date().toISOString(),
      by: 'bench',
      body:
        index % 5 === 4
          ? { kind: 'change', control: 'twists', amount: index % 10 === 4 ? 1 : -1, because: '' }
          : readings[(made + index) % readings.length].body,
    }));
    const answer = await fetch(`${address}/api/bows/${bowId}/entries`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ entries }),
    });
    if (!answer.ok) throw new Error(await answer.text());
    made += entries.length;
  }
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'],
  });
  const viewport = { width: 1280, height: 800 };
  const page = await (await browser.newContext({ viewport })).newPage();
  await page.goto(`${address}/rack`);
  const wren = page.locator('[data-bow="Wren"]');
  await wren.waitFor();
  report('a short log, first bench of all', await openedBench(page, 'Wren', () => wren.click()));
  // Another bow is taken from the menu: its log is asked for only now.
  for (const [what, name] of [
    [`${LONG_LOG} entries`, 'Heron'],
    ['a short log', 'Curlew'],
  ]) {
    await page.getByRole('button', { name: /take another bow/ }).click();
    report(
      what,
      await openedBench(page, name, () =>
        page.getByRole('menuitem', { name: new RegExp(name) }).click(),
      ),
    );
    if (name === 'Heron')
      console.log(`  a reading stored on it: shown ${await storedMs(page)} ms after Enter`);
  }
  await page.context().close();

  // The bow used last is fetched while the rack is looked at.
  const again = await (await browser.newContext({ viewport })).newPage();
  await again.goto(`${address}/rack`);
  const heron = again.locator('[data-bow="Heron"]');
  await heron.waitFor();
  await again.waitForTimeout(1000);
  report(
    `${LONG_LOG} entries, the bow used last, first bench of all`,
    await openedBench(again, 'Heron', () => heron.click()),
  );
  await browser.close();
}

function report(what, { ready, advised }) {
  console.log(
    `bench of ${what}: drawn and ready for the hand ${ready} ms after press and log were there, next move ${advised} ms`,
  );
}

/** Opens a bench by a press. Milliseconds from when both the press and the log were there. */
async function openedBench(page, name, press) {
  await page.evaluate((wanted) => {
    performance.clearMarks();
    const isDrawn = () =>
      document.querySelector('h1')?.textContent === `Bench: ${wanted}` &&
      ['#entry-line', '[data-reading]'].every((what) => document.querySelector(what) !== null);
    let seen = false;
    document.addEventListener('click', () => performance.mark('pressed'), {
      capture: true,
      once: true,
    });
    const watcher = new MutationObserver(() => {
      if (!isDrawn()) return;
      if (!seen) {
        seen = true;
        // Handlers are attached in the same commit; the next frame shows it.
        requestAnimationFrame(() => performance.mark('interactive'));
      }
      if (document.querySelector('[data-testid="next-move"]') === null) return;
      watcher.disconnect();
      requestAnimationFrame(() => performance.mark('advised'));
    });
    watcher.observe(document.body, { childList: true, subtree: true });
  }, name);
  await press();
  await page.waitForFunction(() => performance.getEntriesByName('advised').length > 0);
  return page.evaluate(() => {
    const log = performance
      .getEntriesByType('resource')
      .findLast(({ name: url }) => url.endsWith('/entries'));
    const at = (mark) => performance.getEntriesByName(mark)[0].startTime;
    const begun = Math.max(log.responseEnd, at('pressed'));
    return {
      ready: Math.round(at('interactive') - begun),
      advised: Math.round(at('advised') - begun),
    };
  });
}

/** From Enter to the line that says it is logged, the whole page folded and drawn anew. */
async function storedMs(page) {
  await page.fill('#entry-line', 'b 217');
  return page.evaluate(
    () =>
      new Promise((resolve) => {
        const begun = performance.now();
        new MutationObserver((_, watcher) => {
          if (!document.querySelector('[data-testid="echo"]').textContent.startsWith('Logged'))
            return;
          watcher.disconnect();
          requestAnimationFrame(() => resolve(Math.round(performance.now() - begun)));
        }).observe(document.body, { childList: true, subtree: true, characterData: true });
        document.getElementById('entry-line').form.requestSubmit();
      }),
  );
}
