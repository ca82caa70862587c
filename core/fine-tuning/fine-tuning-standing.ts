import type { Control } from '../craft/controls.ts';
import { MOST_SETTINGS } from '../craft/experiment-bounds.ts';
import { type Upset, upsets } from '../craft/upsets.ts';
import { checkChanges } from '../limits/check-proposal.ts';
import { meanOf, squaresAboutMean } from '../numeric/moments.ts';
import { instantMs } from '../quantity/instant.ts';
import type { BowState } from '../log/bow-state.ts';
import { type EndNote, isCounted, type ShootingSession, type Shot } from '../log/shooting.ts';
import { shotInBowFrame } from '../groups/cant.ts';
import { type Experiment, experimentChanges } from '../log/range-records.ts';
import { fitTuning, isSettled, type TuningFit } from './fine-tuning.ts';
import { type FinishEnd, type SideBySide, sideBySide } from './side-by-side.ts';
import type { TunedEnd } from './tuned-end.ts';

/** What moves these moves groups too: two things changed cannot be told apart. */
const COMPARED = ['fineTuning', 'bareShaftVertical', 'bareShaftLateral'] as const;
/** Fewer counted shots than this are no group. */
const FEWEST_SHOTS = 3;

export interface FineTuningStanding {
  readonly experiment: Experiment;
  /** Where the control stands now, counted from where the experiment began. */
  readonly setting: number;
  readonly ends: readonly TunedEnd[];
  /** Ends left out since something else was changed, and what that was. */
  readonly voided: { readonly ends: number; readonly since: readonly Upset[] };
  readonly fit: TuningFit;
  readonly settled: boolean;
  /** Once narrowed: the two settings against each other. */
  readonly finish: (SideBySide & { readonly best: number; readonly other: number }) | null;
  readonly shotsToday: number;
}

/**
 * The settings an experiment tries, from low to high. One written down with a step too fine to shoot
 * is tried in coarser ones: nobody shoots so many, and reckoning with them would take for ever.
 */
function experimentSettings({ low, high, step: wanted }: Experiment): readonly number[] {
  const step = wanted * Math.max(1, Math.ceil((high - low) / wanted / MOST_SETTINGS - 1e-9));
  const first = Math.ceil(low / step - 1e-9);
  const last = Math.floor(high / step + 1e-9);
  return Array.from({ length: last - first + 1 }, (_, i) =>
    Number(((first + i) * step).toFixed(6)),
  );
}

/** What the limits let the control be turned to from where it stands, and what was shot already. */
function settingsAllowed(
  state: BowState,
  experiment: Experiment,
  now: number,
  ends: readonly TunedEnd[],
): readonly number[] {
  const all = experimentSettings(experiment);
  const allowed = all.filter((setting) => {
    const amount = Number((setting - now).toFixed(6));
    if (amount === 0 || ends.some((end) => end.setting === setting)) return true;
    return checkChanges(state, experimentChanges(experiment, amount)) === null;
  });
  // Nothing may be turned to from here: what was asked for is kept, and never proposed.
  return allowed.length === 0 ? all : allowed;
}

/** Where an experiment stands: every end with its setting, the curve through them, what is next. */
export function fineTuningStanding(
  state: BowState,
  session: ShootingSession,
): FineTuningStanding | null {
  const experiment = state.experiments.find(
    ({ experimentId }) => experimentId === session.experimentId,
  );
  if (experiment === undefined) return null;
  const sessions = state.sessions.filter(
    ({ experimentId }) => experimentId === experiment.experimentId,
  );
  const foreign = state.upsets.filter(
    (one) =>
      one.index > experiment.index &&
      COMPARED.some((facet) => upsets(one, facet)) &&
      !(one.kind === 'change' && isTurned(experiment, one.control)),
  );
  const since = foreign.at(-1)?.index ?? -1;
  const all = sessions.flatMap((one, day) => endsOf(state, experiment, one, day));
  const counted = all.filter(({ index }) => index > since);
  const ends = counted.map(({ end }) => end);
  const setting = settingAt(state, experiment, Number.POSITIVE_INFINITY);
  const fit = fitTuning(ends, { settings: settingsAllowed(state, experiment, setting, ends) });
  return {
    experiment,
    setting,
    ends,
    voided: {
      ends: all.length - counted.length,
      since: foreign,
    },
    fit,
    settled: isSettled(fit, ends.length),
    finish: finishOf(experiment, counted),
    shotsToday: session.shots.filter(({ arrow }) => arrow === 'fletched').length,
  };
}

