import { useState } from 'react';
import { v7 as newId } from 'uuid';
import type { Anchor } from '#core/craft/aiming.ts';
import type { Control } from '#core/craft/controls.ts';
import { aimingBefore } from '#core/sight-marks/aiming-wish.ts';
import { outwardFromRight, rightFromOutward } from '#core/craft/handedness.ts';
import type { ButtKind, Light, Wind } from '#core/craft/range-terms.ts';
import type { SessionKind } from '#core/craft/session-kinds.ts';
import { sessionVerdict } from '#core/bare-shaft/bare-shaft-evidence.ts';
import { nearerDistanceM } from '#core/bare-shaft/nearer.ts';
import type { ToleranceByRule } from '#core/groups/default-tolerance.ts';
import { checkProposal } from '#core/limits/check-proposal.ts';
import { farthestDistance } from '#core/limits/first-distances.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { Experiment } from '#core/log/range-records.ts';
import { SCHOOL_HABITS } from '#core/priors/starting-values.ts';
import { readAmounts } from '#core/quantity/read-amounts.ts';
import { showExact } from '#core/quantity/show.ts';
import { toStored } from '#core/quantity/units.ts';
import {
  experimentGoingOn,
  openingEntries,
  problemOf,
  type SessionWish,
  toleranceByRule,
  USUAL_BUTT_MM,
} from '#core/session/session-wish.ts';
import { tunedControlsFor } from '#core/session/tuned-controls.ts';
import { refusalWords } from '#core/words/limit-words.ts';
import { SESSION_PROBLEM_WORDS } from '#core/words/session-words.ts';

/** What the form holds: texts as typed. An empty one means “not said” or the rule of thumb. */
interface SetupText {
  readonly kind: SessionKind;
  readonly distance: string;
  readonly tolerance: string;
  readonly butt: string;
  readonly markBelowTop: string;
  readonly speed: string;
  readonly anchor: Anchor;
  readonly aperture: string;
  readonly unitMm: string;
  readonly grows: 'down' | 'up';
  readonly arrowLength: string;
  readonly division: string;
  readonly control: Control;
  readonly range: string;
  readonly step: string;
  readonly shotsADay: string;
  readonly place: string;
  readonly light: Light | 'unsaid';
  readonly wind: Wind | 'unsaid';
  readonly buttKind: ButtKind | 'unsaid';
  readonly arrowBuild: string;
  readonly aim: string;
  readonly lean: string;
  /** Why it is shot though bow or distance speaks against it. */
  readonly despite: string;
}

/** What a session will be opened with: texts kept as typed, and what they come to. */
export interface SessionSetup {
  readonly text: SetupText;
  readonly set: (change: Partial<SetupText>) => void;
  readonly problem: string | null;
  /** What the limits say against it; a reason lets it through. */
  readonly against: string | null;
  /** The rule of thumb for what is good enough, and why. */
  readonly byRule: ToleranceByRule;
  /** The experiment that would be gone on with; null: a new one. */
  readonly goesOn: Experiment | null;
  readonly opening: () => { readonly sessionId: string; readonly bodies: readonly EntryBody[] };
}

/**
 * Holds what is agreed before the first shot.
 *
 * @param asked the kind the tuner was sent here to shoot; null: as it was last
 */
export function useSessionSetup(
  state: BowState,
  unit: 'cm' | 'in',
  asked: SessionKind | null,
): SessionSetup {
  const [text, setText] = useState<SetupText>(() => startingText(state, unit, asked));
  const wish = wishOf(text, state, unit);
  const goesOn = experimentGoingOn(state, text.kind);
  const problem = problemOf(wish, goesOn, state.bow);
  const wouldOpen =
    problem === null
      ? openingEntries(state, wish, { sessionId: CHECKED_ONLY, experimentId: CHECKED_ONLY })
      : [];
  const refusal = checkProposal(state, wouldOpen);
  const words = refusal === null ? null : refusalWords(refusal, wouldOpen, state);
  const reason = text.despite.trim() === '' ? undefined : text.despite.trim();
  return {
    text,
    set: (change) => setText((before) => ({ ...before, ...change })),
    problem: problem === null ? null : SESSION_PROBLEM_WORDS[problem],
    against: words === null ? null : `${words.says} ${words.remedy}`,
    byRule: toleranceByRule(state, wish),
    goesOn,
    opening: () => {
      const sessionId = newId();
      // Shots on the butt are a fact: with no reason given it is this one.
      const despite = refusal === null ? undefined : (reason ?? 'shots were plotted');
      const ids = { sessionId, experimentId: newId() };
      return { sessionId, bodies: openingEntries(state, wish, ids, despite) };
    },
  };
}

