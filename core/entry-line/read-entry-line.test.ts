import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BowLog, bowFor } from '../fixtures/bow-log.ts';
import { codeAt, CODES } from './codes.ts';
import type { EntryLine } from './entry-line.ts';
import { readEntryLine } from './read-entry-line.ts';
import { readPairs } from './read-pairs.ts';
import { looksLikePairs } from '../craft/shot-leads.ts';

const HERON = () => new BowLog({ hand: 'left' }).settle({ braceHeight: 217.5 }).state;

function read(text: string, state = HERON()): EntryLine {
  return readEntryLine(text, state);
}
function valuesOf(line: EntryLine): readonly number[] {
  const body = line.kind === 'ready' ? line.bodies[0] : undefined;
  return body?.kind === 'reading' ? body.values : [];
}

describe('readings', () => {
  it('stores b 8 5/8 as 219.1 mm with its datum, and echoes both units', () => {
    const line = read('b 8 5/8');
    expect(line).toMatchObject({ kind: 'ready', figure: '219.1 mm · 8 5/8 in' });
    expect(valuesOf(line)[0]).toBeCloseTo(219.075, 9);
    expect(line.kind === 'ready' && line.bodies[0]).toMatchObject({
      datum: 'throat',
      source: 'measured',
    });
  });

  it('takes a bare number in the other unit where only that is plausible, and says so', () => {
    const line = read('b 219');
    expect(valuesOf(line)).toEqual([219]);
    expect(line.kind === 'ready' && line.notes.join(' ')).toMatch(/millimetres/);
  });

  it('shows mean and spread of replicates', () => {
    expect(read('b 219 218.5 219.5')).toMatchObject({
      figure: 'mean 219.0 mm · 8 5/8 in, spread 0.5 mm, n = 3',
    });
  });

  it('refuses b 8 9/ with the place', () => {
    const line = read('b 8 9/');
    expect(line).toMatchObject({ kind: 'refused', refusal: { at: 4, length: 2 } });
  });

  it('asks what b 3 1/8 means, and offers 8 1/8 and storing it all the same', () => {
    const line = read('b 3 1/8');
    if (line.kind !== 'question') throw new Error(line.kind);
    expect(line.choices[0]?.text).toBe('b 8 1/8 in');
    expect(line.choices.at(-1)?.bodies[0]).toMatchObject({ confirmedUnlikely: true });
  });

  it('asks about a nocking height of 4 1/4 in and offers 1/4', () => {
    const line = read('n 4 1/4');
    if (line.kind !== 'question') throw new Error(line.kind);
    expect(line.choices.map((choice) => choice.text)).toContain('n 1/4 in');
  });

  it('asks about a moved decimal point', () => {
    const line = read('b 21.9 mm');
    if (line.kind !== 'question') throw new Error(line.kind);
    expect(line.choices.map((choice) => choice.text)).toContain('b 219 mm');
  });

  it('says when a reading is outside the maker’s limits, and still takes it', () => {
    const line = read('b 9');
    expect(line.kind === 'ready' && line.notes.join(' ')).toMatch(
      /Outside the maker’s range: not to be shot/,
    );
  });

  it('converts another brace datum when the offset is known, refuses when not', () => {
    expect(read('b 219 plunger')).toMatchObject({ kind: 'refused', refusal: { at: 6 } });
    const known = new BowLog({ throatToPlungerMm: 30 }).state;
    expect(valuesOf(read('b 248 plunger', known))).toEqual([218]);
    expect(read('b 219 throat')).toMatchObject({ kind: 'ready' });
  });

  it('refuses pounds for a brace height', () => {
    expect(read('b 34 lb')).toMatchObject({ kind: 'refused' });
  });

  it('finds any plausible bare number in exactly one unit', () => {
    fc.assert(
      fc.property(fc.integer({ min: 120, max: 260 }), (mm) => {
        expect(valuesOf(read(`b ${mm}`))).toEqual([mm]);
      }),
    );
  });
});

