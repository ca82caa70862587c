import { type Control, CONTROL_FACTS } from '../craft/controls.ts';
import { type Interval, intervalOf, learnedGains } from '../gains/learned-gains.ts';
import { settingAfter, twistCovariate } from '../gains/plane-model.ts';
import { hasAdjustableBolts } from '../craft/bow-terms.ts';
import { mixtureCdf } from '../numeric/normal-mixture.ts';
import type { BowState } from '../record/fold.ts';
import { boltsOutNow, MOST_BOLT_DIFFERENCE_TURNS } from './bolts.ts';
import { chanceInBand, type SetupGoal, type SetupGoalId, setupGoals } from './setup-goals.ts';
import { twistRange } from './twists.ts';

/** One way to bring brace, tiller and weight into their bands in a single string-off. */
export interface SetupOption {
  readonly changes: readonly { readonly control: Control; readonly amount: number }[];
  readonly expected: ReadonlyMap<SetupGoalId, Interval>;
  /** Chance that all readings are in band afterwards. */
  readonly chance: number;
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
/** A move may leave the hard brace limits with at most this chance, on the side it goes to. */
const LIMIT_CHANCE = 0.0003;
/** Most of one bolt in one string-off, turns. */
const MOST_TURNS = 2;
/** What touching one more control costs, in squared tolerances; and each twist and turn. */
const COST = { control: 0.05, twist: 0.004, turn: 0.04 } as const;

/**
 * Plans the whole move of twists and both bolts at once: least expected squared miss of brace,
 * tiller and weight, in squared tolerances, plus a small cost of movement, over every combination
 * of whole twists and eighth-turns that the bow allows. Misses are counted beyond the middle of a
 * band as narrow as the tolerance. Uncertain gains are paid for by their variance, so a first move
 * is short; opposite bolt turns for tiller at constant weight come out by themselves.
 *
 * @returns no `best` when nothing has been read, or standing still is as good as any move, or all are in band
 */
export function planSetup(state: BowState): SetupPlan {
  const goals = setupGoals(state);
  const { now } = learnedGains(state).plane;
  const chanceNow = goals.reduce((chance, goal) => chance * chanceInBand(goal, goal.under(now)), 1);
  // In band, or nothing read: no move is looked for.
  if (goals.length === 0 || chanceNow >= GOOD_ENOUGH)
    return { goals, chanceNow, best: null, runnerUp: null };
  const search = new MoveSearch(state, goals);
  const best = search.find(() => true);
  if (best === null) return { goals, chanceNow, best: null, runnerUp: null };
  const kind = kindOf(best);
  const second = search.find((move) => kindOf(move) !== kind);
  return {
    goals,
    chanceNow,
    best: optionOf(state, goals, best),
    runnerUp: second === null ? null : optionOf(state, goals, second),
  };
}

interface Candidate {
  readonly twists: number;
  readonly top: number;
  readonly bottom: number;
}

/** Which controls go which way: two moves of one kind differ only in size. */
function kindOf({ twists, top, bottom }: Candidate): string {
  return [twists, top, bottom].map(Math.sign).join();
}

/** Every move the bow allows, priced; asked for the cheapest that keeps the brace limits. */
class MoveSearch {
  private readonly state: BowState;
  private readonly moves: readonly Candidate[];
  private readonly costs: Float64Array;
  private readonly standing: number;
  private readonly brace: SetupGoal | null;
  private readonly limitNow: { readonly below: number; readonly above: number };
  /** For each pair of bolt turns, the twists from which a limit is known to be passed. */
  private readonly tooFar = new Map<string, { above: number; below: number }>();
  private order: Uint32Array | null = null;

  constructor(state: BowState, goals: readonly SetupGoal[]) {
    this.state = state;
    this.brace =
      goals.find(({ id, target }) => id === 'braceHeight' && target.limit !== null) ?? null;
    this.moves = candidates(state);
    const base = state.positions.twists;
    this.costs = Float64Array.from(
      this.moves,
      (move) => missOf(goals, move, twistCovariate(move.twists, base)) + movementCost(move),
    );
    this.standing = missOf(goals, { twists: 0, top: 0, bottom: 0 }, 0);
    this.limitNow = this.beyondLimit({ twists: 0, top: 0, bottom: 0 });
  }

