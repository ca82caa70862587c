import cdf from '@stdlib/stats-base-dists-normal-cdf';
import { shootsOffTheShelf } from '../craft/bow-terms.ts';
import { type Control, CONTROL_FACTS } from '../craft/controls.ts';
import { bareShaftFigure, type BareShaftModel } from './bare-shaft-model.ts';
import { gainPriorsFor } from '../priors/gain-priors.ts';
import { type BareShaftAxis, isSignFixed } from '../priors/prior-gains.ts';
import { priorWeightN } from '../gains/prior-weight.ts';
import {
  studentMixtureCdf,
  studentMixtureHalfWidth,
  studentMixtureMean,
  studentMixtureVariance,
} from '../numeric/student-mixture.ts';
import { G_PER_GR } from '../quantity/units.ts';
import type { BowState } from '../log/bow-state.ts';
import { onceForPair } from '../log/once-for.ts';
import type { ShootingSession } from '../log/shooting.ts';
import { type Outlook, outlookFrom } from './bare-shaft-outlook.ts';
import { type PresentOutlook, presentOutlook, presentOutlookAfter } from './present-outlook.ts';
import { roomLeft } from './control-room.ts';
import { costToEnd } from './expected-cost.ts';
import { UNMEASURED_LOCATOR_MM } from '../limits/locator-limits.ts';
import { checkChanges } from '../limits/check-proposal.ts';

/** How a control may be used against an offset. */
interface RemedyKind {
  readonly controls: readonly Control[];
  readonly step: number;
  /** Most in one go: bows differ, and the next end says more than any rule. */
  readonly oneGo: number;
  /** How far from where it began, where nothing on the bow says. */
  readonly inAll: number;
  /** What it costs beside the move itself, in moves: a string-off, stale steps, another point to find. */
  readonly cost: number;
}

const NOCKING: RemedyKind = kind(['nockingPoint'], {
  step: 0.5,
  oneGo: 3,
  inAll: UNMEASURED_LOCATOR_MM,
  cost: 0,
});
const LATERAL: readonly RemedyKind[] = [
  kind(['plungerPreload'], { step: 0.25, oneGo: 1.5, inAll: 2, cost: 0 }),
  kind(['pointMass'], {
    step: 5 * G_PER_GR,
    oneGo: 35 * G_PER_GR,
    inAll: 50 * G_PER_GR,
    cost: 0.15,
  }),
  kind(['twists'], { step: 1, oneGo: 4, inAll: 8, cost: 0.2 }),
  kind(['topBolt', 'bottomBolt'], { step: 0.25, oneGo: 0.5, inAll: 2, cost: 0.3 }),
  kind(['shaftCut'], { step: 3, oneGo: 6, inAll: Infinity, cost: 0.1 }),
];

function kind(controls: readonly Control[], rest: Omit<RemedyKind, 'controls'>): RemedyKind {
  return { controls, ...rest };
}

/** One way to take an offset away, sized: the amount that best brings bare shafts inside. */
export interface Remedy {
  readonly amounts: ReadonlyMap<Control, number>;
  readonly before: PresentOutlook;
  readonly after: Outlook;
  /** What it takes off the expected cost to the end, less what it costs itself; in moves. */
  readonly worth: number;
  /** What it takes off by itself. */
  readonly gain: number;
  readonly reversible: boolean;
  /** How far the control may still go the way it is moved, before and after, in its unit. */
  readonly room: number;
}

/** What this bow has, by how easily it is taken back. Off the shelf: twists and the arrow. */
export function kindsFor(state: BowState, axis: BareShaftAxis): readonly RemedyKind[] {
  if (axis === 'bareShaftUp') return [NOCKING];
  if (!shootsOffTheShelf(state.bow.school)) return LATERAL;
  return LATERAL.filter(
    ({ controls }) => !controls.includes('plungerPreload') && !controls.includes('topBolt'),
  );
}

/**
 * Every remedy for an axis that would do any good, best first and the saw last. Each is sized by trying all its steps inside the limits:
 * what the end is still expected to cost after it, with the gain as uncertain as it is.
 */
export function remediesFor(
  state: BowState,
  session: ShootingSession,
  axis: BareShaftAxis,
): readonly Remedy[] {
  return WEIGHED[axis](state, session);
}

