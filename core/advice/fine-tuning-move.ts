import { CONTROL_FACTS, type Control } from '../craft/controls.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import {
  type FineTuningStanding,
  fineTuningStanding,
} from '../fine-tuning/fine-tuning-standing.ts';
import { settingToKeep } from '../fine-tuning/setting-to-keep.ts';
import { experimentChanges } from '../log/range-records.ts';
import type { FineTuningBecause } from './move-because.ts';
import type { Move, MovePlace } from './move.ts';
import { plainMove } from './plain-move.ts';

const PLACES: Partial<Record<Control, MovePlace>> = {
  nockingPoint: 'nockingPoint',
  twists: 'string',
  topBolt: 'topLimb',
};

/** Shots an end, and ends at one setting before the next is gone to. */
export const END_SHOTS = 6;
export const ENDS_A_VISIT = 2;

/** What an experiment asks for next; a pure function of the record. */
export function fineTuningMove(state: BowState, session: ShootingSession): Move | null {
  const standing = fineTuningStanding(state, session);
  if (standing === null || standing.experiment.closedWhy !== null) return null;
  const { finish, experiment, shotsToday, settled, fit, setting, ends } = standing;
  if (finish !== null) return finishMove(standing, finish);
  if (settled) return narrowMove(standing);
  if (shotsToday >= experiment.shotsADay) {
    return {
      ...plain({ topic: 'fineTuning', standing, wants: 'enoughToday' }),
      key: `tuning:day:${session.sessionId}`,
    };
  }
  const lastEnd = ends.at(-1);
  const visit = lastEnd?.setting === setting ? endsRunning(standing) : 0;
  const tried = fit.settings.some((one) => one.setting === setting);
  const next = tried && visit > 0 && visit < ENDS_A_VISIT ? setting : fit.next;
  return shootOrTurn(standing, next, false);
}

/** Ends at the last setting, counted back from now. */
function endsRunning({ ends, setting }: FineTuningStanding): number {
  let count = 0;
  for (const end of ends.toReversed()) {
    if (end.setting !== setting) break;
    count += 1;
  }
  return count;
}

/** An end at the setting that is wanted; a turn first where the control stands elsewhere. */
function shootOrTurn(standing: FineTuningStanding, wanted: number, sideBySide: boolean): Move {
  if (wanted !== standing.setting) {
    return turnMove(standing, wanted, {
      topic: 'fineTuning',
      standing,
      wants: 'turn',
      setting: wanted,
      sideBySide,
    });
  }
  return {
    ...plain({ topic: 'fineTuning', standing, wants: 'shoot', setting: wanted, sideBySide }),
    key: `tuning:shoot:${standing.setting}`,
    action: { kind: 'shootEnd', fletched: END_SHOTS, bare: 0 },
  };
}

function turnMove(standing: FineTuningStanding, to: number, because: FineTuningBecause): Move {
  const { experiment } = standing;
  const { control } = experiment;
  const changes = experimentChanges(experiment, Number((to - standing.setting).toFixed(6)));
  return {
    ...plain(because),
    key: `tuning:turn:${to}`,
    caution: CONTROL_FACTS[control].needsUnstrung ? 'bolts' : null,
    place: PLACES[control] ?? 'plunger',
    action: { kind: 'change', changes },
  };
}

/** Stopped: best against where it began, or against the next best, side by side. */
function narrowMove(standing: FineTuningStanding): Move {
  const { fit, experiment } = standing;
  const best = fit.best.setting;
  const [rival] = fit.settings
    .filter((one) => one.setting !== best && one.ends > 0)
    .toSorted((one, other) => one.regret - other.regret);
  const other = best === 0 ? (rival?.setting ?? experiment.step) : 0;
  return {
    ...plain({ topic: 'fineTuning', standing, wants: 'narrow', best, other }),
    key: 'tuning:narrow',
    action: {
      kind: 'narrowExperiment',
      experimentId: experiment.experimentId,
      best,
      other,
    },
  };
}

function finishMove(
  standing: FineTuningStanding,
  { next, best }: NonNullable<FineTuningStanding['finish']>,
): Move {
  if (next !== null) return shootOrTurn(standing, next, true);
  const keep = settingToKeep(standing)?.setting ?? best;
  if (keep !== standing.setting) {
    return turnMove(standing, keep, {
      topic: 'fineTuning',
      standing,
      wants: 'turnToKeep',
      setting: keep,
    });
  }
  return {
    ...plain({ topic: 'fineTuning', standing, wants: 'keep', setting: keep }),
    key: 'tuning:keep',
    action: { kind: 'closeExperiment', experimentId: standing.experiment.experimentId },
  };
}

function plain(because: FineTuningBecause): Omit<Move, 'key'> {
  return plainMove('fineTuning', because);
}
