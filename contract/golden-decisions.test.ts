import { readFileSync, writeFileSync } from 'node:fs';
import { gunzipSync, gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import type { LoggedEntry } from '#core/log/entry.ts';
import { decisionsOf } from './fixtures/decisions.ts';

/**
 * What the program decided and said of logs kept beside it: the demo club's bows and what a generator
 * made of every kind of entry. A change that means to decide or say something else writes them anew
 * (`KEEN_LIMB_GOLDEN=write`) and says in its commit what differs and why; any other leaves them alone.
 */
const PATH = new URL('fixtures/golden/decisions.json.gz', import.meta.url).pathname;
const LOGS = new URL('fixtures/golden/logs.json.gz', import.meta.url).pathname;
const unpacked = (path: string): unknown => JSON.parse(gunzipSync(readFileSync(path)).toString());

const logs = unpacked(LOGS) as Record<string, LoggedEntry[]>;
if (process.env['KEEN_LIMB_GOLDEN'] === 'write') {
  const decided = Object.entries(logs).map(([name, log]) => [name, decisionsOf(log)]);
  writeFileSync(PATH, gzipSync(JSON.stringify(Object.fromEntries(decided)), { level: 9 }));
}
const golden = unpacked(PATH) as Record<string, unknown>;

describe('what is decided and said of a kept log', () => {
  it('covers every log, and more than a few moves', () => {
    expect(Object.keys(golden).toSorted()).toEqual(Object.keys(logs).toSorted());
    const moves = Object.values(golden).flatMap((parts) =>
      (parts as { move: { key: string } | null }[]).map(({ move }) => move?.key),
    );
    expect(new Set(moves).size).toBeGreaterThan(15);
  });
  it.each(Object.keys(logs))('is what it was: %s', (name) => {
    expect(decisionsOf(logs[name]!)).toEqual(golden[name]);
  });
});
