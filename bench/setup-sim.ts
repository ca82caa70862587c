import { TARGET_BASE } from '#demo/target-base.ts';
import { setUpByHabit, type SetupBands } from '#core/simulate/setup-habit.ts';
import { drawStart, SimulatedBow } from '#core/simulate/simulated-bow.ts';
import { READINGS, type ReadingKind } from '#core/craft/readings.ts';
import { seededUniform } from '#core/numeric/random.ts';
import { N_PER_LBF } from '#core/quantity/units.ts';
import type { BowFacts, EntryBody, LoggedEntry } from '#core/log/entry.ts';
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
}

function bowFor(seed: number): SimulatedBow {
  const start = drawStart(seededUniform(seed), TARGETS, TRAVEL_TURNS, twistRange(FACTS));
  return new SimulatedBow(seed + 1_000_003, start);
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
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    for (const kind of ['drawWeight', 'braceHeight', 'tillerTop', 'tillerBottom'] as const)
      read(kind);
    const state = foldLog(log);
    if (state === null) throw new Error('no bow');

    const decision = setupDecision(planSetup(state));
    if (decision.kind === 'inBand') {
      return {
        stringOffs: bow.stringOffs,
        trulyInBand: isTrulyInBand(bow),
        ended: true,
        limitsPassed,
      };
    }
    if (decision.kind === 'outOfReach') break;
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
  return { stringOffs: bow.stringOffs, trulyInBand: isTrulyInBand(bow), ended, limitsPassed: 0 };
}
