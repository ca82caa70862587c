import { HUNTING_ARROW, SHELF_ARROW, WOOD_ARROW } from './arrows.ts';
import { CLUB_PARTS } from './parts.ts';
import type { Entry } from '#core/log/entry.ts';
import { curlew } from './curlew.ts';
import { egret, heron } from './heron.ts';
import { kitsInParts } from './kits.ts';
import { inches, LogWriter, pounds } from './log-writer.ts';
import { TARGET_BASE } from './target-base.ts';

/**
 * The invented club: six members, eight bows with up to eight weeks of history, and four kits in
 * parts. Written through the contract, repeatable but for the clock.
 *
 * @param nowMs histories end shortly before this
 */
export function demoClub(nowMs: number): readonly (readonly Entry[])[] {
  return [
    heron(nowMs),
    curlew(nowMs),
    wren(nowMs),
    kestrel(nowMs),
    egret(nowMs),
    sparrow(nowMs),
    rook(nowMs),
    linnet(nowMs),
    ...kitsInParts(nowMs),
  ];
}

/** A 3D bow off the shelf: a verdict that is honestly undecided. */
function wren(nowMs: number): readonly Entry[] {
  const log = new LogWriter(202, 'Pia', nowMs);
  log.daysAgo(33).bow({
    ...TARGET_BASE,
    name: 'Wren',
    owner: 'Pia',
    described: 'one-piece, bamboo core, 40',
    bowKind: 'takedownRecurve',
    amoLengthIn: 60,
    hook: 'threeUnder',
    purpose: 'threeD',
    school: 'shelfTarget',
    lengthUnit: 'in',
    maker: {
      braceMinMm: inches(7.5),
      braceMaxMm: inches(8.25),
      markedWeightN: pounds(40),
      markedDrawMm: inches(28),
    },
    amoDrawMm: inches(27),
    twistsAtStart: 22,
    arrow: { described: 'carbon, spine 500', lengthMm: 737, diameterMm: 7.2, pointMassG: 8.1 },
  });
  log.arrow('carbon, spine 500', SHELF_ARROW).confirmThrough('nockFit');
  log
    .read('drawWeight', 'w 38.2 38.4', [pounds(38.2), pounds(38.4)])
    .read('braceHeight', 'b 7 3/4 7 3/4 7 13/16', [inches(7.75), inches(7.75), inches(7.8125)])
    .read('tillerTop', 'tt 6 5/16', [inches(6.3125)])
    .read('tillerBottom', 'tb 6 5/16', [inches(6.3125)])
    .read('limbLineTop', 'll t 0', [0])
    .read('limbLineBottom', 'll b 0', [0])
    .read('limbLineRod', 'll r 0', [0])
    .read('nockingHeight', 'n 5/8', [inches(0.625)])
    .read('centreShotAtPoint', 'cs 2 mm', [2])
    .shots(80, 'shooting in')
    .read('braceHeight', 'b 7 3/4', [inches(7.75)])
    .confirm('braceSearch');
  log.daysAgo(3).session(
    15,
    30,
    [
      { fletched: 6, bare: 2, sdMm: 34, bareRightMm: 26, bareUpMm: -14, bareFactor: 1.4 },
      { fletched: 6, bare: 2, sdMm: 34, bareRightMm: 18, bareUpMm: 20, bareFactor: 1.4 },
    ],
    false,
    { place: 'wood behind the hall', light: 'overcast', wind: 'gusty', buttKind: 'soft' },
  );
  return log.entries;
}

/** A left-handed hunting bow in which lowering made it worse: the tail was bouncing. */
function kestrel(nowMs: number): readonly Entry[] {
  const log = new LogWriter(203, 'Bram', nowMs);
  log.daysAgo(40).bow({
    ...TARGET_BASE,
    name: 'Kestrel',
    owner: 'Bram',
    described: 'short takedown, 45',
    bowKind: 'takedownRecurve',
    amoLengthIn: 58,
    hand: 'left',
    hook: 'threeUnder',
    purpose: 'hunting',
    school: 'shelfHunting',
    lengthUnit: 'in',
    maker: { markedWeightN: pounds(45), markedDrawMm: inches(28) },
    amoDrawMm: inches(27.5),
    arrow: { described: 'carbon, spine 400', lengthMm: 749, diameterMm: 7.5, pointMassG: 11.34 },
  });
  log.arrow('carbon, spine 400', HUNTING_ARROW).confirmThrough('nockFit');
  log
    .read('drawWeight', 'w 44.1 44.0', [pounds(44.1), pounds(44)])
    .read('braceHeight', 'b 7 7 1/16 7', [inches(7), inches(7.0625), inches(7)])
    .read('tillerTop', 'tt 6', [inches(6)])
    .read('tillerBottom', 'tb 6', [inches(6)])
    .read('limbLineTop', 'll t 0', [0])
    .read('limbLineBottom', 'll b 0', [0])
    .read('limbLineRod', 'll r 0', [0])
    .read('nockingHeight', 'n 9/16', [inches(0.5625)])
    .read('centreShotAtPoint', 'cs 3 mm', [3])
    .shots(70, 'shooting in')
    .read('braceHeight', 'b 7', [inches(7)])
    .confirm('braceSearch');
  log.daysAgo(26).session(10, 22, [
    { fletched: 4, bare: 3, sdMm: 16, bareRightMm: 4, bareUpMm: -38 },
    { fletched: 4, bare: 3, sdMm: 16, bareRightMm: 2, bareUpMm: -42 },
  ]);
  log.change('nockingPoint', -2, 'bare low, nock high');
  log.tear(2, 3, 22).tear(2, 1, 26);
  const lower = log.session(10, 22, [
    { fletched: 4, bare: 3, sdMm: 16, bareRightMm: 3, bareUpMm: -62 },
  ]);
  log.noteEnd(lower, 1, { marks: 'shelf', flight: { outward: 0, up: 1 } });
  log.note('Lowering made it worse, and there are marks on the shelf: the tail was bouncing.');
  log.change('nockingPoint', 5, 'bounce: go well up and come down');
  log.read('nockingHeight', 'n 11/16', [inches(0.6875)]);
  log.daysAgo(19).session(10, 22, [
    { fletched: 4, bare: 3, sdMm: 15, bareRightMm: 5, bareUpMm: -4 },
    { fletched: 4, bare: 3, sdMm: 15, bareRightMm: 2, bareUpMm: 3 },
    { fletched: 4, bare: 3, sdMm: 15, bareRightMm: 1, bareUpMm: 2 },
  ]);
  log.daysAgo(5).change('twists', 3, 'brace had sunk');
  return log.entries;
}