/** Rack, advice and the sheet of remedies ask for the same ones. */
const WEIGHED = {
  bareShaftUp: onceForPair((state: BowState, session: ShootingSession) =>
    weighRemedies(state, session, 'bareShaftUp'),
  ),
  bareShaftOutward: onceForPair((state: BowState, session: ShootingSession) =>
    weighRemedies(state, session, 'bareShaftOutward'),
  ),
} as const;

function weighRemedies(
  state: BowState,
  session: ShootingSession,
  axis: BareShaftAxis,
): readonly Remedy[] {
  const before = presentOutlook(state, session, axis);
  const weighed = handiestFirst(
    kindsFor(state, axis)
      .map((one) => bestOf(state, session, axis, one, before))
      .filter((one) => one !== null)
      .filter(({ gain }) => gain > 0)
      // What was only seen may be wrong: nothing that cannot be taken back is done for it.
      .filter(({ reversible }) => reversible || before.seen === null)
      .filter(({ after }) => isExpectedNearer(before, after))
      .filter(({ amounts }) => checkChanges(state, changesOf(amounts)) === null)
      .toSorted(
        (one, other) =>
          Number(other.reversible) - Number(one.reversible) || other.worth - one.worth,
      ),
  );
  return sawLast(weighed);
}

/** What can be undone comes before the saw when it takes this much off; a lone twist does not. */
const WORTH_BEFORE_SAW = 0.05;
/** The saw only when nothing that can be taken back is worth its trouble. */
function sawLast(remedies: readonly Remedy[]): readonly Remedy[] {
  const isFirst = ({ reversible, worth }: Remedy) => reversible && worth >= WORTH_BEFORE_SAW;
  return [
    ...remedies.filter(isFirst),
    ...remedies.filter((one) => !isFirst(one)).toSorted((one, other) => other.worth - one.worth),
  ];
}

/** As good as this share of the best, and turned and taken back in seconds. */
const GOOD_ENOUGH = 0.6;

/**
 * The plunger before another set of points, twists or bolts, where it does nearly as much as the best of
 * them would: sight marks, weight and limbs stay as they are.
 */
function handiestFirst(remedies: readonly Remedy[]): readonly Remedy[] {
  const preload = remedies.find(({ amounts }) => amounts.has('plungerPreload'));
  const best = Math.max(...remedies.map(({ reversible, gain }) => (reversible ? gain : 0)));
  if (preload === undefined || preload.gain < GOOD_ENOUGH * best) return remedies;
  return [preload, ...remedies.filter((one) => one !== preload)];
}

function changesOf(amounts: ReadonlyMap<Control, number>) {
  return [...amounts].map(([control, amount]) => ({ control, amount }));
}

/** An uncertain step the wrong way does not count, whatever it does to the chances. */
function isExpectedNearer(before: Outlook, after: Outlook): boolean {
  const off = ({ mixture }: Outlook) => Math.abs(studentMixtureMean(mixture));
  return off(after) < off(before);
}

function bestOf(
  state: BowState,
  session: ShootingSession,
  axis: BareShaftAxis,
  { controls, step, oneGo, inAll, cost }: RemedyKind,
  before: PresentOutlook,
): Remedy | null {
  const lead = controls[0]!;
  const costNow = costToEnd(before);
  const room = roomLeft(state, lead, inAll);
  let best: Remedy | null = null;
  for (const way of waysOf(state, axis, lead, before)) {
    const left = way > 0 ? room.up : room.down;
    const most = Math.floor(Math.min(oneGo, left) / step + 1e-5);
    for (let steps = 1; steps <= most; steps += 1) {
      const amount = Number((way * steps * step).toFixed(6));
      if (isIntoTheBounce(state, before, lead, amount)) continue;
      const amounts = new Map(controls.map((control) => [control, amount]));
      const after = believableAfter(
        state,
        axis,
        before,
        presentOutlookAfter(state, session, axis, { before, amounts }),
        [lead, amount],
      );
      const gain = costNow - costToEnd(after);
      const worth = gain - cost - WORSE_COST * chanceOfWorse(before, after);
      if (best !== null && worth <= best.worth) continue;
      best = {
        amounts,
        before,
        after,
        worth,
        gain,
        reversible: controls.every((control) => CONTROL_FACTS[control].reversible),
        room: left,
      };
    }
  }
  return best;
}

