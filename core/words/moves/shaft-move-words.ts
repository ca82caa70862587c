import type { BareShaftBecause } from '../../advice/move-because.ts';
import { blameList } from '../../craft/blame-list.ts';
import type { Hand } from '../../craft/bow-terms.ts';
import { sideOf } from '../../craft/handedness.ts';
import { upperFirst } from '../../craft/letter-case.ts';
import type { BowState } from '../../log/bow-state.ts';
import { showNumber } from '../../quantity/show.ts';
import { type MoveWords, plainWords } from './move-words.ts';

type Because<Topic extends BareShaftBecause['topic']> = Extract<
  BareShaftBecause,
  { readonly topic: Topic }
>;

/** A part this much smaller than the other is not worth a word. */
const WORTH_SAYING = 0.4;

/** `12 cm left`, `8 cm left and 6 cm high`. */
function apartWords(
  { outwardMm, upMm }: { readonly outwardMm: number; readonly upMm: number },
  hand: Hand,
): string {
  const most = Math.max(Math.abs(outwardMm), Math.abs(upMm));
  const cm = (mm: number) => `${showNumber(Math.abs(mm) / 10, 0)} cm`;
  return [
    { mm: outwardMm, way: sideOf(outwardMm, hand) },
    { mm: upMm, way: upMm >= 0 ? 'high' : 'low' },
  ]
    .filter(({ mm }) => Math.abs(mm) >= WORTH_SAYING * most)
    .map(({ mm, way }) => `${cm(mm)} ${way}`)
    .join(' and ');
}

/** One numbered shaft is not like the others. */
export function setAsideWords(
  { bow: { hand } }: BowState,
  { decision: { shaft } }: Because<'bareShaftSetAside'>,
): MoveWords {
  const { arrow, arrowNumber, shots } = shaft;
  const name = `${arrow} shaft ${arrowNumber}`;
  return {
    ...plainWords(`Set ${name} aside`),
    expect: `It lands ${apartWords(shaft, hand)} of the others: shoot those, and flex it and look it over for cracks`,
    why: `${upperFirst(name)} fell ${apartWords(shaft, hand)} of its fellows in ${shots} shots, more than chance explains. One shaft is not the bow: nothing is turned for it.`,
    reasons: [
      'Look at its straightness, its nock and how the nock is turned, its point and its mass.',
      'What it shot stays in the record and counts no more.',
    ],
    wouldChange: 'Another number on it: two shafts mixed up.',
    thenCheck: 'The others by themselves; it comes back under Groups once it has been put right.',
    doneLabel: 'Set aside',
  };
}

/** Half of them do one thing, half another. */
export function twoHeapsWords(
  { bow: { hand, school } }: BowState,
  { decision: { heaps }, items }: Because<'bareShaftTwoHeaps'>,
): MoveWords {
  return {
    ...plainWords('Two heaps: find what touches now and then'),
    expect: `${heaps.shots} of ${heaps.of} bare shafts land ${apartWords(heaps, hand)} of the rest`,
    why: 'Bare shafts in two heaps are two shots, not one with scatter: usually contact half the time. Their middle is no offset, and no turn mends it.',
    reasons: [
      ...blameList(school)
        .filter(({ id }) => items.includes(id))
        .map(({ words }) => words),
      'Number the shafts, if they are not: one heap may be one shaft.',
    ],
    wouldChange: 'The same shafts always in the same heap: then it is the shafts.',
    thenCheck: 'Another end: one heap, and it may be tuned.',
    doneLabel: 'All looked at',
  };
}
