import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { gainOf } from '../gains/learned-gains.ts';
import { readEntryLine } from './read-entry-line.ts';

/** A bow read once, then turned. */
function turned(...changes: readonly ['twists' | 'topBolt' | 'bottomBolt', number][]): BowLog {
  const log = new BowLog();
  log.read('braceHeight', 215);
  log.read('tillerTop', 180);
  log.read('drawWeight', 150);
  for (const [control, amount] of changes)
    log.add({ kind: 'change', control, amount, because: '' });
  return log;
}
const ask = (log: BowLog, text: string) => readEntryLine(text, log.state);

describe('a reading that went the way a turn cannot send it', () => {
  it('is asked about, with the turn and its size in words', () => {
    const line = ask(turned(['twists', 3]), 'b 210 mm');
    expect(line).toMatchObject({
      kind: 'question',
      asks: expect.stringContaining(
        'Brace height 5.0 mm under the last reading, and 3 twists in can only have raised it.',
      ) as string,
    });
    expect(ask(turned(['topBolt', 0.5]), 'tt 185 mm').kind).toBe('question');
    expect(ask(turned(['topBolt', 0.25], ['bottomBolt', 0.25]), 'w 32 lb').kind).toBe('question');
  });

  it('can be mended: the turn the other way round, and the gain learned from it positive', () => {
    const log = turned(['twists', 3]);
    const line = ask(log, 'b 210 mm');
    if (line.kind !== 'question') throw new Error('not asked');
    for (const body of line.choices[0]!.bodies) log.add(body);
    expect(log.state.changes.map(({ control, amount }) => [control, amount])).toEqual([
      ['twists', -3],
    ]);
    expect(gainOf(log.state, 'braceHeight', 'twists')?.mean).toBeGreaterThan(1);
  });

  it('names both answers, and which way the turn can only have sent it', () => {
    const labels = (log: BowLog, text: string) => {
      const line = ask(log, text);
      if (line.kind !== 'question') throw new Error('not asked');
      return [line.asks, ...line.choices.map(({ label }) => label)];
    };
    expect(labels(turned(['twists', 3]), 'b 210 mm').slice(1)).toEqual([
      'It was 3 twists out: mend the log',
      '3 twists in and the reading are right: store it',
    ]);
    const [asks, ...choices] = labels(turned(['twists', -3]), 'b 220 mm');
    expect(asks).toContain(
      '5.0 mm over the last reading, and 3 twists out can only have lowered it',
    );
    expect(choices[0]).toBe('It was 3 twists in: mend the log');
  });

  it('can be stored as it is, once asked', () => {
    const line = ask(turned(['twists', 3]), 'b 210 mm');
    expect(line.kind === 'question' && line.choices.at(-1)!.bodies).toMatchObject([
      { kind: 'reading', values: [210], confirmedUnlikely: true },
    ]);
  });

  it('is not mended to where the limits forbid', () => {
    // 24 twists at the start: ten fewer and the strands of this string would separate.
    const line = ask(turned(['twists', 10]), 'b 205 mm');
    expect(line.kind === 'question' && line.choices).toHaveLength(1);
  });

  it('is not asked about when something else may have moved it', () => {
    const shot = turned(['twists', 3]);
    shot.add({ kind: 'shotsFired', count: 30, note: '' });
    expect(ask(shot, 'b 210 mm').kind).toBe('ready');
    expect(ask(turned(['twists', 3], ['topBolt', 0.5]), 'b 210 mm').kind).toBe('ready');
    expect(ask(turned(['twists', 3], ['twists', -1]), 'b 210 mm').kind).toBe('ready');
    expect(ask(turned(), 'b 210 mm').kind).toBe('ready');
  });

  it('is never asked about when it went the sure way, or by less than its spread', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5 }),
        fc.double({ min: -1.5, max: 12, noNaN: true }),
        (twists, mm) => {
          const inward = ask(turned(['twists', twists]), `b ${(215 + mm).toFixed(1)} mm`);
          const outward = ask(turned(['twists', -twists]), `b ${(215 - mm).toFixed(1)} mm`);
          expect([inward.kind, outward.kind]).toEqual(['ready', 'ready']);
        },
      ),
      { numRuns: 40 },
    );
  });
});
