import { type Control, CONTROL_FACTS } from '../craft/controls.ts';
import { type Interval, intervalOf, learnedGains } from '../gains/learned-gains.ts';
import { settingAfter, twistCovariate } from '../gains/plane-model.ts';
import { hasAdjustableBolts } from '../craft/bow-terms.ts';
import { mixtureCdf, mixtureMean, type NormalMixture } from '../numeric/normal-mixture.ts';
import type { BowState } from '../log/bow-state.ts';
import { onceFor } from '../log/once-for.ts';
import { checkChanges } from '../limits/check-proposal.ts';
import { boltsOutNow, MOST_BOLT_DIFFERENCE_TURNS } from '../limits/bolt-limits.ts';
import { chanceInBand, type SetupGoal, type SetupGoalId, setupGoals } from './setup-goals.ts';
import { twistRange, twistsTurned, UNCOUNTED_TWISTS } from '../limits/twist-limits.ts';

/** One way to bring brace, tiller and weight into their bands in a single string-off. */
export interface SetupOption {
  readonly changes: readonly { readonly control: Control; readonly amount: number }[];
  readonly expected: ReadonlyMap<SetupGoalId, Interval>;
  /** Chance that all readings are in band afterwards. */
  readonly chance: number;
  /** Whether a reading that is out of its band is expected to come visibly nearer to it. */
  readonly bringsNearer: boolean;
}

export interface SetupPlan {
  readonly goals: readonly SetupGoal[];
  /** Chance that all readings are in band as the bow stands. */
  readonly chanceNow: number;
  readonly best: SetupOption | null;
  /** The best move of another kind. */
  readonly runnerUp: SetupOption | null;
}

/** All readings in band with this chance: leave it. */
const GOOD_ENOUGH = 0.85;
/** Nearer by less than this share of the tolerance nobody sees. */
const VISIBLE = 0.2;
/**
 * A move may leave the hard brace limits with at most this chance, on the side it goes to. A bow that
 * stands a little outside them is brought back more boldly: until then it is not shot. One far outside is
 * not: what it took to get there may be a twist that does far more than usual.
 */
const LIMIT_CHANCE = { usual: 0.00001, justOutside: 0.0001 } as const;
const LITTLE_OUTSIDE_MM = 3;
/** Most of one bolt in one string-off, turns. */
const MOST_TURNS = 2;
/**
 * What touching one more control costs, in squared tolerances; each twist and turn; and each turn of both
 * bolts together on a bow nobody has weighed, whose weight it would change unseen.
 */
const COST = { control: 0.05, twist: 0.004, turn: 0.04, unweighedTurn: 2 } as const;

/**
 * Plans the whole move of twists and both bolts at once: least expected squared miss of brace,
 * tiller and weight, in squared tolerances, plus a small cost of movement, over every combination
 * of whole twists and eighth-turns that the bow allows. A miss is what lies beyond the band less a
 * tolerance, and, far less, the distance from the place in it. Uncertain gains are paid for by their variance, so a first move
 * is short; opposite bolt turns for tiller at constant weight come out by themselves.
 *
 * @returns no `best` when nothing has been read, or standing still is as good as any move, or all are in band
 */
export const planSetup = onceFor((state: BowState): SetupPlan => {
  const goals = setupGoals(state);
  const { now } = learnedGains(state).plane;
  const chanceNow = goals.reduce((chance, goal) => chance * chanceInBand(goal, goal.under(now)), 1);
  // In band, or nothing read: no move is looked for.
  if (goals.length === 0 || chanceNow >= GOOD_ENOUGH)
    return { goals, chanceNow, best: null, runnerUp: null };
  const search = new MoveSearch(state, goals);
  const best = search.find(null);
  if (best === null) return { goals, chanceNow, best: null, runnerUp: null };
  const second = search.find(kindOf(best));
  return {
    goals,
    chanceNow,
    best: optionOf(state, goals, best),
    runnerUp: second === null ? null : optionOf(state, goals, second),
  };
});

interface Candidate {
  readonly twists: number;
  readonly top: number;
  readonly bottom: number;
}

/** Which controls go which way, as one number: two moves of one kind differ only in size. */
function kindOf({ twists, top, bottom }: Candidate): number {
  return Math.sign(twists) * 9 + Math.sign(top) * 3 + Math.sign(bottom);
}

const STANDING: Candidate = { twists: 0, top: 0, bottom: 0 };

/** Every move the bow allows, priced; asked for the cheapest that keeps the brace limits. */
class MoveSearch {
  private readonly state: BowState;
  private readonly moves: readonly Candidate[];
  /** Which moves beat standing still, cheapest first: limits refuse hundreds of them one after the other. */
  private readonly inOrder: Int32Array;
  private readonly brace: SetupGoal | null;
  private readonly limitNow: { readonly below: number; readonly above: number };
  private readonly limitChance: number;
  /** For each pair of bolt turns, the twists from which a limit is known to be passed. */
  private readonly tooFar = new Map<string, { above: number; below: number }>();

