import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BowLog, bowFor } from '../fixtures/bow-log.ts';
import { READINGS } from '../craft/readings.ts';
import { foldLog } from '../log/fold.ts';
import { readEntryLine } from './read-entry-line.ts';

function asked(log: BowLog, text: string) {
  const read = readEntryLine(text, log.state);
  return read.kind === 'question' ? read : null;
}
const labels = (log: BowLog, text: string) => asked(log, text)?.choices.map(({ label }) => label);

describe('replicates too far apart', () => {
  it('asks which of two holds, and stores what is chosen', () => {
    const log = bowFor('right');
    const question = asked(log, 'w 34 28');
    expect(question?.asks).toContain('28.0 lb is 6.0 lb from the other');
    expect(labels(log, 'w 34 28')).toEqual([
      'Without it: 34.0 lb',
      '28.0 lb alone',
      'All are right: store them',
    ]);
    const stored = question?.choices.map(({ bodies }) => bodies[0]);
    expect(stored).toMatchObject([
      { values: [expect.closeTo(151.24, 1)], confirmedUnlikely: false },
      { values: [expect.closeTo(124.55, 1)], confirmedUnlikely: false },
      { values: [expect.any(Number), expect.any(Number)], confirmedUnlikely: true },
    ]);
  });

  it('knows a misread whole inch, and what the line would have been', () => {
    const log = bowFor('right');
    log.change('twists', 1);
    const question = asked(log, 'b 8 1/2 8 9/16 9 1/2');
    expect(question?.asks).toContain('9 1/2 in is 24.6 mm from the others');
    expect(question?.choices.map(({ text }) => text)).toEqual([
      'b 8 1/2 8 9/16 8 1/2 in',
      'b 8 1/2 8 9/16 ',
      'b 8 1/2 8 9/16 9 1/2',
    ]);
  });

  it('never asks about what one hand and one tool differ', () => {
    const log = bowFor('right');
    log.change('twists', 1);
    const { typicalSd } = READINGS.braceHeight;
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 2, maxLength: 5 }),
        (away) => {
          const text = `b ${away.map((one) => (217 + one * typicalSd).toFixed(1)).join(' ')}`;
          expect(readEntryLine(text, log.state).kind).toBe('ready');
        },
      ),
    );
  });
});

describe('a reading nothing explains', () => {
  const withBrace = () => {
    const log = bowFor('right');
    log.read('braceHeight', 217, 217.5, 216.5);
    return log;
  };

  it('asks, and offers the likely slip, taking the last one back, or something moved', () => {
    const log = withBrace();
    expect(asked(log, 'b 9 9/16')?.asks).toContain(
      'over the last reading, and nothing was changed',
    );
    expect(labels(log, 'b 9 9/16')).toEqual([
      '8 9/16 in, 217.5 mm · 8 9/16 in',
      'The last one, 8 9/16 in, was a slip: take it back',
      'Something has moved: store it',
    ]);
  });

  it('takes the last one back in the log when that was the slip', () => {
    const log = withBrace();
    log.read('braceHeight', 247);
    expect(labels(log, 'b 217')?.[0]).toContain('was a slip: take it back');
    const choice = asked(log, 'b 217')?.choices.find(({ label }) => label.includes('was a slip'));
    for (const body of choice?.bodies ?? []) log.add(body);
    expect(foldLog(log.log)?.readings.get('braceHeight')?.at(-1)?.mean).toBe(217);
    expect(
      foldLog(log.log)
        ?.readings.get('braceHeight')
        ?.map(({ mean }) => mean),
    ).not.toContain(247);
  });

  it('says nothing once anything may have come between', () => {
    const between: readonly ((log: BowLog) => void)[] = [
      (log) => log.change('twists', 3),
      (log) => log.change('nockingPoint', 1),
      (log) => log.fitString('another'),
      (log) => log.add({ kind: 'shotsFired', count: 20, note: '' }),
      (log) =>
        log.add({
          kind: 'itemFitted',
          item: 'rods',
          described: 'longer',
          touches: ['roughTiller'],
        }),
    ];
    for (const happen of between) {
      const log = withBrace();
      happen(log);
      expect(readEntryLine('b 230', log.state).kind).toBe('ready');
    }
  });

  it('says nothing about an ordinary difference', () => {
    expect(readEntryLine('b 219', withBrace().state).kind).toBe('ready');
  });
});
