import { type ActingParts, arrowDifference } from '../craft/arrow-swap.ts';
import type { Control } from '../craft/controls.ts';
import { upsets } from '../craft/upsets.ts';
import {
  BARE_SHAFT_FACET,
  type BareShaftAxis,
  REFERENCE_DISTANCE_M,
} from '../priors/prior-gains.ts';
import { SPINE_STEP } from '../priors/starting-spine.ts';
import type { BowState, ItemChange } from '../log/bow-state.ts';
import { isCounted, type ShootingSession, type Shot } from '../log/shooting.ts';
import { buildOf } from '../groups/arrow-build.ts';
import { type EndSums, endSums, type Sums, sumsOf } from '../groups/ends-posterior.ts';
import { sittings } from '../log/sitting.ts';
import { shotInBowFrame } from '../groups/cant.ts';

/** One setting shot in one session: everything between two changes that matter to an axis. */
export interface BareShaftBlock {
  readonly session: ShootingSession;
  /** Net movement of each control of this axis, and of the arrow's spine, when the block was shot. */
  readonly moved: ReadonlyMap<MovedBy, number>;
  /** Counts up whenever something changed whose effect has no gain; see `levelSteps`. */
  readonly level: number;
  readonly endNumbers: readonly number[];
  readonly fletched: Sums;
  readonly bare: Sums;
  /** The same, end by end: each has an aim of its own. */
  readonly ends: readonly EndSums[];
}

/** What moves bare shafts by an amount of its own: a control, or another arrow's spine in steps stiffer. */
export type MovedBy = Control | 'spineSteps';

/**
 * The log cut into blocks for one axis. Bare shafts are compared inside a block only; what lies
 * between two blocks is a change of controls (whose gain is to be learned) or a new level.
 */
export function bareShaftBlocks(
  state: BowState,
  axis: BareShaftAxis,
  controls: readonly Control[],
): {
  readonly blocks: readonly BareShaftBlock[];
  readonly now: Place;
  /** What began each level after the first: a control without a gain here, an item changed, a day. */
  readonly levelSteps: readonly LevelStep[];
} {
  const doubts = state.upsets.filter((one) => upsets(one, BARE_SHAFT_FACET[axis]));
  const shots = sittings(state)
    .filter(({ sessionKind }) => sessionKind === 'bareShaft')
    .flatMap((session) =>
      session.shots
        .filter(isCounted)
        .filter(({ arrow }) => arrow === 'fletched' || arrow === 'bare')
        .map((shot) => ({ session, shot: shotInBowFrame(session, shot) })),
    )
    .toSorted((one, other) => one.shot.index - other.shot.index);
  const cuts: Place[] = [{ from: -1, moved: new Map(), level: 0 }];
  const levelSteps: LevelStep[] = [];
  for (const doubt of doubts) {
    const { moved, level } = cuts.at(-1)!;
    if (doubt.kind === 'item' && doubt.arrows !== undefined && axis === 'bareShaftOutward') {
      levelSteps.push('build');
      const swapped = arrowSwapped(moved, doubt.arrows);
      cuts.push({ from: doubt.index, level: level + 1, moved: swapped });
    } else if (doubt.kind === 'change' && controls.includes(doubt.control)) {
      const net = (moved.get(doubt.control) ?? 0) + doubt.amount;
      cuts.push({ from: doubt.index, level, moved: new Map(moved).set(doubt.control, net) });
    } else {
      levelSteps.push(doubt.kind === 'change' ? 'control' : 'item');
      cuts.push({ from: doubt.index, level: level + 1, moved });
    }
  }
  // Another build of arrow is another level, as any item changed is; another session is one as well,
  // since bow and archer drift from day to day and not everything that was turned was written down.
  let before: { readonly session: ShootingSession; readonly shot: Shot } | undefined;
  let build: string | null = null;
  for (const one of shots) {
    const said = buildOf(one.session, one.shot.endNumber);
    const isOther = said !== null && build !== null && said !== build;
    const isLater = before !== undefined && before.session !== one.session;
    if (isOther || isLater)
      insertLevel(cuts, levelSteps, one.shot.index, isOther ? 'item' : 'session');
    build = said ?? build;
    before = one;
  }
  const blocks: BareShaftBlock[] = [];
  let cut = 0;
  let held: { session: ShootingSession; shot: Shot }[] = [];
  const close = () => {
    const block = blockOf(held, cuts[cut]!, axis);
    if (block !== null) blocks.push(block);
    held = [];
  };
  for (const one of shots) {
    const next = cuts.findLastIndex(({ from }) => from < one.shot.index);
    if (next !== cut || held[0]?.session !== one.session) {
      close();
      cut = next;
    }
    held.push(one);
  }
  close();
  return { blocks, now: cuts.at(-1)!, levelSteps };
}

