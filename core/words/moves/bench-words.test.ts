import { describe, expect, it } from 'vitest';
import type { MoveBecause, ScrewTurn } from '../../advice/move-because.ts';
import { plainMove } from '../../advice/plain-move.ts';
import type { Move } from '../../advice/move.ts';
import { type StepId, stepFacts } from '../../craft/steps.ts';
import { BowLog } from '../../fixtures/bow-log.ts';
import type { StepStatus } from '../../order/step-states.ts';
import type { Target } from '../../setup/targets.ts';
import { speakMove } from './speak-move.ts';

const right = new BowLog({ hand: 'right' }).settle().state;
const left = new BowLog({ hand: 'left' }).settle().state;
const status = (id: StepId, facts: Partial<StepStatus> = {}): StepStatus => ({
  step: stepFacts(id),
  state: 'outOfBand',
  because: { kind: 'beyond', where: 'below' },
  begun: true,
  clearedAt: null,
  upsetBy: [],
  missing: [],
  ...facts,
});
const said = (because: MoveBecause, state = right, more: Partial<Move> = {}) =>
  speakMove(state, { ...plainMove('roughBrace', because), key: 'k', ...more });

describe('what is said of one control', () => {
  const target = {
    low: 3,
    high: 6,
    name: 'start here',
    why: 'Because.',
    source: 'rule of thumb',
    limit: null,
    place: null,
  } satisfies Target;
  const because = {
    topic: 'oneControl',
    reading: 'nockingHeight',
    control: 'nockingPoint',
    amount: 2.5,
    now: { value: 1, plusMinus: 0.3 },
    after: { value: 3.5, plusMinus: 0.4 },
    target,
  } as const;

  it('is where it is, where it should be, what is expected, and turns of the locator', () => {
    const words = said({ ...because, status: status('nockingPoint') });
    expect(words).toMatchObject({
      title: 'Nocking point 2.5 mm up',
      wouldChange: 'A fresh reading, or what this bow shows after the move.',
      thenCheck: 'Nocking height again, locators loose until proven.',
      doneLabel: 'Done',
    });
    expect(words.why).toMatch(/^Nocking height is .*, below band: .* to .* \(start here\)\.$/);
    expect(words.expect).toMatch(/^Expect nocking height .* ± .*$/);
    expect(words.reasons[0]).toBe('Because. A rule of thumb.');
    expect(words.reasons.at(-2)).toBe(
      'A tied locator climbs one serving thread a turn: about 5 turns with a 0.5 mm thread, a rule of thumb.',
    );
    expect(words.reasons.at(-1)).toBe(stepFacts('nockingPoint').why);
    const down = said({ ...because, amount: -0.5, status: status('nockingPoint') });
    expect(down.reasons.at(-2)).toMatch(/about 1 turn with/);
  });

  it('is no rule of thumb where the band is the bow’s own, and no locator at the plunger', () => {
    const own = { ...target, source: 'this bow' } as const;
    const at = { reading: 'centreShotAtPoint', target: own, status: status('centreShot') } as const;
    const words = said({ ...because, ...at, control: 'plungerReach', amount: 0.5 });
    expect(words.reasons[0]).toBe('Because.');
    expect(words.reasons.join(' ')).not.toMatch(/locator/);
    expect(words.thenCheck).toBe('Centre shot at the point again.');
    expect(words.expect).toMatch(/± \d+\.\d mm$/);
    expect(said({ ...because, ...at, control: 'sidePlate' }).thenCheck).toBe(
      'Centre shot at the point again.',
    );
    expect(said({ ...because, ...at, control: 'restHeight' }).thenCheck).toBe(
      'Rest height again, then nocking height.',
    );
    expect(
      said({ ...because, ...at, control: 'restHeight', reading: 'restHeight' }).expect,
    ).toMatch(/^Expect rest height .* ± 0\.4 mm$/);
  });
});