describe('changes', () => {
  it('logs tw +4', () => {
    expect(read('tw +4')).toMatchObject({
      kind: 'ready',
      figure: '4 twists in',
      bodies: [{ kind: 'change', control: 'twists', amount: 4 }],
    });
  });
  it('wants a sign, whole twists, one number', () => {
    expect(read('tw 4')).toMatchObject({ kind: 'refused' });
    expect(read('tw +1/2')).toMatchObject({ kind: 'refused' });
    expect(read('tw +1 +2')).toMatchObject({ kind: 'refused' });
  });
  it('takes a fraction as inches for the locator and mm otherwise', () => {
    const amountOf = (text: string) => {
      const line = read(text);
      const body = line.kind === 'ready' ? line.bodies[0] : undefined;
      return body?.kind === 'change' ? body.amount : Number.NaN;
    };
    expect(amountOf('nk -1/16')).toBeCloseTo(-1.5875, 9);
    expect(amountOf('nk +1.5')).toBe(1.5);
    expect(amountOf('pt +10')).toBeCloseTo(0.6479891, 9);
    expect(amountOf('top -1/4')).toBe(-0.25);
  });
  it('refuses a bolt past its travel, pointing at the amount', () => {
    expect(read('top +2')).toMatchObject({ kind: 'refused', refusal: { at: 4, length: 2 } });
  });
  it('asks about a great deal at once', () => {
    expect(read('nk +9 mm')).toMatchObject({ kind: 'question' });
  });
});

describe('facts', () => {
  const ready = (text: string, state = HERON()) => {
    const line = read(text, state);
    if (line.kind !== 'ready') throw new Error(`${text}: ${line.kind}`);
    return line.bodies;
  };
  it('writes down counts, the maker’s figures and a band of one’s own', () => {
    expect(ready('tc 24')).toEqual([{ kind: 'positionCounted', control: 'twists', value: 24 }]);
    expect(ready('bo 1 1/2 2')).toMatchObject([{ value: 1.5 }, { value: 2 }]);
    expect(ready('mt 4')).toMatchObject([{ facts: { maker: { boltTravelTurns: 4 } } }]);
    expect(ready('mb 8 1/4 8 3/4')).toMatchObject([
      { facts: { maker: { braceMinMm: expect.closeTo(209.55, 6) as number } } },
    ]);
    expect(ready('band b 8 1/2 8 5/8')).toMatchObject([
      { reading: 'braceHeight', high: expect.closeTo(219.075, 6) as number },
    ]);
    expect(ready('band t 3 6')).toMatchObject([{ reading: 'tiller', low: 3, high: 6 }]);
    expect(ready('shots 24')).toMatchObject([{ kind: 'shotsFired', count: 24 }]);
  });
  it('asks at which draw a limb is marked, and converts to the other', () => {
    expect(read('mark 30')).toMatchObject({ kind: 'question' });
    const at26 = read('mark 30 26', new BowLog({ amoDrawMm: 711.2 }).state);
    expect(at26.kind === 'ready' && at26.figure).toBe('30.0 lb at 26.0 in, about 34.0 lb at 28 in');
  });
  it('refuses a band outside the maker’s range, a range upside down, a count that is none', () => {
    expect(read('band b 8 9')).toMatchObject({ kind: 'refused' });
    expect(read('mb 8 3/4 8 1/4')).toMatchObject({ kind: 'refused' });
    expect(read('tc 12.5')).toMatchObject({ kind: 'refused' });
    expect(read('tc 80')).toMatchObject({ kind: 'question' });
  });
});

describe('datum words', () => {
  it('refuses tillers from two edges of the string, and lets a new pair begin on either', () => {
    const log = new BowLog();
    const body = read('tt 7 1/16 near', log.state);
    if (body.kind === 'ready') log.add(body.bodies[0]!);
    expect(read('tb 6 7/8 far', log.state)).toMatchObject({ kind: 'refused', refusal: { at: 9 } });
    const bottom = read('tb 6 7/8', log.state);
    expect(bottom.kind === 'ready' && bottom.bodies[0]).toMatchObject({
      datum: 'near edge of the string',
    });
    if (bottom.kind === 'ready') log.add(bottom.bodies[0]!);
    expect(read('tt 7 1/16 far', log.state)).toMatchObject({ kind: 'ready' });
  });
  it('turns a pivot draw into the AMO one', () => {
    expect(valuesOf(read('dl 26 1/4 pivot'))[0]).toBeCloseTo(28 * 25.4, 6);
  });
});

