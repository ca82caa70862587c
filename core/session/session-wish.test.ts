import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { sessionKindsFor } from '../craft/session-kinds.ts';
import {
  experimentGoingOn,
  openingEntries,
  problemOf,
  type SessionWish,
  toleranceByRule,
} from './session-wish.ts';
import { tunedControlsFor } from './tuned-controls.ts';

const WISH: SessionWish = {
  kind: 'bareShaft',
  distanceM: 18,
  toleranceMm: undefined,
  buttMm: 1220,
  markBelowTopMm: 300,
  arrowSpeedMps: undefined,
  control: 'nockingPoint',
  range: 1.5,
  step: 0.5,
  shotsADay: 72,
  place: '  club  ',
  light: undefined,
  wind: undefined,
  buttKind: undefined,
  arrowBuild: '',
  aim: '',
  cantOutwardDeg: 0,
};
const BOW = new BowLog().state.bow;
const IDS = { sessionId: 's', experimentId: 'x' };

describe('what a session is opened with', () => {
  it.each<[Partial<SessionWish>, ReturnType<typeof problemOf>]>([
    [{}, null],
    [{ distanceM: null }, 'distance'],
    [{ distanceM: undefined }, 'distance'],
    [{ distanceM: 1.9 }, 'distance'],
    [{ distanceM: 120 }, null],
    [{ distanceM: 121 }, 'distance'],
    [{ toleranceMm: null }, 'tolerance'],
    [{ toleranceMm: 0 }, 'tolerance'],
    [{ buttMm: 199 }, 'butt'],
    [{ cantOutwardDeg: -61 }, 'lean'],
    [{ kind: 'walkBack', markBelowTopMm: null }, 'markBelowTop'],
    [{ kind: 'walkBack', arrowSpeedMps: 19 }, 'arrowSpeed'],
    [{ kind: 'walkBack', arrowSpeedMps: null }, 'arrowSpeed'],
    // What a bare-shaft session does not ask for cannot be wrong in it.
    [{ markBelowTopMm: null, arrowSpeedMps: 500, step: null, shotsADay: 0 }, null],
    [{ kind: 'fineTuning', step: 2 }, 'rangeAndStep'],
    [{ kind: 'fineTuning', step: 0 }, 'rangeAndStep'],
    [{ kind: 'fineTuning', range: 4, step: 0.5 }, null],
    [{ kind: 'fineTuning', range: 4.5, step: 0.5 }, 'tooManySettings'],
    [{ kind: 'fineTuning', shotsADay: 5 }, 'shotsADay'],
    [{ kind: 'fineTuning', shotsADay: 7.5 }, 'shotsADay'],
  ])('%j: %s', (change, problem) => {
    expect(problemOf({ ...WISH, ...change }, null, BOW)).toBe(problem);
  });

  it('writes down what was said and leaves out what was not', () => {
    const { state } = new BowLog();
    const [opened, ...more] = openingEntries(state, WISH, IDS);
    expect(more).toEqual([]);
    expect(opened).toMatchObject({
      kind: 'sessionOpened',
      sessionId: 's',
      sessionKind: 'bareShaft',
      distanceM: 18,
      toleranceMm: toleranceByRule(state, WISH).outwardMm,
      place: 'club',
      arrowBuild: undefined,
      experimentId: undefined,
      markBelowTopMm: undefined,
      cantOutwardDeg: undefined,
      despite: undefined,
    });
  });

  it('says that a tolerance was agreed where one was typed', () => {
    const { state } = new BowLog();
    const [opened] = openingEntries(state, { ...WISH, toleranceMm: 33 }, IDS, 'the coach watches');
    expect(opened).toMatchObject({
      toleranceMm: 33,
      toleranceWhy: 'agreed before the first shot',
      despite: 'the coach watches',
    });
  });

  it('judges a walk-back at the usual distance, whatever its nearest', () => {
    const { state } = new BowLog();
    const near = toleranceByRule(state, { ...WISH, kind: 'walkBack', distanceM: 5 });
    expect(near).toEqual(toleranceByRule(state, { ...WISH, distanceM: 18 }));
    expect(toleranceByRule(state, { ...WISH, distanceM: 9 }).outwardMm).toBe(
      Math.round(near.outwardMm / 2),
    );
  });

  it('begins an experiment with the first session of one, and goes on with it after', () => {
    const log = new BowLog();
    const wish: SessionWish = { ...WISH, kind: 'fineTuning', distanceM: 30 };
    const first = openingEntries(log.state, wish, IDS);
    expect(first.map(({ kind }) => kind)).toEqual(['experimentOpened', 'sessionOpened']);
    expect(first[0]).toMatchObject({ low: -1.5, high: 1.5, step: 0.5, shotsADay: 72 });
    for (const body of first) log.add(body);
    const goesOn = experimentGoingOn(log.state, 'fineTuning');
    expect(goesOn?.experimentId).toBe('x');
    expect(experimentGoingOn(log.state, 'bareShaft')).toBeNull();
    // What the form says of range and step is not asked again.
    expect(problemOf({ ...wish, step: null }, goesOn, BOW)).toBeNull();
    const second = openingEntries(
      log.state,
      { ...wish, distanceM: 18 },
      { sessionId: 't', experimentId: 'y' },
    );
    expect(second).toMatchObject([
      { kind: 'sessionOpened', sessionId: 't', experimentId: 'x', distanceM: 30 },
    ]);
    log.add({ kind: 'experimentClosed', experimentId: 'x', why: 'done' });
    expect(experimentGoingOn(log.state, 'fineTuning')).toBeNull();
  });

  it('offers off the shelf neither a walk-back nor the plunger', () => {
    expect(sessionKindsFor('sighted')).toEqual([
      'bareShaft',
      'walkBack',
      'fineTuning',
      'marks',
      'proof',
    ]);
    expect(sessionKindsFor('shelfHunting')).toEqual(['bareShaft', 'fineTuning', 'marks', 'proof']);
    expect(tunedControlsFor('shelfTarget').map(({ control }) => control)).toEqual([
      'nockingPoint',
      'twists',
    ]);
    expect(tunedControlsFor('barebow').map(({ control }) => control)).toContain('plungerPreload');
  });
});