describe('what is said when a bow cannot be brought in', () => {
  it('a shorter or longer string', () => {
    const because = { topic: 'otherString', twists: { fewest: 12, most: 40 } } as const;
    expect(said({ ...because, status: status('roughBrace'), shorter: true })).toMatchObject({
      title: 'A shorter string',
      why: 'Brace is below band, and this string may hold only 12 to 40 twists.',
      reasons: ['More twists would strain the string.'],
      wouldChange: 'A fresh count of the twists.',
      thenCheck: 'With the new string everything from nock fit on is checked again.',
      doneLabel: 'Fit another string',
    });
    expect(said({ ...because, status: status('roughBrace'), shorter: false })).toMatchObject({
      title: 'A longer string',
      reasons: ['With fewer twists the strands separate.'],
    });
  });

  it('out of the bolts’ reach, or as built', () => {
    expect(said({ topic: 'outOfReach', status: status('roughTiller') })).toMatchObject({
      title: 'Rough tiller: out of reach',
      why: 'Rough tiller is below band, and what the bolts may turn does not bring it in.',
      reasons: ['Bolts stay inside their travel and within 2 turns of each other.'],
      wouldChange: 'The maker’s bolt travel, a wider band with its reason, or a fresh reading.',
      thenCheck: 'Ask a bow technician, or set the band this bow can reach.',
      doneLabel: 'Understood',
    });
    expect(said({ topic: 'asBuilt', status: status('roughTiller') })).toMatchObject({
      title: 'Rough tiller is as built',
      why: 'It is below band, and this bow’s bolts are for assembly only. Tune what can be moved: twists, nocking point, arrow.',
      wouldChange: 'A limb pad or another limb: work for a bow technician.',
      doneLabel: 'Understood',
    });
  });
});

describe('what is said of the limb line', () => {
  const turn: ScrewTurn = {
    limb: 'Top',
    control: 'topSideScrews',
    amount: 0.25,
    trial: false,
    nowMm: -1.2,
    expectMm: 0.1,
    plusMinusMm: 0.02,
  };
  const turns = [
    turn,
    { ...turn, limb: 'Bottom', control: 'bottomSideScrews', amount: -0.5, expectMm: 0.04 },
  ];

  it('each pocket: which screw to loosen and which to tighten, by the hand', () => {
    const because = { topic: 'sideScrews', status: status('limbLine'), turns } as MoveBecause;
    const words = said(because);
    expect(words.expect).toBe('Expect top 0.1 mm left ± 0.1 mm, bottom 0.0 mm ± 0.1 mm');
    expect(words.why).toBe(
      'The string passes 1.2 mm right of the top gauge’s middle. Top pocket: loosen the right screw 1/4 turn, then tighten the left one as much. The string passes 1.2 mm right of the bottom gauge’s middle. Bottom pocket: loosen the left screw 1/2 turn, then tighten the right one as much.',
    );
    expect(words.reasons).toEqual([
      'Top pocket: its answer was seen on this bow and is kept.',
      'Bottom pocket: its answer was seen on this bow and is kept.',
      'Never both screws loose. Then look at the tips for twist; a twisted limb is for a technician.',
      stepFacts('limbLine').why,
    ]);
    expect(words.wouldChange).toBe('A fresh look with one eye and the head still.');
    expect(words.thenCheck).toBe('Limb line: top, bottom and long rod. Then centre shot.');
    expect(said(because, left).why).toMatch(/^The string passes 1\.2 mm left .* loosen the left/);
  });

  it('a trial says that it is one', () => {
    const because = { status: status('limbLine'), turns: [{ ...turn, trial: true }] } as const;
    const words = said({ topic: 'sideScrews', ...because });
    expect(words.expect).toBe('A trial: watch which way the string goes.');
    expect(words.reasons[0]).toBe(
      'Top pocket: which way a screw moves the string depends on how it is made, and has not shown yet. A small turn first; larger ones when that is too little to see; after three it is for a technician.',
    );
  });

  it('a pocket that does not answer is for a technician; a crooked rod is looked at', () => {
    const spent = { topic: 'pocketSpent', status: status('limbLine'), limb: 'Top' } as const;
    expect(said({ ...spent, offMm: 2 })).toMatchObject({
      title: 'Top pocket: for a bow technician',
      why: 'The string still passes 2.0 mm left of the top gauge’s middle, and its side screws have gone the 2 turns that are allowed while the maker’s figure is unknown.',
      wouldChange: 'The maker’s figure for the side screws (ms), or a fresh look.',
      thenCheck: 'Limb line after the technician has seen it.',
      doneLabel: 'Understood',
    });
    const made = new BowLog({ maker: { sideScrewTurns: 3 } }).settle().state;
    expect(said({ ...spent, offMm: 2 }, made).why).toMatch(/gone the 3 turns the maker allows\.$/);
    expect(said({ topic: 'rodOff', status: status('limbLine'), offMm: -3 })).toMatchObject({
      title: 'Look at the long rod',
      why: 'The string runs down both gauges, and 3.0 mm right of the long rod: a bent rod or bushing, or a riser that is not straight. The gauges decide.',
      reasons: [
        'Turn the rod half a turn and look again: a bent rod swings, a crooked bushing does not.',
      ],
      wouldChange: 'The reading with the rod turned, or another rod.',
      thenCheck: 'Limb line, long rod.',
      doneLabel: 'Enter it again',
    });
  });
});

