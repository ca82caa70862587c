import { demoId, type RecordedSearch, recordHeight } from './brace-search.ts';
import { inches, LogWriter, pounds } from './log-writer.ts';
import { HERON_ARROW } from './arrows.ts';
import type { BowFacts, Entry } from '#core/log/entry.ts';

const HERON: BowFacts = {
  name: 'Heron',
  owner: 'Maren',
  described: 'house limb, medium, 34',
  bowKind: 'targetRecurve',
  amoLengthIn: 66,
  hand: 'left',
  hook: 'split',
  purpose: 'target',
  school: 'sighted',
  lengthUnit: 'in',
  division: 16,
  braceReference: 'throat',
  maker: {
    braceMinMm: inches(8.25),
    braceMaxMm: inches(8.75),
    boltTravelTurns: 3,
    markedWeightN: pounds(34),
    markedDrawMm: inches(28),
  },
  amoDrawMm: inches(28),
  twistsAtStart: 24,
  boltTurnsOutAtStart: 1.5,
  arrow: { described: 'carbon, spine 700', lengthMm: 724, diameterMm: 5.6, pointMassG: 6.48 },
  inParts: false,
};

/** Heron: a new string eight weeks ago that crept 2.4 mm, a stiff arrow mended, brace now low. */
export function heron(nowMs: number): readonly Entry[] {
  const log = new LogWriter(101, 'Maren', nowMs);
  log
    .daysAgo(60)
    .bow(HERON)
    .arrow('carbon, spine 700', HERON_ARROW)
    .apart(beforeTheNewString)
    .daysAgo(56)
    .apart((now) =>
      now.newString('the second string', {
        material: 'lowStretch',
        strands: 16,
        twists: 24,
        shotsBefore: 0,
      }),
    )
    .fit('clicker', 'blade on the window')
    .confirmThrough('nockFit');
  log
    .read('drawWeight', 'w 33.8 33.9', [pounds(33.8), pounds(33.9)])
    .read('braceHeight', 'b 8 5/8 8 11/16 8 5/8', [inches(8.625), inches(8.6875), inches(8.625)])
    .read('tillerTop', 'tt 7 1/16', [inches(7.0625)])
    .read('tillerBottom', 'tb 6 7/8', [inches(6.875)])
    .read('limbLineTop', 'll t 0', [0])
    .read('limbLineBottom', 'll b 0.2 mm', [0.2])
    .read('limbLineRod', 'll r 0', [0])
    .read('restHeight', 'rh 0', [0])
    .confirm('restAndPlunger')
    .read('nockingHeight', 'n 3/16', [inches(0.1875)])
    .read('centreShotAtPoint', 'cs 3 mm', [3])
    .read('drawLength', 'dl 28', [inches(28)])
    .confirm('clickerLength');
  log.daysAgo(53).shots(30, 'shooting in');
  log
    .daysAgo(49)
    .shots(40, 'shooting in')
    .read('braceHeight', 'b 217.1 217.3 216.9', [217.1, 217.3, 216.9]);
  log.note('The new string has crept about 2 mm.');
  log
    .daysAgo(46)
    .change('twists', 2, 'back up after creep')
    .read('braceHeight', 'b 219 219.2 218.9', [219, 219.2, 218.9])
    .apart(searchTheQuietHeight)
    .read('drawWeight', 'w 33.8 33.8', [pounds(33.8), pounds(33.8)])
    .read('tillerTop', 'tt 7 1/16', [inches(7.0625)])
    .read('tillerBottom', 'tb 6 7/8', [inches(6.875)])
    .read('nockingHeight', 'n 3/16', [inches(0.1875)])
    .confirm('braceSearch');
  log.add({
    kind: 'targetSet',
    reading: 'braceHeight',
    low: inches(8.625),
    high: inches(8.6875),
    name: 'quiet',
    why: 'Quietest of the five heights recorded on this string.',
  });
  log.daysAgo(38).session(18, 25, [
    { fletched: 6, bare: 3, sdMm: 18, bareRightMm: 62, bareUpMm: -6 },
    { fletched: 6, bare: 3, sdMm: 18, bareRightMm: 58, bareUpMm: 4, calledBad: 2 },
  ]);
  log
    .note('Stiff on two ends. Point 20 gr heavier.')
    .change('pointMass', 1.296, 'stiff on two ends');
  log.daysAgo(31).session(18, 25, [
    { fletched: 6, bare: 3, sdMm: 17, bareRightMm: 20, bareUpMm: 3 },
    { fletched: 6, bare: 3, sdMm: 17, bareRightMm: 14, bareUpMm: -5 },
  ]);
  log.confirm('fineTuning').daysAgo(24).confirm('walkBack', 'sightMarks');
  log.daysAgo(10).shots(27, 'practice');
  log.session(18, 25, [
    { fletched: 6, bare: 3, sdMm: 16, bareRightMm: 6, bareUpMm: 2 },
    { fletched: 6, bare: 3, sdMm: 16, bareRightMm: 3, bareUpMm: -4 },
    { fletched: 6, bare: 3, sdMm: 16, bareRightMm: 4, bareUpMm: -2 },
  ]);
  log.daysAgo(2).read('braceHeight', 'b 217.4 217.6 217.5', [217.4, 217.6, 217.5]);
  return log.entries;
}

