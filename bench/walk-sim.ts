import { walkBackMove } from '#core/advice/walk-back-move.ts';
import { BowLog } from '#core/fixtures/bow-log.ts';
import { defaultTolerance } from '#core/groups/default-tolerance.ts';
import { seededUniform, standardNormal } from '#core/numeric/random.ts';
import type { WalkBackFit } from '#core/walk-back/walk-back.ts';
import { walkBackStanding, WALK_BACK_SHOTS } from '#core/walk-back/walk-back-standing.ts';

/** What nobody knows of a bow and its archer before they walk back. */
interface WalkTruth {
  readonly leanMmPerM: number;
  readonly bendMmPerM2: number;
  /** Lean a turn of reach out, mm a metre; bend a turn of preload, mm a square metre. */
  readonly reach: number;
  readonly preload: number;
  /** Across, one standard deviation at 18 m. */
  readonly acrossMm: number;
  readonly upMm: number;
  readonly isSlow: boolean;
  readonly hasHistory: boolean;
}

/** How one walk went. */
export interface WalkRun {
  readonly isSlow: boolean;
  /** Two turns of reach and of preload could bring its line inside, were all known. */
  readonly canBe: boolean;
  readonly ended: 'straight' | 'enough' | 'tooSmall' | 'moves';
  readonly moves: number;
  readonly shots: number;
  /** Said to be straight: how many tolerances the truth then drifted. */
  readonly driftInTolerances: number | null;
  /** Of each turn of reach: whether the truth drifted more after it. */
  readonly turnsWorse: readonly boolean[];
  /** Of every line judged: whether its interval held. */
  readonly heldLean: readonly boolean[];
  readonly heldBend: readonly boolean[];
  /** At the end, where the bow had surely shown the way of reach: whether that way is wrong. */
  readonly signWrong: boolean | null;
}

const MOST_MOVES = 40;
/** Farther in or out than this the arrow no longer stands near the middle of the bow. */
const MOST_TURNS = 2;
/** Each end is aimed anew by this share of the scatter. */
const WANDER = 0.5;
const MIDDLE_M = 17.5;
/** A learned way is sure when the gain lies so many standard deviations off zero. */
const SURE_SDS = 2;

function drawTruth(seed: number): WalkTruth {
  const uniform = seededUniform(seed);
  const normal = standardNormal(uniform);
  const isSlow = uniform() < 0.25;
  // A slow arrow bends longer on the pass: the same turn says less, and its way is less sure.
  const reach = isSlow ? 1.2 + 1.2 * normal() : 2.1 + 1.4 * normal();
  return {
    leanMmPerM: 3 * normal(),
    bendMmPerM2: 0.11 * heavyTailed(normal),
    reach,
    preload: 0.36 * normal(),
    acrossMm: 5 * 5 ** uniform(),
    upMm: 5 * 5 ** uniform(),
    isSlow,
    hasHistory: uniform() < 0.5,
  };
}

/** Student's t with 4 degrees, which the model lacks, as wide as the normal in its middle half. */
function heavyTailed(normal: () => number): number {
  let squares = 0;
  for (let one = 0; one < 4; one += 1) squares += normal() ** 2;
  return (0.91 * normal()) / Math.sqrt(squares / 4);
}

