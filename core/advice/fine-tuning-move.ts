import { movesWords } from '../craft/controls.ts';
import { showNumber } from '../quantity/show.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ShootingSession } from '../log/shooting.ts';
import {
  type FineTuningStanding,
  fineTuningStanding,
} from '../fine-tuning/fine-tuning-standing.ts';
import type { Move } from './move.ts';
import { plainMove } from './plain-move.ts';
import { curveLines, ratioWords, settingWords } from '../words/fine-tuning-words.ts';

/** Shots an end, and ends at one setting before the next is gone to. */
const END_SHOTS = 6;
const ENDS_A_VISIT = 2;

/** What an experiment asks for next; a pure function of the record. */
export function fineTuningMove(state: BowState, session: ShootingSession): Move | null {
  const standing = fineTuningStanding(state, session);
  if (standing === null || standing.experiment.closedWhy !== null) return null;
  const { finish, experiment, shotsToday, settled, fit, setting, ends } = standing;
  if (finish !== null) return finishMove(standing);
  if (settled) return narrowMove(standing);
  if (shotsToday >= experiment.shotsADay) {
    return {
      ...plain('Enough for today'),
      key: `tuning:day:${session.sessionId}`,
      why: `${shotsToday} shots: a tired archer’s groups say more of the archer than of the bow. Everything is kept; go on another day.`,
      reasons: curveLines(standing),
      doneLabel: 'Understood',
    };
  }
  const lastEnd = ends.at(-1);
  const visit = lastEnd?.setting === setting ? endsRunning(standing) : 0;
  const tried = fit.settings.some((one) => one.setting === setting);
  const next = tried && visit > 0 && visit < ENDS_A_VISIT ? setting : fit.next;
  const left =
    ends.length === 0
      ? 'Nothing shot yet: first where the range is widest.'
      : `${showNumber(100 * fit.leftToGain, 0)} % of the group may still be gained; it teaches most here.`;
  return next === setting ? shootMove(left, standing) : turnMove(standing, next, left);
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

function shootMove(why: string, standing: FineTuningStanding): Move {
  return {
    ...plain(`Shoot an end at ${settingWords(standing, standing.setting)}`),
    key: `tuning:shoot:${standing.setting}`,
    expect: `${END_SHOTS} fletched at ${standing.experiment.distanceM} m`,
    why,
    reasons: curveLines(standing),
    action: { kind: 'shootEnd', fletched: END_SHOTS, bare: 0 },
    doneLabel: 'Start the next end',
  };
}

function turnMove(standing: FineTuningStanding, to: number, why: string): Move {
  const { control } = standing.experiment;
  const changes = [{ control, amount: Number((to - standing.setting).toFixed(6)) }];
  return {
    ...plain(movesWords(changes)),
    key: `tuning:turn:${to}`,
    expect: `Then ${ENDS_A_VISIT} ends at ${settingWords(standing, to)}`,
    why,
    reasons: curveLines(standing),
    place:
      control === 'nockingPoint' ? 'nockingPoint' : control === 'twists' ? 'string' : 'plunger',
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
    ...plain('Stop turning; shoot the best two side by side'),
    key: 'tuning:narrow',
    expect: `${settingWords(standing, best)} against ${settingWords(standing, other)}, then the first again`,
    why: `Less than ${showNumber(100 * Math.max(0.01, fit.leftToGain), 0)} % of the group is left to gain. What was found on the way is proved in one half hour, one after the other.`,
    reasons: curveLines(standing),
    action: {
      kind: 'narrowExperiment',
      experimentId: experiment.experimentId,
      best,
      other,
    },
    doneLabel: 'Start side by side',
  };
}

function finishMove(standing: FineTuningStanding): Move {
  const { finish, setting, experiment } = standing;
  if (finish === null) throw new RangeError('finishMove: the experiment is not narrowed');
  if (finish.next !== null) {
    const why = 'Side by side: one, the other, and the one again.';
    return finish.next === setting
      ? shootMove(why, standing)
      : turnMove(standing, finish.next, why);
  }
  const { comparison, best, other } = finish;
  const sure = comparison?.oneIsBetter ?? 0.5;
  const keep = sure >= 0.5 ? best : other;
  const words = `${settingWords(standing, best)} groups ${ratioWords(comparison)} of ${settingWords(standing, other)}`;
  if (keep !== setting) {
    return {
      ...turnMove(standing, keep, `Side by side, ${words}.`),
      expect: `Keep ${settingWords(standing, keep)}`,
    };
  }
  return {
    ...plain(`Keep ${settingWords(standing, keep)}`),
    key: 'tuning:keep',
    expect: 'Then shoot bare shafts once and record where they land',
    why: `Side by side, ${words}. ${sure > 0.2 && sure < 0.8 ? 'They differ less than the scatter: either would do.' : ''}`.trim(),
    reasons: curveLines(standing),
    action: {
      kind: 'closeExperiment',
      experimentId: experiment.experimentId,
      why: `kept ${settingWords(standing, keep)}: ${words}`,
    },
    doneLabel: 'Keep it, close the experiment',
  };
}

function plain(title: string): Omit<Move, 'key'> {
  return {
    ...plainMove('fineTuning', title),
    wouldChange: 'More ends: the curve is drawn anew after each.',
    thenCheck: 'Note wind, light and tiredness with the end: they are reckoned with.',
  };
}