/** Turned from the height before, and what was then read, mm. */
const SEARCHED: readonly (readonly [twists: number, read: readonly [number, number, number]])[] = [
  [0, [219, 219.2, 218.9]],
  [-6, [214.3, 214.1, 214.4]],
  [9, [221.3, 221.5, 221.4]],
  [-2, [219.9, 219.7, 219.8]],
  [-1, [219.1, 218.9, 219]],
];

/** Recorded one evening; what the microphone heard is the stand-in's. */
export const HERON_SEARCH: RecordedSearch = {
  seed: 4_101,
  lowMm: inches(8.25),
  highMm: inches(8.75),
  quietMm: 219.4,
  heightsMm: SEARCHED.map(([, [one, two, three]]) => (one + two + three) / 3),
};

/** Five heights, four string-offs. */
function searchTheQuietHeight(log: LogWriter): void {
  const searchId = demoId(HERON_SEARCH.seed);
  const { lowMm, highMm } = HERON_SEARCH;
  log.add({
    kind: 'braceSearchOpened',
    searchId,
    purpose: 'quiet',
    lowMm,
    highMm,
    beginsAt: 'here',
    silencers: 'none',
    distanceM: 10,
    keepsSounds: false,
  });
  for (const [height, [twists, read]] of SEARCHED.entries()) {
    if (twists !== 0)
      log
        .change('twists', twists, 'the search for the quiet height')
        .read('braceHeight', `b ${read.join(' ')}`, read);
    recordHeight(log, HERON_SEARCH, height, { searchId, source: 'microphone' });
    log.add({ kind: 'heightJudged', searchId, armTouched: false });
  }
  log.add({ kind: 'braceSearchClosed', searchId, settledMm: 219, alikeMm: [219, 219.8] });
}

/** How it stood on the string it came with, and would be gone back to. */
function beforeTheNewString(log: LogWriter): void {
  log
    .read('braceHeight', 'b 8 5/8 8 5/8 8 9/16', [inches(8.625), inches(8.625), inches(8.5625)])
    .read('tillerTop', 'tt 7', [inches(7)])
    .read('tillerBottom', 'tb 6 13/16', [inches(6.8125)])
    .read('drawWeight', 'w 33.7 33.8', [pounds(33.7), pounds(33.8)])
    .read('nockingHeight', 'n 1/4', [inches(0.25)])
    .read('centreShotAtPoint', 'cs 3 mm', [3])
    .daysAgo(57)
    .name('before the new string');
}

/** Heron's back-up: the same make, half set up. */
export function egret(nowMs: number): readonly Entry[] {
  const log = new LogWriter(102, 'Maren', nowMs);
  log.daysAgo(20).bow({ ...HERON, name: 'Egret', described: 'Heron’s back-up, house limb, 34' });
  log.fit('clicker', 'blade on the window').confirmThrough('nockFit');
  log
    .read('drawWeight', 'w 34.3 34.2', [pounds(34.3), pounds(34.2)])
    .read('braceHeight', 'b 8 1/2 8 1/2 8 9/16', [inches(8.5), inches(8.5), inches(8.5625)])
    .read('tillerTop', 'tt 7', [inches(7)])
    .read('tillerBottom', 'tb 7 1/16', [inches(7.0625)]);
  return log.entries;
}
