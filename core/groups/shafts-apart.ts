import {
  normaliseLogOdds,
  SCATTER_FACTOR_ODDS,
  SCATTER_FACTORS,
  type ScatterPrior,
} from './offset-posterior.ts';
import type { ShotSeen } from './shot-seen.ts';
import { middlesOf, partings } from './two-heaps.ts';

/** Shots of one kind with what the archer's fletched shots say of scatter and of an end's aim. */
export interface ShotsSeen {
  readonly shots: readonly ShotSeen[];
  readonly scatter: { readonly outwardMm: ScatterPrior; readonly upMm: ScatterPrior };
  /** Variance of what the shots of an end have in common, in squared fletched scatters. */
  readonly aimVariance: (end: number) => number;
  /** Whether they may lie in two heaps; fletched ones do not. */
  readonly mayHeap: boolean;
}

/** Whether the shots are all alike. Distances from the others in mm, outward and up. */
export type ShaftsApart =
  | { readonly kind: 'alike' }
  | {
      readonly kind: 'oneApart';
      readonly arrowNumber: number;
      readonly shots: number;
      readonly outwardMm: number;
      readonly upMm: number;
    }
  | {
      readonly kind: 'twoHeaps';
      /** In the heap that lies farther off. */
      readonly shots: number;
      readonly of: number;
      readonly outwardMm: number;
      readonly upMm: number;
    };

/** A shaft or a heap lies off by about this many fletched scatters on either axis, one sd. */
const APART_SCATTERS = 6;
/** What is held of such a distance beforehand, in information. */
const NARROW = 1 / APART_SCATTERS ** 2;
/** What is held beforehand of any one shaft being bent, of one shot being a slip, of two heaps. */
const ODDS = { shaft: 0.07, shot: 0.06, heaps: 0.6 } as const;
const LOG_FACTOR_ODDS = SCATTER_FACTOR_ODDS.map(Math.log);
/** Said from this chance on. */
const SAID_AT = 0.5;
const FEWEST_OF_SHAFT = 3;
/** Older shots than this many add nothing but time. */
const MOST_SHOTS = 36;

/**
 * Tells shots of one kind from one bad shaft and from two heaps, by comparing how well each explains
 * all bare shots of a session. Every end has an aim of its own and every setting a middle of its own,
 * so that neither a wandering aim nor a turn in between is taken for a bent shaft; and any two shots may
 * be slips, so that flyers are not either.
 *
 * For y of one axis, with columns X for the settings, x for who is apart and d ~ N(0, (τσ)²):
 * y ~ N(Xm + xd, σ²V), V = k²I + c·11′ within each end; m flat, σ² scaled inverse χ² of the fletched
 * shots, k over its grid and shared by both axes. Marginal likelihoods in closed form
 * (Bayesian linear regression with a conjugate prior).
 */
export function shaftsApart({ shots: all, scatter, aimVariance, mayHeap }: ShotsSeen): ShaftsApart {
  const shots = all.slice(-MOST_SHOTS);
  if (shots.length < 2 * FEWEST_OF_SHAFT) return { kind: 'alike' };
  const numbers = [...new Set(shots.flatMap(({ arrowNumber }) => arrowNumber ?? []))];
  const columns = numbers
    .map((number) => ({
      number,
      column: shots.map(({ arrowNumber }) => (arrowNumber === number ? 1 : 0)),
    }))
    .filter(({ column }) => {
      const of = column.filter((one) => one === 1).length;
      return of >= FEWEST_OF_SHAFT && shots.length - of >= FEWEST_OF_SHAFT;
    })
    .filter(({ column }) => isWorthWeighing(shots, scatter, column));
  const maybeHeaps = mayHeap && isWorthWeighing(shots, scatter, null);
  if (columns.length === 0 && !maybeHeaps) return { kind: 'alike' };
  const fits = SCATTER_FACTORS.map((k) => factorFit(shots, k, scatter, aimVariance));
  // Any two shots may be slips beside, so that flyers neither make a bent shaft nor hide one.
  const evidence = (column: readonly number[]) => {
    const logsOf = (columns: readonly (readonly number[])[]) => {
      const byFactor = fits.map(({ logEvidence }) => logEvidence(columns));
      return [...shots.keys(), shots.length].map((at) =>
        logSum(byFactor.map((logs, factor) => logs[at]! + LOG_FACTOR_ODDS[factor]!)),
      );
    };
    const [whole, ...one] = logsOf([column]);
    const slip = one.indexOf(Math.max(...one));
    const [, ...two] = logsOf([column, shots.map((_, at) => (at === slip ? 1 : 0))]);
    const slipped = Math.log(ODDS.shot);
    return logSum([
      whole!,
      ...one.map((log) => log + slipped),
      ...two.flatMap((log, at) => (at === slip ? [] : [log + 2 * slipped])),
    ]);
  };
  const distance = (column: readonly number[]) => {
    const [outwardMm, upMm] = fits[1]!.distanceMm(column);
    return { outwardMm: outwardMm!, upMm: upMm! };
  };
  const heaps = (maybeHeaps ? partings(shots) : []).map((column) => ({
    column,
    log: evidence(column) - logWays(column),
  }));
  const logs = [
    evidence(shots.map(() => 0)),
    Math.log(ODDS.heaps) + logSum(heaps.map(({ log }) => log)),
    ...columns.map(({ column }) => Math.log(ODDS.shaft) + evidence(column)),
  ];
  const [, ofHeaps, ...ofShafts] = normaliseLogOdds(logs);
  const bent = ofShafts.findIndex((chance) => chance >= SAID_AT);
  if (bent >= 0) {
    const { number, column } = columns[bent]!;
    return {
      kind: 'oneApart',
      arrowNumber: number,
      shots: column.filter((one) => one === 1).length,
      ...distance(column),
    };
  }
  if (ofHeaps! < SAID_AT) return { kind: 'alike' };
  const best = heaps.reduce((most, one) => (one.log > most.log ? one : most));
  const column = fartherHeap(shots, best.column);
  const of = column.filter((one) => one === 1).length;
  return { kind: 'twoHeaps', shots: of, of: shots.length, ...distance(column) };
}

