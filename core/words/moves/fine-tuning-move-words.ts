import { lowerFirst } from '../../craft/letter-case.ts';
import { END_SHOTS, ENDS_A_VISIT } from '../../advice/fine-tuning-move.ts';
import type { FineTuningBecause } from '../../advice/move-because.ts';
import type { Move } from '../../advice/move.ts';
import { movesWords } from '../../craft/controls.ts';
import type { FineTuningStanding } from '../../fine-tuning/fine-tuning-standing.ts';
import { settingToKeep } from '../../fine-tuning/setting-to-keep.ts';
import { experimentChanges } from '../../log/range-records.ts';
import { showNumber } from '../../quantity/show.ts';
import { curveLines, ratioWords, settingWords } from '../fine-tuning-words.ts';
import { type MoveWords, plainWords } from './move-words.ts';

/** Why an experiment wants this setting, or why no more. */
export function fineTuningMoveWords(because: FineTuningBecause): MoveWords {
  const { standing } = because;
  const words: MoveWords = {
    ...plainWords(''),
    reasons: curveLines(standing),
    wouldChange: 'More ends: the curve is drawn anew after each.',
    thenCheck: 'Note wind, light and tiredness with the end: they are reckoned with.',
  };
  switch (because.wants) {
    case 'enoughToday':
      return {
        ...words,
        title: 'Enough for today',
        why: `${standing.shotsToday} shots: a tired archer’s groups say more of the archer than of the bow. Everything is kept; go on another day.`,
        doneLabel: 'Understood',
      };
    case 'shoot':
      return {
        ...words,
        title: `Shoot an end at ${settingWords(standing, because.setting)}`,
        expect: `${END_SHOTS} fletched at ${standing.experiment.distanceM} m`,
        why: wantedWords(standing, because.sideBySide),
        doneLabel: 'Start the next end',
      };
    case 'turn':
      return {
        ...words,
        title: turnWords(standing, because.setting),
        expect: `Then ${ENDS_A_VISIT} ends at ${settingWords(standing, because.setting)}`,
        why: wantedWords(standing, because.sideBySide),
      };
    case 'narrow':
      return {
        ...words,
        title: 'Stop turning; shoot the best two side by side',
        expect: `${settingWords(standing, because.best)} against ${settingWords(standing, because.other)}, then the first again`,
        why: `Less than ${showNumber(100 * Math.max(0.01, standing.fit.leftToGain), 0)} % of the group is left to gain. What was found on the way is proved in one half hour, one after the other.`,
        doneLabel: 'Start side by side',
      };
    case 'turnToKeep':
      return {
        ...words,
        title: turnWords(standing, because.setting),
        expect: `Keep ${settingWords(standing, because.setting)}`,
        why: `${comparedWords(standing)}.`,
      };
    case 'keep': {
      const kept = settingToKeep(standing);
      return {
        ...words,
        title: `Keep ${settingWords(standing, because.setting)}`,
        expect: 'Then shoot bare shafts once and record where they land',
        why: `${comparedWords(standing)}. ${kept?.even === true ? `They differ less than the scatter: either would do.${kept.steadier ? ' The one that sits stiller on aim is kept.' : ''}` : ''}`.trim(),
        doneLabel: 'Keep it, close the experiment',
      };
    }
  }
}

/** What is written into the record when an experiment is closed. */
export function closingWords({ because }: Pick<Move, 'because'>): string {
  return because.topic === 'fineTuning' && because.wants === 'keep'
    ? `kept ${settingWords(because.standing, because.setting)}: ${lowerFirst(comparedWords(because.standing))}`
    : '';
}

function turnWords({ experiment, setting }: FineTuningStanding, to: number): string {
  const amount = Number((to - setting).toFixed(6));
  return movesWords(experimentChanges(experiment, amount));
}

function wantedWords({ ends, fit }: FineTuningStanding, sideBySide: boolean): string {
  if (sideBySide) return 'Side by side: one, the other, and the one again.';
  return ends.length === 0
    ? 'Nothing shot yet: first where the range is widest.'
    : `${showNumber(100 * fit.leftToGain, 0)} % of the group may still be gained; it teaches most here.`;
}

/** By everything that was shot, the finish among it. */
function comparedWords(standing: FineTuningStanding): string {
  const { finish, fit } = standing;
  if (finish === null) throw new RangeError('comparedWords: nothing was shot side by side');
  const { best, other } = finish;
  return `By all ${standing.ends.length} ends, ${settingWords(standing, best)} groups ${ratioWords(fit.compare(best, other))} of ${settingWords(standing, other)}`;
}
