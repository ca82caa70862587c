import type { Control } from '../craft/controls.ts';
import { MOST_SETTINGS } from '../craft/experiment-bounds.ts';
import type { ButtKind, Light, Wind } from '../craft/range-terms.ts';
import { SESSION_KIND_FACTS, type SessionKind, USUAL_DISTANCE_M } from '../craft/session-kinds.ts';
import { defaultTolerance } from '../groups/default-tolerance.ts';
import type { BowState } from '../log/bow-state.ts';
import type { BodyOf, BowFacts, EntryBody } from '../log/entry.ts';
import {
  aimingFrom,
  type AimingProblem,
  aimingProblem,
  type AimingWish,
} from '../sight-marks/aiming-wish.ts';
import type { Experiment } from '../log/range-records.ts';

/** A figure of a form: null where what was typed is none, undefined where nothing was typed. */
type Typed = number | null | undefined;

/** What a session is to be opened with. Lengths mm, distances m, speed m/s, angle degrees. */
export interface SessionWish {
  readonly kind: SessionKind;
  readonly distanceM: Typed;
  /** Half width, an axis; not typed: by the rule of thumb. */
  readonly toleranceMm: Typed;
  readonly buttMm: Typed;
  readonly markBelowTopMm: Typed;
  readonly arrowSpeedMps: Typed;
  readonly control: Control;
  /** Each way from where the control stands, in its unit. */
  readonly range: Typed;
  readonly step: Typed;
  readonly shotsADay: Typed;
  readonly place: string;
  readonly light: Light | undefined;
  readonly wind: Wind | undefined;
  readonly buttKind: ButtKind | undefined;
  readonly arrowBuild: string;
  readonly aim: string;
  readonly cantOutwardDeg: Typed;
  /** With kind `marks`. */
  readonly aiming?: AimingWish | undefined;
}

/** What of a wish cannot be. */
export type SessionProblem =
  | 'distance'
  | 'tolerance'
  | 'butt'
  | 'lean'
  | 'arrowSpeed'
  | 'markBelowTop'
  | 'rangeAndStep'
  | 'tooManySettings'
  | 'shotsADay'
  | 'aiming'
  | AimingProblem;

/** Nobody shoots more steps than this each way in one experiment begun here. */
const MOST_STEPS = Math.min(16, MOST_SETTINGS);
export const USUAL_BUTT_MM = 1220;

const within = (value: Typed, low: number, high: number): boolean =>
  typeof value === 'number' && value >= low && value <= high;
const withinIfSaid = (value: Typed, low: number, high: number): boolean =>
  value === undefined || within(value, low, high);

/** The first thing of a wish that cannot be; null when a session can be opened with it. */
export function problemOf(
  wish: SessionWish,
  goesOn: Experiment | null,
  bow: BowFacts,
): SessionProblem | null {
  if (!within(wish.distanceM, 2, 120)) return 'distance';
  if (!withinIfSaid(wish.toleranceMm, 1, 1000)) return 'tolerance';
  if (!within(wish.buttMm, 200, 5000)) return 'butt';
  if (!withinIfSaid(wish.cantOutwardDeg, -60, 60)) return 'lean';
  switch (wish.kind) {
    case 'bareShaft':
    case 'proof':
      return null;
    case 'walkBack':
      if (!withinIfSaid(wish.arrowSpeedMps, 20, 120)) return 'arrowSpeed';
      return within(wish.markBelowTopMm, 0, 5000) ? null : 'markBelowTop';
    case 'marks':
      if (!withinIfSaid(wish.arrowSpeedMps, 20, 120)) return 'arrowSpeed';
      return wish.aiming === undefined ? 'aiming' : aimingProblem(bow, wish.aiming);
    case 'fineTuning':
      return goesOn === null ? experimentProblem(wish) : null;
  }
}