/** A shaft's mean this near the others', or all shots this little apart, in fletched scatters, is nothing. */
const NOTHING_BELOW = { shaft: 2, heaps: 1.7 } as const;
/** Scatter known from fewer degrees than this tells nothing of what is near. */
const FEWEST_DEGREES = 6;

/** Cheap and on the safe side: what cannot come to anything is not weighed. */
function isWorthWeighing(
  shots: readonly ShotSeen[],
  scatter: ShotsSeen['scatter'],
  column: readonly number[] | null,
): boolean {
  const known = [scatter.outwardMm, scatter.upMm].every(
    ({ degrees, sdMm }) => degrees >= FEWEST_DEGREES && sdMm > 0,
  );
  if (!known) return true;
  const middles = middlesOf(shots);
  const off = shots.map(({ outwardMm, upMm, block }) => ({
    x: (outwardMm - middles.get(block)!.outwardMm) / scatter.outwardMm.sdMm,
    y: (upMm - middles.get(block)!.upMm) / scatter.upMm.sdMm,
  }));
  if (column === null) {
    const squares = off.reduce((sum, { x, y }) => sum + x ** 2 + y ** 2, 0);
    return Math.sqrt(squares / (2 * off.length)) >= NOTHING_BELOW.heaps;
  }
  const mean = (axis: 'x' | 'y', which: number) => {
    const own = off.filter((_, at) => column[at] === which);
    return own.reduce((sum, one) => sum + one[axis], 0) / own.length;
  };
  return (
    Math.hypot(mean('x', 1) - mean('x', 0), mean('y', 1) - mean('y', 0)) >= NOTHING_BELOW.shaft
  );
}

/** The heap that lies farther from the middle of the fletched is the one that touches. */
function fartherHeap(shots: readonly ShotSeen[], column: readonly number[]): readonly number[] {
  const off = (which: number) => {
    const own = shots.filter((_, at) => column[at] === which);
    const sum = (axis: 'outwardMm' | 'upMm') => own.reduce((all, shot) => all + shot[axis], 0);
    return Math.hypot(sum('outwardMm'), sum('upMm')) / own.length;
  };
  return off(1) >= off(0) ? column : column.map((one) => 1 - one);
}

/** Both axes under one factor of scatter. */
interface FactorFit {
  /**
   * Logs of the marginal likelihood with these columns apart, up to what all have in common: first with
   * no slip besides, then with each shot in turn a slip.
   */
  readonly logEvidence: (columns: readonly (readonly number[])[]) => readonly number[];
  /** How far they are then thought to be from the others, outward and up, mm. */
  readonly distanceMm: (column: readonly number[]) => readonly number[];
}

