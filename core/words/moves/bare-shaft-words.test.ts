import { describe, expect, it } from 'vitest';
import type { MoveBecause, OtherBecause } from '../../advice/move-because.ts';
import { plainMove } from '../../advice/plain-move.ts';
import type { BareShaftDecision } from '../../bare-shaft/bare-shaft-decision.ts';
import { bareShaftEvidence } from '../../bare-shaft/bare-shaft-evidence.ts';
import { remediesFor } from '../../bare-shaft/remedies.ts';
import { bareShaftBow } from '../../fixtures/bow-log.ts';
import { speakMove } from './speak-move.ts';

/** Bare shafts 60 mm outward and 40 mm high of the fletched. */
const log = bareShaftBow(60, 40);
const { state } = log;
const { session, verdict } = bareShaftEvidence(state);
if (session === null || verdict === null) throw new Error('nothing was shot');
const said = (because: MoveBecause) =>
  speakMove(state, { ...plainMove('bareShaft', because), key: 'k' });
const ACROSS = /^Across: .* ± .* cm (left|right); inside ± .* cm with \d+ % chance\.$/;
const UP_AND_DOWN = /^Up and down: .* ± .* cm high; inside ± .* cm with \d+ % chance\.$/;

describe('what bare shafts say', () => {
  it('nothing yet', () => {
    expect(said({ topic: 'bareShaftShoot', why: 'first' })).toMatchObject({
      title: 'Shoot bare and fletched',
      expect: '6 fletched, 3 bare',
      why: 'Nothing has been shot since the last change.',
      reasons: [],
      wouldChange: 'The next end.',
      thenCheck: 'Call a bad shot before looking; mark it, do not drop it.',
      doneLabel: 'Start the next end',
    });
    expect(said({ topic: 'bareShaftShoot', why: 'endOut' })).toMatchObject({
      title: 'Shoot the end out',
      why: 'At least two fletched and two bare shots are needed before anything can be said.',
    });
  });

  it('wait: which of the reasons it is, and where both axes stand', () => {
    const likely = remediesFor(state, session, 'bareShaftOutward')[0]!;
    const wait = (why: Extract<BareShaftDecision, { kind: 'shoot' }>['why']) =>
      said({
        topic: 'bareShaftWait',
        verdict,
        decision: { kind: 'shoot', why, axis: 'bareShaftOutward', likely },
      });
    expect(wait('farOutShot').why).toMatch(
      /^Two looks say stiff, but a shot that lies far from its kind weighs much/,
    );
    expect(wait('neverMixed')).toMatchObject({
      title: 'Shoot bare and fletched in one end, mixed',
      why: 'Shot in ends of their own, an aim that wandered in between passes for an offset.',
    });
    const inside = wait('oneMoreInside');
    expect(inside).toMatchObject({
      title: 'One more end, touch nothing',
      why: 'Both axes look inside. It counts as done when a second end agrees.',
    });
    expect(inside.reasons).toEqual([
      expect.stringMatching(ACROSS),
      expect.stringMatching(UP_AND_DOWN),
    ]);
    expect(wait('oneLook')).toMatchObject({
      title: 'Shoot again, touch nothing',
      why: 'One look says stiff. One end proves nothing; two that agree do.',
      doneLabel: 'Start the next end',
    });
    expect(wait('verticalFirst').why).toBe(
      'Across it looks stiff, but up and down comes first and is not settled: a nocking point far off can pass for a stiff or weak shaft.',
    );
    expect(wait('undecided').why).toBe(
      'The offset cannot be told from the scatter yet. More shots settle it; turning something would only hide it.',
    );
  });

  it('look before blaming: why, and only what was not looked at', () => {
    const blame = (why: 'scattered' | 'conflict' | 'contact') =>
      said({
        topic: 'bareShaftBlame',
        decision: { kind: 'checkBlame', why, items: ['loose', 'aim'] },
      });
    expect(blame('scattered')).toMatchObject({
      title: 'Check before blaming bow or arrow',
      expect: 'Go through the list, in order',
      why: 'The bare shafts scatter more than the bow can explain: form, nock fit and contact first.',
      reasons: [
        'Nothing loose: rest, sight block, bolts, a weight touching a bolt.',
        'Same aim for bare and fletched.',
      ],
      doneLabel: 'All looked at',
    });
    expect(blame('conflict').why).toBe(
      'What was seen disagrees with where the shafts landed: something else is at work.',
    );
    expect(blame('contact').why).toBe(
      'Marks on rest or riser: the tail touches, and a touched shaft tells nothing of spine.',
    );
  });

  it('a bounce: well up, then down again', () => {
    const decision = { kind: 'bounce', raiseMm: 6, chance: 0.93 } as const;
    expect(said({ topic: 'bareShaftBounce', verdict, decision })).toMatchObject({
      title: 'Nocking point 6 mm up',
      expect: 'Expect bare shafts to turn round: high first, then down as you come down',
      why: 'The tail bounces: lower made it worse (93 % sure). It stands far too low and only looks high. Go well up, then come down.',
      wouldChange: 'Bare shafts that rise when the nocking point is lowered.',
      thenCheck: 'Powder on shelf and rest after the next end, then bare shafts again.',
      doneLabel: 'Done',
    });
  });

  it('a remedy: what it does, instead of what, and what is checked after', () => {
    const [remedy, second] = remediesFor(state, session, 'bareShaftOutward');
    const because = { topic: 'bareShaftMend', verdict, session, axis: 'bareShaftOutward' } as const;
    const cut = { ...second!, reversible: false };
    const words = said({ ...because, remedy: remedy!, others: [cut] });
    expect(words.expect).toMatch(/^Expect bare shafts .* ± .* cm \w+, now .* ± .* cm left$/);
    expect(words.reasons.slice(0, 2)).toEqual([
      expect.stringMatching(ACROSS),
      expect.stringMatching(UP_AND_DOWN),
    ]);
    expect(words.reasons[2]).toMatch(/^With everything shot before it: .* cm left\.$/);
    expect(words.reasons[4]).toMatch(
      /^It would raise the chance of being inside from .*\d+ % to .*\d+ %\.$/,
    );
    expect(words.reasons[5]).toMatch(/: to .*\d+ %, and it cannot be taken back\.$/);
    expect(words.why).toBe(
      'Stiff, and up and down no longer hides it. Of what can be taken back, this does most.',
    );
    const handy = said({ ...because, remedy: { ...second!, gain: 0.1 }, others: [remedy!] });
    expect(handy.why).toMatch(/Turned and taken back in seconds, and it may do\.$/);
    expect(said({ ...because, remedy: cut, others: [] }).why).toMatch(
      /Everything that can be taken back is spent or would not do\.$/,
    );
    expect(words.wouldChange).toBe(
      'A second end on the other side, contact marks, or a mixed-up point mass.',
    );
    expect(words.thenCheck).toBe('Bare shafts again, then sight marks.');
    const [up] = remediesFor(state, session, 'bareShaftUp');
    expect(said({ ...because, axis: 'bareShaftUp', remedy: up!, others: [] }).thenCheck).toBe(
      'Bare shafts again: same side, smaller. If it grows, the tail may be bouncing: go well up.',
    );
    const other: OtherBecause = { ...because, remedy: second! };
    const runnerUp = { changes: [{ control: 'pointMass', amount: 1 }], because: other } as const;
    const move = { ...plainMove('bareShaft', { ...because, remedy: remedy!, others: [] }) };
    expect(speakMove(state, { ...move, key: 'k', runnerUp }).runnerUp).toMatchObject({
      title: expect.stringMatching(/^Point mass 15\.4 gr heavier$|^Point/) as string,
      expect: expect.stringMatching(/^Expect bare shafts .* ± .* cm \w+$/) as string,
    });
  });
});

describe('what is said when everything is spent', () => {
  it('each control with why, and what another shaft would do', () => {
    const words = said({
      topic: 'bareShaftSpent',
      verdict,
      axis: 'bareShaftOutward',
      controls: [
        { control: 'plungerPreload', movedBy: 2, why: 'atLimit' },
        { control: 'topBolt', movedBy: 0, why: 'unknown' },
        { control: 'twists', movedBy: -1, why: 'notProposed' },
      ],
    });
    expect(words).toMatchObject({ title: 'Another shaft', doneLabel: 'Understood' });
    expect(words.why).toMatch(
      /^Still stiff, .* cm left, and what this bow can turn is spent or set aside\.$/,
    );
    expect(words.reasons).toEqual([
      'Plunger preload: as far as it goes, 2 turns stiffer since the beginning.',
      'Top bolt: nobody has measured how far it may go.',
      'String twists: set aside, or not expected to help, 1 twist out since the beginning.',
      'A shaft two steps of spine (about 100) weaker would move bare shafts 7 ± 7 cm at 18 m, a rule of thumb.',
    ]);
  });
});
