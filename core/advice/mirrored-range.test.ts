import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Hand } from '../craft/bow-terms.ts';
import { outwardFromRight } from '../craft/handedness.ts';
import { bowFor, type BowLog } from '../fixtures/bow-log.ts';
import { conflictWords, sourceWords, togetherWords } from '../words/evidence-words.ts';
import { sessionVerdict } from '../bare-shaft/bare-shaft-evidence.ts';
import { spokenMove } from '../fixtures/spoken-move.ts';
import { sessionEvidence } from '../bare-shaft/session-evidence.ts';

const swapped = (words: string) =>
  words.replace(/\b(left|right)\b/gi, (side) =>
    side.toLowerCase() === 'left' ? side.replace(/left/i, 'right') : side.replace(/right/i, 'left'),
  );

/** All words of the next move but its key. */
function wordsOf(log: BowLog): string {
  const move = spokenMove(log.state, log.nowMs);
  return JSON.stringify([move?.title, move?.expect, move?.why, move?.reasons, move?.action]);
}

const mm = fc.integer({ min: -90, max: 90 });
const pairs = (least: number) =>
  fc.array(fc.tuple(mm, mm), { minLength: least, maxLength: least + 3 });

describe('a left-hander at the range is a right-hander in a mirror', () => {
  it('bare shafts, with attitude and paper: same cause, remedy and size, sides exchanged', () => {
    fc.assert(
      fc.property(pairs(4), pairs(3), fc.integer({ min: -8, max: 8 }), (fletched, bare, nock) => {
        const logOf = (hand: Hand) => {
          const flip = hand === 'left' ? -1 : 1;
          const log = bowFor(hand);
          const session = log.open(25, 10);
          const seen = (points: readonly (readonly [number, number])[]) =>
            points.map(([right, up]) => [outwardFromRight(right * flip, hand), up] as const);
          for (const end of [1, 2]) {
            log.shots(session, end, 'fletched', seen(fletched));
            for (const shotId of log.shots(session, end, 'bare', seen(bare)))
              log.add({
                kind: 'shotAmended',
                shotId,
                attitude: { outwardDeg: outwardFromRight(nock * flip, hand), upDeg: 0 },
              });
          }
          for (const tail of [20, 24])
            log.add({
              kind: 'paperTorn',
              distanceM: 2,
              outwardMm: outwardFromRight(tail * flip, hand),
              upMm: 0,
              arrow: 'bare',
            });
          return log;
        };
        const [right, left] = [logOf('right'), logOf('left')];
        expect(wordsOf(left)).toBe(swapped(wordsOf(right)));
        const evidence = ({ state }: BowLog) => {
          const session = state.sessions.at(-1)!;
          const verdict = sessionVerdict(state, session);
          const fused = sessionEvidence(state, session, verdict, 'bareShaftOutward');
          return [
            ...fused.says.map((one) => sourceWords('outward', one)),
            togetherWords('outward', fused),
            conflictWords('outward', fused),
          ];
        };
        expect(evidence(left)).toEqual(evidence(right));
      }),
      { numRuns: 40 },
    );
  });

  it('walk-backs: the same turn of reach, sides exchanged', () => {
    fc.assert(
      fc.property(fc.integer({ min: -8, max: 8 }), (leanRight) => {
        const logOf = (hand: Hand) => {
          const flip = hand === 'left' ? -1 : 1;
          const log = bowFor(hand);
          log.openWalkBack();
          for (const distanceM of [10, 13, 16, 19, 22])
            for (const off of [-4, 1, 3])
              log.add({
                kind: 'shotPlaced',
                shotId: `shot-${log.log.length}`,
                sessionId: 'walk',
                endNumber: distanceM,
                arrow: 'fletched',
                outwardMm: outwardFromRight(flip * (leanRight * (distanceM - 10) + off), hand),
                upMm: -distanceM,
                calledBad: false,
                distanceM,
              });
          return log;
        };
        expect(wordsOf(logOf('left'))).toBe(swapped(wordsOf(logOf('right'))));
      }),
    );
  });
});
