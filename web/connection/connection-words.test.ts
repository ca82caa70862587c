import { describe, expect, it } from 'vitest';
import { pauseMs } from './backoff.ts';
import type { Connection } from './connection.ts';
import { connectionWords, type WaitingCount } from './connection-words.ts';

const FINE: Connection = {
  server: { kind: 'here' },
  reads: true,
  storage: 'fine',
  outOfDate: false,
};
const NONE: WaitingCount = { kept: 0, inPage: 0, sinceMs: null };
const timeOf = (ms: number) => `t${ms}`;
const say = (connection: Partial<Connection>, waiting: Partial<WaitingCount> = {}) =>
  connectionWords({ ...FINE, ...connection }, { ...NONE, ...waiting }, timeOf);

describe('the state of connection', () => {
  it('says nothing while all is well, even with a few on their way', () => {
    expect(say({})).toBeNull();
    expect(say({}, { kept: 3, sinceMs: 5 })).toBeNull();
    expect(say({}, { kept: 300, sinceMs: 5 })?.safe).toContain('300 entries wait');
  });

  it.each([
    [{ kind: 'away', sinceMs: 7 }, 'does not answer, since t7'],
    [{ kind: 'slow', sinceMs: 7 }, 'does not answer in time, since t7'],
    [{ kind: 'failing', sinceMs: 7, says: 'The disk is full.' }, 'cannot store anything, since t7'],
    [{ kind: 'notOurs', sinceMs: 7 }, 'Something else answers'],
  ] as const)('says what is the matter: %j', (server, what) => {
    const said = say({ server }, { kept: 2, sinceMs: 3 });
    expect(said?.what).toContain(what);
    expect(said?.safe).toBe('2 entries wait in this browser since t3 and will be sent once.');
    expect(said?.canTry).toBe(true);
    expect(said?.grave).toBe(false);
    expect(said?.remedy).not.toBe('');
  });

  it('gives the server’s own remedy where it has one', () => {
    expect(say({ server: { kind: 'failing', sinceMs: 1, says: 'Free space.' } })?.remedy).toBe(
      'Free space.',
    );
  });

  it('is grave when something would go with the page, and says how many', () => {
    const server = { kind: 'away', sinceMs: 1 } as const;
    const said = say({ storage: 'full', server }, { inPage: 1, kept: 2, sinceMs: 4 });
    expect(said?.grave).toBe(true);
    expect(said?.what).toMatch(/server does not answer.*storage is full/);
    expect(said?.safe).toMatch(/2 entries wait in this browser.*1 entry is in this page only/);
    expect(said?.remedy).toContain('Leave this page open');
  });

  it('with storage forbidden and the server here is no reason to fear', () => {
    const said = say({ storage: 'forbidden' });
    expect(said?.grave).toBe(false);
    expect(said?.safe).toContain('straight to the server');
  });
});

describe('pauses between attempts', () => {
  it('grow, and stay within a minute', () => {
    const pauses = [1, 2, 3, 4, 5, 6, 7, 50].map(pauseMs);
    expect(pauses).toEqual([2000, 4000, 8000, 16_000, 32_000, 60_000, 60_000, 60_000]);
    expect(pauseMs(0)).toBe(2000);
  });
});
