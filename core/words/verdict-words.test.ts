import { describe, expect, it } from 'vitest';
import { sessionVerdict } from '../bare-shaft/bare-shaft-evidence.ts';
import { BowLog, bareShaftBow, SIX_FLETCHED } from '../fixtures/bow-log.ts';
import { farOutWords, offsetWords, surerWords, verdictWords } from './verdict-words.ts';

const verdictOf = (log: BowLog) => sessionVerdict(log.state, log.state.sessions.at(-1)!);
const needed = { kind: 'bareShots', count: 4, chance: 0.6 } as const;

/** One end with bare shafts so far outward and up. */
function oneEnd(outwardMm: number, upMm: number): BowLog {
  const log = new BowLog().settle();
  const session = log.open();
  log.shots(session, 1, 'fletched', SIX_FLETCHED);
  log.shots(session, 1, 'bare', [
    [outwardMm - 4, upMm + 3],
    [outwardMm + 5, upMm - 4],
    [outwardMm, upMm],
  ]);
  return log;
}

describe('where bare shafts land, in words', () => {
  it.each([
    [70, 40, 'right', 'left', 'high'],
    [-70, -40, 'left', 'right', 'low'],
  ])('%d mm outward and %d up', (outwardMm, upMm, ofLeftHander, ofRightHander, height) => {
    const { outward, up } = verdictOf(bareShaftBow(outwardMm, upMm));
    expect(offsetWords('outward', outward, { hand: 'left', unit: 'cm' })).toMatch(
      new RegExp(`^[67]\\.\\d ± 0\\.\\d cm ${ofLeftHander}$`),
    );
    expect(offsetWords('outward', outward, { hand: 'right', unit: 'cm' })).toMatch(
      new RegExp(`cm ${ofRightHander}$`),
    );
    expect(offsetWords('up', up, { hand: 'right', unit: 'cm' })).toMatch(
      new RegExp(`^[34]\\.\\d ± 0\\.\\d cm ${height}$`),
    );
    expect(
      offsetWords('up', { ...up, plusMinusMm: null }, { hand: 'right', unit: 'cm' }),
    ).toBeNull();
  });

  it('in the very middle is neither low nor inward', () => {
    const { outward, up } = verdictOf(bareShaftBow(0, 0));
    const middle = { offsetMm: 0, plusMinusMm: 10 };
    expect(offsetWords('up', { ...up, ...middle }, { hand: 'right', unit: 'cm' })).toMatch(/high$/);
    expect(
      offsetWords('outward', { ...outward, ...middle }, { hand: 'right', unit: 'cm' }),
    ).toMatch(/left$/);
  });
});

describe('what it would take to be sure', () => {
  it('nothing, where it holds or is inside', () => {
    const verdict = verdictOf(bareShaftBow(90, 0));
    expect(surerWords('outward', verdict, null)).toBeNull();
    expect(surerWords('up', verdict, null)).toBeNull();
  });

  it('a second end after one look, another where two have not made it sure', () => {
    const verdict = verdictOf(oneEnd(90, 0));
    expect(surerWords('outward', verdict, null)).toBe(
      'One look says so: a second end that agrees makes it sure.',
    );
    expect(surerWords('outward', { ...verdict, ends: 2 }, null)).toBe(
      'Not sure yet: another end that agrees makes it so.',
    );
  });

  it('so many shots while it is undecided, and shots at all before there are any', () => {
    const verdict = verdictOf(oneEnd(24, 0));
    expect(surerWords('outward', verdict, needed)).toBe(
      'Undecided: to be sure before turning anything, 4 more bare shafts.',
    );
    expect(surerWords('outward', verdict, { ...needed, count: 1 })).toMatch(/1 more bare shaft\.$/);
    expect(surerWords('outward', verdict, { kind: 'moreThanWorth' })).toMatch(
      /more than 24 more, so shoot nearer, or leave it\.$/,
    );
    expect(surerWords('outward', verdict, null)).toMatch(/reckoning how many more\.$/);
    const none = new BowLog().settle();
    none.open();
    expect(surerWords('up', verdictOf(none), null)).toMatch(/^Too few shots in this session/);
  });
});

describe('what was seen rather than shot, in words', () => {
  const context = { hand: 'right', unit: 'cm', needed: { outward: null, up: null } } as const;
  const none = { offsetMm: null, plusMinusMm: null };
  const said = (seen: object) => {
    const verdict = verdictOf(oneEnd(0, 0));
    const unshot = {
      ...verdict,
      outward: { ...verdict.outward, ...none },
      up: { ...verdict.up, ...none },
      seen: { up: null, outward: null, ...seen },
    } as unknown as typeof verdict;
    return verdictWords(unshot, context);
  };
  const side = (meanMm: number) => ({
    call: meanMm > 0 ? 'plus' : 'minus',
    meanMm,
    sdMm: 20,
    sources: ['flight', 'attitude'],
  });

  it.each([
    [{ up: side(80) }, 'nocking point low', 'high'],
    [{ up: side(-80) }, 'nocking point high', 'low'],
    [{ outward: side(80) }, 'stiff', 'left'],
    [{ outward: side(-80) }, 'weak', 'right'],
    // Up and down first: a nocking point that is off hides what lies across.
    [{ up: side(80), outward: side(80) }, 'nocking point low', 'high'],
  ])('%o', (seen, cause, way) => {
    const { says, figure } = said(seen);
    expect(says).toBe(
      `Probably ${cause}, by flight seen and nock attitude; impact has not settled it:`,
    );
    // Twenty millimetres of standard deviation are 33 nine times in ten.
    expect(figure).toMatch(new RegExp(`^8(\\.0)? ± 3(\\.3)? cm ${way} at 18 m\\.$`));
  });

  it('says nothing where nothing was seen', () => {
    expect(said({}).figure).toBeNull();
  });
});

it('one shot far from its kind, and several', () => {
  expect(farOutWords(1)).toMatch(/^One shot lies far from its kind and was not called\. It counts/);
  expect(farOutWords(3)).toMatch(
    /^3 shots lie far from their kind and were not called\. They count; call one bad/,
  );
});
