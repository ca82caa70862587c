import { stepFacts } from '#core/craft/steps.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { LANDING_WHY } from '#core/words/moves/landing-move-words.ts';
import { closingWords } from '#core/words/moves/fine-tuning-move-words.ts';
import type { SpokenMove } from '#core/words/moves/speak-move.ts';

/**
 * What pressing Done writes down where nothing has to be asked first. A change goes through the door of
 * limits, a reading through the entry line, a list through its sheet: they write nothing here.
 */
export function doneEntries(move: SpokenMove): readonly EntryBody[] {
  const { action } = move;
  switch (action.kind) {
    case 'confirmStep':
      return [{ kind: 'stepConfirmed', step: action.step, note: stepFacts(action.step).name }];
    case 'checkBlame':
      return [{ kind: 'blameChecked', sessionId: action.sessionId, items: action.items }];
    case 'shootNearer':
      return [{ kind: 'sessionClosed', sessionId: action.sessionId }];
    case 'setShaftAside': {
      const { sessionId, arrow, arrowNumber } = action;
      return [{ kind: 'shaftSetAside', sessionId, arrow, arrowNumber, aside: true }];
    }
    case 'fireShots':
      return [{ kind: 'shotsFired', count: action.count, note: 'shooting in' }];
    case 'setAim':
      return [{ kind: 'aimSet', sessionId: action.sessionId }];
    case 'narrowExperiment': {
      const { experimentId, best, other } = action;
      return [{ kind: 'experimentNarrowed', experimentId, best, other }];
    }
    case 'setLanding':
      return [
        {
          kind: 'landingSet',
          outwardMm: action.outwardMm,
          upMm: action.upMm,
          why: LANDING_WHY,
        },
      ];
    case 'closeExperiment': {
      const why = closingWords(move);
      return [
        { kind: 'experimentClosed', experimentId: action.experimentId, why },
        { kind: 'stepConfirmed', step: 'fineTuning', note: why },
      ];
    }
    case 'nothing':
      return [{ kind: 'moveSetAside', moveKey: move.key, title: move.title }];
    case 'change':
    case 'enterReading':
    case 'openStep':
    case 'fitItem':
    case 'shootEnd':
    case 'openSession':
    case 'openArrows':
    case 'openSearch':
      return [];
  }
}
