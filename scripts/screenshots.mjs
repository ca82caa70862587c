import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { ensureBuilt, ensureTestPrograms, ensurePackages } from './ensure.mjs';

/** Takes one picture of each main view from the demo data, into docs/screenshots. */
const WIDE = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

ensurePackages();
ensureTestPrograms();
ensureBuilt();
mkdirSync('docs/screenshots', { recursive: true });
const folder = mkdtempSync(join(tmpdir(), 'keen-limb-'));
const server = spawn(process.execPath, ['dist/server/main.js'], {
  env: { ...process.env, PORT: '0', KEEN_LIMB_DB: join(folder, 'shots.db') },
  stdio: ['ignore', 'pipe', 'inherit'],
});
const address = await new Promise((resolve) => {
  server.stdout.on('data', (chunk) => {
    const found = /(http:\/\/localhost:\d+)/.exec(String(chunk));
    if (found) resolve(found[1]);
  });
});
const { bows } = await (await fetch(`${address}/api/bows`)).json();
const idOf = (name) => bows.find((bow) => bow.name === name).bowId;
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium-headless-shell',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'],
});

async function picture(file, path, { size = WIDE, theme = 'shop', steps } = {}) {
  const page = await browser.newPage({ viewport: size });
  await page.addInitScript((chosen) => {
    localStorage.setItem('keen-limb.settings', JSON.stringify({ theme: chosen }));
  }, theme);
  await page.goto(address + path, { waitUntil: 'networkidle' });
  if (steps) await steps(page);
  await page.waitForTimeout(900);
  await page.screenshot({ path: `docs/screenshots/${file}.png` });
  await page.close();
}

/** The address of a bow's newest session of a kind. */
async function sessionOf(name, kind) {
  const { entries } = await (await fetch(`${address}/api/bows/${idOf(name)}/entries`)).json();
  const opened = entries.findLast(
    ({ body }) => body.kind === 'sessionOpened' && (body.sessionKind ?? 'bareShaft') === kind,
  );
  return `/range/${idOf(name)}?session=${opened.body.sessionId}`;
}

/** Paints a butt as a camera beside it sees it, and marks it as a tuner would. */
async function markPhoto(page) {
  const seen = ([x, y]) => {
    const [yaw, pitch] = [0.32, -0.2];
    const z1 = x * Math.sin(yaw);
    const y2 = y * Math.cos(pitch) - z1 * Math.sin(pitch);
    const z2 = y * Math.sin(pitch) + z1 * Math.cos(pitch) + 1250;
    return [1024 + (1800 * x * Math.cos(yaw)) / z2, 768 - (1800 * y2) / z2];
  };
  const corners = [
    [-400, 400],
    [400, 400],
    [400, -400],
    [-400, -400],
  ].map(seen);
  const holesMm = Array.from({ length: 9 }, (_, hole) => [
    52 * Math.cos(hole * 2.4) * Math.sqrt(hole + 1) + (hole > 5 ? 120 : 0),
    52 * Math.sin(hole * 2.4) * Math.sqrt(hole + 1),
  ]);
  const painted = await page.evaluate(
    ([sheet, holes]) => {
      const canvas = document.createElement('canvas');
      canvas.width = 2048;
      canvas.height = 1536;
      const context = canvas.getContext('2d');
      context.fillStyle = '#a58f68';
      context.fillRect(0, 0, 2048, 1536);
      context.fillStyle = '#ece7da';
      context.beginPath();
      for (const [x, y] of sheet) context.lineTo(x, y);
      context.fill();
      context.fillStyle = '#241c14';
      for (const [x, y] of holes) {
        context.beginPath();
        context.arc(x, y, 7, 0, 7);
        context.fill();
      }
      return canvas.toDataURL('image/jpeg', 0.9).split(',')[1];
    },
    [corners, holesMm.map(seen)],
  );
  await page.getByLabel('Picture of the butt').setInputFiles({
    name: 'butt.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from(painted, 'base64'),
  });
  const mark = async (testId, [x, y]) => {
    const picture = page.getByTestId(testId);
    await picture.waitFor();
    const position = await picture.evaluate(
      (svg, at) => {
        const view = svg.viewBox.baseVal;
        const box = svg.getBoundingClientRect();
        return {
          x: ((at[0] - view.x) / view.width) * box.width,
          y: ((at[1] - view.y) / view.height) * box.height,
        };
      },
      [x, y],
    );
    await picture.click({ position });
  };
  for (const corner of corners) await mark('butt-picture', corner);
  for (const [hole, [x, y]] of holesMm.entries()) {
    if (hole === 6) await page.getByRole('radio', { name: 'Bare' }).last().click();
    await mark('straight-picture', [x, -y]);
  }
}