/** Follows next moves through one walk, the truth turned as they say. */
export function walkByMoves(seed: number): WalkRun {
  const truth = drawTruth(seed);
  const normal = standardNormal(seededUniform(seed + 1_000_000));
  const log = new BowLog();
  if (truth.hasHistory) shootHistory(log, truth, normal);
  const sessionId = 'walk';
  log.add({
    kind: 'sessionOpened',
    sessionId,
    sessionKind: 'walkBack',
    distanceM: 10,
    toleranceMm: defaultTolerance(log.state, 18).outwardMm,
    toleranceWhy: '',
    buttMm: 1220,
    markBelowTopMm: 300,
  });
  let [lean, bend, shots, end] = [truth.leanMmPerM, truth.bendMmPerM2, 0, 0];
  const turnsWorse: boolean[] = [];
  const heldLean: boolean[] = [];
  const heldBend: boolean[] = [];
  const finish = (
    ended: WalkRun['ended'],
    moves: number,
    driftInTolerances: number | null = null,
  ): WalkRun => {
    const { state } = log;
    const fit = walkBackStanding(state, state.sessions.at(-1)!).fit;
    const gain = fit?.reachGain;
    const isSure =
      gain !== undefined && gain.changes > 0 && Math.abs(gain.mean) > SURE_SDS * gain.sd;
    return {
      isSlow: truth.isSlow,
      canBe: canBeStraight(truth, fit),
      ended,
      moves,
      shots,
      driftInTolerances,
      turnsWorse,
      heldLean,
      heldBend,
      signWrong: isSure ? gain.mean * truth.reach < 0 : null,
    };
  };
  for (let moves = 1; moves <= MOST_MOVES; moves += 1) {
    const { state } = log;
    const session = state.sessions.at(-1)!;
    const standing = walkBackStanding(state, session);
    const move = walkBackMove(state, session);
    if (move === null) return finish('moves', moves);
    const { action } = move;
    const { fit } = standing;
    if (fit !== null && standing.next.kind === 'allShot' && fit.bend !== null) {
      const span = fit.farthestM - fit.nearestM;
      const middle = (fit.farthestM + fit.nearestM) / 2;
      const drift = (lean + 2 * bend * (middle - MIDDLE_M)) * span;
      heldLean.push(Math.abs(fit.drift.mm - drift) <= fit.drift.plusMinusMm);
      heldBend.push(Math.abs(fit.bend.mm - bend * (span / 2) ** 2) <= fit.bend.plusMinusMm);
      if (action.kind === 'confirmStep') {
        const said = move.key === 'walkBack:straight';
        return finish(
          said ? 'straight' : 'enough',
          moves,
          said ? Math.abs(drift) / fit.toleranceMm : null,
        );
      }
    }
    if (action.kind === 'change') {
      for (const { control, amount } of action.changes) {
        log.change(control, amount);
        if (control === 'plungerPreload') bend += truth.preload * amount;
        if (control !== 'plungerReach') continue;
        const after = lean + truth.reach * amount;
        turnsWorse.push(Math.abs(after) > Math.abs(lean));
        lean = after;
      }
    } else if (action.kind === 'setAim') log.add({ kind: 'aimSet', sessionId });
    else if (action.kind === 'shootEnd') {
      const asked = move.because.topic === 'walkBackMore' ? move.because.distancesM : [];
      const distances = asked.length > 0 ? asked : [standing.nextM ?? session.distanceM];
      for (const distanceM of distances) {
        end += 1;
        shots += action.fletched;
        shootEnd(
          log,
          { sessionId, end, distanceM, count: action.fletched },
          { ...truth, lean, bend },
          normal,
        );
      }
    } else return finish('tooSmall', moves);
  }
  return finish('moves', MOST_MOVES);
}

/** Whether turns of reach and preload could bring this bow's line inside, were all known. */
function canBeStraight(truth: WalkTruth, fit: WalkBackFit | null): boolean {
  const { toleranceMm, span } =
    fit === null
      ? USUAL_WALK
      : { toleranceMm: fit.toleranceMm, span: fit.farthestM - fit.nearestM };
  const drift = (Math.abs(truth.leanMmPerM) - MOST_TURNS * Math.abs(truth.reach)) * span;
  const bend =
    (Math.abs(truth.bendMmPerM2) - MOST_TURNS * Math.abs(truth.preload)) * (span / 2) ** 2;
  return drift <= toleranceMm && bend <= toleranceMm;
}
/** Where the butt was too small for any line. */
const USUAL_WALK = { toleranceMm: 20, span: 15 } as const;

function shootEnd(
  log: BowLog,
  at: { sessionId: string; end: number; distanceM: number; count: number },
  truth: WalkTruth & { readonly lean: number; readonly bend: number },
  normal: () => number,
): void {
  const { distanceM } = at;
  const scale = distanceM / 18;
  const aim = [0, 1].map(() => WANDER * normal());
  const from = distanceM - MIDDLE_M;
  const out = truth.lean * from + truth.bend * from ** 2 + truth.lean * (MIDDLE_M - 10);
  const fall = 110 * (distanceM / 10 - 1) - (9810 / (2 * 52 ** 2)) * distanceM * (distanceM - 10);
  for (let shot = 0; shot < at.count; shot += 1)
    log.add({
      kind: 'shotPlaced',
      shotId: `shot-${log.log.length}`,
      sessionId: at.sessionId,
      endNumber: at.end,
      arrow: 'fletched',
      outwardMm: out + truth.acrossMm * scale * (aim[0]! + heavyTailed(normal)),
      upMm: fall + truth.upMm * scale * (aim[1]! + heavyTailed(normal)),
      calledBad: false,
      distanceM,
    });
}

function shootHistory(log: BowLog, { acrossMm, upMm }: WalkTruth, normal: () => number): void {
  const session = log.open(40, 18);
  for (let end = 1; end <= WALK_BACK_SHOTS; end += 1)
    log.shots(
      session,
      end,
      'fletched',
      Array.from(
        { length: 6 },
        () => [acrossMm * heavyTailed(normal), upMm * heavyTailed(normal)] as const,
      ),
    );
}
