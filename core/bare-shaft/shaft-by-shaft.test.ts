import { describe, expect, it } from 'vitest';
import { verdictWords } from '../words/verdict-words.ts';
import { BowLog, SIX_FLETCHED } from '../fixtures/bow-log.ts';
import { spokenMove } from '../fixtures/spoken-move.ts';
import type { BowState } from '../log/bow-state.ts';
import { sessionVerdict } from './bare-shaft-evidence.ts';
import { shaftByShaft } from './shaft-by-shaft.ts';

/** Bare shafts by number, mm outward and up, one row an end. */
type Ends = readonly (readonly (readonly [outwardMm: number, upMm: number])[])[];
const BENT_3: Ends = [
  [
    [4, -3],
    [-8, 6],
    [-62, 9],
  ],
  [
    [-5, 8],
    [7, -6],
    [-57, -4],
  ],
  [
    [3, 2],
    [-4, -9],
    [-66, 5],
  ],
];
const HEAPS: Ends = [
  [
    [4, -3],
    [80, 6],
    [78, 9],
  ],
  [
    [-5, 8],
    [7, -6],
    [85, -4],
  ],
  [
    [83, 2],
    [-4, -9],
    [2, 5],
  ],
  [
    [88, -7],
    [79, 3],
    [-6, 4],
  ],
];

function shotWith(ends: Ends, hand: 'right' | 'left' = 'right') {
  const log = new BowLog({ hand }).settle();
  const sessionId = log.open();
  for (const [index, bare] of ends.entries()) {
    log.shots(sessionId, index + 1, 'fletched', SIX_FLETCHED);
    for (const [at, [outwardMm, upMm]] of bare.entries())
      log.add({
        kind: 'shotPlaced',
        shotId: `bare-${index}-${at}`,
        sessionId,
        endNumber: index + 1,
        arrow: 'bare',
        outwardMm,
        upMm,
        calledBad: false,
        arrowNumber: at + 1,
      });
  }
  return { log, sessionId };
}
const verdictOf = (state: BowState) => sessionVerdict(state, state.sessions.at(-1)!);

describe('a bent shaft among three', () => {
  it('is what the next move is about, and nothing is turned for it', () => {
    const { log } = shotWith(BENT_3);
    const move = spokenMove(log.state, log.nowMs);
    expect(move).toMatchObject({
      key: 'aside:bare 3',
      step: 'bareShaft',
      place: 'arrow',
      title: 'Set bare shaft 3 aside',
      caution: 'shafts',
      doneLabel: 'Set aside',
    });
    // Inward of a right-hander is right.
    expect(move?.expect).toMatch(
      /^It lands [56] cm right of the others: shoot those, and flex it and look it over for cracks$/,
    );
    expect(move?.why).toMatch(/^Bare shaft 3 fell [56] cm right of its fellows in 3 shots/);
    expect(move?.action).toMatchObject({ kind: 'setShaftAside', arrow: 'bare', arrowNumber: 3 });
    const left = shotWith(BENT_3, 'left').log;
    expect(spokenMove(left.state, left.nowMs)?.expect).toMatch(/cm left of the others/);
  });

  it('once aside, counts no more, before or after; back again, it does', () => {
    const { log, sessionId } = shotWith(BENT_3);
    const aside = { kind: 'shaftSetAside', sessionId, arrow: 'bare', arrowNumber: 3 } as const;
    const before = verdictOf(log.state);
    expect(before.counted).toMatchObject({ bare: 9, setAside: 0 });
    log.add({ ...aside, aside: true });
    const after = verdictOf(log.state);
    expect(after.counted).toMatchObject({ bare: 6, fletched: 18, setAside: 3, calledBad: 0 });
    expect(Math.abs(after.outward.offsetMm!)).toBeLessThan(4);
    expect(Math.abs(before.outward.offsetMm!)).toBeGreaterThan(15);
    expect(spokenMove(log.state, log.nowMs)?.action.kind).not.toBe('setShaftAside');
    log.add({
      kind: 'shotPlaced',
      shotId: 'later',
      sessionId,
      endNumber: 4,
      arrow: 'bare',
      outwardMm: -60,
      upMm: 0,
      calledBad: false,
      arrowNumber: 3,
    });
    expect(verdictOf(log.state).counted).toMatchObject({ bare: 6, setAside: 4 });
    // The number was another's: read again, the shot counts.
    log.add({ kind: 'shotAmended', shotId: 'later', arrowNumber: 1 });
    expect(verdictOf(log.state).counted).toMatchObject({ bare: 7, setAside: 3 });
    log.add({ ...aside, aside: false });
    expect(verdictOf(log.state).counted).toMatchObject({ bare: 10, setAside: 0 });
  });

  it('aside in one session only, and of one kind of arrow only', () => {
    const { log, sessionId } = shotWith(BENT_3);
    log.add({ kind: 'shaftSetAside', sessionId, arrow: 'fletched', arrowNumber: 3, aside: true });
    expect(verdictOf(log.state).counted.bare).toBe(9);
    log.add({ kind: 'shaftSetAside', sessionId, arrow: 'bare', arrowNumber: 3, aside: true });
    const next = log.open();
    log.add({
      kind: 'shotPlaced',
      shotId: 'tomorrow',
      sessionId: next,
      endNumber: 1,
      arrow: 'bare',
      outwardMm: 0,
      upMm: 0,
      calledBad: false,
      arrowNumber: 3,
    });
    expect(log.state.sessions.at(-1)?.shots[0]?.setAside).toBe(false);
  });
});