  constructor(state: BowState, goals: readonly SetupGoal[]) {
    this.state = state;
    this.brace =
      goals.find(({ id, target }) => id === 'braceHeight' && target.limit !== null) ?? null;
    this.moves = candidates(state, goals);
    const base = state.positions.twists;
    const goalsAt = (twists: number) =>
      goals.map((goal) => settleTwists(goal, twists, twistCovariate(twists, base)));
    const isWeighed = goals.some(({ id }) => id === 'drawWeight');
    const standing = missOf(goalsAt(0), 0, 0);
    const costs = new Float64Array(this.moves.length);
    const inOrder: number[] = [];
    let settled = goalsAt(0);
    let settledAt = 0;
    for (const [index, move] of this.moves.entries()) {
      // Moves of the same twists stand together.
      if (move.twists !== settledAt) settled = goalsAt(move.twists);
      settledAt = move.twists;
      const cost = missOf(settled, move.top, move.bottom) + movementCost(move, isWeighed);
      costs[index] = cost;
      if (cost < standing) inOrder.push(index);
    }
    this.inOrder = Int32Array.from(inOrder).sort((one, other) => costs[one]! - costs[other]!);
    this.limitNow = this.beyondLimit(STANDING);
    this.limitChance = LIMIT_CHANCE[this.isJustOutside() ? 'justOutside' : 'usual'];
  }

  private isJustOutside(): boolean {
    const limit = this.brace?.target.limit ?? null;
    if (limit === null) return false;
    const brace = mixtureMean(this.braceAfter(STANDING));
    const outsideMm = Math.max(limit.low - brace, brace - limit.high);
    return outsideMm > 0 && outsideMm <= LITTLE_OUTSIDE_MM;
  }

  private braceAfter(move: Candidate): NormalMixture {
    const { now } = learnedGains(this.state).plane;
    return this.brace?.under(settingAfter(now, amountsOf(move))) ?? [];
  }

  /** The cheapest allowed move that beats standing still and is not of the kind given. */
  find(notKind: number | null): Candidate | null {
    for (const index of this.inOrder) {
      const move = this.moves[index]!;
      if (kindOf(move) !== notKind && this.insideLimit(move) && this.isAllowed(move)) return move;
    }
    return null;
  }

  /** The check every door makes: what the planner proposes is never refused where it is pressed. */
  private isAllowed(move: Candidate): boolean {
    const changes = [...amountsOf(move)].map(([control, amount]) => ({ control, amount }));
    return checkChanges(this.state, changes) === null;
  }

  private beyondLimit(move: Candidate): { readonly below: number; readonly above: number } {
    if (this.brace?.target.limit == null) return { below: 0, above: 0 };
    const after = this.braceAfter(move);
    return {
      below: mixtureCdf(after, this.brace.target.limit.low),
      above: 1 - mixtureCdf(after, this.brace.target.limit.high),
    };
  }

  /** More twists only raise the brace: what is too many for two bolts stays too many for them. */
  private insideLimit(move: Candidate): boolean {
    const key = `${move.top},${move.bottom}`;
    const known = this.tooFar.get(key) ?? { above: Infinity, below: -Infinity };
    if (move.twists >= known.above || move.twists <= known.below) return false;
    const { below, above } = this.beyondLimit(move);
    const tooHigh = above > Math.max(this.limitChance, this.limitNow.above);
    const tooLow = below > Math.max(this.limitChance, this.limitNow.below);
    if (tooHigh) known.above = move.twists;
    if (tooLow) known.below = move.twists;
    this.tooFar.set(key, known);
    return !tooHigh && !tooLow;
  }
}

/** Every combination of whole twists and eighth-turns that one string-off and the limits allow. */
function candidates(state: BowState, goals: readonly SetupGoal[]): readonly Candidate[] {
  const { step } = CONTROL_FACTS.topBolt;
  const bolts = boltsOutNow(state);
  const [fewest, most] = twistsAllowed(state);
  // Bolts that nobody has counted are not turned, nor any while the tiller they move is not read.
  const mayTurn = bolts !== null && goals.some(({ id }) => id === 'tiller');
  const reach = hasAdjustableBolts(state.bow.school) && mayTurn ? MOST_TURNS : 0;
  const eighths = (turns: number) => Math.floor(Math.min(turns, reach) / step + 1e-9);
  const moves: Candidate[] = [];
  for (let twists = fewest; twists <= most; twists += 1) {
    if (bolts === null) {
      moves.push({ twists, top: 0, bottom: 0 });
      continue;
    }
    const apartNow = Math.max(MOST_BOLT_DIFFERENCE_TURNS, Math.abs(bolts.top - bolts.bottom));
    for (let i = -eighths(bolts.canGoOut.top); i <= eighths(bolts.canGoIn.top); i += 1) {
      for (let j = -eighths(bolts.canGoOut.bottom); j <= eighths(bolts.canGoIn.bottom); j += 1) {
        const top = i * step;
        const bottom = j * step;
        const apart = Math.abs(bolts.top - top - (bolts.bottom - bottom));
        if (apart <= apartNow + 1e-9) moves.push({ twists, top, bottom });
      }
    }
  }
  return moves;
}