/**
 * Another arrow is another point, another length and another spine at once, each of which acts on this bow as it
 * always has; what else is different in it begins a level.
 */
function arrowSwapped(
  moved: ReadonlyMap<MovedBy, number>,
  { before, after }: NonNullable<ItemChange['arrows']>,
): ReadonlyMap<MovedBy, number> {
  const swapped = new Map(moved);
  for (const [by, amount] of amountsOfSwap(before, after))
    swapped.set(by, (swapped.get(by) ?? 0) + amount);
  return swapped;
}

/** One arrow taken for another, in the units of what moves bare shafts. */
export function amountsOfSwap(
  before: ActingParts,
  after: ActingParts,
): ReadonlyMap<MovedBy, number> {
  const { frontG, shorterMm, lnStiffer } = arrowDifference(before, after);
  return new Map<MovedBy, number>([
    ['pointMass', frontG],
    ['shaftCut', shorterMm],
    ['spineSteps', lnStiffer / SPINE_STEP],
  ]);
}

/** A new level from a shot on: everything cut after it moves up by one. */
function insertLevel(
  cuts: Place[],
  levelSteps: LevelStep[],
  shotIndex: number,
  kind: LevelStep,
): void {
  const at = cuts.findLastIndex(({ from }) => from < shotIndex);
  const { moved, level } = cuts[at]!;
  cuts.splice(at + 1, 0, { from: shotIndex - 0.5, moved, level: level + 1 });
  levelSteps.splice(level, 0, kind);
  for (let later = at + 2; later < cuts.length; later += 1)
    cuts[later] = { ...cuts[later]!, level: cuts[later]!.level + 1 };
}

/** What begins a level whose distance from the one before no gain tells. */
export type LevelStep = 'control' | 'item' | 'build' | 'session';

/** Where the controls of an axis stood from one place in the log on. */
export interface Place {
  readonly from: number;
  readonly moved: ReadonlyMap<MovedBy, number>;
  readonly level: number;
}

function blockOf(
  held: readonly { readonly session: ShootingSession; readonly shot: Shot }[],
  { moved, level }: Place,
  axis: BareShaftAxis,
): BareShaftBlock | null {
  const session = held[0]?.session;
  if (session === undefined) return null;
  const scale = REFERENCE_DISTANCE_M / session.distanceM;
  const valuesOf = (arrow: Shot['arrow'], endNumber: number | null = null) =>
    held
      .filter(({ shot }) => shot.arrow === arrow)
      .filter(({ shot }) => endNumber === null || shot.endNumber === endNumber)
      .map(({ shot }) => scale * (axis === 'bareShaftUp' ? shot.upMm : shot.outwardMm));
  const fletched = sumsOf(valuesOf('fletched'));
  const bare = sumsOf(valuesOf('bare'));
  if (fletched.count === 0 || bare.count === 0) return null;
  const endNumbers = [...new Set(held.map(({ shot }) => shot.endNumber))];
  return {
    session,
    moved,
    level,
    endNumbers,
    fletched,
    bare,
    ends: endNumbers.map((end) =>
      endSums({ fletchedMm: valuesOf('fletched', end), bareMm: valuesOf('bare', end) }),
    ),
  };
}
