import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { READING_KINDS, READINGS, type ReadingKind } from '../craft/readings.ts';
import { fromStored } from '../quantity/units.ts';
import { readEntryLine } from './read-entry-line.ts';

/** Datum words a reading may carry, with what they add to a figure, mm, on the bow below. */
const DATUMS: Partial<Record<ReadingKind, readonly (readonly [word: string, addsMm: number])[]>> = {
  braceHeight: [
    ['', 0],
    [' plunger', 0],
    [' throat', 12],
  ],
  drawLength: [
    ['', 0],
    [' amo', 0],
    [' pivot', 44.45],
  ],
  tillerTop: [
    ['', 0],
    [' near', 0],
  ],
};

const bow = (lengthUnit: 'in' | 'mm') =>
  new BowLog({ lengthUnit, braceReference: 'plunger', throatToPlungerMm: 12 });

/** How a figure goes wrong on the way to the line. */
const SLIPS = {
  'point moved left': (value: number) => value / 10,
  'point moved right': (value: number) => value * 10,
  'two places': (value: number) => value / 100,
  'as it is': (value: number) => value,
} as const;

describe('a press on a question', () => {
  it('stores what the line it offers stores when typed by hand: every code, datum and slip', () => {
    let pressed = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...READING_KINDS),
        fc.constantFrom('in' as const, 'mm' as const),
        fc.constantFrom(...(Object.keys(SLIPS) as (keyof typeof SLIPS)[])),
        fc.nat(),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (kind, unit, slip, pick, place) => {
          const words = DATUMS[kind] ?? [['', 0]];
          const [datum] = words[pick % words.length]!;
          const [low, high] = READINGS[kind].plausible;
          const force = READINGS[kind].quantity === 'force';
          const value = fromStored(low + place * (high - low), force ? 'lb' : unit);
          const typed = Number(SLIPS[slip](value).toFixed(2));
          const { state } = bow(unit);
          const line = `${READINGS[kind].code} ${typed}${datum}`;
          const read = readEntryLine(line, state);
          if (read.kind !== 'question') return;
          for (const choice of read.choices) {
            if (choice.text === line || choice.bodies.length === 0) continue;
            pressed += 1;
            const byHand = readEntryLine(choice.text, state);
            expect(byHand.kind, choice.text).toBe('ready');
            expect(byHand.kind === 'ready' && byHand.bodies).toEqual(choice.bodies);
          }
        },
      ),
      { numRuns: 1500 },
    );
    expect(pressed).toBeGreaterThan(300);
  });

  it.each([
    ['dl 68 pivot', 'mm', 'dl 680 mm pivot', 724.45],
    ['b 21.9 throat', 'mm', 'b 219 mm throat', 231],
    ['b 86.25 throat', 'in', 'b 8 5/8 in throat', 231.075],
  ] as const)('%s on a bow in %s: %s', (line, unit, text, storedMm) => {
    const read = readEntryLine(line, bow(unit).state);
    if (read.kind !== 'question') throw new Error(JSON.stringify(read));
    const choice = read.choices.find((one) => one.text === text);
    expect(choice?.bodies).toMatchObject([{ values: [expect.closeTo(storedMm, 6)] }]);
  });

  it('adds the datum to what is confirmed unlikely too', () => {
    const read = readEntryLine('b 265 throat', bow('mm').state);
    if (read.kind !== 'question') throw new Error(JSON.stringify(read));
    expect(read.choices.at(-1)!.bodies).toMatchObject([{ values: [277], confirmedUnlikely: true }]);
  });

  it('puts a line that leads to a further question onto the line, and stores nothing yet', () => {
    const log = bow('mm');
    log.read('braceHeight', 231);
    const read = readEntryLine('b 2190', log.state);
    if (read.kind !== 'question') throw new Error(JSON.stringify(read));
    const choice = read.choices.find(({ text }) => text === 'b 219 mm')!;
    expect(choice.bodies).toEqual([]);
    expect(readEntryLine(choice.text, log.state).kind).toBe('question');
  });
});