function isTurned(experiment: Experiment, control: Control): boolean {
  return experimentChanges(experiment, 1).some((one) => one.control === control);
}

interface PlacedEnd extends FinishEnd {
  /** Place in the log of its last shot. */
  readonly index: number;
}

function endsOf(
  state: BowState,
  experiment: Experiment,
  session: ShootingSession,
  day: number,
): readonly PlacedEnd[] {
  const groups = new Map<string, { shots: Shot[]; setting: number; endNumber: number }>();
  for (const raw of session.shots) {
    if (raw.arrow !== 'fletched' || !isCounted(raw)) continue;
    const shot = shotInBowFrame(session, raw);
    const setting = settingAt(state, experiment, shot.index);
    // An end cut in two by a turn of the control is two groups.
    const key = `${shot.endNumber}|${setting}`;
    const group = groups.get(key) ?? { shots: [], setting, endNumber: shot.endNumber };
    groups.set(key, group);
    group.shots.push(shot);
  }
  return [...groups.values()]
    .filter(({ shots }) => shots.length >= FEWEST_SHOTS)
    .map(
      ({ shots, setting, endNumber }): PlacedEnd => ({
        index: shots.at(-1)!.index,
        atMs: instantMs(shots.at(-1)!.at),
        end: {
          setting,
          squaresMm2:
            squaresAboutMean(shots.map(({ outwardMm }) => outwardMm)) +
            squaresAboutMean(shots.map(({ upMm }) => upMm)),
          degrees: 2 * (shots.length - 1),
          day,
          steady: session.endNotes.get(endNumber)?.steady ?? null,
          ...blocksOf(session, session.endNotes.get(endNumber)),
        },
      }),
    );
}

function blocksOf(session: ShootingSession, note: EndNote | undefined) {
  const wind = note?.wind ?? session.wind ?? null;
  return {
    windy: wind === 'gusty' || wind === 'strong',
    tired: note?.tired ?? false,
  };
}

/** Where the control stood at a place in the log, counted from the experiment's beginning. */
function settingAt(
  state: BowState,
  { control, startedAtMoved }: Experiment,
  index: number,
): number {
  const moved = state.changes
    .filter((change) => change.control === control && change.index < index)
    .reduce((sum, { amount }) => sum + amount, 0);
  return Number((moved - startedAtMoved).toFixed(6));
}

function finishOf(
  { narrowed }: Experiment,
  placed: readonly PlacedEnd[],
): FineTuningStanding['finish'] {
  if (narrowed === null) return null;
  const { best, other, index } = narrowed;
  const since = placed.filter((one) => one.index > index);
  return { best, other, ...sideBySide(since, best, other) };
}

/** How still the bow sat on aim at a setting, 1 to 5, over the ends it was noted of; null where never. */
export function steadinessAt(
  { ends }: Pick<FineTuningStanding, 'ends'>,
  setting: number,
): { readonly mean: number; readonly ends: number } | null {
  const noted = ends.flatMap((end) =>
    end.setting === setting && end.steady != null ? [end.steady] : [],
  );
  return noted.length === 0 ? null : { mean: meanOf(noted), ends: noted.length };
}

/** Group of an end, mm: one standard deviation an axis. For the eye; the fit uses the squares. */
export function endGroupMm({ squaresMm2, degrees }: TunedEnd): number {
  return Math.sqrt(squaresMm2 / degrees);
}
