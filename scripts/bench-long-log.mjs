import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { chromium } from '@playwright/test';
import { ensureTestPrograms } from './ensure.mjs';

const LONG_LOG = 5000;
/** Each bench is opened this often: one opening says more of the machine's neighbours than of us. */
const ROUNDS = 7;
/** Nobody asks the page anything in this time: the driver's own code would run where ours is timed. */
const LEFT_ALONE_MS = 1500;
/** By then the browser has the whole program, and keeps it compiled. */
const SETTLED_MS = 3000;

/**
 * A bow with 5,000 entries: from its log arriving in the page to the next move on the screen.
 *
 * @param database a path nothing is at yet
 */
export async function longLogOnTheBench(database) {
  ensureTestPrograms();
  const server = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, PORT: '0', KEEN_LIMB_DB: database },
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
    executablePath: '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'],
  });
  const figures = new Map();
  const note = (what, ms) => figures.set(what, [...(figures.get(what) ?? []), ms]);
  const noteOpened = (what, { ready, readyFromLastByte, advised }) => {
    note(`${what}: drawn and ready for the hand`, ready);
    if (readyFromLastByte !== ready)
      note(`${what}: the same from the last byte`, readyFromLastByte);
    note(`${what}: next move shown`, advised);
  };
  for (let round = 0; round < ROUNDS; round += 1) {
    const visit = async (walk) => {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      await context.addInitScript(watchBench);
      await walk(await context.newPage());
      await context.close();
    };
    // Another bow is taken from the menu: its log is asked for only now.
    await visit(async (page) => {
      await page.goto(`${address}/rack`);
      noteOpened('short log, first bench of all, at once', await opened(page, 'Wren', rackPress));
      noteOpened(`${LONG_LOG} entries from the menu`, await opened(page, 'Heron', menuPress));
      note('a reading stored on it: shown after Enter', await storedMs(page));
      noteOpened('short log from the menu', await opened(page, 'Curlew', menuPress));
    });
    // The bow used last is fetched while the rack is looked at.
    await visit(async (page) => {
      await page.goto(`${address}/rack`);
      await page.waitForTimeout(LEFT_ALONE_MS);
      noteOpened(
        `${LONG_LOG} entries from the rack, first bench of all`,
        await opened(page, 'Heron', rackPress),
      );
      for (const which of ['reloaded once', 'reloaded twice', 'reloaded again']) {
        await page.waitForTimeout(SETTLED_MS);
        await page.reload({ waitUntil: 'commit' });
        noteOpened(`${LONG_LOG} entries, page ${which}`, await openedMs(page));
      }
    });
  }
  await browser.close();
  console.log(
    `\nOpening a bench, milliseconds after press and log were there: median of ${ROUNDS} (least to most)`,
  );
  for (const [what, all] of figures) {
    const sorted = all.toSorted((one, other) => one - other);
    console.log(`${what}: ${sorted[sorted.length >> 1]} (${sorted[0]} to ${sorted.at(-1)})`);
  }
}

/** A hand is over the name a moment before it presses; the driver's own checks of a press are over by then. */
const OVER_IT_MS = 300;
const rackPress = async (page, name) => {
  await page.locator(`[data-bow="${name}"]`).hover();
  await page.evaluate(
    ([bow, ms]) => {
      setTimeout(() => document.querySelector(`[data-bow="${bow}"]`).click(), ms);
    },
    [name, OVER_IT_MS],
  );
  await page.waitForTimeout(OVER_IT_MS);
};
const menuPress = async (page, name) => {
  await page.getByRole('button', { name: /take another bow/ }).click();
  await page.getByRole('menuitem', { name: new RegExp(name) }).click();
};

/** In the page: marks the last press, the log handed to the page, a bench drawn and its next move. */
function watchBench() {
  let shown;
  const { Response } = globalThis;
  const read = Response.prototype.arrayBuffer;
  Response.prototype.arrayBuffer = async function () {
    const bytes = await read.call(this);
    if (this.url.endsWith('/entries')) performance.mark('handed');
    return bytes;
  };
  document.addEventListener(
    'click',
    () => {
      performance.clearMarks();
      performance.mark('pressed');
    },
    { capture: true },
  );
  new MutationObserver(() => {
    const title = document.querySelector('h1')?.textContent;
    if (!title?.startsWith('Bench: ')) return;
    const drawn = ['#entry-line', '[data-reading]'].every(
      (what) => document.querySelector(what) !== null,
    );
    if (title !== shown && drawn) {
      shown = title;
      // Handlers are attached in the same commit; the next frame shows it.
      requestAnimationFrame(() => performance.mark('ready'));
    }
    const marked = (mark) => performance.getEntriesByName(mark).length > 0;
    if (!marked('ready') || marked('advised')) return;
    if (document.querySelector('[data-testid="next-move"]') !== null)
      requestAnimationFrame(() => performance.mark('advised'));
  }).observe(document, { childList: true, subtree: true });
}

async function opened(page, name, press) {
  await press(page, name);
  return openedMs(page);
}

/**
 * Milliseconds from when both the press and the log were there; a page opened anew had no press. The
 * log is there when the browser hands it to the page: while a page is starting that is some time
 * after its last byte came, which is told too.
 */
async function openedMs(page) {
  await page.waitForTimeout(LEFT_ALONE_MS);
  await page.waitForFunction(() =>
    ['ready', 'advised'].every((mark) => performance.getEntriesByName(mark).length > 0),
  );
  return page.evaluate(() => {
    const bowId = document.location.pathname.split('/').at(-1);
    const log = performance
      .getEntriesByType('resource')
      .findLast(({ name: url }) => url.endsWith(`/${bowId}/entries`));
    const at = (mark) => performance.getEntriesByName(mark)[0]?.startTime ?? 0;
    const begun = Math.max(log.responseEnd, at('handed'), at('pressed'));
    return {
      ready: Math.round(at('ready') - begun),
      readyFromLastByte: Math.round(at('ready') - Math.max(log.responseEnd, at('pressed'))),
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
