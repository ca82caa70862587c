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
  const page = await browser.newPage({ viewport });
  await page.goto(`${address}/rack`);
  for (const [which, name] of [
    ['a short log, first', 'Wren'],
    [`${LONG_LOG} entries`, 'Heron'],
    ['a short log', 'Curlew'],
  ]) {
    const { ready, advised } = await openedBench(page, name);
    console.log(
      `bench of ${which}: drawn and ready for the hand ${ready} ms after its log arrived, next move ${advised} ms`,
    );
    if (name === 'Heron')
      console.log(`  a reading stored on it: shown ${await storedMs(page)} ms after Enter`);
    await page.getByRole('link', { name: 'Keen Limb, to the rack' }).click();
  }
  // Who looks at a bow before opening it has its log already: a program just started, first bench of all.
  const fresh = await (await browser.newContext({ viewport })).newPage();
  await fresh.goto(`${address}/rack`);
  await fresh.locator('[data-bow="Heron"]').hover();
  await fresh.waitForTimeout(600);
  const { sincePressed } = await openedBench(fresh, 'Heron');
  console.log(
    `bench of ${LONG_LOG} entries, looked at before it was opened: ready ${sincePressed} ms after the press`,
  );
  await browser.close();
}

/** Opens a bow's bench from the rack. Milliseconds after its log arrived, and after the press. */
async function openedBench(page, name) {
  await page.locator(`[data-bow="${name}"]`).waitFor();
  await page.evaluate(() => {
    performance.clearMarks();
    const there = (what) => document.querySelector(what) !== null;
    let seen = false;
    document.addEventListener('click', () => performance.mark('pressed'), {
      capture: true,
      once: true,
    });
    const watcher = new MutationObserver(() => {
      if (!seen && there('#entry-line') && there('[data-reading]')) {
        seen = true;
        // Handlers are attached in the same commit; the next frame shows it.
        requestAnimationFrame(() => performance.mark('interactive'));
      }
      if (!there('[data-testid="next-move"]')) return;
      watcher.disconnect();
      requestAnimationFrame(() => performance.mark('advised'));
    });
    watcher.observe(document.body, { childList: true, subtree: true });
  });
  await page.locator(`[data-bow="${name}"]`).click();
  await page.waitForFunction(() => performance.getEntriesByName('advised').length > 0);
  return page.evaluate(() => {
    const log = performance
      .getEntriesByType('resource')
      .findLast(({ name: url }) => url.endsWith('/entries'));
    const at = (mark) => performance.getEntriesByName(mark)[0].startTime;
    // Pointing at a bow fetches its log: it may be here before the press.
    const arrived = Math.max(log.responseEnd, at('pressed'));
    return {
      ready: Math.round(at('interactive') - arrived),
      advised: Math.round(at('advised') - arrived),
      sincePressed: Math.round(at('interactive') - at('pressed')),
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