function experimentProblem({ range, step, shotsADay }: SessionWish): SessionProblem | null {
  if (typeof range !== 'number' || typeof step !== 'number' || !(step > 0 && range >= step))
    return 'rangeAndStep';
  if ((2 * range) / step > MOST_STEPS) return 'tooManySettings';
  return within(shotsADay, 6, 500) && Number.isInteger(shotsADay) ? null : 'shotsADay';
}

/** What is good enough by the rule of thumb, for the distance this kind of session is judged at. */
export function toleranceByRule(state: BowState, { kind, distanceM }: SessionWish) {
  const { judgedAtM } = SESSION_KIND_FACTS[kind];
  return defaultTolerance(state, judgedAtM ?? distanceM ?? USUAL_DISTANCE_M);
}

/** The experiment a session of this kind would go on with; null: a new one, or none. */
export function experimentGoingOn(state: BowState, kind: SessionKind): Experiment | null {
  if (kind !== 'fineTuning') return null;
  return state.experiments.findLast(({ closedWhy }) => closedWhy === null) ?? null;
}

/**
 * The entries that open a session as wished, an experiment with it where one begins.
 *
 * @param ids made by the caller; `experimentId` is used where a new experiment begins
 * @param despite why it is opened though a limit speaks against it
 */
export function openingEntries(
  state: BowState,
  wish: SessionWish,
  ids: { readonly sessionId: string; readonly experimentId: string },
  despite?: string,
): readonly EntryBody[] {
  const goesOn = experimentGoingOn(state, wish.kind);
  const byRule = toleranceByRule(state, wish);
  const distanceM = wish.distanceM ?? USUAL_DISTANCE_M;
  const isWalk = wish.kind === 'walkBack';
  const isTuning = wish.kind === 'fineTuning';
  const opened: EntryBody = {
    kind: 'sessionOpened',
    sessionId: ids.sessionId,
    sessionKind: wish.kind,
    distanceM: goesOn?.distanceM ?? distanceM,
    toleranceMm: wish.toleranceMm ?? byRule.outwardMm,
    toleranceUpMm:
      wish.toleranceMm === undefined && SESSION_KIND_FACTS[wish.kind].judgesBothAxes
        ? byRule.upMm
        : undefined,
    toleranceWhy: wish.toleranceMm === undefined ? byRule.why : 'agreed before the first shot',
    buttMm: wish.buttMm ?? USUAL_BUTT_MM,
    experimentId: isTuning ? (goesOn?.experimentId ?? ids.experimentId) : undefined,
    markBelowTopMm: isWalk ? (wish.markBelowTopMm ?? undefined) : undefined,
    arrowSpeedMps: isWalk || wish.kind === 'marks' ? (wish.arrowSpeedMps ?? undefined) : undefined,
    ...(wish.kind === 'marks' && wish.aiming !== undefined
      ? { aiming: aimingFrom(state.bow, wish.aiming) }
      : {}),
    place: said(wish.place),
    light: wish.light,
    wind: wish.wind,
    buttKind: wish.buttKind,
    arrowBuild: said(wish.arrowBuild),
    build: buildNow(state),
    aim: said(wish.aim),
    cantOutwardDeg: wish.cantOutwardDeg === 0 ? undefined : (wish.cantOutwardDeg ?? undefined),
    despite,
  };
  if (!isTuning || goesOn !== null) return [opened];
  const range = wish.range ?? 1;
  return [
    {
      kind: 'experimentOpened',
      experimentId: ids.experimentId,
      control: wish.control,
      ...(wish.control === 'topBolt' ? { opposed: true } : {}),
      low: -range,
      high: range,
      step: wish.step ?? range,
      distanceM,
      shotsADay: wish.shotsADay ?? 72,
      despite,
    },
    opened,
  ];
}

/** Which build is on the bow, and as what: a cut later makes another revision of it. */
function buildNow({ bow }: BowState): BodyOf<'sessionOpened'>['build'] {
  const build = bow.arrow?.build;
  return build === undefined ? undefined : { buildId: build.buildId, revisionId: build.revisionId };
}

function said(words: string): string | undefined {
  const trimmed = words.trim();
  return trimmed === '' ? undefined : trimmed;
}