async function enter(page, text) {
  await page.fill('#entry-line', text);
  await page.keyboard.press('Enter');
  await page.waitForTimeout(250);
}

await picture('rack', '/rack');
await picture('new-bow', '/rack/new');
await picture('bench', `/bench/${idOf('Heron')}`);
await picture('behind-left', `/bench/${idOf('Heron')}?sight=behind`);
await picture('assembly', `/bench/${idOf('Kit A')}?step=inspect`);
await picture('record', `/record/${idOf('Heron')}`, {
  size: { width: 1280, height: 1000 },
  steps: (page) => page.locator('[data-line]').nth(1).getByRole('button').first().click(),
});
await picture('tune-card', `/record/${idOf('Curlew')}?show=card`, {
  size: { width: 1280, height: 900 },
});
await picture('arrows', `/arrows/${idOf('Kestrel')}`, {
  size: { width: 1280, height: 1000 },
  theme: 'night',
});
await picture('shaft-to-buy', `/arrows/${idOf('Rook')}?sheet=buy`, { size: PHONE });
await picture('range', `/range/${idOf('Heron')}?session=new`, {
  steps: async (page) => {
    await enter(page, 'f -1.5,3.1 -0.1,-1.3 -2.9,1.3 0.3,2.7 -2.3,-1.4 -6.6,-5.6');
    await page.focus('[data-testid=plot]');
    await page.keyboard.press('c');
    await enter(page, 'b 5.1,-2.5 5.8,1.3 6.2,-1.1');
    await page.keyboard.press('Escape');
    await page.focus('[data-testid=plot]');
    await page.keyboard.press('e');
    await page.keyboard.press('f');
    await enter(page, 'f -1.1,1.2 0.4,-0.6 -2,0.4 -0.6,2.2 -1.9,-0.9 0.6,0.8');
    await enter(page, 'b 5.6,0.4 4.9,-1.2 6.4,0.9');
    await page.focus('[data-testid=plot]');
    await page.keyboard.type('a4');
    await page.keyboard.press('ArrowLeft');
    await page.waitForTimeout(800);
    await page.evaluate(() => document.activeElement?.blur());
  },
});
await picture('range-phone', `/range/${idOf('Heron')}`, { size: PHONE });
await picture('walk-back', await sessionOf('Curlew', 'walkBack'));
await picture('fine-tuning', await sessionOf('Curlew', 'fineTuning'));
await picture('quiet-height', `/range/${idOf('Kit C')}?search=brace`);
await picture('quiet-height-settled', `/range/${idOf('Heron')}?search=brace`, {
  size: { width: 1280, height: 1000 },
  steps: (page) => page.getByRole('button', { name: /^Search of/ }).click(),
});
await picture('marks', `/range/${idOf('Curlew')}?marks=read`, {
  steps: (page) => page.getByTestId('marks-table').waitFor(),
});
await picture('photo', `/range/${idOf('Heron')}?session=new&sheet=photo`, { steps: markPhoto });
await picture('bench-phone', `/bench/${idOf('Kestrel')}`, { size: PHONE, theme: 'sun' });

// Last: it changes Heron.
await picture('stop', `/bench/${idOf('Heron')}`, {
  steps: async (page) => {
    await enter(page, 'top -2 done turned by its owner');
    await page.evaluate(() => document.activeElement?.blur());
  },
});

await browser.close();
server.kill();
rmSync(folder, { recursive: true, force: true });
