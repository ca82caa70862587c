import { BareShaftHabit, type HabitReach } from '#core/simulate/bare-shaft-habit.ts';
import { SimulatedArcher, type ShootingTruth } from '#core/simulate/simulated-archer.ts';
import { TARGET_BASE } from '#demo/target-base.ts';
import type { Control } from '#core/craft/controls.ts';
import { bareShaftGain, type BareShaftAxis } from '#core/priors/prior-gains.ts';
import { seededUniform, standardNormal } from '#core/numeric/random.ts';
import { G_PER_GR, N_PER_LBF } from '#core/quantity/units.ts';
import type { BowFacts, EntryBody, LoggedEntry } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { foldLog } from '#core/log/fold.ts';
import { SCATTER_FACTOR_ODDS, SCATTER_FACTORS } from '#core/groups/offset-posterior.ts';
import { defaultTolerance } from '#core/groups/default-tolerance.ts';
import { nextMove } from '#core/advice/next-move.ts';

const MOST_ENDS = 60;
const MISFIT_SD_MM = 60;
const WEIGHT_N = 40 * N_PER_LBF;
const REACH: HabitReach = { preloadTurns: 2, pointG: 50 * G_PER_GR, mostCutMm: 48 };
const NOCKING_START_MM = 9;
const HISTORY_ENDS = 3;
const BOUNCING_SHARE = 0.1;
/** Certain by physics: the truth never has these the other way. */
const SIGN_CERTAIN: readonly Control[] = [
  'nockingPoint',
  'restHeight',
  'pointMass',
  'shaftCut',
  'topBolt',
  'bottomBolt',
];

const FACTS: BowFacts = {
  ...TARGET_BASE,
  name: 'Simulated',
  maker: { braceMinMm: 210, braceMaxMm: 235, boltTravelTurns: 3, markedWeightN: WEIGHT_N },
  amoDrawMm: 720,
  twistsAtStart: 30,
  boltTurnsOutAtStart: 1.5,
  arrow: {
    described: 'test shafts, left long',
    lengthMm: 780,
    diameterMm: 6,
    pointMassG: 100 * G_PER_GR,
  },
  inParts: false,
};

/** What one bow came to at the butt. */
export interface ButtOutcome {
  readonly scatterMm: number;
  readonly said: boolean;
  readonly trulyInside: boolean;
  readonly ends: number;
  readonly moves: number;
  readonly cuts: number;
  readonly wrongWay: number;
  readonly shots: number;
}

/** Draws one bow and archer: misfit by random shares of the controls, mendable within them. */
export function drawTruth(seed: number): ShootingTruth {
  const uniform = seededUniform(seed);
  const normal = standardNormal(uniform);
  const scatterMm = 5 * 8 ** uniform();
  let left = uniform();
  const factor = SCATTER_FACTOR_ODDS.findIndex((odds) => (left -= odds) < 0);
  const gains = (axis: BareShaftAxis, controls: readonly Control[]) =>
    new Map(
      controls.map((control) => {
        const { mean, sd } = bareShaftGain(axis, control, WEIGHT_N);
        let gain = mean + sd * normal();
        while (SIGN_CERTAIN.includes(control) && gain * mean < 0) gain = mean + sd * normal();
        return [control, gain] as const;
      }),
    );
  for (;;) {
    const outwardGains = gains('bareShaftOutward', [
      'plungerPreload',
      'topBolt',
      'bottomBolt',
      'twists',
      'pointMass',
      'shaftCut',
      'plungerReach',
    ]);
    const upGains = gains('bareShaftUp', ['nockingPoint', 'restHeight']);
    const startOutwardMm = MISFIT_SD_MM * normal();
    const startUpMm = MISFIT_SD_MM * normal();
    const couldMend =
      Math.abs(outwardGains.get('plungerPreload')!) * REACH.preloadTurns +
      Math.abs(outwardGains.get('pointMass')!) * REACH.pointG;
    const nocking = -startUpMm / upGains.get('nockingPoint')!;
    // Shares: the same misfit, made of preload, point, spine and centre shot, can be undone by what
    // is reversible here; a bow that could not be is not drawn.
    if (Math.abs(startOutwardMm) > couldMend || Math.abs(nocking) > NOCKING_START_MM - 1) continue;
    return {
      startOutwardMm,
      startUpMm,
      outwardGains,
      upGains,
      scatterMm,
      bareFactor: SCATTER_FACTORS[Math.max(0, factor)]!,
      bounceBelowMm: uniform() < BOUNCING_SHARE ? nocking - 3 - 7 * uniform() : null,
      pluckedShare: 0.03,
      calledShare: 0.5,
      aimWander: 0.5,
      attitudePerMm: 0.03 + 0.04 * uniform(),
    };
  }
}

