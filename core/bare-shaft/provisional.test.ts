import { describe, expect, it } from 'vitest';
import { BowLog, SIX_FLETCHED } from '../fixtures/bow-log.ts';
import { spokenMove } from '../fixtures/spoken-move.ts';
import { verdictWords } from '../words/verdict-words.ts';
import { sessionVerdict } from './bare-shaft-evidence.ts';
import { remediesFor } from './remedies.ts';

const END_NOTES = { outward: 1, up: 0 } as const;

/**
 * A hunter's two ends at 10 m: two bare shafts, hardly off where they landed, whose nocks point this
 * far outward, or which were seen to fly tail outward.
 */
function watched(
  how: 'attitude' | 'flight' | 'nothing',
  { fletched = true, ends = 2 }: { readonly fletched?: boolean; readonly ends?: number } = {},
): BowLog {
  const log = new BowLog({
    school: 'shelfHunting',
    hook: 'threeUnder',
    purpose: 'hunting',
    arrow: { described: '', lengthMm: 780, diameterMm: 8, pointMassG: 8 },
    amoDrawMm: 711,
  }).settle();
  const wide = how === 'flight' ? 12 : 5;
  const session = log.open(22, 10);
  for (let end = 1; end <= ends; end += 1) {
    if (fletched)
      log.shots(
        session,
        end,
        'fletched',
        SIX_FLETCHED.slice(0, 3).map(([x, y]) => [wide * x, wide * y] as const),
      );
    for (const at of [0, 1])
      log.add({
        kind: 'shotPlaced',
        shotId: `bare-${end}-${at}`,
        sessionId: session,
        endNumber: end,
        arrow: 'bare',
        outwardMm: (how === 'flight' ? -52 : -12) + 25 * at,
        upMm: 10 - 22 * at,
        calledBad: false,
        ...(how === 'attitude' ? { attitude: { outwardDeg: 5 + at, upDeg: at - 0.5 } } : {}),
      });
    if (how === 'flight')
      log.add({ kind: 'endNoted', sessionId: session, endNumber: end, flight: END_NOTES });
  }
  return log;
}
const verdictOf = (log: BowLog) => sessionVerdict(log.state, log.state.sessions.at(-1)!);
const NEEDED = { outward: null, up: null };

describe('bare shafts that were watched', () => {
  it.each(['attitude', 'flight'] as const)(
    '%s says the side where impact says nothing, with its own width',
    (how) => {
      const log = watched(how, { ends: how === 'flight' ? 3 : 2 });
      const verdict = verdictOf(log);
      expect(verdict.outward.call).toBe('undecided');
      // A tail outward: the shaft lands inward, and acts weak.
      expect(verdict.seen.outward).toMatchObject({ call: 'minus', sources: [how] });
      expect(verdict.seen.outward!.sdMm).toBeGreaterThan(15);
      expect(verdict.seen.up).toBeNull();
      const words = verdictWords(verdict, { hand: 'right', unit: 'cm', needed: NEEDED });
      expect(words.says).toMatch(
        /^Probably weak, by (nock attitude|flight seen); impact has not settled it:/,
      );
      expect(words.figure).toMatch(/ cm right at 18 m\.$/);
    },
  );

  it('drives a move that can be taken back, and says what overrules it', () => {
    const log = watched('attitude');
    const move = spokenMove(log.state, log.nowMs);
    if (move?.action.kind !== 'change') throw new Error(move?.title);
    // Weak, off the shelf: a lighter point; never the saw.
    expect(move.action.changes[0]).toMatchObject({ control: 'pointMass' });
    expect(move.action.changes[0]!.amount).toBeLessThan(0);
    expect(move.why).toMatch(/^Weak by nock attitude, where too few shots say it yet\./);
    expect(move.why).toContain('where they land overrules it');
    const session = log.state.sessions.at(-1)!;
    expect(remediesFor(log.state, session, 'bareShaftOutward').every((one) => one.reversible)).toBe(
      true,
    );
  });

  it('says it even where no fletched arrow was shot', () => {
    // Three ends: nothing is known of up and down, and that comes first for so long.
    const log = watched('attitude', { fletched: false, ends: 3 });
    const verdict = verdictOf(log);
    expect(verdict.outward.offsetMm).toBeNull();
    expect(verdict.seen.outward?.call).toBe('minus');
    expect(spokenMove(log.state, log.nowMs)?.action.kind).toBe('change');
    const words = verdictWords(verdict, { hand: 'right', unit: 'cm', needed: NEEDED });
    expect(words.also).toEqual(['Nothing to say yet: at least 2 fletched more.']);
  });

  it('not from one end, nor where nothing was seen', () => {
    expect(verdictOf(watched('attitude', { ends: 1 })).seen.outward).toBeNull();
    expect(verdictOf(watched('nothing')).seen.outward).toBeNull();
  });

  it('impact overrules it as it comes in', () => {
    const log = watched('attitude');
    const session = log.state.sessions.at(-1)!.sessionId;
    for (const end of [3, 4, 5]) {
      log.shots(session, end, 'fletched', SIX_FLETCHED);
      log.shots(session, end, 'bare', [
        [118, 3],
        [125, -4],
        [121, 0],
      ]);
    }
    const verdict = verdictOf(log);
    expect(verdict.outward.call).toBe('plus');
    expect(verdict.seen.outward).toBeNull();
  });

  it('after the move the next ends are watched anew', () => {
    const log = watched('attitude');
    log.change('pointMass', -1);
    expect(verdictOf(log).seen.outward).toBeNull();
    expect(spokenMove(log.state, log.nowMs)?.action.kind).toBe('shootEnd');
  });
});