/** Stands for a session that is only looked at, not opened. */
const CHECKED_ONLY = '00000000-0000-4000-8000-000000000000';

/** The texts of the form as figures in stored units. */
function wishOf(text: SetupText, state: BowState, unit: 'cm' | 'in'): SessionWish {
  const typed = (words: string) => (words.trim() === '' ? undefined : figure(words));
  const size = (words: string) => {
    const value = typed(words);
    return typeof value === 'number' ? toStored(value, unit) : value;
  };
  const lean = typed(text.lean);
  const unsaid = <T extends string>(value: T | 'unsaid') =>
    value === 'unsaid' ? undefined : value;
  return {
    kind: text.kind,
    distanceM: typed(text.distance),
    toleranceMm: size(text.tolerance),
    buttMm: size(text.butt),
    markBelowTopMm: size(text.markBelowTop),
    arrowSpeedMps: typed(text.speed),
    aiming: {
      anchor: text.anchor,
      eyeToApertureMm: figure(text.aperture),
      mmPerUnit: figure(text.unitMm),
      growsDown: text.grows === 'down',
      arrowMm: figure(text.arrowLength),
      division: figure(text.division),
    },
    control: text.control,
    range: typed(text.range),
    step: typed(text.step),
    shotsADay: typed(text.shotsADay),
    place: text.place,
    light: unsaid(text.light),
    wind: unsaid(text.wind),
    buttKind: unsaid(text.buttKind),
    arrowBuild: text.arrowBuild,
    aim: text.aim,
    cantOutwardDeg: typeof lean === 'number' ? outwardFromRight(lean, state.bow.hand) : lean,
  };
}

/** What marks are aimed with, as it was last or as is usual. */
function aimingText(state: BowState) {
  const before = aimingBefore(state);
  const shown = (value: number | null) => (value === null ? '' : showExact(value));
  return {
    anchor: before.anchor,
    aperture: shown(before.eyeToApertureMm),
    unitMm: shown(before.mmPerUnit),
    grows: before.growsDown ? ('down' as const) : ('up' as const),
    arrowLength: shown(before.arrowMm),
    division: shown(before.division),
  };
}

function startingText(state: BowState, unit: 'cm' | 'in', asked: SessionKind | null): SetupText {
  const last = state.sessions.at(-1);
  const [tuned] = tunedControlsFor(state.bow.school);
  const kind = asked ?? (last?.closed === false ? last.sessionKind : 'bareShaft');
  return {
    kind,
    distance: startingDistance(state, kind),
    tolerance: '',
    butt: unit === 'cm' ? '122' : '48',
    markBelowTop: unit === 'cm' ? '30' : '12',
    speed: '',
    ...aimingText(state),
    control: tuned?.control ?? 'nockingPoint',
    range: showExact(tuned?.range ?? 1),
    step: showExact(tuned?.step ?? 0.5),
    shotsADay: '72',
    place: last?.place ?? '',
    light: last?.light ?? 'unsaid',
    wind: 'unsaid',
    buttKind: last?.buttKind ?? 'unsaid',
    // A build is pointed at and need not be said again.
    arrowBuild:
      state.bow.arrow?.build === undefined
        ? (last?.arrowBuild ?? state.bow.arrow?.described ?? '')
        : '',
    aim: last?.aim ?? '',
    despite: '',
    lean:
      last?.cantOutwardDeg === undefined
        ? ''
        : showExact(rightFromOutward(last.cantOutwardDeg, state.bow.hand)).replace('−', '-'),
  };
}

/**
 * Where bare shafts were shot last, or the school's distance, as near as a new build has to begin. A
 * proof begins where this bow was last shot.
 */
function startingDistance(state: BowState, kind: SessionKind): string {
  const farthest = state.sessions.findLast(({ shots }) => shots.length > 0)?.distanceM;
  if (kind === 'proof' && farthest !== undefined) return showExact(farthest);
  const last = state.sessions.findLast(({ sessionKind }) => sessionKind === 'bareShaft');
  const { farthestM } = farthestDistance(state, 'bareShaft', USUAL_BUTT_MM);
  const nearer = last === undefined ? null : nearerDistanceM(last, sessionVerdict(state, last));
  const wanted = nearer ?? last?.distanceM ?? SCHOOL_HABITS[state.bow.school].bareShaftDistanceM;
  return showExact(Math.min(wanted, farthestM));
}

function figure(text: string): number | null {
  const read = readAmounts(text);
  const [amount] = read.ok ? read.amounts : [];
  return read.ok && read.amounts.length === 1 && amount !== undefined && amount.unit === null
    ? amount.value
    : null;
}