describe('what is said of a step to be looked at', () => {
  const look = (id: StepId, ask: 'look' | 'list' | 'facts', facts: Partial<StepStatus>) =>
    said({ topic: 'confirm', status: status(id, facts), ask }, left);

  it('its question, its reason, and the button that answers', () => {
    const open = { state: 'toDo', because: { kind: 'notBegun' } } as const;
    expect(look('inspect', 'list', open)).toMatchObject({
      why: stepFacts('inspect').why,
      doneLabel: 'Go through the list',
    });
    expect(look('nockFit', 'look', open).doneLabel).toBe('It is so');
    const facts = look('purpose', 'facts', open);
    expect(facts.doneLabel).toBe('Look at them');
    expect(facts.expect).toMatch(/^Left-handed.*, hook .*, for .*, brace read .*\.$/);
  });

  it('stale says what made it so; measured says that the look is still to come', () => {
    const stale = look('nockFit', 'look', {
      state: 'stale',
      because: { kind: 'stringCheck', shotsOnString: 20 },
    });
    expect(stale.why).toBe(`It is stale, 20 shots on this string. ${stepFacts('nockFit').why}`);
    expect(look('roughTiller', 'look', {}).why).toMatch(
      /^Measured; a look that no tool replaces is still to come\. /,
    );
  });

  it('shooting in: how many, and how far it has come', () => {
    const toDo = { state: 'toDo', begun: false, because: { kind: 'notBegun' } } as const;
    expect(said({ topic: 'shootIn', status: status('shootIn', toDo), shots: 25 })).toMatchObject({
      title: 'Shoot in: 25 shots',
      why: stepFacts('shootIn').why,
      thenCheck: 'Brace height after 20, 50 and 100 shots.',
      doneLabel: '25 shots shot',
    });
    const begun = status('shootIn', {
      state: 'toDo',
      because: { kind: 'begun', progress: { of: 'shots', have: 20, needed: 50 } },
    });
    expect(said({ topic: 'shootIn', status: begun, shots: 15 }).why).toBe(
      `${stepFacts('shootIn').why} So far 20 of 50 shots.`,
    );
  });

  it('what bars a shot comes first, what is open before it last', () => {
    const words = said({ topic: 'confirm', status: status('nockFit'), ask: 'look' }, right, {
      bar: 'nockFitOpen',
      openBefore: ['roughBrace', 'nockFit'],
    });
    expect(words.reasons[0]).toBe('The string is new: nock fit comes before any shot.');
    expect(words.reasons.at(-1)).toMatch(/^Not settled before it: .*, nock fit\.$/);
  });
});
