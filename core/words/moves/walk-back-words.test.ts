import { describe, expect, it } from 'vitest';
import type { MoveBecause } from '../../advice/move-because.ts';
import { plainMove } from '../../advice/plain-move.ts';
import { BowLog } from '../../fixtures/bow-log.ts';
import type { ShootingSession } from '../../log/shooting.ts';
import type { WalkBackFigure, WalkBackFit } from '../../walk-back/walk-back.ts';
import type { WalkBackNext } from '../../walk-back/walk-back-standing.ts';
import { speakMove } from './speak-move.ts';

const right = new BowLog({ hand: 'right', school: 'sighted' }).state;
const leftLongbow = new BowLog({ hand: 'left', school: 'shelfTarget' }).state;
const session = { distanceM: 10 } as ShootingSession;
const said = (because: MoveBecause, state = right) =>
  speakMove(state, { ...plainMove('walkBack', because), key: 'k' });
const next = (one: WalkBackNext, state = right) =>
  said({ topic: 'walkBackNext', next: one, session }, state);
const figure = (mm: number, call: WalkBackFigure['call'] = 'plus') => ({
  mm,
  plusMinusMm: 14,
  call,
});
const fit = (driftMm: number) =>
  ({ nearestM: 10, farthestM: 30, drift: figure(driftMm) }) as WalkBackFit;

