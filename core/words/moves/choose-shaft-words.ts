import type { MoveBecause } from '../../advice/move-because.ts';
import { showChance, showNumber } from '../../quantity/show.ts';
import { missingForShaftWords } from '../arrows/shafts-to-buy-words.ts';
import { type MoveWords, plainWords } from './move-words.ts';

type Because<Topic extends MoveBecause['topic']> = Extract<MoveBecause, { readonly topic: Topic }>;

/** A shaft is not chosen by guess: what has to be measured first. */
export function measureForShaftWords({ missing }: Because<'measureForShaft'>): MoveWords {
  return {
    ...plainWords(missing === 'weight' ? 'Weigh it on the fingers' : 'Measure the longest draw'),
    why: missingForShaftWords([missing]),
    reasons: [
      missing === 'weight'
        ? 'Drawn on a scale to the archer’s own draw, in a safe direction, and let down.'
        : 'On a long arrow marked in front of the riser, at full draw, with somebody watching the point.',
    ],
    thenCheck: 'Which shaft follows from it.',
    doneLabel: 'Enter it',
  };
}

/** Which shaft to begin with, and by what that is known. */
export function chooseShaftWords({ answer }: Because<'chooseShaft'>): MoveWords {
  const words: MoveWords = {
    ...plainWords('Choose a shaft'),
    why: 'No arrow is written down for this bow. Rest and nocking point are set to a shaft’s thickness, and the spine is half the tune.',
    wouldChange: 'A fresh reading of weight or draw, or how far the window is cut.',
    thenCheck: 'Nock fit with it, then the nocking point.',
    doneLabel: 'See which',
  };
  if (answer.kind === 'outsideTable')
    return {
      ...words,
      expect: `${showNumber(answer.pounds, 0)} lb on the fingers is outside the starting table`,
      reasons: ['The shaft maker’s own chart, or a bow technician.'],
      doneLabel: 'To the arrows',
    };
  const offer = answer.offers.find(({ spine }) => spine === answer.recommended);
  if (offer === undefined)
    return { ...words, expect: 'None of the usual shafts could be tuned to it as it is' };
  return {
    ...words,
    title: `Choose a shaft: spine ${offer.spine}, left long`,
    expect: `About ${showNumber(offer.grainsPerPound, 1)} grains a pound; can be tuned with ${showChance(offer.chance)}`,
    reasons: [
      'Of those as likely to be tuned the stiffest: a stiff shaft is made weaker by a heavier point, a soft one only ever gets stiffer by the saw.',
      ...(answer.testSet.length > 1
        ? [`One each of ${answer.testSet.join(', ')} before a dozen is bought.`]
        : []),
      ...(answer.refused.length > 0
        ? [`Not ${answer.refused.join(', ')}: so soft that they can break.`]
        : []),
    ],
  };
}
