import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { shootsOffTheShelf } from '#core/craft/bow-terms.ts';
import { type Control, CONTROL_FACTS } from '#core/craft/controls.ts';
import { outwardFromRight, rightFromOutward } from '#core/craft/handedness.ts';
import { SCHOOL_HABITS } from '#core/priors/starting-values.ts';
import { checkProposal } from '#core/limits/check-proposal.ts';
import { MOST_SETTINGS } from '#core/craft/experiment-bounds.ts';
import { farthestDistance } from '#core/limits/first-distances.ts';
import { refusalWords } from '#core/words/limit-words.ts';
import { readAmounts } from '#core/quantity/read-amounts.ts';
import { showExact } from '#core/quantity/show.ts';
import { toStored } from '#core/quantity/units.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { Experiment } from '#core/log/range-records.ts';
import type { ButtKind, Light, Wind } from '#core/craft/range-terms.ts';
import type { SessionKind } from '#core/craft/session-kinds.ts';
import { defaultTolerance } from '#core/groups/default-tolerance.ts';

/** What the form holds: texts as typed. An empty one means “not said” or the rule of thumb. */
interface SetupText {
  readonly kind: SessionKind;
  readonly distance: string;
  readonly tolerance: string;
  readonly butt: string;
  readonly markBelowTop: string;
  readonly speed: string;
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
  /** The rule of thumb for what is good enough, mm, and why. */
  readonly byRule: { readonly toleranceMm: number; readonly why: string };
  /** The experiment that would be gone on with; null: a new one. */
  readonly goesOn: Experiment | null;
  readonly opening: () => { readonly sessionId: string; readonly bodies: readonly EntryBody[] };
}

/** Controls that are worth small steps, with the range and step they are usually tried over. */
const TUNED_CONTROLS: readonly {
  readonly control: Control;
  readonly range: number;
  readonly step: number;
}[] = [
  { control: 'plungerPreload', range: 1, step: 0.25 },
  { control: 'nockingPoint', range: 1.5, step: 0.5 },
  { control: 'twists', range: 4, step: 1 },
];

/** Which kinds of session this bow has: off the shelf there is no plunger to walk back by. */
export function kindsFor(state: BowState): readonly SessionKind[] {
  return shootsOffTheShelf(state.bow.school)
    ? ['bareShaft', 'fineTuning']
    : ['bareShaft', 'walkBack', 'fineTuning'];
}

export function controlsFor(state: BowState) {
  return shootsOffTheShelf(state.bow.school)
    ? TUNED_CONTROLS.filter(({ control }) => control !== 'plungerPreload')
    : TUNED_CONTROLS;
}

/** Walk-backs are judged over the whole walk, by what is good enough at the usual distance. */
const WALK_BACK_JUDGED_AT_M = 18;

/** Holds what is agreed before the first shot. */
export function useSessionSetup(state: BowState, unit: 'cm' | 'in'): SessionSetup {
  const [text, setText] = useState<SetupText>(() => startingText(state, unit));
  const distanceM = figure(text.distance);
  const size = (typed: string) => {
    const value = figure(typed);
    return value === null ? null : toStored(value, unit);
  };
  const buttMm = size(text.butt);
  const byRule = defaultTolerance(
    state,
    text.kind === 'walkBack' ? WALK_BACK_JUDGED_AT_M : (distanceM ?? WALK_BACK_JUDGED_AT_M),
  );
  const agreed = text.tolerance.trim() !== '';
  const toleranceMm = agreed ? size(text.tolerance) : byRule.toleranceMm;
  const goesOn =
    text.kind === 'fineTuning'
      ? (state.experiments.findLast(({ closedWhy }) => closedWhy === null) ?? null)
      : null;
  const problem = problemOf(text, distanceM, toleranceMm, buttMm, goesOn !== null);
  const bodies = (sessionId: string, despite: string | undefined): readonly EntryBody[] => {
    const experimentId = text.kind === 'fineTuning' ? (goesOn?.experimentId ?? newId()) : undefined;
    const said = (words: string) => (words.trim() === '' ? undefined : words.trim());
    const lean = figure(text.lean);
    const opened: EntryBody = {
      kind: 'sessionOpened',
      sessionId,
      sessionKind: text.kind,
      distanceM: goesOn?.distanceM ?? distanceM ?? WALK_BACK_JUDGED_AT_M,
      toleranceMm: toleranceMm ?? byRule.toleranceMm,
      toleranceWhy: agreed ? 'agreed before the first shot' : byRule.why,
      buttMm: buttMm ?? USUAL_BUTT_MM,
      experimentId,
      markBelowTopMm: text.kind === 'walkBack' ? (size(text.markBelowTop) ?? undefined) : undefined,
      arrowSpeedMps: text.kind === 'walkBack' ? (figure(text.speed) ?? undefined) : undefined,
      place: said(text.place),
      light: text.light === 'unsaid' ? undefined : text.light,
      wind: text.wind === 'unsaid' ? undefined : text.wind,
      buttKind: text.buttKind === 'unsaid' ? undefined : text.buttKind,
      arrowBuild: said(text.arrowBuild),
      aim: said(text.aim),
      cantOutwardDeg:
        lean === null || lean === 0 ? undefined : outwardFromRight(lean, state.bow.hand),
      despite,
    };
    if (experimentId === undefined || goesOn !== null) return [opened];
    const range = figure(text.range) ?? 1;
    return [
      {
        kind: 'experimentOpened',
        experimentId,
        control: text.control,
        low: -range,
        high: range,
        step: figure(text.step) ?? CONTROL_FACTS[text.control].step,
        distanceM: distanceM ?? WALK_BACK_JUDGED_AT_M,
        shotsADay: figure(text.shotsADay) ?? 72,
        despite,
      },
      opened,
    ];
  };
  const reason = text.despite.trim() === '' ? undefined : text.despite.trim();
  const wouldOpen = problem === null ? bodies(CHECKED_ONLY, undefined) : [];
  const refusal = checkProposal(state, wouldOpen);
  const words = refusal === null ? null : refusalWords(refusal, wouldOpen, state);
  return {
    text,
    set: (change) => setText((before) => ({ ...before, ...change })),
    problem,
    against: words === null ? null : `${words.says} ${words.remedy}`,
    byRule,
    goesOn,
    opening: () => {
      const sessionId = newId();
      // Shots on the butt are a fact: with no reason given it is this one.
      const despite = refusal === null ? undefined : (reason ?? 'shots were plotted');
      return { sessionId, bodies: bodies(sessionId, despite) };
    },
  };
}
/** Stands for a session that is only looked at, not opened. */
const CHECKED_ONLY = '00000000-0000-4000-8000-000000000000';