class Record {
  readonly log: LoggedEntry[] = [];
  add(body: EntryBody): void {
    const seq = this.log.length + 1;
    const at = new Date(Date.UTC(2026, 0, 1) + seq * 20_000).toISOString();
    this.log.push({ id: `e${seq}`, bowId: 'b', at, by: 'sim', body, seq });
  }
  get nowMs(): number {
    return Date.parse(this.log.at(-1)!.at);
  }
  state(): BowState {
    const state = foldLog(this.log);
    if (state === null) throw new Error('no bow');
    return state;
  }
  open(sessionId: string, toleranceMm: number): void {
    this.add({
      kind: 'sessionOpened',
      sessionId,
      distanceM: 18,
      toleranceMm,
      toleranceWhy: '',
      buttMm: 1220,
    });
  }
  end(
    sessionId: string,
    endNumber: number,
    archer: SimulatedArcher,
    fletched: number,
    bare: number,
  ) {
    const end = archer.shootEnd(fletched, bare);
    for (const shot of end.shots)
      this.add({
        kind: 'shotPlaced',
        shotId: `s${this.log.length}`,
        sessionId,
        endNumber,
        ...shot,
        attitude: undefined,
      });
    if (end.shelfMarks) this.add({ kind: 'endNoted', sessionId, endNumber, marks: 'shelf' });
    return end;
  }
}

/** The archer's earlier groups, then a session begun as the program begins it. */
function begin(seed: number): {
  readonly record: Record;
  readonly archer: SimulatedArcher;
  readonly toleranceMm: number;
} {
  const archer = new SimulatedArcher(seed + 500_009, drawTruth(seed));
  const record = new Record();
  record.add({ kind: 'bowMade', ...FACTS });
  record.add({
    kind: 'reading',
    reading: 'nockingHeight',
    values: [NOCKING_START_MM],
    typed: '',
    datum: '',
    tool: '',
    source: 'measured',
    confirmedUnlikely: false,
  });
  const history = new SimulatedArcher(seed + 900_001, archer.truth);
  record.open('history', 25);
  for (let end = 1; end <= HISTORY_ENDS; end += 1) record.end('history', end, history, 6, 0);
  record.add({ kind: 'sessionClosed', sessionId: 'history' });
  const { toleranceMm } = defaultTolerance(record.state(), 18);
  record.open('tuning', toleranceMm);
  return { record, archer, toleranceMm };
}

function outcome(
  archer: SimulatedArcher,
  toleranceMm: number,
  counts: { said: boolean; ends: number; moves: number; cuts: number; wrongWay: number },
): ButtOutcome {
  const { outwardMm, upMm } = archer.offset();
  return {
    ...counts,
    scatterMm: archer.truth.scatterMm,
    trulyInside: Math.abs(outwardMm) <= toleranceMm && Math.abs(upMm) <= toleranceMm,
    shots: counts.ends * 9,
  };
}

function size(archer: SimulatedArcher): number {
  const { outwardMm, upMm } = archer.offset();
  return Math.hypot(outwardMm, upMm);
}

/** Tunes one bow by following the program's next move, through log, fold and advice. */
export function tuneByAdvice(seed: number): ButtOutcome {
  const { record, archer, toleranceMm } = begin(seed);
  const counts = { said: false, ends: 0, moves: 0, cuts: 0, wrongWay: 0 };
  let guard = 0;
  for (;;) {
    const state = record.state();
    const move = nextMove(state, record.nowMs);
    if (counts.ends > 0 && (move === null || move.step !== 'bareShaft')) {
      counts.said = true;
      break;
    }
    if (counts.ends === 0 || move?.action.kind === 'shootEnd') {
      if (counts.ends >= MOST_ENDS) break;
      counts.ends += 1;
      record.end('tuning', counts.ends, archer, 6, 3);
      continue;
    }
    if ((guard += 1) > 200) break;
    if (move?.action.kind === 'checkBlame') {
      record.add({ kind: 'blameChecked', sessionId: 'tuning', items: move.action.items });
      continue;
    }
    if (move?.action.kind !== 'change') break;
    const before = size(archer);
    counts.moves += 1;
    counts.cuts += move.action.changes.some(({ control }) => control === 'shaftCut') ? 1 : 0;
    archer.move(move.action.changes);
    for (const change of move.action.changes)
      record.add({ kind: 'change', ...change, moveId: `m${counts.moves}`, because: '' });
    if (size(archer) > before) counts.wrongWay += 1;
  }
  return outcome(archer, toleranceMm, counts);
}

/** The same bow, archer and ends, tuned by habit. */
export function tuneByHabit(seed: number): ButtOutcome {
  const { archer, toleranceMm } = begin(seed);
  const habit = new BareShaftHabit(REACH);
  const counts = { said: false, ends: 0, moves: 0, cuts: 0, wrongWay: 0 };
  while (counts.ends < MOST_ENDS) {
    counts.ends += 1;
    const end = archer.shootEnd(6, 3);
    const next = habit.after(end, toleranceMm);
    if (next === 'done') {
      counts.said = true;
      break;
    }
    if (next === 'givenUp') break;
    if (next === null) continue;
    const before = size(archer);
    counts.moves += 1;
    counts.cuts += next.control === 'shaftCut' ? 1 : 0;
    archer.move([next]);
    if (size(archer) > before) counts.wrongWay += 1;
  }
  return outcome(archer, toleranceMm, counts);
}
