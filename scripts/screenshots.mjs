import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { ensureBuilt, ensureChromium, ensurePackages } from './ensure.mjs';

/** Takes one picture of each main view from the demo data, into docs/screenshots. */
const WIDE = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

ensurePackages();
ensureChromium();
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
  executablePath: '/usr/bin/chromium',
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

async function enter(page, text) {
  await page.fill('#entry-line', text);
  await page.keyboard.press('Enter');
  await page.waitForTimeout(250);
}

await picture('rack', '/rack');
await picture('new-bow', '/rack/new');
await picture('bench', `/bench/${idOf('Heron')}`);
await picture('bench-night', `/bench/${idOf('Curlew')}`, { theme: 'night' });
await picture('behind-left', `/bench/${idOf('Heron')}?sight=behind`);
await picture('behind-right', `/bench/${idOf('Curlew')}?sight=behind`);
await picture('above', `/bench/${idOf('Heron')}?sight=above`);
await picture('assembly', `/bench/${idOf('Kit A')}?step=inspect`);
await picture('fit-out', `/bench/${idOf('Heron')}?step=fitOut`, {
  steps: (page) => page.getByRole('button', { name: 'New string' }).click(),
});
await picture('how-to', `/bench/${idOf('Egret')}`, {
  steps: (page) => page.fill('#entry-line', 'tt 7 1/16 near'),
});
await picture('behind-phone', `/bench/${idOf('Heron')}?sight=behind`, {
  size: PHONE,
  steps: (page) => page.getByTestId('behind').scrollIntoViewIfNeeded(),
});
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
await picture('bench-phone', `/bench/${idOf('Kestrel')}`, { size: PHONE, theme: 'sun' });

await browser.close();
server.kill();
rmSync(folder, { recursive: true, force: true });
