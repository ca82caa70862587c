import { describe, expect, it } from 'vitest';
import type { WalkBackFigure, WalkBackFit } from '../walk-back/walk-back.ts';
import { lineMove } from './walk-back-move.ts';

const figure = (mm: number, call: WalkBackFigure['call'], plusMinusMm = 10): WalkBackFigure => ({
  mm,
  plusMinusMm,
  call,
});
/** A gain of reach: mm of lean a metre for each turn. */
const gain = (mean: number, sd: number, changes: number) => ({ mean, sd, changes });
const FIT = {
  nearestM: 10,
  farthestM: 30,
  toleranceMm: 20,
  straight: false,
  drift: figure(60, 'plus'),
  bend: figure(0, 'inside'),
  reachGain: gain(-6, 4, 0),
  preloadGain: gain(2, 4, 0),
} as unknown as WalkBackFit;
const shots = (count: number) => Array.from({ length: count }, (_, at) => 10 + 5 * (at % 5));
const move = (fit: Partial<WalkBackFit>, count = 15) => lineMove({ ...FIT, ...fit }, shots(count));
const turned = (fit: Partial<WalkBackFit>, count = 15) => {
  const { action } = move(fit, count);
  return action.kind === 'change' ? action.changes : action.kind;
};

describe('what a line of a walk-back asks for', () => {
  it('is nothing more where it is straight: that is written down', () => {
    expect(move({ straight: true })).toMatchObject({
      key: 'walkBack:straight',
      action: { kind: 'confirmStep', step: 'walkBack' },
    });
  });

  it('is reach where it leans: a quarter, or more from far off, until its answer is known', () => {
    // A quarter of a turn at 6 mm a metre brings 60 mm over 20 m to 30, a half would pass it as often as not.
    expect(turned({})).toEqual([{ control: 'plungerReach', amount: 0.25 }]);
    expect(turned({ drift: figure(80, 'plus') })).toEqual([
      { control: 'plungerReach', amount: 0.5 },
    ]);
    expect(turned({ drift: figure(50, 'plus') })).toEqual([
      { control: 'plungerReach', amount: 0.25 },
    ]);
    expect(turned({ drift: figure(-50, 'minus') })).toEqual([
      { control: 'plungerReach', amount: -0.25 },
    ]);
    expect(turned({ reachGain: gain(6, 4, 0), drift: figure(50, 'plus') })).toEqual([
      { control: 'plungerReach', amount: -0.25 },
    ]);
  });

  it('is as many quarters as straighten it once its answer is sure, and never more than a turn', () => {
    const sure = gain(-4, 0.5, 1);
    // 60 mm over 20 m at 4 mm a metre and turn: three quarters.
    expect(turned({ reachGain: sure })).toEqual([{ control: 'plungerReach', amount: 0.75 }]);
    expect(turned({ reachGain: sure, drift: figure(400, 'plus') })).toEqual([
      { control: 'plungerReach', amount: 1 },
    ]);
    expect(turned({ reachGain: sure, drift: figure(30, 'plus', 4) })).toEqual([
      { control: 'plungerReach', amount: 0.25 },
    ]);
  });

  it('says what is expected after the turn', () => {
    const { because } = move({ reachGain: gain(-4, 0.5, 1) });
    if (because.topic !== 'walkBackReach') throw new Error(because.topic);
    // 60 − 4 · 0.75 · 20 = 0; the gain’s own doubt, 1.645 · 0.5 · 0.75 · 20, beside the line’s.
    expect(because.after.mm).toBeCloseTo(0, 9);
    expect(because.after.plusMinusMm).toBeCloseTo(Math.hypot(10, 1.645 * 7.5), 1);
  });

  it('is more shots while a turn that was made has not shown its way, and then a turn again', () => {
    const unsure = gain(-2, 4, 1);
    expect(move({ reachGain: unsure })).toMatchObject({
      key: 'walkBack:more',
      because: { distancesM: [10, 30] },
    });
    expect(move({ reachGain: unsure }, 54).key).toBe('walkBack:more');
    // Much was shot, and which way it went is still not known: it may be left.
    expect(move({ reachGain: unsure }, 90).key).toBe('walkBack:enough');
    // Likely the right way, and more shots would not tell: a turn does.
    const likely = gain(-4.5, 4, 1);
    expect(turned({ reachGain: likely }, 53)).toBe('shootEnd');
    expect(turned({ reachGain: likely }, 54)).not.toBe('shootEnd');
  });

  it('may be left after much shooting or turning, or where reach hardly answers', () => {
    expect(move({}, 89).key).not.toBe('walkBack:enough');
    expect(move({}, 90).key).toBe('walkBack:enough');
    expect(move({ reachGain: gain(-4, 0.5, 7) }).key).not.toBe('walkBack:enough');
    expect(move({ reachGain: gain(-4, 0.5, 8) }).key).toBe('walkBack:enough');
    expect(move({ reachGain: gain(-0.3, 0.2, 2) }).key).toBe('walkBack:enough');
    expect(move({ reachGain: gain(-0.3, 0.2, 1) }).key).not.toBe('walkBack:enough');
  });

  it('is preload where it bends and does not lean, the other way once it has shown to bend it more', () => {
    const straight = { drift: figure(2, 'inside') } as const;
    const bent = (mm: number, preload = gain(2, 4, 0)) =>
      turned({
        ...straight,
        bend: figure(mm, mm > 0 ? 'plus' : 'minus'),
        preloadGain: preload,
      });
    expect(bent(30)).toEqual([{ control: 'plungerPreload', amount: 0.25 }]);
    expect(bent(-30)).toEqual([{ control: 'plungerPreload', amount: 0.25 }]);
    expect(bent(30, gain(2, 1, 1))).toEqual([{ control: 'plungerPreload', amount: -0.25 }]);
    expect(bent(-30, gain(2, 1, 1))).toEqual([{ control: 'plungerPreload', amount: 0.25 }]);
  });

  it('is the ends of the line while its lean is undecided, its middle while its bend is', () => {
    const undecided = figure(5, 'undecided');
    expect(move({ drift: undecided }).because).toMatchObject({ distancesM: [10, 30] });
    expect(move({ drift: figure(2, 'inside'), bend: null }).because).toMatchObject({
      distancesM: [10, 30],
    });
    const bend = move({ drift: figure(2, 'inside'), bend: undecided });
    expect(bend.because).toMatchObject({ topic: 'walkBackMore', distancesM: [20] });
    expect(bend.action).toEqual({ kind: 'shootEnd', fletched: 3, bare: 0 });
  });

  it('is a turn at the edge of what is good enough, once its way is known or much was shot', () => {
    const edge = figure(17, 'undecided', 5);
    expect(turned({ drift: edge, reachGain: gain(-3, 0.4, 1) })).not.toBe('shootEnd');
    expect(turned({ drift: edge, reachGain: gain(-3, 2, 0) })).toBe('shootEnd');
    expect(turned({ drift: edge, reachGain: gain(-3, 2, 0) }, 54)).not.toBe('shootEnd');
    // A quarter that would throw it as far to the other side is none.
    expect(turned({ drift: edge, reachGain: gain(-7, 0.4, 1) })).toBe('shootEnd');
    // Well inside, or not told from nothing, it is no edge.
    const sure = { reachGain: gain(-3, 0.4, 1) };
    expect(turned({ ...sure, drift: figure(11, 'undecided', 8) })).toBe('shootEnd');
    expect(turned({ ...sure, drift: figure(15, 'undecided', 16) })).toBe('shootEnd');
  });
});
