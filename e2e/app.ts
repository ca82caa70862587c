import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base, expect, type Page } from '@playwright/test';
import { DEMO_RECORD } from './demo-record.ts';
import { type Served, serveBeside, serveHere } from './served.ts';

export interface StoredEntry {
  readonly id: string;
  readonly at: string;
  readonly body: Record<string, unknown>;
}

/** A server of its own for every test: a fresh database with the demo club, on a free port. */
export class App {
  address = '';
  private served: Served | null = null;
  private readonly folder = mkdtempSync(join(tmpdir(), 'keen-limb-'));
  private readonly data = join(this.folder, 'data');
  private readonly file = join(this.data, 'test.db');
  private port = 0;
  private readonly withDemo: boolean;
  private readonly serve: typeof serveHere;

  constructor({ withDemo = true, serve = serveHere } = {}) {
    this.withDemo = withDemo;
    this.serve = serve;
  }

  async start(): Promise<void> {
    this.beginWithDemo();
    this.served = await this.serve({
      PORT: String(this.port),
      KEEN_LIMB_DB: this.file,
      ...(this.withDemo ? {} : { KEEN_LIMB_DEMO: 'off' }),
    });
    this.port = this.served.port;
    this.address = `http://localhost:${this.port}`;
  }

  /** A first start finds the demo club written already. */
  private beginWithDemo(): void {
    const demo = process.env[DEMO_RECORD];
    if (demo === undefined || !this.withDemo || existsSync(this.file)) return;
    mkdirSync(this.data, { recursive: true });
    copyFileSync(demo, this.file);
  }

  /** Pulls the plug, of a process of its own. */
  async kill(): Promise<void> {
    await this.served?.kill();
    this.served = null;
  }

  /** Ends the server as Ctrl-C does. */
  async stop(): Promise<void> {
    await this.served?.end();
    this.served = null;
  }

  /** Turns bytes on the disk while the server is not running, wherever the text stands. */
  spoil(text: string, instead: string): void {
    const bytes = readFileSync(this.file);
    if (!bytes.includes(text)) throw new Error(`nothing to spoil: ${text}`);
    for (let at = bytes.indexOf(text); at >= 0; at = bytes.indexOf(text, at + 1))
      bytes.write(instead, at, 'latin1');
    writeFileSync(this.file, bytes);
  }

  moveRecordAway(): void {
    renameSync(this.data, `${this.data}-away`);
  }
  moveRecordBack(): void {
    rmSync(this.data, { recursive: true, force: true });
    renameSync(`${this.data}-away`, this.data);
  }

  async end(): Promise<void> {
    await this.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }

  /** A bow just made may be on its way still. */
  async bowId(name: string): Promise<string> {
    for (let tries = 0; ; tries += 1) {
      const { bows } = (await (await fetch(`${this.address}/api/bows`)).json()) as {
        bows: { bowId: string; name: string }[];
      };
      const found = bows.find((bow) => bow.name === name);
      if (found !== undefined) return found.bowId;
      if (tries === 50) throw new Error(`no bow called ${name}`);
      await new Promise((soon) => setTimeout(soon, 100));
    }
  }

  /** Stores entries as another device would. */
  async store(bowId: string, entries: readonly unknown[]): Promise<void> {
    const answer = await fetch(`${this.address}/api/bows/${bowId}/entries`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ entries }),
    });
    if (!answer.ok) throw new Error(await answer.text());
  }

  /** A bow's log as it is stored this moment. */
  async stored(name: string): Promise<StoredEntry[]> {
    const answer = await fetch(`${this.address}/api/bows/${await this.bowId(name)}/entries`);
    return ((await answer.json()) as { entries: StoredEntry[] }).entries;
  }

  /** A bow's log once nothing more comes: what was pressed is kept by the browser first, and then sent. */
  async log(name: string): Promise<StoredEntry[]> {
    for (let known = await this.stored(name); ; ) {
      await new Promise((later) => setTimeout(later, QUIET_MS));
      const now = await this.stored(name);
      if (now.length === known.length) return now;
      known = now;
    }
  }
}

/** Nothing pressed is longer on its way than this, busy machines included. */
const QUIET_MS = 300;

/** What the browser itself says of requests that found no server: tests cut the network. */
const OF_A_CUT_NETWORK = ['Failed to load resource', 'when fetching the script'];

async function useApp(app: App, use: (app: App) => Promise<void>): Promise<void> {
  await app.start();
  await use(app);
  await app.end();
}

export const test = base.extend<{ app: App; killable: App; quiet: undefined }, { club: App }>({
  app: async ({ browserName: _browser }, use) => {
    await useApp(new App(), use);
  },
  /** The program as it is started, in a process of its own. */
  killable: async ({ browserName: _browser }, use) => {
    await useApp(new App({ serve: serveBeside }), use);
  },
  /** One server for all tests of a worker that only look: the demo club as it comes. */
  club: [
    async ({ browserName: _browser }, use) => {
      await useApp(new App(), use);
    },
    { scope: 'worker' },
  ],
  /** A page that logs an error or throws fails its test. */
  quiet: [
    async ({ page }, use) => {
      const faults: string[] = [];
      page.on('pageerror', (error) => faults.push(error.message));
      page.on('console', (message) => {
        if (message.type() !== 'error') return;
        if (!OF_A_CUT_NETWORK.some((words) => message.text().includes(words)))
          faults.push(message.text());
      });
      await use(undefined);
      expect(faults).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** A first page of a browser just begun is drawn when the machine comes to it. */
const FIRST_PAGE = { timeout: 60_000 };

export async function openBench(page: Page, app: App, bow: string): Promise<void> {
  await page.goto(`${app.address}/bench/${await app.bowId(bow)}`);
  await expect(page.getByRole('region', { name: 'Order of work' })).toBeVisible(FIRST_PAGE);
}

export async function openRange(page: Page, app: App, bow: string): Promise<void> {
  await page.goto(`${app.address}/range/${await app.bowId(bow)}?session=new`);
  await expect(page.getByTestId('plot')).toBeVisible(FIRST_PAGE);
}

/** Until nothing waits in the browser any more. */
export async function allStored(page: Page): Promise<void> {
  await expect.poll(() => page.evaluate(countWaiting)).toBe(0);
}

function countWaiting(): Promise<number> {
  return new Promise((resolve, reject) => {
    const opening = indexedDB.open('keen-limb-outbox');
    opening.onerror = () => reject(new Error('the outbox does not open'));
    opening.onsuccess = () => {
      const db = opening.result;
      const counting = db.transaction('waiting').objectStore('waiting').count();
      counting.onsuccess = () => {
        db.close();
        resolve(counting.result);
      };
    };
  });
}

/** What was written of a bow, once nothing more comes. */
export const bodies = async (app: App, bow: string) => (await app.log(bow)).map(({ body }) => body);

export const echo = (page: Page) => page.getByTestId('echo');

/** Types a line and stores it: until it is logged, or kept, or whatever else became of it. */
export async function enter(page: Page, text: string): Promise<void> {
  const line = page.getByRole('textbox', { name: 'Entry line' });
  await line.fill(text);
  await line.press('Enter');
  await expect(line).toHaveValue('');
  await expect(echo(page)).not.toContainText('On its way');
}

export const verdict = (page: Page) => page.getByTestId('verdict');

/** Two drawn frames after the last change of size or look: what follows a frame has followed. */
export async function settled(page: Page): Promise<void> {
  await page.evaluate(
    () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
  );
}
