import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { N_PER_LBF } from '../quantity/units.ts';
import { readEntryLine } from './read-entry-line.ts';

/** A settled bow that is read in inches, braces at 8 1/2 in and draws 34 lb. */
const inches = () => new BowLog().settle();
const millimetres = () => new BowLog({ lengthUnit: 'mm' }).settle();
function read(line: string, log: BowLog) {
  const answer = readEntryLine(line, log.state);
  if (answer.kind !== 'ready') throw new Error(`${line}: ${JSON.stringify(answer)}`);
  return answer;
}
function refusal(line: string, log: BowLog) {
  const answer = readEntryLine(line, log.state);
  if (answer.kind !== 'refused') throw new Error(`${line}: ${JSON.stringify(answer)}`);
  return answer.refusal;
}

describe('what is said of a reading before it is stored', () => {
  it('by how much a brace to the other reference was converted', () => {
    const plunger = new BowLog({ braceReference: 'plunger', throatToPlungerMm: 30 }).settle();
    const toThroat = read('b 248.6 throat', plunger);
    expect(JSON.stringify(toThroat)).toContain('Converted by 30.0 mm to this bow’s reference.');
    expect(toThroat.bodies).toMatchObject([{ values: [278.6] }]);
    const throat = new BowLog({ throatToPlungerMm: 30 }).settle();
    expect(read('b 248.6 plunger', throat).bodies).toMatchObject([{ values: [218.6] }]);
  });

  it('one is shown in both units, several as mean, spread and number', () => {
    const one = read('b 8 1/2', inches());
    expect(one.title).toMatch(/^Brace height to the throat/);
    expect(one.figure).toBe('215.9 mm · 8 1/2 in');
    const three = read('b 8 1/2 8 9/16 8 1/2', inches());
    expect(three.figure).toBe('mean 216.4 mm · 8 1/2 in, spread 0.9 mm, n = 3');
    expect(read('w 34.0 34.4', inches()).figure).toMatch(
      /^mean 34\.2 lb.*, spread 0\.28 lb, n = 2$/,
    );
  });

  it('says which unit it was read in only where that is not the bow’s own', () => {
    expect(read('b 216', inches()).notes).toContain('Read as millimetres.');
    expect(read('b 8 1/2', inches()).notes.join(' ')).not.toMatch(/Read as/);
    expect(read('b 8.5', millimetres()).notes).toContain('Read as inches.');
    expect(read('b 216 mm', inches()).notes.join(' ')).not.toMatch(/Read as/);
    expect(read('w 34', inches()).notes.join(' ')).not.toMatch(/Read as/);
  });

  it('says whether it lies in its band, and when it is outside the limits', () => {
    const log = inches();
    log.add({
      kind: 'targetSet',
      reading: 'braceHeight',
      low: 215,
      high: 217,
      name: 'quiet',
      why: '',
    });
    expect(read('b 216 mm', log).notes).toContain('Inside the band (quiet).');
    expect(read('b 214 mm', log).notes).toContain('Outside the band (quiet).');
    log.change('twists', -8);
    expect(read('b 209 mm', log).notes).toContain('Outside the maker’s range: not to be shot.');
  });

  it('says how far from the last one, but nothing of less than one’s own spread', () => {
    const log = new BowLog();
    log.read('tillerTop', 180, 180);
    expect(read('tt 184', log).notes.join(' ')).toMatch(/4\.0 mm over the last reading\./);
    expect(read('tt 176', log).notes.join(' ')).toMatch(/4\.0 mm under the last reading\./);
    expect(read('tt 180.1', log).notes.join(' ')).toMatch(
      /No change seen since the last reading: less than your own spread\./,
    );
  });

  it('says what a reading at the plunger is at the point, once shaft and brace are known', () => {
    const log = inches();
    expect(read('cs@p 1', log).notes.join(' ')).not.toMatch(/at the point/);
    log.add({
      kind: 'itemFitted',
      item: 'shaft',
      described: 'shaft',
      touches: [],
      arrow: { described: '', lengthMm: 760, diameterMm: 6, pointMassG: 8 },
    });
    expect(read('cs@p 1', log).notes.join(' ')).toMatch(
      /About .* outward at the point with this arrow\.|About .* at the point with this arrow\./,
    );
  });

  it('takes twenty readings on a line and no more', () => {
    const line = (count: number) => `tt ${Array.from({ length: count }, () => '180').join(' ')}`;
    const log = new BowLog();
    expect(read(line(20), log).figure).toMatch(/n = 20$/);
    expect(refusal(line(21), log)).toMatchObject({
      says: 'More than 20 readings on one line.',
      remedy: 'Type them on two lines.',
      at: 3 + 20 * 4,
      length: 3,
    });
  });
});

describe('a figure that is hardly one of its kind', () => {
  it('offers what was likely meant, said once, or to store it where it is possible', () => {
    const { state } = inches();
    expect(readEntryLine('b 85', state)).toMatchObject({
      kind: 'question',
      asks: '85 in is no brace height (4 3/4 in to 10 1/4 in). What did you mean?',
      choices: [
        {
          label: '215.9 mm · 8 1/2 in',
          text: 'b 8 1/2 in',
          bodies: [{ values: [expect.closeTo(215.9, 6)], confirmedUnlikely: false }],
        },
      ],
    });
    expect(readEntryLine('b 4', state)).toMatchObject({
      asks: '4 in is far from any brace height (4 3/4 in to 10 1/4 in). What did you mean?',
      choices: [
        {
          label: '4 in is right: store it',
          text: 'b 4',
          bodies: [{ values: [expect.closeTo(101.6, 6)], confirmedUnlikely: true }],
        },
      ],
    });
  });

  it('is refused where it is none and nothing like it is', () => {
    const { says, remedy } = refusal('w 100000 lb', inches());
    expect(says).toMatch(/is no draw weight \(/);
    expect(remedy).toBe('Type it again, with its unit if you like.');
    expect(N_PER_LBF).toBeCloseTo(4.448, 3);
  });
});