describe('what a walk-back says', () => {
  it('before the line can be judged: where to stand, and with what sight', () => {
    expect(next({ kind: 'sightIn', distanceM: 4 })).toMatchObject({
      title: 'Shoot 1 fletched from 4 m',
      expect: 'Sight set for 10 m, at the mark',
      why: 'Nobody has seen yet where it hits with the sight set for 10 m. From 4 m even a sight far off keeps the arrow on the butt.',
      thenCheck: 'Plot the hit; it says how far the sight is off.',
      doneLabel: 'At 4 m',
    });
    expect(next({ kind: 'shoot', distanceM: 10, first: true })).toMatchObject({
      title: 'Shoot 3 fletched at 10 m',
      expect: 'Sight set for 10 m, aimed at the mark',
      why: 'From near to far with one sight setting: a line that leans or bends shows what one distance hides.',
      thenCheck: 'Stop when the next would not be safe.',
      doneLabel: 'At 10 m',
    });
    expect(next({ kind: 'shoot', distanceM: 15, first: false })).toMatchObject({
      title: 'Shoot 3 fletched at 15 m',
      expect: 'Same aim at the same mark, sight untouched',
      why: 'The next distance whose hits stay on the butt.',
    });
    expect(next({ kind: 'questionSpeed', speedMps: 31.4 })).toMatchObject({
      title: 'Was the sight or the aim moved?',
      expect: 'Arrows fall as at 31 m/s',
      why: 'The hits fall as no such arrow does: sight or aim was moved on the way, arrows were mixed, or a distance is wrong. Nothing farther is asked for while that is open.',
      wouldChange: 'Hits called bad or taken back, or the walk shot anew with one sight setting.',
      thenCheck: 'Set the sight for 10 m and begin again there.',
      doneLabel: 'Begin again at the nearest',
    });
  });

  it('where it hits, by the hand, and nothing of an axis that is on the mark', () => {
    expect(next({ kind: 'setSight', outwardMm: 52, upMm: -81 })).toMatchObject({
      title: 'Set the sight for 10 m',
      expect: 'It hits 8.1 cm low, 5.2 cm left at 10 m',
      why: 'The nearest end has to lie on the mark: what lies off there lies farther off from every farther distance, and leaves the butt.',
      reasons: [
        'Move the sight after the arrow: hits high, sight up; hits left, sight left.',
        'Hits from before are kept, and no longer speak of where later ones fall.',
      ],
      thenCheck: '3 fletched at 10 m again.',
      doneLabel: 'Sight is set',
    });
    expect(next({ kind: 'setSight', outwardMm: 10, upMm: 9.9 }).expect).toBe(
      'It hits 1.0 cm left at 10 m',
    );
    expect(next({ kind: 'setSight', outwardMm: -9.9, upMm: 10 }).expect).toBe(
      'It hits 1.0 cm high at 10 m',
    );
    expect(next({ kind: 'setSight', outwardMm: 52, upMm: 60 }, leftLongbow)).toMatchObject({
      title: 'Set your aim for 10 m',
      expect: 'It hits 6.0 cm high, 5.2 cm right at 10 m',
      reasons: [
        'Aim as far to the other side as it hits, and keep that aim to the end of the walk.',
        'Hits from before are kept, and no longer speak of where later ones fall.',
      ],
      doneLabel: 'Aim is set',
    });
  });

  it('that the butt is too small, from whichever side that is found', () => {
    const small = {
      title: 'The butt is too small for a walk-back',
      why: 'Two distances at least must keep a hand’s breadth and three scatters on the butt.',
      wouldChange: 'A taller butt, the mark hung higher, or a faster arrow.',
      doneLabel: 'Understood',
    };
    expect(said({ topic: 'walkBackButtTooSmall' })).toMatchObject(small);
    expect(next({ kind: 'buttTooSmall' })).toMatchObject(small);
  });

  it('that it is straight, or cannot be told yet', () => {
    expect(said({ topic: 'walkBackStraight' })).toMatchObject({
      title: 'Walk-back is straight',
      expect: 'Straight and vertical: done',
      why: 'From near to far the hits stand in one line, inside what was agreed.',
      thenCheck: 'Bare shafts again if reach was moved on the way.',
      doneLabel: 'Note it',
    });
    expect(said({ topic: 'walkBackMore', distancesM: [10, 30] })).toMatchObject({
      title: 'Shoot 10 and 30 m again',
      expect: '3 fletched at each',
      why: 'The line cannot be told from the scatter yet. These distances say most about it.',
      doneLabel: 'Shoot it',
    });
    expect(said({ topic: 'walkBackMore', distancesM: [20] }).title).toBe('Shoot 20 m again');
  });

  it('a lean: centre shot, by rule or by what this bow has shown', () => {
    const rule = { mean: 2.1, sd: 2, changes: 0 };
    const because = { topic: 'walkBackReach', after: { mm: 12, plusMinusMm: 20 } } as const;
    expect(said({ ...because, fit: fit(80), gain: rule, amount: -0.25 })).toMatchObject({
      title: 'Plunger reach 1/4 turn in',
      expect: 'Expect 1.2 ± 2.0 cm left, now 8.0 ± 1.4 cm left',
      why: 'Hits drift outward with distance: centre shot is too far out, as a rule; this bow has not shown it yet.',
      reasons: [
        'Drift from 10 to 30 m: 8.0 ± 1.4 cm left.',
        'Rule of thumb: a turn out leans the line 2.1 ± 3.3 mm a metre outward, 17 times in 20.',
      ],
      wouldChange: 'A second walk that leans the other way.',
      thenCheck: 'The same distances again, then bare shafts: across is open again.',
      doneLabel: 'Done',
    });
    const learned = { mean: 3, sd: 0.5, changes: 2 };
    expect(said({ ...because, fit: fit(-80), gain: learned, amount: 0.25 })).toMatchObject({
      title: 'Plunger reach 1/4 turn out',
      why: 'Hits drift inward with distance: centre shot is too far in, as this bow has shown.',
      reasons: [
        'Drift from 10 to 30 m: 8.0 ± 1.4 cm right.',
        'Learned from 2 changes: a turn out leans the line 3.0 ± 0.8 mm a metre.',
      ],
    });
    const once = { ...learned, changes: 1 };
    expect(said({ ...because, fit: fit(80), gain: once, amount: 0.25 }).reasons[1]).toBe(
      'Learned from 1 change: a turn out leans the line 3.0 ± 0.8 mm a metre.',
    );
  });

  it('that it may be left, and what more shooting would bring', () => {
    const left = {
      ...fit(12),
      toleranceMm: 20,
      reachGain: { mean: 0.4, sd: 0.5, changes: 0 },
    } as WalkBackFit;
    expect(said({ topic: 'walkBackEnough', fit: left, shots: 54 })).toMatchObject({
      title: 'The walk-back may be left as it is',
      expect: 'Drift 1.2 ± 1.4 cm left from 10 to 30 m; good enough is ± 2.0 cm',
      reasons: ['As many shots again, 54, would bring ± 1.0 cm.'],
      doneLabel: 'Leave it so',
    });
    const turned = { ...left, reachGain: { mean: 0.4, sd: 0.5, changes: 10 } };
    expect(said({ topic: 'walkBackEnough', fit: turned, shots: 54 })).toMatchObject({
      why: '10 settings of reach have not brought it surely inside. What is left is smaller than what one walk of this archer can show.',
      reasons: [
        'As many shots again, 54, would bring ± 1.0 cm.',
        'A turn of reach leans the line 0.4 ± 0.8 mm a metre on this bow.',
      ],
    });
  });

  it('that reach does not straighten a line that surely leans after all turns, and what to look at', () => {
    const leaning = {
      ...fit(12),
      drift: { ...fit(12).drift, mm: 93, plusMinusMm: 9 },
      toleranceMm: 20,
      reachGain: { mean: 0.6, sd: 0.1, changes: 4 },
    } as WalkBackFit;
    const { title, why, wouldChange } = said({ topic: 'walkBackEnough', fit: leaning, shots: 70 });
    expect(title).toBe('Reach does not straighten this line');
    expect(why).toMatch(/^4 settings of reach have left it surely outside.*limb line, rest/);
    expect(why).not.toContain('smaller than');
    expect(wouldChange).toContain('put right');
    // Just inside by its ±, it may be left as it is.
    const edge = { ...leaning, drift: { ...leaning.drift, mm: 28, plusMinusMm: 9 } };
    expect(said({ topic: 'walkBackEnough', fit: edge, shots: 70 }).title).toMatch(/may be left/);
  });

  it('a bend: preload, whose way is not known before it has shown', () => {
    const because = {
      topic: 'walkBackPreload',
      fit: { bend: figure(-31) } as WalkBackFit,
      amount: 0.25,
    } as const;
    expect(said({ ...because, gain: { mean: 0, sd: 20, changes: 0 } })).toMatchObject({
      title: 'Plunger preload 1/4 turn stiffer',
      expect: 'Expect the line to straighten; if it bends more, go the other way',
      why: 'The line is straight neither way but bends: preload or side drag, not centre shot.',
      reasons: [
        'Its middle stands 3.1 ± 1.4 cm off the straight.',
        'Which way preload bends the line is not known before this bow has shown it.',
      ],
      wouldChange: 'Contact marks: then it is drag, and preload cannot cure it.',
      thenCheck: 'The same distances again, then bare shafts.',
    });
    for (const [changes, words] of [
      [1, '1 change'],
      [3, '3 changes'],
    ] as const)
      expect(said({ ...because, gain: { mean: 9, sd: 2, changes } }).reasons[1]).toBe(
        `Learned from ${words} on this bow.`,
      );
  });
});
