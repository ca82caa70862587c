import type { MoveBecause, ScrewTurn } from '../../advice/move-because.ts';
import type { Hand } from '../../craft/bow-terms.ts';
import { showAmount } from '../../craft/controls.ts';
import { sideOf } from '../../craft/handedness.ts';
import { sideScrewTravel } from '../../limits/side-screw-limits.ts';
import type { BowState } from '../../log/bow-state.ts';
import { showNumber, showTurns } from '../../quantity/show.ts';
import { type MoveWords, plainWords } from './move-words.ts';

type Because<Topic extends MoveBecause['topic']> = Extract<MoveBecause, { readonly topic: Topic }>;

/** Which side screw to loosen and which to tighten, and how far. */
export function sideScrewWords(
  { bow: { hand } }: BowState,
  { status, turns }: Because<'sideScrews'>,
): MoveWords {
  const trial = turns.some((one) => one.trial);
  return {
    ...plainWords(
      turns
        .map((turn) => `${turn.limb} pocket ${showAmount(turn.control, turn.amount)}`)
        .join(', '),
    ),
    expect: trial
      ? 'A trial: watch which way the string goes.'
      : `Expect ${turns.map((turn) => `${turn.limb.toLowerCase()} ${offWords(turn.expectMm, hand)} ± ${showNumber(Math.max(0.1, turn.plusMinusMm), 1)} mm`).join(', ')}`,
    why: turns
      .map(
        (turn) =>
          `The string passes ${offWords(turn.nowMm, hand)} of the ${turn.limb.toLowerCase()} gauge’s middle. ${screwWords(turn, hand)}`,
      )
      .join(' '),
    reasons: [
      ...turns.map((turn) =>
        turn.trial
          ? `${turn.limb} pocket: which way a screw moves the string depends on how it is made, and has not shown yet. A small turn first; larger ones when that is too little to see; after three it is for a technician.`
          : `${turn.limb} pocket: its answer was seen on this bow and is kept.`,
      ),
      'Never both screws loose. Then look at the tips for twist; a twisted limb is for a technician.',
      status.step.why,
    ],
    wouldChange: 'A fresh look with one eye and the head still.',
    thenCheck: 'Limb line: top, bottom and long rod. Then centre shot.',
  };
}

/** `1.2 mm left`: how far off and to which side, as the archer stands behind. */
function offWords(outwardMm: number, hand: Hand): string {
  const size = showNumber(Math.abs(outwardMm), 1);
  return Number(size) === 0 ? `${size} mm` : `${size} mm ${sideOf(outwardMm, hand)}`;
}

/** Loosen first, then tighten: + tightens the outward screw. */
function screwWords({ limb, control, amount }: ScrewTurn, hand: Hand): string {
  const tighten = sideOf(amount, hand);
  const loosen = sideOf(-amount, hand);
  const size = showAmount(control, amount);
  return `${limb} pocket: loosen the ${loosen} screw ${size}, then tighten the ${tighten} one as much.`;
}

/** A pocket that does not answer. */
export function pocketSpentWords(
  { bow }: BowState,
  { status, limb, offMm }: Because<'pocketSpent'>,
): MoveWords {
  const { turns, guessed } = sideScrewTravel(bow);
  return {
    ...plainWords(`${limb} pocket: for a bow technician`),
    why: `The string still passes ${offWords(offMm, bow.hand)} of the ${limb.toLowerCase()} gauge’s middle, and its side screws have gone the ${showTurns(turns)} ${guessed ? 'that are allowed while the maker’s figure is unknown' : 'the maker allows'}.`,
    reasons: ['A pocket that does not answer may be loose, worn or crooked.', status.step.why],
    wouldChange: 'The maker’s figure for the side screws (ms), or a fresh look.',
    thenCheck: 'Limb line after the technician has seen it.',
    doneLabel: 'Understood',
  };
}

/** A pocket that has been turned and shown no answer. */
export function pocketSilentWords(
  { bow }: BowState,
  { status, limb, offMm }: Because<'pocketSilent'>,
): MoveWords {
  return {
    ...plainWords(`${limb} pocket does not answer: for a bow technician`),
    why: `The string still passes ${offWords(offMm, bow.hand)} of the ${limb.toLowerCase()} gauge’s middle, and turning its side screws in three unstringings has not moved it by anything that can be seen.`,
    reasons: [
      'A pocket that does not answer may be loose, worn or crooked; turning it on only wears it.',
      status.step.why,
    ],
    wouldChange: 'A fresh look that shows the string somewhere else.',
    thenCheck: 'Limb line after the technician has seen it.',
    doneLabel: 'Understood',
  };
}

/** Nothing on this bow sets its limb line. */
export function limbLineAsBuiltWords(
  { bow }: BowState,
  { status, limb, offMm }: Because<'limbLineAsBuilt'>,
): MoveWords {
  return {
    ...plainWords(`Look why the string leaves the ${limb.toLowerCase()} limb’s middle`),
    why: `The string passes ${offWords(offMm, bow.hand)} of the ${limb.toLowerCase()} gauge’s middle, and this bow has nothing to set it with.`,
    reasons: [
      'Loops in their grooves, limbs seated, the bow strung straight with the stringer: unstring, string again, look again.',
      'A limb that stays twisted is for a bow technician before the bow is drawn again.',
      status.step.why,
    ],
    wouldChange: 'A fresh look after stringing it again.',
    thenCheck: 'Limb line, top and bottom.',
    doneLabel: 'Understood',
  };
}

/** Both gauges are right and the rod is not. */
export function rodOffWords({ bow }: BowState, { offMm }: Because<'rodOff'>): MoveWords {
  return {
    ...plainWords('Look at the long rod'),
    why: `The string runs down both gauges, and ${offWords(offMm, bow.hand)} of the long rod: a bent rod or bushing, or a riser that is not straight. The gauges decide.`,
    reasons: [
      'Turn the rod half a turn and look again: a bent rod swings, a crooked bushing does not.',
    ],
    wouldChange: 'The reading with the rod turned, or another rod.',
    thenCheck: 'Limb line, long rod.',
    doneLabel: 'Enter it again',
  };
}