/** A newcomer's first takedown, just put together. */
function sparrow(nowMs: number): readonly Entry[] {
  const log = new LogWriter(204, 'Sorrel', nowMs);
  log.daysAgo(6).bow({
    ...TARGET_BASE,
    name: 'Sparrow',
    owner: 'Sorrel',
    described: 'club takedown, 24',
    bowKind: 'takedownRecurve',
    amoLengthIn: 62,
    school: 'shelfTarget',
    lengthUnit: 'in',
    maker: { markedWeightN: pounds(24), markedDrawMm: inches(28) },
    amoDrawMm: inches(26),
  });
  log.confirmThrough('inspect');
  log.read('braceHeight', 'b 7 3/8', [inches(7.375)]);
  return log.entries;
}

/** A longbow with wood arrows; nothing on it turns. */
function rook(nowMs: number): readonly Entry[] {
  const log = new LogWriter(205, 'Wick', nowMs);
  log.daysAgo(50).bow({
    ...TARGET_BASE,
    name: 'Rook',
    owner: 'Wick',
    described: 'yew-backed longbow, 42, wood arrows',
    bowKind: 'longbow',
    amoLengthIn: 68,
    purpose: 'field',
    school: 'shelfTarget',
    lengthUnit: 'in',
    maker: { markedWeightN: pounds(42), markedDrawMm: inches(28) },
    amoDrawMm: inches(27),
    arrow: { described: 'wood, feather', lengthMm: 724, diameterMm: 8.7, pointMassG: 8.1 },
  });
  log.arrow('wood, feather', WOOD_ARROW).confirmThrough('nockFit');
  log
    .read('drawWeight', 'w 40.6 40.5', [pounds(40.6), pounds(40.5)])
    .read('braceHeight', 'b 6 1/2 6 1/2 6 7/16', [inches(6.5), inches(6.5), inches(6.4375)])
    .read('tillerTop', 'tt 5 3/4', [inches(5.75)])
    .read('tillerBottom', 'tb 5 5/8', [inches(5.625)])
    .read('limbLineTop', 'll t 0', [0])
    .read('limbLineBottom', 'll b 0', [0])
    .read('limbLineRod', 'll r 0', [0])
    .read('nockingHeight', 'n 7/16', [inches(0.4375)])
    .read('centreShotAtPoint', 'cs 4 mm', [4])
    .shots(120, 'shooting in')
    .read('braceHeight', 'b 6 7/16', [inches(6.4375)])
    .confirm('braceSearch', 'fineTuning', 'sightMarks');
  log.daysAgo(12).session(15, 25, [
    { fletched: 6, bare: 3, sdMm: 26, bareRightMm: 40, bareUpMm: 4 },
    { fletched: 6, bare: 3, sdMm: 26, bareRightMm: 46, bareUpMm: -8 },
  ]);
  return log.entries;
}

/** A hunter’s longbow that has no arrow yet: weighed, braced, and nothing chosen for it. */
function linnet(nowMs: number): readonly Entry[] {
  const log = new LogWriter(206, 'Bram', nowMs);
  log.daysAgo(4).bow({
    ...TARGET_BASE,
    name: 'Linnet',
    owner: 'Bram',
    described: 'reflexed longbow, 45, no arrow yet',
    bowKind: 'longbow',
    amoLengthIn: 66,
    purpose: 'hunting',
    school: 'shelfHunting',
    lengthUnit: 'in',
    maker: {
      markedWeightN: pounds(45),
      markedDrawMm: inches(28),
      braceMinMm: inches(6.5),
      braceMaxMm: inches(7.25),
    },
    amoDrawMm: inches(27.5),
    windowPastCentreMm: -1,
    twistsAtStart: 20,
  });
  log.parts(CLUB_PARTS).confirmThrough('fitOut');
  log
    .read('drawWeight', 'w 44.2 44.0', [pounds(44.2), pounds(44)])
    .read('braceHeight', 'b 6 7/8 6 7/8 6 7/8', [inches(6.875), inches(6.875), inches(6.875)])
    .read('tillerTop', 'tt 5 7/8', [inches(5.875)])
    .read('tillerBottom', 'tb 5 3/4', [inches(5.75)])
    .read('limbLineTop', 'll t 0', [0])
    .read('limbLineBottom', 'll b 0', [0]);
  return log.entries;
}
