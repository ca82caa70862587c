import { TARGET_BASE } from '#demo/target-base.ts';
import { setUpByHabit, type SetupBands } from '#core/simulate/setup-habit.ts';
import { drawStart, SimulatedBow } from '#core/simulate/simulated-bow.ts';
import { READINGS, type ReadingKind } from '#core/craft/readings.ts';
import { seededUniform } from '#core/numeric/random.ts';
import { N_PER_LBF } from '#core/quantity/units.ts';
import type { BowFacts, EntryBody, LoggedEntry } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { Control } from '#core/craft/controls.ts';
import {
  type Interval,
  intervalOf,
  learnedGains,
  readingAfter,
} from '#core/gains/learned-gains.ts';
import { meanVariance } from '#core/gains/repeatability.ts';
import { foldLog } from '#core/log/fold.ts';
import { planSetup } from '#core/setup/plan-setup.ts';
import { setupDecision } from '#core/setup/setup-decision.ts';
import { twistRange } from '#core/limits/twist-limits.ts';

const TRAVEL_TURNS = 3;
const BRACE_LIMIT_MARGIN_MM = 8;
const REPLICATES = 3;
const MOST_ROUNDS = 20;

const TARGETS: Readonly<Record<ReadingKind, number>> = {
  braceHeight: 220,
  tillerTop: 182,
  tillerBottom: 178,
  drawWeight: 36 * N_PER_LBF,
  nockingHeight: 5,
  centreShotAtPoint: 3,
  centreShotAtPlunger: 1,
  limbLineTop: 0,
  limbLineBottom: 0,
  limbLineRod: 0,
  restHeight: 0,
  drawLength: 711,
};

const around = (middle: number, half: number) => ({ low: middle - half, high: middle + half });
/** Bench tolerances about the targets. */
const BANDS: SetupBands = {
  braceHeight: around(TARGETS.braceHeight, READINGS.braceHeight.tolerance),
  tiller: around(4, READINGS.tillerTop.tolerance),
  drawWeight: around(TARGETS.drawWeight, READINGS.drawWeight.tolerance),
};

const FACTS: BowFacts = {
  ...TARGET_BASE,
  name: 'Simulated',
  maker: {
    braceMinMm: TARGETS.braceHeight - BRACE_LIMIT_MARGIN_MM,
    braceMaxMm: TARGETS.braceHeight + BRACE_LIMIT_MARGIN_MM,
    boltTravelTurns: TRAVEL_TURNS,
  },
  inParts: false,
};

/** What one set-up came to. */
export interface SetupOutcome {
  readonly stringOffs: number;
  readonly trulyInBand: boolean;
  readonly ended: boolean;
  /** Moves after which a hard limit was passed that had not been before. */
  readonly limitsPassed: number;
  /** Readings after the second and later moves: whether each lay in its predicted 90 % interval. */
  readonly predictions: readonly Prediction[];
}

interface Prediction {
  readonly reading: PlaneReading;
  readonly held: boolean;
}

const PLANE_READINGS = ['drawWeight', 'braceHeight', 'tillerTop', 'tillerBottom'] as const;
type PlaneReading = (typeof PLANE_READINGS)[number];

function bowFor(seed: number): SimulatedBow {
  const start = drawStart(seededUniform(seed), TARGETS, TRAVEL_TURNS, twistRange(FACTS));
  return new SimulatedBow(seed + 1_000_003, start, true);
}

function isTrulyInBand(bow: SimulatedBow): boolean {
  const inside = (value: number, band: { low: number; high: number }) =>
    value >= band.low && value <= band.high;
  return (
    inside(bow.truth('braceHeight'), BANDS.braceHeight) &&
    inside(bow.truth('tillerTop') - bow.truth('tillerBottom'), BANDS.tiller) &&
    inside(bow.truth('drawWeight'), BANDS.drawWeight)
  );
}

/** How far past its hard limits a bow stands: brace, bolts and twists. */
function beyondLimits(bow: SimulatedBow): readonly number[] {
  const { fewest, most } = twistRange(FACTS);
  const brace = bow.truth('braceHeight') - TARGETS.braceHeight;
  return [
    Math.max(0, brace - BRACE_LIMIT_MARGIN_MM),
    Math.max(0, -brace - BRACE_LIMIT_MARGIN_MM),
    ...[bow.topTurnsOut, bow.bottomTurnsOut].flatMap((out) => [
      Math.max(0, -out),
      Math.max(0, out - TRAVEL_TURNS),
    ]),
    Math.max(0, fewest - bow.twists),
    Math.max(0, bow.twists - most),
  ];
}