/** Likelier than not the tail would bounce there: what it then does, no remedy reckons with. */
const INTO_THE_BOUNCE = 0.5;

function isIntoTheBounce(
  state: BowState,
  { model }: Outlook,
  control: Control,
  amount: number,
): boolean {
  if (control !== 'nockingPoint' || amount > 0 || model.bounce === null) return false;
  const heightMm = (state.moved.get('nockingPoint') ?? 0) + amount;
  return model.bounce.chanceAt(heightMm) >= INTO_THE_BOUNCE;
}

/** What is lost when a move turns out to make it worse, in moves: there and back. */
const WORSE_COST = 0.8;

/** Chance that it answers the other way, or so strongly that it lands farther out on the other side. */
function chanceOfWorse(before: Outlook, after: Outlook): number {
  const mean = studentMixtureMean(before.mixture);
  const farMm = Math.max(before.toleranceMm, Math.abs(mean));
  const beyond =
    mean > 0
      ? studentMixtureCdf(after.mixture, -farMm)
      : 1 - studentMixtureCdf(after.mixture, farMm);
  return chanceOfWrongWay(before, after) + beyond;
}

/** Chance that the move sends bare shafts away from their target, its effect as uncertain as it is. */
function chanceOfWrongWay(before: Outlook, after: Outlook): number {
  const shift = studentMixtureMean(after.mixture) - studentMixtureMean(before.mixture);
  const variance = studentMixtureVariance(after.mixture) - studentMixtureVariance(before.mixture);
  return variance <= 0 ? 0 : cdf(-Math.abs(shift) / Math.sqrt(variance), 0, 1);
}

/**
 * What the log says of a control that physics lets answer one way only, unless it says the other way:
 * then something else was at work (a bounce, a change nobody wrote down), and the rule of thumb stands.
 */
function believableAfter(
  state: BowState,
  axis: BareShaftAxis,
  before: Outlook,
  after: Outlook,
  [control, amount]: readonly [Control, number],
): Outlook {
  if (!isSignFixed(control)) return after;
  const gain = gainPriorsFor(state.bow).ofBareShafts(axis, control, priorWeightN(state));
  const shiftMm = studentMixtureMean(after.mixture) - studentMixtureMean(before.mixture);
  if (shiftMm * gain.mean * amount > 0) return after;
  const mixture = before.mixture.map((part) => ({
    ...part,
    mean: part.mean + gain.mean * amount,
    scale: Math.hypot(part.scale, gain.sd * amount),
  }));
  return outlookFrom(before, mixture);
}

/** Both ways, or the one that physics says is toward the target. */
function waysOf(
  state: BowState,
  axis: BareShaftAxis,
  control: Control,
  before: Outlook,
): readonly (1 | -1)[] {
  if (!isSignFixed(control)) return [1, -1];
  const { mean } = gainPriorsFor(state.bow).ofBareShafts(axis, control, priorWeightN(state));
  return [studentMixtureMean(before.mixture) * mean > 0 ? -1 : 1];
}

/** What a remedy is expected to do, in figures. */
export const remedyEffect = {
  /** Where bare shafts stand off their target, mm at 18 m. */
  standing(outlook: Outlook): { readonly offsetMm: number; readonly plusMinusMm: number } {
    return {
      offsetMm: studentMixtureMean(outlook.mixture),
      plusMinusMm: studentMixtureHalfWidth(outlook.mixture),
    };
  },
  /** How far the remedy moves them, and from how many such moves in the log that is known. */
  shift(remedy: Remedy): {
    readonly shiftMm: number;
    readonly plusMinusMm: number;
    readonly changes: number;
  } {
    const { model } = remedy.before;
    const mixture = bareShaftFigure(model, model.rowOf(remedy.amounts));
    return {
      shiftMm: studentMixtureMean(mixture),
      plusMinusMm: studentMixtureHalfWidth(mixture),
      changes: changesSeen(model, [...remedy.amounts.keys()][0]!),
    };
  },
};

/** Neighbouring blocks between which a control moved. */
function changesSeen({ blocks }: BareShaftModel, control: Control): number {
  let seen = 0;
  for (let at = 1; at < blocks.length; at += 1)
    if (blocks[at]!.moved.get(control) !== blocks[at - 1]!.moved.get(control)) seen += 1;
  return seen;
}