describe('questions before a change', () => {
  it('asks about thread and seat when a bolt goes out and the travel is a guess', () => {
    expect(read('top -1/2', new BowLog({ maker: {} }).state)).toMatchObject({ kind: 'question' });
    expect(read('top -1/2')).toMatchObject({ kind: 'ready' });
  });
  it('refuses twists that should carry the brace out of the maker’s range, unless they are in already', () => {
    const refused = read('tw +10');
    expect(refused).toMatchObject({ kind: 'refused', way: { text: 'tw +10 done ' } });
    expect(refused.kind === 'refused' && refused.refusal.remedy).toMatch(/maker/);
    expect(read('tw +10 done ')).toMatchObject({ kind: 'typing' });
    const done = read('tw +10 done the string was new');
    expect(done.kind === 'ready' && done.bodies).toEqual([
      { kind: 'change', control: 'twists', amount: 10, because: '', despite: 'the string was new' },
    ]);
  });
  it('says what turns stale, and that a second control voids the comparison', () => {
    const log = bowFor('right');
    const session = log.open(25);
    log.shots(session, 1, 'bare', [[0, 0]]);
    log.change('plungerPreload', 0.5);
    const line = read('nk +1', log.state);
    expect(line.kind === 'ready' && line.notes.join(' ')).toMatch(/Turns stale: .*sight marks/);
    expect(line.kind === 'ready' && line.notes.join(' ')).toMatch(
      /Second control since the last shots/,
    );
  });
});

describe('the line itself', () => {
  it('completes and explains', () => {
    const line = read('t');
    expect(line.kind === 'typing' && line.completions.map(({ code }) => code)).toEqual(
      expect.arrayContaining(['tw', 'tt', 'tb', 'top']),
    );
    expect(read('xyz')).toMatchObject({ kind: 'refused', refusal: { at: 0, length: 3 } });
    expect(read('note string looks furry')).toMatchObject({ kind: 'ready' });
    expect(read('  ')).toEqual({ kind: 'empty' });
  });
  it('knows every code by itself', () => {
    for (const code of CODES) expect(codeAt(`${code.code} 1`)?.code).toBe(code);
  });
  it('answers anything that can be typed without throwing', () => {
    const state = bowFor('left').state;
    const start = fc.constantFrom('', ...CODES.map(({ code }) => `${code} `));
    fc.assert(
      fc.property(start, fc.string({ maxLength: 16 }), (code, rest) => {
        expect(readEntryLine(code + rest, state).kind).toBeTruthy();
      }),
      { numRuns: 600 },
    );
  });
});

describe('readPairs', () => {
  it('stores what the archer sees as outward and up', () => {
    expect(readPairs('b 4.9,-1.1 2,3', 'cm', 'left')).toEqual({
      kind: 'pairs',
      arrow: 'bare',
      pairs: [
        { outwardMm: 49, upMm: -11 },
        { outwardMm: 20, upMm: 30 },
      ],
    });
    expect(readPairs('4.9,-1.1', 'cm', 'right')).toMatchObject({ pairs: [{ outwardMm: -49 }] });
  });
  it('points at the pair that is wrong', () => {
    expect(readPairs('1,2 3,', 'cm', 'left')).toMatchObject({ refusal: { at: 4 } });
    expect(readPairs('1,2 3,x', 'cm', 'left')).toMatchObject({ refusal: { at: 6 } });
    expect(readPairs('900,0', 'cm', 'left')).toMatchObject({ kind: 'refused' });
  });
  it('is told from a reading by its comma', () => {
    expect(looksLikePairs('b 4.9,-1')).toBe(true);
    expect(looksLikePairs('b 8 5/8')).toBe(false);
    expect(looksLikePairs('-3,2')).toBe(true);
  });
});
