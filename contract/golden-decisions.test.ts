import { readFileSync, writeFileSync } from 'node:fs';
import { gunzipSync, gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import type { LoggedEntry } from '#core/log/entry.ts';
import { decided, decisionsOf } from './fixtures/decisions.ts';

/**
 * What the program decided and said of logs kept beside it: the demo club's bows, what a generator
 * made of every kind of entry, and 300 simulated bows followed through set-up to the butt. A change
 * that means to decide or say something else writes them anew (`KEEN_LIMB_GOLDEN=write`) and says in
 * its commit what differs and why; any other leaves them alone.
 */
const pathOf = (name: string) =>
  new URL(`fixtures/golden/${name}.json.gz`, import.meta.url).pathname;
const unpacked = (name: string): unknown =>
  JSON.parse(gunzipSync(readFileSync(pathOf(name))).toString());
const isWritten = process.env['KEEN_LIMB_GOLDEN'] === 'write';

type Logs = Readonly<Record<string, readonly LoggedEntry[]>>;

/** What was decided of each log before, and a way to say what is decided now. */
function golden(logsIn: string, saidIn: string, say: (log: readonly LoggedEntry[]) => unknown) {
  const logs = unpacked(logsIn) as Logs;
  if (isWritten) {
    const said = Object.entries(logs).map(([name, log]) => [name, say(log)]);
    writeFileSync(pathOf(saidIn), gzipSync(JSON.stringify(Object.fromEntries(said)), { level: 9 }));
  }
  return { logs, said: unpacked(saidIn) as Readonly<Record<string, unknown>> };
}

interface Said {
  readonly move: { readonly key: string } | null;
}

describe('what is decided and said of a kept log', () => {
  const { logs, said } = golden('logs', 'decisions', decisionsOf);
  it('covers every log, and more than a few moves', () => {
    expect(Object.keys(said).toSorted()).toEqual(Object.keys(logs).toSorted());
    const moves = Object.values(said).flatMap((parts) =>
      (parts as readonly Said[]).map(({ move }) => move?.key),
    );
    expect(new Set(moves).size).toBeGreaterThan(15);
  });
  it.each(Object.keys(logs))('is what it was: %s', (name) => {
    expect(decisionsOf(logs[name]!)).toEqual(said[name]);
  });
});

describe('what is decided and said of 300 simulated bows', () => {
  const { logs, said } = golden('simulated-logs', 'simulated-decisions', decided);
  const names = Object.keys(logs);
  it('covers every bow, and more than a few moves', () => {
    expect(names).toHaveLength(300);
    const moves = names.map((name) => (said[name] as Said).move?.key);
    expect(new Set(moves).size).toBeGreaterThan(25);
  });
  it('is what it was', { timeout: 120_000 }, () => {
    for (const name of names) expect(decided(logs[name]!), name).toEqual(said[name]);
  });
});