/** A goal with the twists settled: its reading is level + top · t + bottom · b, each uncertain. */
interface SettledGoal {
  readonly mean: readonly [number, number, number];
  readonly variance: readonly [number, number, number, number, number, number];
  readonly low: number;
  readonly high: number;
  readonly scale: number;
  readonly place: number | null;
  /** Half the band: how much a distance from the place counts. */
  readonly half: number;
}

/** Folds the twists of a move into the level, so that bolts can be tried cheaply. */
function settleTwists(goal: SetupGoal, twists: number, special: number): SettledGoal {
  const { mean: m, covariance: v } = goal.pieces;
  const level = [1, special, twists, 0, 0];
  const withRow = (row: number) => level.reduce((sum, c, i) => sum + c * v[i]![row]!, 0);
  const inset = Math.min(goal.scale, (goal.high - goal.low) / 2);
  return {
    mean: [m[0]! + special * m[1]! + twists * m[2]!, m[3]!, m[4]!],
    variance: [
      level.reduce((sum, c, i) => sum + c * withRow(i), 0),
      2 * withRow(3),
      2 * withRow(4),
      v[3]![3]!,
      2 * v[3]![4]!,
      v[4]![4]!,
    ],
    low: goal.low + inset,
    high: goal.high - inset,
    scale: goal.scale,
    place: goal.place,
    half: Math.max(goal.scale, (goal.high - goal.low) / 2),
  };
}

/** Expected squared miss in squared tolerances, summed over the goals. */
function missOf(goals: readonly SettledGoal[], top: number, bottom: number): number {
  let miss = 0;
  for (const { mean, variance: v, low, high, scale, place, half } of goals) {
    const value = mean[0] + top * mean[1] + bottom * mean[2];
    const variance =
      v[0] + top * (v[1] + top * v[3] + bottom * v[4]) + bottom * (v[2] + bottom * v[5]);
    const beyond = value < low ? low - value : value > high ? value - high : 0;
    miss += (beyond * beyond + variance) / (scale * scale);
    if (place !== null) miss += ((value - place) / half) ** 2;
  }
  return miss;
}

/** Twists that may go out (negative) and in, in one string-off, of a string as long as this one. */
function twistsAllowed(state: BowState): readonly [number, number] {
  const most = CONTROL_FACTS.twists.largest;
  const { twists } = state.positions;
  if (twists === null) {
    const turned = twistsTurned(state);
    return [
      -Math.max(0, Math.min(most, UNCOUNTED_TWISTS + turned)),
      Math.max(0, Math.min(most, UNCOUNTED_TWISTS - turned)),
    ];
  }
  const range = twistRange(state.bow);
  return [
    -Math.max(0, Math.min(most, twists - range.fewest)),
    Math.max(0, Math.min(most, range.most - twists)),
  ];
}

function movementCost({ twists, top, bottom }: Candidate, isWeighed: boolean): number {
  const used = Number(twists !== 0) + Number(top !== 0) + Number(bottom !== 0);
  return (
    used * COST.control +
    Math.abs(twists) * COST.twist +
    (Math.abs(top) + Math.abs(bottom)) * COST.turn +
    (isWeighed ? 0 : Math.abs(top + bottom) * COST.unweighedTurn)
  );
}

function amountsOf({ twists, top, bottom }: Candidate): ReadonlyMap<Control, number> {
  const all: readonly (readonly [Control, number])[] = [
    ['twists', twists],
    ['topBolt', top],
    ['bottomBolt', bottom],
  ];
  return new Map(all.filter(([, amount]) => amount !== 0));
}

function optionOf(state: BowState, goals: readonly SetupGoal[], move: Candidate): SetupOption {
  const amounts = amountsOf(move);
  const setting = settingAfter(learnedGains(state).plane.now, amounts);
  const after = goals.map((goal) => ({ goal, mixture: goal.under(setting) }));
  return {
    changes: [...amounts].map(([control, amount]) => ({ control, amount })),
    expected: new Map(after.map(({ goal, mixture }) => [goal.id, intervalOf(mixture)])),
    chance: after.reduce((chance, { goal, mixture }) => chance * chanceInBand(goal, mixture), 1),
    bringsNearer: after.some(({ goal, mixture }) => {
      const nearer =
        beyondOf(goal, goal.under(learnedGains(state).plane.now)) - beyondOf(goal, mixture);
      return nearer >= VISIBLE * goal.scale;
    }),
  };
}

/** How far a reading's mean lies beyond its band; 0 within. */
function beyondOf({ low, high }: SetupGoal, mixture: NormalMixture): number {
  const mean = mixtureMean(mixture);
  return Math.max(0, low - mean, mean - high);
}
