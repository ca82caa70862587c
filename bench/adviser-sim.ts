import { BareShaftHabit } from '#core/simulate/bare-shaft-habit.ts';
import { SimulatedArcher } from '#core/simulate/simulated-archer.ts';
import { TARGET_BASE } from '#demo/target-base.ts';
import type { School } from '#core/craft/bow-terms.ts';
import type { Control } from '#core/craft/controls.ts';
import { G_PER_GR } from '#core/quantity/units.ts';
import type { BowFacts, EntryBody, LoggedEntry } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { foldLog } from '#core/log/fold.ts';
import { defaultTolerance, type ToleranceByRule } from '#core/groups/default-tolerance.ts';
import { safeLength } from '#core/limits/safe-length.ts';
import { nextMove } from '#core/advice/next-move.ts';
import {
  CUT_ROOM_MM,
  type DrawnBow,
  drawBow,
  NOCKING_START_MM,
  WEIGHT_N,
} from './adviser-truth.ts';

const MOST_ENDS = 60;
const HISTORY_ENDS = 3;
/** A cut may leave the bow this much on the other side of its tune, mm of shaft. */
const CUT_PAST_MM = 12;
const DRAW_MM = 720;

const FACTS: BowFacts = {
  ...TARGET_BASE,
  name: 'Simulated',
  maker: { braceMinMm: 210, braceMaxMm: 235, boltTravelTurns: 3, markedWeightN: WEIGHT_N },
  amoDrawMm: DRAW_MM,
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
  readonly school: School;
  readonly canBeMended: boolean | null;
  readonly scatterMm: number;
  readonly said: boolean;
  /** It ended with what the bow has being spent. */
  readonly spent: boolean;
  readonly trulyInside: boolean;
  readonly ends: number;
  readonly moves: number;
  readonly cuts: number;
  /** Moves after which the moved axis was farther off, and out of tolerance. */
  readonly wrongWay: number;
  /** Cuts that left the shaft too short, or far past its tune. */
  readonly badCuts: number;
  readonly shots: number;
}