function startingText(state: BowState, unit: 'cm' | 'in'): SetupText {
  const last = state.sessions.at(-1);
  const [tuned] = controlsFor(state);
  const kind = last?.closed === false ? last.sessionKind : 'bareShaft';
  return {
    kind,
    distance: startingDistance(state),
    tolerance: '',
    butt: unit === 'cm' ? '122' : '48',
    markBelowTop: unit === 'cm' ? '30' : '12',
    speed: '',
    control: tuned?.control ?? 'nockingPoint',
    range: showExact(tuned?.range ?? 1),
    step: showExact(tuned?.step ?? 0.5),
    shotsADay: '72',
    place: last?.place ?? '',
    light: last?.light ?? 'unsaid',
    wind: 'unsaid',
    buttKind: last?.buttKind ?? 'unsaid',
    arrowBuild: last?.arrowBuild ?? state.bow.arrow?.described ?? '',
    aim: last?.aim ?? '',
    despite: '',
    lean:
      last?.cantOutwardDeg === undefined
        ? ''
        : showExact(rightFromOutward(last.cantOutwardDeg, state.bow.hand)).replace('−', '-'),
  };
}

/** Where bare shafts were shot last, or the school's distance, as near as a new build has to begin. */
function startingDistance(state: BowState): string {
  const last = state.sessions.findLast(({ sessionKind }) => sessionKind === 'bareShaft');
  const { farthestM } = farthestDistance(state, 'bareShaft', USUAL_BUTT_MM);
  const wanted = last?.distanceM ?? SCHOOL_HABITS[state.bow.school].bareShaftDistanceM;
  return showExact(Math.min(wanted, farthestM));
}
const USUAL_BUTT_MM = 1220;

function problemOf(
  text: SetupText,
  distanceM: number | null,
  toleranceMm: number | null,
  buttMm: number | null,
  goesOn: boolean,
): string | null {
  if (distanceM === null || !(distanceM >= 2 && distanceM <= 120)) return 'Distance: 2 to 120 m.';
  if (toleranceMm === null || !(toleranceMm >= 1 && toleranceMm <= 1000))
    return 'Good enough: a size above 0.';
  if (buttMm === null || !(buttMm >= 200 && buttMm <= 5000)) return 'Butt: its width.';
  const lean = figure(text.lean);
  if (text.lean.trim() !== '' && (lean === null || Math.abs(lean) > 60))
    return 'Lean: degrees, at most 60; minus is to the left.';
  if (text.kind === 'walkBack') {
    const speed = figure(text.speed);
    if (text.speed.trim() !== '' && (speed === null || !(speed >= 20 && speed <= 120)))
      return 'Arrow speed: 20 to 120 m/s, or leave it empty.';
    if (figure(text.markBelowTop) === null) return 'Mark: how far below the top of the butt.';
  }
  if (text.kind === 'fineTuning' && !goesOn) {
    const range = figure(text.range);
    const step = figure(text.step);
    if (range === null || step === null || !(step > 0 && range >= step))
      return 'Range and step: the range holds at least one step.';
    if ((2 * range) / step > Math.min(16, MOST_SETTINGS))
      return 'More than eight steps each way: take a larger step.';
    const shots = figure(text.shotsADay);
    if (shots === null || !Number.isInteger(shots) || shots < 6 || shots > 500)
      return 'Shots a day: 6 to 500.';
  }
  return null;
}

function figure(text: string): number | null {
  const read = readAmounts(text);
  const [amount] = read.ok ? read.amounts : [];
  return read.ok && read.amounts.length === 1 && amount !== undefined && amount.unit === null
    ? amount.value
    : null;
}