describe('two heaps', () => {
  it('are not seen where one fletched flyer nobody called has moved its end', () => {
    const log = new BowLog().settle();
    const sessionId = log.open();
    const bare = [
      [
        [-1, 5],
        [8, -2],
        [3, 2],
      ],
      [
        [2, -4],
        [-6, 3],
        [5, 6],
      ],
      [
        [7, 1],
        [-3, -5],
        [1, 7],
      ],
    ] as const;
    for (const [index, points] of bare.entries()) {
      const fletched = SIX_FLETCHED.map((point, at) =>
        index === 1 && at === 5 ? ([140, -180] as const) : point,
      );
      log.shots(sessionId, index + 1, 'fletched', fletched);
      log.shots(sessionId, index + 1, 'bare', points);
    }
    expect(shaftByShaft(log.state, log.state.sessions.at(-1)!)).toBeNull();
  });

  it('are named with the usual cause, and no turn is proposed for their middle', () => {
    const { log } = shotWith(HEAPS);
    const move = spokenMove(log.state, log.nowMs);
    expect(move?.title).toBe('Two heaps: find what touches now and then');
    const needed = { outward: null, up: null };
    const words = verdictWords(verdictOf(log.state), { hand: 'right', unit: 'cm', needed });
    expect([words.says, words.figure, words.also]).toEqual([
      'Bare shafts lie in two heaps:',
      'their middle is no offset.',
      [],
    ]);
    expect(verdictOf(log.state).done).toBe(false);
    expect(move?.expect).toBe('6 of 12 bare shafts land 8 cm left of the rest');
    expect(move?.why).toContain('contact half the time');
    expect(move?.reasons[0]).toMatch(/^Arrows all alike/);
    expect(move?.action).toMatchObject({
      kind: 'checkBlame',
      items: ['twoHeaps', 'contact', 'nockFit', 'arrow', 'fingers'],
    });
  });

  it('looked into, they are said again only when later shots show them', () => {
    const { log, sessionId } = shotWith(HEAPS);
    log.add({ kind: 'blameChecked', sessionId, items: ['twoHeaps', 'contact'] });
    expect(spokenMove(log.state, log.nowMs)?.title).not.toContain('Two heaps');
    for (const [index, bare] of HEAPS.entries()) {
      log.shots(sessionId, 10 + index, 'fletched', SIX_FLETCHED);
      log.shots(sessionId, 10 + index, 'bare', bare);
    }
    expect(spokenMove(log.state, log.nowMs)?.title).toContain('Two heaps');
  });
});