class Record {
  readonly log: LoggedEntry[] = [];
  private days = 0;
  /** What is shot from here on is shot the next day. */
  nextDay(): void {
    this.days += 1;
  }
  add(body: EntryBody): void {
    const seq = this.log.length + 1;
    const at = new Date(Date.UTC(2026, 0, 1 + this.days) + seq * 20_000).toISOString();
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
  read(reading: 'nockingHeight' | 'drawLength', value: number): void {
    this.add({
      kind: 'reading',
      reading,
      values: [value],
      typed: '',
      datum: '',
      tool: '',
      source: 'measured',
      confirmedUnlikely: false,
    });
  }
  /** How far off it is shot, m. */
  distanceM = 18;
  open(
    sessionId: string,
    tolerance: Pick<ToleranceByRule, 'outwardMm' | 'upMm'>,
    distanceM = 18,
  ): void {
    this.distanceM = distanceM;
    this.add({
      kind: 'sessionOpened',
      sessionId,
      distanceM,
      toleranceMm: tolerance.outwardMm,
      toleranceUpMm: tolerance.upMm,
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
    const end = archer.shootEnd(fletched, bare, this.distanceM);
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
function begin(
  seed: number,
  bow: DrawnBow,
): {
  readonly record: Record;
  readonly archer: SimulatedArcher;
  readonly tolerance: ToleranceByRule;
} {
  const archer = new SimulatedArcher(seed + 500_009, bow.truth);
  const record = new Record();
  record.add({ kind: 'bowMade', ...FACTS, school: bow.school });
  record.read('nockingHeight', NOCKING_START_MM);
  record.read('drawLength', drawLeaving(CUT_ROOM_MM));
  const history = new SimulatedArcher(seed + 900_001, bow.truth);
  record.open('history', { outwardMm: 25, upMm: 25 });
  for (let end = 1; end <= HISTORY_ENDS; end += 1) record.end('history', end, history, 6, 0);
  record.add({ kind: 'sessionClosed', sessionId: 'history' });
  record.nextDay();
  const tolerance = defaultTolerance(record.state(), 18);
  record.open('tuning', tolerance);
  return { record, archer, tolerance };
}

/** The longest draw with which the shaft may lose just so much, found by asking the limit itself. */
function drawLeaving(roomMm: number): number {
  const record = new Record();
  record.add({ kind: 'bowMade', ...FACTS });
  record.read('drawLength', DRAW_MM);
  const safe = safeLength(record.state());
  if (safe.kind !== 'known') throw new Error('the safe length is not known');
  return DRAW_MM + safe.leftMm - roomMm;
}

interface Counts {
  said: boolean;
  spent: boolean;
  ends: number;
  moves: number;
  cuts: number;
  wrongWay: number;
  badCuts: number;
}
const noCounts = (): Counts => ({
  said: false,
  spent: false,
  ends: 0,
  moves: 0,
  cuts: 0,
  wrongWay: 0,
  badCuts: 0,
});

type ChangeList = readonly { readonly control: Control; readonly amount: number }[];

/** Makes the changes and counts what became of them. */
function makeMove(bow: DrawnBow, archer: SimulatedArcher, changes: ChangeList, counts: Counts) {
  const before = archer.offset();
  archer.move(changes);
  const after = archer.offset();
  counts.moves += 1;
  const isUp = changes.some(
    ({ control }) => control === 'nockingPoint' || control === 'restHeight',
  );
  const axis = isUp ? 'upMm' : 'outwardMm';
  const farther = Math.abs(after[axis]) > Math.abs(before[axis]);
  if (farther && Math.abs(after[axis]) > bow.tolerance[axis]) counts.wrongWay += 1;
  if (!changes.some(({ control }) => control === 'shaftCut')) return;
  counts.cuts += 1;
  const gain = bow.truth.outwardGains.get('shaftCut') ?? 0;
  const pastMm = (after.outwardMm * Math.sign(gain)) / Math.abs(gain);
  if (archer.movedBy('shaftCut') > CUT_ROOM_MM + 1e-6 || pastMm > CUT_PAST_MM) counts.badCuts += 1;
}

function outcome(bow: DrawnBow, archer: SimulatedArcher, counts: Counts): ButtOutcome {
  const { outwardMm, upMm } = archer.offset();
  const { school, canBeMended, tolerance, truth } = bow;
  return {
    ...counts,
    school,
    canBeMended,
    scatterMm: truth.scatterMm,
    trulyInside: Math.abs(outwardMm) <= tolerance.outwardMm && Math.abs(upMm) <= tolerance.upMm,
    shots: counts.ends * 9,
  };
}

/** Tunes one bow by following the program's next move, through log, fold and advice. */
export function tuneByAdvice(seed: number, misfitSdMm: number): ButtOutcome {
  return tuneDrawn(seed, drawBow(seed, misfitSdMm));
}

/** The same for a bow that is given. */
export function tuneDrawn(seed: number, bow: DrawnBow): ButtOutcome {
  const { record, archer } = begin(seed, bow);
  const counts = noCounts();
  let sessionId = 'tuning';
  for (let guard = 0; guard < 300; guard += 1) {
    const move = nextMove(record.state(), record.nowMs);
    if (counts.ends > 0 && (move === null || move.step !== 'bareShaft')) {
      counts.said = true;
      break;
    }
    if (counts.ends === 0 || move?.action.kind === 'shootEnd') {
      if (counts.ends >= MOST_ENDS) break;
      counts.ends += 1;
      record.end(sessionId, counts.ends, archer, 6, 3);
      continue;
    }
    if (move?.action.kind === 'shootNearer') {
      const { distanceM } = move.action;
      record.add({ kind: 'sessionClosed', sessionId });
      sessionId = `tuning at ${distanceM}`;
      record.open(sessionId, defaultTolerance(record.state(), distanceM), distanceM);
      counts.ends += 1;
      record.end(sessionId, counts.ends, archer, 6, 3);
      continue;
    }
    if (move?.action.kind === 'setShaftAside') {
      const { arrow, arrowNumber } = move.action;
      record.add({ kind: 'shaftSetAside', sessionId, arrow, arrowNumber, aside: true });
      continue;
    }
    if (move?.action.kind === 'checkBlame') {
      record.add({ kind: 'blameChecked', sessionId, items: move.action.items });
      continue;
    }
    if (move?.action.kind !== 'change') {
      counts.spent = move?.because.topic === 'bareShaftSpent';
      break;
    }
    makeMove(bow, archer, move.action.changes, counts);
    for (const change of move.action.changes)
      record.add({ kind: 'change', ...change, moveId: `m${counts.moves}`, because: '' });
  }
  return outcome(bow, archer, counts);
}

/** The same bow, archer and ends, tuned by habit. */
export function tuneByHabit(seed: number, misfitSdMm: number): ButtOutcome {
  const bow = drawBow(seed, misfitSdMm);
  const { archer, tolerance } = begin(seed, bow);
  const habit = new BareShaftHabit(bow.reach);
  const counts = noCounts();
  while (counts.ends < MOST_ENDS) {
    counts.ends += 1;
    const end = archer.shootEnd(6, 3);
    const next = habit.after(end, tolerance);
    if (next === 'done') {
      counts.said = true;
      break;
    }
    if (next === 'givenUp') break;
    if (next === null) continue;
    makeMove(bow, archer, [next], counts);
  }
  return outcome(bow, archer, counts);
}