/** What each reading is expected to show after a move: model and measuring error together. */
function predicted(
  state: BowState,
  changes: readonly { readonly control: Control; readonly amount: number }[],
): ReadonlyMap<PlaneReading, Interval> {
  const gains = learnedGains(state);
  const amounts = new Map(changes.map(({ control, amount }) => [control, amount]));
  return new Map(
    PLANE_READINGS.map((reading) => {
      const mixture = readingAfter(gains, reading, amounts);
      const measured = state.readings.get(reading)?.at(-1);
      if (mixture === null || measured === undefined) throw new Error(`${reading} not read`);
      const error = meanVariance(measured, gains.repeatability);
      return [
        reading,
        intervalOf(mixture.map((part) => ({ ...part, sd: Math.hypot(part.sd, Math.sqrt(error)) }))),
      ];
    }),
  );
}

/** Sets up one bow by following the advice, through log, fold and plan as in the program. */
export function setUpByAdvice(seed: number): SetupOutcome {
  const bow = bowFor(seed);
  const log: LoggedEntry[] = [];
  const add = (body: EntryBody) => {
    const seq = log.length + 1;
    const at = new Date(Date.UTC(2026, 0, 1) + seq * 60_000).toISOString();
    log.push({ id: `e${seq}`, bowId: 'b', at, by: 'sim', body, seq });
  };
  const read = (reading: ReadingKind) =>
    add({
      kind: 'reading',
      reading,
      values: bow.read(reading, REPLICATES),
      typed: '',
      datum: '',
      tool: 'square',
      source: 'measured',
      confirmedUnlikely: false,
    });
  add({
    kind: 'bowMade',
    ...FACTS,
    twistsAtStart: bow.start.twists,
    boltTurnsOutAtStart: bow.start.topTurnsOut,
  });
  for (const [id, band] of Object.entries(BANDS) as [keyof SetupBands, SetupBands['tiller']][])
    add({ kind: 'targetSet', reading: id, ...band, name: 'target', why: '' });
  let limitsPassed = 0;
  const predictions: Prediction[] = [];
  let expected: ReadonlyMap<PlaneReading, Interval> = new Map();
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    for (const kind of PLANE_READINGS) read(kind);
    const state = foldLog(log);
    if (state === null) throw new Error('no bow');
    for (const [reading, { low, high }] of expected) {
      const seen = state.readings.get(reading)?.at(-1)?.mean ?? Number.NaN;
      predictions.push({ reading, held: seen >= low && seen <= high });
    }

    const decision = setupDecision(planSetup(state));
    if (decision.kind === 'inBand') {
      return {
        stringOffs: bow.stringOffs,
        trulyInBand: isTrulyInBand(bow),
        ended: true,
        limitsPassed,
        predictions,
      };
    }
    if (decision.kind === 'outOfReach') break;
    expected = round === 0 ? new Map() : predicted(state, decision.option.changes);
    const before = beyondLimits(bow);
    bow.move(decision.option.changes);
    for (const change of decision.option.changes)
      add({ kind: 'change', ...change, moveId: `m${round}`, because: '' });
    const after = beyondLimits(bow);
    if (after.some((one, index) => one > before[index]! + 1e-9)) limitsPassed += 1;
  }
  return {
    stringOffs: bow.stringOffs,
    trulyInBand: isTrulyInBand(bow),
    ended: false,
    limitsPassed,
    predictions,
  };
}

/** The same bow set up by habit. */
export function setUpTheUsualWay(seed: number): SetupOutcome {
  const bow = bowFor(seed);
  const { fewest, most } = twistRange(FACTS);
  const ended = setUpByHabit(bow, BANDS, {
    travelTurns: TRAVEL_TURNS,
    fewestTwists: fewest,
    mostTwists: most,
  });
  return {
    stringOffs: bow.stringOffs,
    trulyInBand: isTrulyInBand(bow),
    ended,
    limitsPassed: 0,
    predictions: [],
  };
}
