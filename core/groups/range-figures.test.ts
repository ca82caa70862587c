import { describe, expect, it } from 'vitest';
import { BowLog, bowFor } from '../fixtures/bow-log.ts';
import { sessionOf } from '../fixtures/simulated-session.ts';
import { seededUniform, standardNormal } from '../numeric/random.ts';
import { comparisonNotes } from '../words/comparison-notes.ts';
import { bareShaftBlocks } from '../bare-shaft/bare-shaft-blocks.ts';
import { byArrow } from './by-arrow.ts';
import { forgiveness } from './forgiveness.ts';

const FLETCHED = [
  [-4, 3],
  [3, -2],
  [1, 4],
  [-2, -3],
  [4, 1],
  [0, 0],
] as const;
const BARE = [
  [20, 0],
  [22, 3],
] as const;

function numberedEnds(seed: number, offOf3Mm: number) {
  const normal = standardNormal(seededUniform(seed));
  return sessionOf(
    Array.from({ length: 6 }, () =>
      Array.from({ length: 6 }, (_, index) => ({
        arrow: 'fletched' as const,
        outwardMm: 12 * normal() + (index === 2 ? offOf3Mm : 0),
        upMm: 12 * normal(),
        calledBad: false,
      })),
    ),
  ).shots.map((shot, index) => ({ ...shot, arrowNumber: (index % 6) + 1 }));
}

describe('numbered arrows', () => {
  it('are each measured from the others of their ends', () => {
    const found = byArrow(numberedEnds(51, 70));
    expect(found.map(({ arrowNumber }) => arrowNumber)).toEqual([1, 2, 3, 4, 5, 6]);
    expect(found[2]!.outwardMm).toBeGreaterThan(50);
    for (const { outwardMm, arrowNumber } of found)
      if (arrowNumber !== 3) expect(Math.abs(outwardMm)).toBeLessThan(30);
  });
});

describe('forgiveness', () => {
  it('counts weak shots that land where 9 of 10 good ones do, with its uncertainty', () => {
    const good = FLETCHED.map(([outwardMm, upMm]) => ({
      arrow: 'fletched' as const,
      outwardMm,
      upMm,
      calledBad: false,
    }));
    const weak = [
      { arrow: 'fletched' as const, outwardMm: 2, upMm: 1, calledBad: true },
      { arrow: 'fletched' as const, outwardMm: 60, upMm: 1, calledBad: true },
      { arrow: 'fletched' as const, outwardMm: 3, upMm: -2, calledBad: true },
    ];
    const found = forgiveness(sessionOf([[...good, ...weak]]).shots)!;
    expect(found).toMatchObject({ weak: 3, inside: 2 });
    expect(found.low).toBeGreaterThan(0.1);
    expect(found.high).toBeLessThan(1);
    expect(forgiveness(sessionOf([good]).shots)).toBeNull();
  });
});

function shoot(log: BowLog, session: string, end: number): void {
  log.shots(session, end, 'fletched', FLETCHED);
  log.shots(session, end, 'bare', BARE);
}
const notesOf = (log: BowLog) => comparisonNotes(log.state, log.state.sessions.at(-1)!);

describe('an honest comparison', () => {
  it('is void when two things were changed between the same two ends, and says which', () => {
    const log = bowFor('right');
    const session = log.open();
    shoot(log, session, 1);
    log.change('plungerPreload', 0.5);
    log.change('pointMass', 1);
    shoot(log, session, 2);
    expect(notesOf(log)).toMatchObject([{ kind: 'twoChanges' }]);
    expect(notesOf(log)[0]!.words).toMatch(/plunger preload and point mass were both changed/);
  });

  it('is good after one change, or both bolts in one move', () => {
    const log = bowFor('right');
    const session = log.open();
    shoot(log, session, 1);
    log.change('topBolt', 0.25, 'move');
    log.change('bottomBolt', 0.25, 'move');
    shoot(log, session, 2);
    log.change('nockingPoint', 1);
    shoot(log, session, 3);
    expect(notesOf(log)).toEqual([]);
  });

  it('also sees two changes between one session and the next', () => {
    const log = bowFor('right');
    shoot(log, log.open(), 1);
    log.change('nockingPoint', 1);
    log.change('twists', 3);
    shoot(log, log.open(), 1);
    expect(notesOf(log)).toHaveLength(1);
  });

  it('flags another build of arrow, and does not pool it', () => {
    const log = bowFor('right');
    const session = log.open();
    log.add({ kind: 'endNoted', sessionId: session, endNumber: 1, arrowBuild: 'spine 700' });
    shoot(log, session, 1);
    log.add({ kind: 'endNoted', sessionId: session, endNumber: 2, arrowBuild: 'spine 600' });
    shoot(log, session, 2);
    shoot(log, session, 2);
    expect(notesOf(log)).toMatchObject([{ kind: 'mixedBuilds' }]);
    const { blocks, levelSteps } = bareShaftBlocks(log.state, 'bareShaftUp', ['nockingPoint']);
    expect(blocks.map(({ level }) => level)).toEqual([0, 1]);
    expect(levelSteps).toEqual(['item']);
  });
});
