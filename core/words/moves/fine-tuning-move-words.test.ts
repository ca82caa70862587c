import { describe, expect, it } from 'vitest';
import type { FineTuningBecause } from '../../advice/move-because.ts';
import { plainMove } from '../../advice/plain-move.ts';
import { BowLog } from '../../fixtures/bow-log.ts';
import type { FineTuningStanding } from '../../fine-tuning/fine-tuning-standing.ts';
import { ratioWords } from '../fine-tuning-words.ts';
import { closingWords } from './fine-tuning-move-words.ts';
import { speakMove } from './speak-move.ts';

const { state } = new BowLog();
const ends = [{ setting: 0 }, { setting: 0 }, { setting: 0.5 }];
const at = (setting: number, endsShot: number, isBest: number) => ({
  setting,
  ends: endsShot,
  groupMm: 41.2,
  lowMm: 30.4,
  highMm: 55.6,
  isBest,
});
/** An experiment on plunger preload, as far as sentences are made of it. */
function standing(facts: Record<string, unknown> = {}): FineTuningStanding {
  return {
    experiment: { control: 'plungerPreload', distanceM: 18, step: 0.5 },
    setting: 0.5,
    ends,
    voided: { ends: 0, since: [] },
    fit: { settings: [at(0, 2, 0.2), at(0.5, 1, 0.78), at(1, 0, 0.02)], leftToGain: 0.123 },
    finish: null,
    shotsToday: 36,
    ...facts,
  } as unknown as FineTuningStanding;
}
const move = (because: FineTuningBecause) => ({ ...plainMove('fineTuning', because), key: 'k' });
const said = (because: FineTuningBecause) => speakMove(state, move(because));
const topic = 'fineTuning';
const CURVE = [
  'the first setting: group 41 mm (30 to 56), 2 ends, best with 20 %.',
  '1/2 turn stiffer: group 41 mm (30 to 56), 1 end, best with 78 %.',
];
const finish = (oneIsBetter: number) => ({
  best: 0.5,
  other: 0,
  next: null,
  comparison: { ratio: 0.81, low: 0.62, high: 1.04, oneIsBetter },
});

describe('what fine tuning says', () => {
  it('where to shoot and why, with every setting tried', () => {
    const wants = { topic, wants: 'shoot', setting: 0.5, sideBySide: false } as const;
    expect(said({ ...wants, standing: standing() })).toMatchObject({
      title: 'Shoot an end at 1/2 turn stiffer',
      expect: '6 fletched at 18 m',
      why: '12 % of the group may still be gained; it teaches most here.',
      reasons: CURVE,
      wouldChange: 'More ends: the curve is drawn anew after each.',
      thenCheck: 'Note wind, light and tiredness with the end: they are reckoned with.',
      doneLabel: 'Start the next end',
    });
    const nothing = said({ ...wants, standing: standing({ ends: [] }) });
    expect(nothing.why).toBe('Nothing shot yet: first where the range is widest.');
    expect(nothing.reasons).toEqual([]);
    const sideBySide = said({ ...wants, sideBySide: true, standing: standing() });
    expect(sideBySide.why).toBe('Side by side: one, the other, and the one again.');
  });

  it('how far to turn, from where the control stands', () => {
    const wants = { topic, wants: 'turn', sideBySide: false, standing: standing() } as const;
    expect(said({ ...wants, setting: -0.25 })).toMatchObject({
      title: 'Plunger preload 3/4 turn softer',
      expect: 'Then 2 ends at 1/4 turn softer',
      why: '12 % of the group may still be gained; it teaches most here.',
      doneLabel: 'Done',
    });
    expect(said({ ...wants, setting: 0 }).expect).toBe('Then 2 ends at the first setting');
  });

  it('enough for today', () => {
    expect(said({ topic, wants: 'enoughToday', standing: standing() })).toMatchObject({
      title: 'Enough for today',
      why: '36 shots: a tired archer’s groups say more of the archer than of the bow. Everything is kept; go on another day.',
      doneLabel: 'Understood',
    });
  });

  it('ends left out since something else was changed', () => {
    const voided = standing({ voided: { ends: 4, since: [] } });
    expect(said({ topic, wants: 'enoughToday', standing: voided }).reasons).toEqual([
      ...CURVE,
      '4 ends from before something else was changed are left out: they compare two things at once.',
    ]);
  });

  it('stop turning, and never that nothing at all is left to gain', () => {
    const wants = { topic, wants: 'narrow', best: 0.5, other: 0 } as const;
    expect(said({ ...wants, standing: standing() })).toMatchObject({
      title: 'Stop turning; shoot the best two side by side',
      expect: '1/2 turn stiffer against the first setting, then the first again',
      why: 'Less than 12 % of the group is left to gain. What was found on the way is proved in one half hour, one after the other.',
      doneLabel: 'Start side by side',
    });
    const fit = { settings: [], leftToGain: 0.0004 };
    expect(said({ ...wants, standing: standing({ fit }) }).why).toMatch(/^Less than 1 % /);
  });

  it('which is kept by all that was shot, how much better, and that either would do when it hardly differs', () => {
    const keep = (oneIsBetter: number, ratio = 0.81) =>
      ({
        topic,
        wants: 'keep',
        setting: 0.5,
        standing: standing({
          // Three ends side by side say the other way: they do not overrule the rest.
          finish: finish(0.1),
          fit: { settings: [], compare: () => ({ ratio, low: 0.62, high: 1.04, oneIsBetter }) },
        }),
      }) as const;
    const compared = '1/2 turn stiffer groups 0.81 (0.62 to 1.04) times that of the first setting';
    expect(said(keep(0.9))).toMatchObject({
      title: 'Keep 1/2 turn stiffer',
      expect: 'Then shoot bare shafts once and record where they land',
      why: `By all 3 ends, ${compared}.`,
      doneLabel: 'Keep it, close the experiment',
    });
    const either = ' They differ less than the scatter: either would do.';
    for (const [sure, also] of [
      [0.79, either],
      [0.8, ''],
      [0.21, either],
      [0.2, ''],
    ] as const)
      expect(said(keep(sure)).why).toBe(`By all 3 ends, ${compared}.${also}`);
    // However sure: a difference of three in a hundred is none.
    expect(said(keep(0.99, 0.97)).why).toMatch(/either would do/);
    expect(closingWords(move(keep(0.9)))).toBe(`kept 1/2 turn stiffer: by all 3 ends, ${compared}`);
    expect(closingWords(move({ topic, wants: 'enoughToday', standing: standing() }))).toBe('');
  });
});

it('says of a finish without a comparison that nothing is known against the other', () => {
  expect(ratioWords(null)).toBe('not known against that');
  expect(ratioWords({ ratio: 0.84, low: 0.61, high: 1.16, oneIsBetter: 0.8 })).toBe(
    '0.84 (0.61 to 1.16) times that',
  );
});