function factorFit(
  shots: readonly ShotSeen[],
  k: number,
  scatter: ShotsSeen['scatter'],
  aimVariance: (end: number) => number,
): FactorFit {
  const { projected, own, logDeterminants } = geometry(shots, k, aimVariance);
  const blocks = new Set(shots.map(({ block }) => block)).size;
  const axes = (['outwardMm', 'upMm'] as const).map((axis) => {
    const y = shots.map((shot) => shot[axis]);
    const toY = projected(y);
    const { degrees, sdMm } = scatter[axis];
    return {
      y,
      toY,
      yy: dot(toY, y),
      held: degrees * sdMm ** 2,
      halfDegrees: (degrees + shots.length - blocks) / 2,
    };
  });
  return {
    logEvidence: (columns) => {
      // What the columns explain of the shots' places is the same for both axes: swept once.
      let [widening, diagonal] = [1, own];
      const swept: { readonly along: readonly number[]; readonly within: number }[] = [];
      for (const column of columns) {
        let along = projected(column);
        for (const before of swept) {
          const part = dot(before.along, column) / before.within;
          along = along.map((value, at) => value - part * before.along[at]!);
        }
        const squares = dot(along, column);
        const within = squares + NARROW;
        widening *= squares / NARROW + 1;
        diagonal = diagonal.map((value, at) => value - along[at]! ** 2 / within);
        swept.push({ along, within });
      }
      const wider = (by: number) => 2 * logDeterminants - Math.log(by);
      const logs = [
        wider(widening),
        ...diagonal.map((squares) => wider(widening * (squares / NARROW + 1))),
      ];
      for (const { y, toY, yy, held, halfDegrees } of axes) {
        let [left, residual] = [yy, toY];
        for (const { along, within } of swept) {
          const to = dot(along, y);
          left -= to ** 2 / within;
          residual = residual.map((value, at) => value - (to / within) * along[at]!);
        }
        const add = (at: number, squares: number) => {
          logs[at]! -= halfDegrees * Math.log(Math.max(1, held + squares));
        };
        add(0, left);
        for (const [at, squares] of diagonal.entries())
          add(at + 1, left - residual[at]! ** 2 / (squares + NARROW));
      }
      return logs;
    },
    distanceMm: (column) => {
      const toColumn = projected(column);
      return axes.map(({ y }) => dot(toColumn, y) / (dot(toColumn, column) + NARROW));
    },
  };
}

/**
 * V⁻¹ with the middle of every setting taken out: times a vector, and its diagonal; and
 * −½ log |V||X′V⁻¹X|. Within an end V is k²I + c·11′, so that its inverse is (I − 11′c/(k² + cn))/k² (Sherman and Morrison).
 */
export function geometry(
  shots: readonly ShotSeen[],
  k: number,
  aimVariance: (end: number) => number,
): {
  readonly projected: (a: readonly number[]) => readonly number[];
  readonly own: readonly number[];
  readonly logDeterminants: number;
} {
  const ends = new Map<string, { members: number[]; aim: number }>();
  const blocks = new Map<number, number[]>();
  for (const [index, { end, block }] of shots.entries()) {
    const key = `${block} ${end}`;
    const known = ends.get(key);
    if (known === undefined) ends.set(key, { members: [index], aim: aimVariance(end) });
    else known.members.push(index);
    const ofBlock = blocks.get(block);
    if (ofBlock === undefined) blocks.set(block, [index]);
    else ofBlock.push(index);
  }
  let logDeterminants = 0;
  for (const { members, aim } of ends.values()) {
    const n = members.length;
    logDeterminants -= (2 * (n - 1) * Math.log(k) + Math.log(k ** 2 + aim * n)) / 2;
  }
  const shared = [...ends.values()].map(({ members, aim }) => ({
    members,
    share: aim / (k ** 2 + aim * members.length),
  }));
  const whitened = (a: readonly number[]) => {
    const out = a.map((value) => value / k ** 2);
    for (const { members, share } of shared) {
      let sum = 0;
      for (const index of members) sum += out[index]!;
      for (const index of members) out[index]! -= share * sum;
    }
    return out;
  };
  // An end lies within one setting, so that settings know nothing of each other.
  const column = whitened(shots.map(() => 1));
  const settings = [...blocks.values()].map((members) => ({
    members,
    weight: members.reduce((sum, index) => sum + column[index]!, 0),
  }));
  for (const { weight } of settings) logDeterminants -= Math.log(weight) / 2;
  const own = shots.map(() => 1 / k ** 2);
  for (const { members, share } of shared) for (const index of members) own[index]! *= 1 - share;
  for (const { members, weight } of settings)
    for (const index of members) own[index]! -= column[index]! ** 2 / weight;
  return {
    logDeterminants,
    own,
    projected: (a) => {
      const out = whitened(a);
      for (const { members, weight } of settings) {
        let sum = 0;
        for (const index of members) sum += column[index]! * a[index]!;
        for (const index of members) out[index]! -= (sum / weight) * column[index]!;
      }
      return out;
    },
  };
}

function dot(a: readonly number[], b: readonly number[]): number {
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += a[i]! * b[i]!;
  return sum;
}

/** Log of how many ways there are to part so many shots, every share as likely: (n + 1)·C(n, m). */
function logWays(column: readonly number[]): number {
  const n = column.length;
  const m = column.filter((one) => one === 1).length;
  let log = Math.log(n + 1);
  for (let i = 0; i < m; i += 1) log += Math.log((n - i) / (i + 1));
  return log;
}

function logSum(logs: readonly number[]): number {
  if (logs.length === 0) return Number.NEGATIVE_INFINITY;
  const most = Math.max(...logs);
  return most + Math.log(logs.reduce((sum, log) => sum + Math.exp(log - most), 0));
}
