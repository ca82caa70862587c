import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import type { LimitPassed, ShootingBar } from '../limits/limit-refusal.ts';
import type { SafetyStop } from '../limits/stops.ts';
import type { EntryBody } from '../log/entry.ts';
import { G_PER_GR } from '../quantity/units.ts';
import { barWords, braceLimitWords, missingWords, refusalWords, stopWords } from './limit-words.ts';

const { state } = new BowLog({ lengthUnit: 'mm' });
const turn: EntryBody = { kind: 'change', control: 'topBolt', amount: -2, because: '' };
const refused = (passed: LimitPassed, nearest: number | null = null, body: EntryBody = turn) =>
  refusalWords({ ...passed, at: 0, nearest }, [body], state);

describe('what a refused proposal is told', () => {
  it.each<readonly [string, LimitPassed, string, string]>([
    [
      'a bolt past the guessed travel',
      { code: 'beyondBoltTravel', bolt: 'top', outTurns: 3.5, travelTurns: 3, guessed: true },
      'Top bolt 2 turns out would leave the top bolt 3 1/2 turns out; 3 turns out is allowed while the maker’s travel is unknown.',
      'Enter the maker’s bolt travel (mt) first, or turn less.',
    ],
    [
      'a bolt past the stop',
      { code: 'beyondBoltTravel', bolt: 'bottom', outTurns: -1, travelTurns: 4, guessed: false },
      'Top bolt 2 turns out would leave the bottom bolt past the stop; the maker allows 4 turns out.',
      'Turn less, or ask a bow technician.',
    ],
    [
      'bolts too far apart',
      { code: 'boltsTooFarApart', apartTurns: 2.5 },
      'Top and bottom bolt would stand 2 1/2 turns apart; 2 is the most.',
      'Share the turn between both bolts.',
    ],
    [
      'one entry that cannot be read',
      { code: 'recordHasGaps', unreadable: 1 },
      'One entry of this bow cannot be read, so what it may safely lose is not known.',
      'What cannot be undone waits until the record is whole: restore a copy, or measure the arrow and write it down anew.',
    ],
    [
      'several that cannot be read',
      { code: 'recordHasGaps', unreadable: 4 },
      '4 entries of this bow cannot be read, so what it may safely lose is not known.',
      'What cannot be undone waits until the record is whole: restore a copy, or measure the arrow and write it down anew.',
    ],
    [
      'many twists into a string nobody counted',
      { code: 'twistsNotCounted', turned: -13 },
      'That makes 13 twists out of a string whose twists nobody has counted.',
      'Unstrung: let one loop unwind, counting, wind it up again, and enter the count with tc.',
    ],
    [
      'bolts nobody counted',
      { code: 'boltsNotCounted' },
      'Nobody has counted where the bolts stand, so nobody knows how far they may still go.',
      'Unstrung: both gently in to the stop, then out again, counting. Enter the turns with bo.',
    ],
    [
      'too few twists',
      { code: 'twistsOutside', twists: 4, fewest: 12, most: 40 },
      'That makes 4 twists in this string; 12 to 40 is safe.',
      'Strands would separate: use a longer string with more twists.',
    ],
    [
      'too many twists',
      { code: 'twistsOutside', twists: 44, fewest: 12, most: 40 },
      'That makes 44 twists in this string; 12 to 40 is safe.',
      'So many twists want a shorter string.',
    ],
    [
      'a shaft nobody measured',
      { code: 'shaftNotMeasured', missing: 'shaft' },
      'Nothing is cut while the shaft has not been measured: a shaft too short can fall behind the rest and into the hand.',
      'Enter the shaft in the fit-out first.',
    ],
    [
      'a draw nobody measured',
      { code: 'shaftNotMeasured', missing: 'draw' },
      'Nothing is cut while nobody has measured this archer’s longest draw: a shaft too short can fall behind the rest and into the hand.',
      'Enter the longest draw length (dl) first.',
    ],
    [
      'a saw that lengthens',
      { code: 'shaftCannotGrow' },
      'No saw makes a shaft longer.',
      'Type what was cut off without a sign, like cut 6. Another shaft goes into the fit-out.',
    ],
    [
      'a brace outside the maker’s range',
      { code: 'braceOutside', braceMm: 225, limit: { low: 210, high: 222, source: 'maker' } },
      'That should bring the brace to about 225.0 mm, outside the maker’s range: 210.0 to 222.0 mm.',
      'The maker’s range is never left: turn less, or ask the maker or a bow technician.',
    ],
    [
      'a brace outside the table',
      { code: 'braceOutside', braceMm: 225, limit: { low: 210, high: 222, source: 'table' } },
      'That should bring the brace to about 225.0 mm, outside the limits used while the maker’s are unknown: 210.0 to 222.0 mm.',
      'Enter the maker’s range with mb, or a band of your own with its reason: band b and both ends, then because and why.',
    ],
    [
      'a nocking point too high',
      { code: 'locatorOutside', heightMm: 21, low: -2, high: 20, measured: true },
      'The nocking point would stand 21.0 mm above square; −2.0 to 20.0 mm is as far as it goes.',
      'Move it less.',
    ],
    [
      'a nocking point nobody measured',
      { code: 'locatorOutside', heightMm: -9, low: -8, high: 8, measured: false },
      'That is 9.0 mm from where it began, and nobody has measured where it stands.',
      'Measure nocking height (n) first, or move it less.',
    ],
    [
      'side screws beyond the guess',
      { code: 'sideScrewsSpent', limb: 'top', turns: -2.5, mostTurns: 2, guessed: true },
      'The top pocket’s side screws would stand 2 1/2 turns from where they stood; 2 turns is allowed while the maker’s figure is unknown.',
      'A pocket that does not answer is for a bow technician.',
    ],
    [
      'side screws beyond the maker’s',
      { code: 'sideScrewsSpent', limb: 'bottom', turns: 4, mostTurns: 3, guessed: false },
      'The bottom pocket’s side screws would stand 4 turns from where they stood; 3 turns is the maker’s most.',
      'A pocket that does not answer is for a bow technician.',
    ],
    [
      'no such point',
      { code: 'pointOutside', pointG: 20 * G_PER_GR, lowG: 50 * G_PER_GR, highG: 350 * G_PER_GR },
      'That makes a point of 20 gr; there are points from 50 gr to 350 gr.',
      'Change it less, or take another shaft.',
    ],
    [
      'lighter than the maker asks',
      { code: 'arrowTooLight', massG: 150 * G_PER_GR, leastG: 200 * G_PER_GR, source: 'maker' },
      'That makes an arrow of 150 gr; the maker asks for 200 gr at least. Too light is the same as a dry shot.',
      'Keep the heavier point.',
    ],
    [
      'lighter than the rule',
      {
        code: 'arrowTooLight',
        massG: 150 * G_PER_GR,
        leastG: 170 * G_PER_GR,
        source: 'rule of thumb',
      },
      'That makes an arrow of 150 gr; nothing under 170 gr is proposed on this draw weight. Too light is the same as a dry shot.',
      'Keep the heavier point.',
    ],
    [
      'a build never shot',
      { code: 'distanceTooFar', distanceM: 30, farthestM: 8, why: 'neverShot' },
      'Nobody has shot this build yet: it starts at 8 m or nearer, not at 30 m.',
      'Shoot at 8 m first.',
    ],
    [
      'a build only shot near',
      { code: 'distanceTooFar', distanceM: 30, farthestM: 18, why: 'shotNear' },
      'This build was only shot near: 18 m comes before 30 m.',
      'Shoot at 18 m first.',
    ],
    [
      'bare shafts that strayed',
      { code: 'distanceTooFar', distanceM: 30, farthestM: 12, why: 'strayed' },
      'As these bare shafts have strayed, one could leave the butt at 30 m.',
      'Shoot at 12 m first.',
    ],
    [
      'a stop',
      { code: 'notToBeShot', first: 'stop' },
      'This bow is not to be shot as it stands.',
      'The bench says what comes first.',
    ],
    [
      'a part it has not',
      { code: 'notOnThisBow', item: null },
      'This bow has no such part.',
      'Look at its school.',
    ],
  ])('%s', (_name, passed, says, remedy) => {
    expect(refused(passed)).toEqual({ says, remedy });
  });

  it('the most that is allowed, where something is', () => {
    const far = { code: 'boltsTooFarApart', apartTurns: 2.5 } as const;
    expect(refused(far, -0.5).remedy).toBe(
      'The most that is allowed: Top bolt 1/2 turn out. Share the turn between both bolts.',
    );
    const note: EntryBody = { kind: 'shotsFired', count: 3, note: '' };
    const passed = { code: 'beyondBoltTravel', bolt: 'top', outTurns: 4 } as const;
    const words = refused({ ...passed, travelTurns: 3, guessed: false }, -0.5, note);
    expect(words.says).toMatch(/^That would leave the top bolt 4 turns out/);
    expect(words.remedy).toBe('Turn less, or ask a bow technician.');
  });

  it('how short a cut shaft would be', () => {
    const cut: EntryBody = { kind: 'change', control: 'shaftCut', amount: 9, because: '' };
    const passed = { code: 'shaftTooShort', lengthMm: 716, leastMm: 725, leftMm: 4.9 } as const;
    expect(refused({ ...passed }, null, cut)).toEqual({
      says: 'Shaft 9 mm cut off would leave a shaft of 716 mm, shorter than the 725 mm that are safe at the longest draw; 4 mm can go. Too short, it can fall behind the rest and into the hand.',
      remedy: 'Cut less, take a longer shaft, or another remedy.',
    });
  });
});