  /** The cheapest allowed move of those wanted that beats standing still. */
  find(wanted: (move: Candidate) => boolean): Candidate | null {
    for (const index of this.cheapestFirst()) {
      if (!(this.costs[index]! < this.standing)) return null;
      const move = this.moves[index]!;
      if (wanted(move) && this.insideLimit(move)) return move;
    }
    return null;
  }

  private cheapestFirst(): Uint32Array {
    this.order ??= Uint32Array.from(this.moves.keys()).sort(
      (one, other) => this.costs[one]! - this.costs[other]!,
    );
    return this.order;
  }

  private beyondLimit(move: Candidate): { readonly below: number; readonly above: number } {
    if (this.brace?.target.limit == null) return { below: 0, above: 0 };
    const { now } = learnedGains(this.state).plane;
    const after = this.brace.under(settingAfter(now, amountsOf(move)));
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
    const tooHigh = above > Math.max(LIMIT_CHANCE, this.limitNow.above);
    const tooLow = below > Math.max(LIMIT_CHANCE, this.limitNow.below);
    if (tooHigh) known.above = move.twists;
    if (tooLow) known.below = move.twists;
    this.tooFar.set(key, known);
    return !tooHigh && !tooLow;
  }
}

/** Every combination of whole twists and eighth-turns that one string-off and the limits allow. */
function candidates(state: BowState): readonly Candidate[] {
  const { step } = CONTROL_FACTS.topBolt;
  const bolts = boltsOutNow(state);
  const [fewest, most] = twistsAllowed(state);
  const reach = hasAdjustableBolts(state.bow.school) ? MOST_TURNS : 0;
  const eighths = (turns: number) => Math.floor(Math.min(turns, reach) / step + 1e-9);
  const moves: Candidate[] = [];
  for (let twists = fewest; twists <= most; twists += 1) {
    for (let i = -eighths(bolts.canGoOut.top); i <= eighths(bolts.canGoIn.top); i += 1) {
      for (let j = -eighths(bolts.canGoOut.bottom); j <= eighths(bolts.canGoIn.bottom); j += 1) {
        const top = i * step;
        const bottom = j * step;
        const apart = Math.abs(bolts.top - top - (bolts.bottom - bottom));
        if (apart <= MOST_BOLT_DIFFERENCE_TURNS + 1e-9) moves.push({ twists, top, bottom });
      }
    }
  }
  return moves;
}

/** Expected squared miss in squared tolerances, summed over the goals. */
function missOf(goals: readonly SetupGoal[], move: Candidate, special: number): number {
  let miss = 0;
  for (const { pieces, low, high, scale } of goals) {
    const { mean: m, covariance: v } = pieces;
    const { twists: k, top: t, bottom: b } = move;
    const value = m[0]! + special * m[1]! + k * m[2]! + t * m[3]! + b * m[4]!;
    const line = (i: number) => {
      const vi = v[i]!;
      return vi[0]! + special * vi[1]! + k * vi[2]! + t * vi[3]! + b * vi[4]!;
    };
    const variance = line(0) + special * line(1) + k * line(2) + t * line(3) + b * line(4);
    const inset = Math.min(scale, (high - low) / 2);
    const beyond = Math.max(low + inset - value, value - high + inset, 0);
    miss += (beyond * beyond + variance) / (scale * scale);
  }
  return miss;
}

/** Twists that may go out (negative) and in, in one string-off, of a string as long as this one. */
function twistsAllowed(state: BowState): readonly [number, number] {
  const most = CONTROL_FACTS.twists.largest;
  const { twists } = state.positions;
  if (twists === null) return [-most, most];
  const range = twistRange(state.bow);
  return [
    -Math.max(0, Math.min(most, twists - range.fewest)),
    Math.max(0, Math.min(most, range.most - twists)),
  ];
}

function movementCost({ twists, top, bottom }: Candidate): number {
  const used = [twists, top, bottom].filter((one) => one !== 0).length;
  return (
    used * COST.control +
    Math.abs(twists) * COST.twist +
    (Math.abs(top) + Math.abs(bottom)) * COST.turn
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
  };
}
