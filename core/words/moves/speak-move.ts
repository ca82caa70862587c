import { marksMoveWords } from './marks-move-words.ts';
import type { MoveBecause, OtherBecause } from '../../advice/move-because.ts';
import type { Move, OtherMove } from '../../advice/move.ts';
import { movesWords } from '../../craft/controls.ts';
import { lowerFirst } from '../../craft/letter-case.ts';
import { stepFacts } from '../../craft/steps.ts';
import type { BowState } from '../../log/bow-state.ts';
import { barWords, stopWords } from '../limit-words.ts';
import {
  bareShaftMoveWords,
  blameMoveWords,
  bounceMoveWords,
  mendMoveWords,
  nearerWords,
  otherMendExpect,
  spentMoveWords,
  waitMoveWords,
} from './bare-shaft-move-words.ts';
import { braceSearchMoveWords, openSearchWords } from './brace-search-move-words.ts';
import { chooseShaftWords, measureForShaftWords } from './choose-shaft-words.ts';
import { openProofWords, proofMoveWords } from './proof-move-words.ts';
import { confirmWords, measureWords, readAgainWords, shootInWords } from './bench-move-words.ts';
import { fineTuningMoveWords } from './fine-tuning-move-words.ts';
import { landingMoveWords } from './landing-move-words.ts';
import {
  limbLineAsBuiltWords,
  pocketSilentWords,
  pocketSpentWords,
  rodOffWords,
  sideScrewWords,
} from './limb-line-move-words.ts';
import { makeSafeWords } from './make-safe-words.ts';
import type { MoveWords } from './move-words.ts';
import { setAsideWords, twoHeapsWords } from './shaft-move-words.ts';
import { oneControlWords } from './one-control-words.ts';
import {
  asBuiltWords,
  askCrawlWords,
  countBoltsWords,
  countTwistsWords,
  otherStringWords,
  outOfReachWords,
  setupExpect,
  setupWords,
} from './setup-move-words.ts';
import {
  BUTT_TOO_SMALL_WORDS,
  preloadWords,
  reachWords,
  STRAIGHT_WORDS,
  walkBackEnoughWords,
  walkBackMoreWords,
  walkBackNextWords,
} from './walk-back-move-words.ts';

/** A second-best proposal with what is said of it. */
interface SpokenOther extends OtherMove {
  readonly title: string;
  readonly expect: string;
}

/** A proposal with all that is said of it: what the views show. */
export interface SpokenMove extends Omit<Move, 'runnerUp' | 'likelyAfter'>, MoveWords {
  readonly runnerUp: SpokenOther | null;
  readonly likelyAfter: SpokenMove | null;
  /** What to press, and what is then written down, where a tool is lacking. */
  readonly withoutWords: { readonly label: string; readonly why: string } | null;
}

const WITHOUT_WORDS = {
  scale: { label: 'No scale here', why: 'no scale' },
} as const;

/** Every sentence of a move, made from its data and the bow's; nothing is decided here. */
export function speakMove(state: BowState, move: Move): SpokenMove {
  const { runnerUp, likelyAfter } = move;
  return {
    ...move,
    ...withOrder(move, withStop(state, move, wordsOf(state, move))),
    runnerUp:
      runnerUp === null
        ? null
        : {
            ...runnerUp,
            title: movesWords(runnerUp.changes),
            expect: otherExpect(state, runnerUp.because),
          },
    likelyAfter: likelyAfter === null ? null : speakMove(state, likelyAfter),
    withoutWords: move.without === null ? null : WITHOUT_WORDS[move.without],
  };
}

/** The same where there may be no move. */
export function speakMoveOrNull(state: BowState, move: Move | null): SpokenMove | null {
  return move === null ? null : speakMove(state, move);
}