describe('what a stopped bow is told', () => {
  it.each<readonly [SafetyStop, string, RegExp, RegExp]>([
    [
      { kind: 'shaftTooShort', lengthMm: 700, leastMm: 725, rule: 'plain' },
      'Do not shoot this shaft',
      /^It is 700 mm long; 725 mm is the shortest that is safe at the longest draw\. It can fall/,
      /^Fit a longer shaft\. Is there a clicker on the bow\?/,
    ],
    [
      { kind: 'shaftTooShort', lengthMm: 700, leastMm: 725, rule: 'clicker' },
      'Do not shoot this shaft',
      /longest draw with the clicker\. It can fall behind the rest and into the hand\.$/,
      /^Fit a longer shaft\.$/,
    ],
    [
      { kind: 'shaftTooShort', lengthMm: 700, leastMm: 725, rule: 'broadhead' },
      'Do not shoot this shaft',
      /longest draw with a broadhead\. /,
      /^Fit a longer shaft\.$/,
    ],
    [
      { kind: 'boltBeyondTravel', bolt: 'top', outTurns: 4, travelTurns: 3, guessed: false },
      'Top bolt beyond its travel',
      /^It stands 4 turns out; the maker allows 3 turns out\. The limb may lose its seat\.$/,
      /^Do not draw it\. Unstring, turn it back, count again\.$/,
    ],
    [
      { kind: 'boltBeyondTravel', bolt: 'bottom', outTurns: -1, travelTurns: 3, guessed: true },
      'Bottom bolt beyond its travel',
      /^It stands past the stop; 3 turns out is allowed while .* unknown\. The limb is pinched\.$/,
      /^Do not draw it/,
    ],
    [
      { kind: 'boltsTooFarApart', topTurns: 3, bottomTurns: 0.5 },
      'Bolts too far apart',
      /^Top stands 3 turns out, bottom 1\/2 turn: 2 turns is the most between them\.$/,
      /^Unstring and bring them together\.$/,
    ],
    [
      { kind: 'twistsOutside', twists: 4, fewest: 12, most: 40 },
      'Too few twists',
      /^4 twists in this string; 12 to 40 is safe\. Its strands separate\.$/,
      /^Twist it up, or fit a longer string with more twists\.$/,
    ],
    [
      { kind: 'twistsOutside', twists: 44, fewest: 12, most: 40 },
      'Too many twists',
      /It strains the strands\.$/,
      /^Untwist it, or fit a shorter string\.$/,
    ],
    [
      { kind: 'arrowTooLight', massG: 150 * G_PER_GR, leastG: 170 * G_PER_GR },
      'Do not shoot this arrow',
      /^It weighs 150 gr; under 170 gr on this bow a shot is a dry shot\.$/,
      /^Take a heavier arrow\.$/,
    ],
    [
      {
        kind: 'braceOutside',
        braceMm: 230,
        readMm: 230,
        limit: { low: 210, high: 222, source: 'maker' },
        turnedSince: false,
      },
      'Brace height outside the limits',
      /^It stands at 230\.0 mm, outside the maker’s range: 210\.0 to 222\.0 mm\.$/,
      /^Do not shoot it\. Bring it inside, or ask the maker or a bow technician\.$/,
    ],
    [
      {
        kind: 'braceOutside',
        braceMm: 220,
        readMm: 224,
        limit: { low: 210, high: 222, source: 'ownBand' },
        turnedSince: true,
      },
      'Measure brace height before a shot',
      /^It was read at 224\.0 mm and has been turned since: about 220\.0 mm is expected \(the limits and your own band: 210\.0 to 222\.0 mm\)\.$/,
      /^Read it again: inside, the stop is gone\.$/,
    ],
  ])('%o', (stop, title, says, remedy) => {
    const words = stopWords(stop, state);
    expect(words.title).toBe(title);
    expect(words.says).toMatch(says);
    expect(words.remedy).toMatch(remedy);
  });
});

it('whose a range is, what is missing, what bars a shot', () => {
  const of = (source: 'maker' | 'table' | 'ownBand') =>
    braceLimitWords({ low: 1, high: 2, source });
  expect([of('maker'), of('table'), of('ownBand')]).toEqual([
    'the maker’s range',
    'the limits used while the maker’s are unknown',
    'the limits and your own band',
  ]);
  expect([missingWords('shaft'), missingWords('draw')]).toEqual([
    'the shaft has not been measured',
    'nobody has measured this archer’s longest draw',
  ]);
  const bars: readonly ShootingBar[] = ['stop', 'notAssembled', 'nockFitOpen', 'braceUnread'];
  expect(bars.map(barWords)).toEqual([
    'This bow is not to be shot as it stands.',
    'It came in parts, or got other limbs, and nobody has looked it over since.',
    'The string is new: nock fit comes before any shot.',
    'Its string or its limbs are new: the brace is read before any shot.',
  ]);
});
