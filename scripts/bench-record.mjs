import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { chromium } from '@playwright/test';
import { ensureBuilt, ensurePackages, ensureTestPrograms } from './ensure.mjs';

/**
 * What it costs to open the record of a long log beside that of a short one: the page's own processor
 * time from the press on the tab until its first lines stand, the bow folded before. In one run, as a ratio.
 */
const { values } = parseArgs({ options: { seed: { type: 'string', default: '1' } } });
const SHORT = 500;
const LONG = 20_000;
const MOST_TIMES = 1.5;
const ROUNDS = 9;
const BATCH = 100;

ensurePackages();
ensureTestPrograms();
ensureBuilt();

const folder = mkdtempSync(join(tmpdir(), 'keen-limb-bench-'));
const server = spawn(process.execPath, ['dist/server/main.js'], {
  env: { ...process.env, PORT: '0', KEEN_LIMB_DB: join(folder, 'record.db') },
  stdio: ['ignore', 'pipe', 'inherit'],
});
const address = await new Promise((resolve) => {
  server.stdout.on('data', (chunk) => {
    const found = /(http:\/\/localhost:\d+)/.exec(String(chunk));
    if (found) resolve(found[1]);
  });
});
try {
  if (!(await measure())) process.exitCode = 1;
} finally {
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}

async function measure() {
  const short = await makeBow('Short', SHORT);
  const long = await makeBow('Long', LONG);
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'],
  });
  const costs = { short: [], long: [] };
  for (let round = 0; round < ROUNDS; round += 1)
    // Turn about, so that neither has the warmer machine.
    for (const which of round % 2 === 0 ? ['short', 'long'] : ['long', 'short'])
      costs[which].push(await costMs(browser, which === 'short' ? short : long));
  await browser.close();
  const middle = (all) => all.toSorted((one, other) => one - other)[all.length >> 1];
  const times = middle(costs.long) / middle(costs.short);
  console.log(
    `opening a record of ${LONG} entries: ${times.toFixed(2)} times that of ${SHORT} (bound ${MOST_TIMES}); ${middle(costs.long).toFixed(0)} and ${middle(costs.short).toFixed(0)} ms of processor, medians of ${ROUNDS}, seed ${values.seed}`,
  );
  return times <= MOST_TIMES;
}

/** The page's own processor time to open the record from the bench, ms. */
async function costMs(browser, bowId) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto(`${address}/bench/${bowId}`);
  await page.getByTestId('next-move').waitFor({ timeout: 60_000 });
  // Once before, so that its code is there and compiled: what is measured is the log.
  const tab = (name) => page.getByRole('link', { name, exact: true }).first();
  await tab('Record').click();
  await page.locator('[data-line]').first().waitFor();
  await page.waitForTimeout(2500);
  await tab('Bench').click();
  await page.getByTestId('next-move').waitFor();
  await page.waitForTimeout(2500);
  const session = await context.newCDPSession(page);
  await session.send('Performance.enable');
  const spent = async () => {
    const { metrics } = await session.send('Performance.getMetrics');
    return 1000 * metrics.find(({ name }) => name === 'TaskDuration').value;
  };
  const before = await spent();
  await tab('Record').click();
  await page.locator('[data-line]').first().waitFor();
  const cost = (await spent()) - before;
  await context.close();
  return cost;
}

/** A bow with so many entries: readings, changes, sessions with their shots, notes. */
async function makeBow(name, count) {
  const bowId = randomUUID();
  const [made] = (await (await fetch(`${address}/api/bows/${await heronId()}/entries`)).json())
    .entries;
  let seed = Number(values.seed);
  const uniform = () => {
    seed = (seed * 48_271) % 2_147_483_647;
    return seed / 2_147_483_647;
  };
  let atMs = Date.now() - count * 60_000;
  let sessionId = null;
  const bodyOf = (at) => {
    if (at === 0) return { ...made.body, name };
    const place = at % 50;
    if (place === 1) {
      sessionId = randomUUID();
      return {
        kind: 'sessionOpened',
        sessionId,
        distanceM: 18,
        toleranceMm: 40,
        toleranceWhy: 'agreed',
        despite: 'made up for a measurement',
        buttMm: 1200,
      };
    }
    if (place > 1 && place < 20)
      return {
        kind: 'shotPlaced',
        sessionId,
        shotId: randomUUID(),
        endNumber: 1 + Math.floor((place - 2) / 6),
        arrow: place % 3 === 0 ? 'bare' : 'fletched',
        outwardMm: Math.round(60 * uniform() - 30),
        upMm: Math.round(60 * uniform() - 30),
        calledBad: false,
      };
    if (place === 20) return { kind: 'sessionClosed', sessionId };
    if (place === 21) return { kind: 'note', text: `evening ${at}` };
    if (place % 6 === 0)
      return {
        kind: 'change',
        control: 'nockingPoint',
        amount: place % 12 === 0 ? 0.5 : -0.5,
        because: 'by the shots',
      };
    return {
      kind: 'reading',
      reading: place % 2 === 0 ? 'braceHeight' : 'nockingHeight',
      values: [place % 2 === 0 ? 218 + uniform() : 5 + uniform()],
      typed: 'b',
      datum: 'throat',
      tool: 'club square',
      source: 'measured',
      confirmedUnlikely: false,
    };
  };
  for (let at = 0; at < count; ) {
    const entries = [];
    for (; entries.length < BATCH && at < count; at += 1) {
      atMs += 60_000;
      const taken = { ms: atMs, device: 'bench', count: at };
      const when = new Date(atMs).toISOString();
      entries.push({ id: randomUUID(), bowId, at: when, by: 'bench', body: bodyOf(at), taken });
    }
    const answer = await fetch(`${address}/api/bows/${bowId}/entries`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ entries }),
    });
    // Read whatever it says: an answer nobody reads keeps its connection to itself.
    const said = await answer.text();
    if (!answer.ok) throw new Error(said);
  }
  return bowId;
}

async function heronId() {
  const { bows } = await (await fetch(`${address}/api/bows`)).json();
  return bows.find(({ name }) => name === 'Heron').bowId;
}