/** What is said of a move by itself. */
function wordsOf(state: BowState, move: Move): MoveWords {
  const because: MoveBecause = move.because;
  switch (because.topic) {
    case 'measure':
      return measureWords(state, because);
    case 'readAgain':
      return readAgainWords(state, because);
    case 'oneControl':
      return oneControlWords(state, because);
    case 'setup':
      return setupWords(state, because);
    case 'otherString':
      return otherStringWords(because);
    case 'outOfReach':
      return outOfReachWords(because);
    case 'countTwists':
      return countTwistsWords(because);
    case 'countBolts':
      return countBoltsWords(state, because);
    case 'askCrawl':
      return askCrawlWords(because);
    case 'asBuilt':
      return asBuiltWords(state, because);
    case 'confirm':
      return confirmWords(state, because);
    case 'shootIn':
      return shootInWords(because);
    case 'sideScrews':
      return sideScrewWords(state, because);
    case 'limbLineAsBuilt':
      return limbLineAsBuiltWords(state, because);
    case 'pocketSpent':
      return pocketSpentWords(state, because);
    case 'pocketSilent':
      return pocketSilentWords(state, because);
    case 'rodOff':
      return rodOffWords(state, because);
    case 'makeSafe':
      return makeSafeWords(state, because, move.action);
    case 'openBraceSearch':
      return openSearchWords(because);
    case 'braceSearch':
      return braceSearchMoveWords(state, because);
    case 'marks':
      return marksMoveWords(because);
    case 'bareShaftShoot':
      return bareShaftMoveWords(because);
    case 'bareShaftWait':
      return waitMoveWords(state, because);
    case 'bareShaftNearer':
      return nearerWords(because);
    case 'bareShaftSetAside':
      return setAsideWords(state, because);
    case 'bareShaftTwoHeaps':
      return twoHeapsWords(state, because);
    case 'bareShaftBlame':
      return blameMoveWords(state, because);
    case 'bareShaftBounce':
      return bounceMoveWords(state, because);
    case 'bareShaftMend':
      return mendMoveWords(state, because);
    case 'bareShaftSpent':
      return spentMoveWords(state, because);
    case 'walkBackNext':
      return walkBackNextWords(state, because);
    case 'walkBackButtTooSmall':
      return BUTT_TOO_SMALL_WORDS;
    case 'walkBackMore':
      return walkBackMoreWords(because);
    case 'walkBackStraight':
      return STRAIGHT_WORDS;
    case 'walkBackEnough':
      return walkBackEnoughWords(state, because);
    case 'walkBackReach':
      return reachWords(state, because);
    case 'walkBackPreload':
      return preloadWords(because);
    case 'landing':
      return landingMoveWords(state, because);
    case 'fineTuning':
      return fineTuningMoveWords(because);
    case 'openProof':
      return openProofWords(because);
    case 'proof':
      return proofMoveWords(state, because);
    case 'measureForShaft':
      return measureForShaftWords(because);
    case 'chooseShaft':
      return chooseShaftWords(because);
  }
}

function otherExpect(state: BowState, because: OtherBecause): string {
  return because.topic === 'setup'
    ? setupExpect(state, because.option)
    : otherMendExpect(state, because);
}

/** A stop says first what is wrong with the bow; how it is mended says its own after that. */
function withStop(state: BowState, { stop, because }: Move, words: MoveWords): MoveWords {
  if (stop === null || because.topic === 'makeSafe') return words;
  const { title, says, remedy } = stopWords(stop, state);
  const why = `${says} ${remedy}`;
  switch (because.topic) {
    case 'measure':
      return { ...words, title, why };
    case 'setup':
      return { ...words, why, reasons: [words.why, ...words.reasons] };
    default:
      return { ...words, reasons: [why, ...words.reasons] };
  }
}

/** What bars a first shot, and what is open before this step. */
function withOrder({ bar, openBefore }: Move, words: MoveWords): MoveWords {
  if (bar === null && openBefore.length === 0) return words;
  return {
    ...words,
    reasons: [
      ...(bar === null ? [] : [barWords(bar)]),
      ...words.reasons,
      ...(openBefore.length === 0
        ? []
        : [
            `Not settled before it: ${openBefore.map((id) => lowerFirst(stepFacts(id).name)).join(', ')}.`,
          ]),
    ],
  };
}
