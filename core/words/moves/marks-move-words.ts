import type { MoveBecause } from '../../advice/move-because.ts';
import type { AimKind } from '../../craft/aiming.ts';
import { DISTANCES_NEEDED } from '../../sight-marks/marks-standing.ts';
import { sinceWords } from '../marks/marks-words.ts';
import { type MoveWords, plainWords } from './move-words.ts';

const WHAT: Readonly<Record<AimKind, string>> = {
  sight: 'sight marks',
  point: 'point-on and gaps',
  crawl: 'crawls',
};
const SET: Readonly<Record<AimKind, string>> = {
  sight: 'what the sight read',
  point: 'where the point was laid',
  crawl: 'the crawl',
};

/** Marks that are not shot yet, or that something done since has moved. */
export function marksMoveWords({
  standing: { distances, since },
  aim,
  isBegun,
}: Extract<MoveBecause, { readonly topic: 'marks' }>): MoveWords {
  const each = `six arrows and ${SET[aim]}`;
  const words: MoveWords = {
    ...plainWords(`Shoot for ${WHAT[aim]}`),
    expect: `${distances === 0 ? 'Two distances' : 'One more distance'}, ${each} at each: every other distance follows with its ±`,
    why: 'Two distances tell how fast it flies and where it leaves; what lies between and beyond is reckoned.',
    wouldChange:
      'A change of brace, bolts, nocking point, point or arrow: all of them move at once.',
    thenCheck: isBegun
      ? 'Distance and setting first, then the shots: an end is one distance with one setting.'
      : 'Shot and written down already? Open the step “Sight marks”: it takes your word.',
    doneLabel: isBegun ? 'Start the next end' : 'To the range',
  };
  if (distances < DISTANCES_NEEDED || since.length === 0) return words;
  return {
    ...words,
    title: `Shoot one distance again for ${WHAT[aim]}`,
    expect: `One distance, ${each}: it puts all of them right`,
    why: `Since they were shot: ${sinceWords(since)}. Until then every mark is moved by rule of thumb.`,
  };
}
