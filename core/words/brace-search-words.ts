import { quieterByMostDb } from '../brace-search/brace-decision.ts';
import type { SearchStanding, TwistFor } from '../brace-search/search-next.ts';
import type { SearchProblem } from '../brace-search/search-wish.ts';
import type { RecordingFault, ShotRefusal } from '../brace-search/shot-refusal.ts';
import type { BraceSearch } from '../log/brace-searches.ts';
import type { BowFacts } from '../log/entry.ts';
import { FEWEST_SHOTS_A_HEIGHT } from '../craft/search-terms.ts';
import { showLength, showNumber } from '../quantity/show.ts';

type Style = Pick<BowFacts, 'lengthUnit' | 'division'>;

/** Why a shot in a recording is not taken, and what to do. */
export const SHOT_REFUSAL_WORDS: Readonly<Record<ShotRefusal, string>> = {
  clipped:
    'Too loud for the microphone: how loud it was is lost. Move the microphone back or turn it down, for every height alike.',
  twoEvents: 'Another sound fell into it: a neighbour, a knock. Shoot it again in quiet.',
  handling:
    'Something was heard just before it: a step, the clicker, a hand on the microphone. Lay the microphone down and shoot it again.',
  tooShort:
    'It begins or ends too near the edge of the recording. Leave a second before and after each shot.',
  gainChanged:
    'The room sounds louder or softer than at the other heights: the microphone was moved or turned up or down. Put it back as it was, or begin the search anew.',
};

/** Why a recording gives nothing, and what to do. */
export const RECORDING_FAULT_WORDS: Readonly<Record<RecordingFault, string>> = {
  empty: 'This file is empty. Record it again, or choose another.',
  notWav: 'This is not a WAV recording, whatever its name. Save it as WAV and choose it again.',
  cutHeader:
    'This recording ends before it begins: it was cut off. Copy it again from the recorder.',
  cutData:
    'This recording says it holds more than it does: it was cut off. Copy it again from the recorder.',
  unknownCoding:
    'This WAV is coded in a way that is not read here. Save it as PCM of 16, 24 or 32 bits.',
  tooLong: 'This recording is longer than five minutes. Cut it to the shots of one height.',
  noShot:
    'No shot is heard in it. Lay the microphone nearer, and let a shot stand out of the room.',
};

export const SEARCH_PROBLEM_WORDS: Readonly<Record<SearchProblem, string>> = {
  noLow: 'The lowest brace is not a length.',
  noHigh: 'The highest brace is not a length.',
  noDistance: 'The distance is not a number of metres.',
  distanceOutside: 'Between 2 and 30 m: nearer is no shot, farther the hit is not heard apart.',
  tooNarrow: 'Between the lowest and the highest there is no room to look: 3 mm at least.',
};

export const TWIST_FOR_WORDS: Readonly<Record<TwistFor, string>> = {
  begin: 'That is where the search was to begin.',
  look: 'There it may be quieter, or it is not known yet how it is there.',
  return: 'Back to the height it settles on.',
  other: 'Side by side: the other of the best two.',
};

/** `3 readings` and the like: what is still to come. */
export function stillWords(have: number, want: number, one: string): string {
  const left = Math.max(1, want - have);
  return `${left} ${one}${left === 1 ? '' : 's'}`;
}

/** How sure it is, in what matters: how much quieter it might be elsewhere. */
export function howSureWords({ judged, visits }: SearchStanding): string {
  if (judged === null) return 'Nothing is known yet: every height may be the quiet one.';
  if (judged.curve.tried < 2) return 'One height says nothing of the others.';
  const more = showNumber(Math.max(0.1, quieterByMostDb(judged)), 1);
  const isHeard = visits.some(({ shots }) => shots.length >= FEWEST_SHOTS_A_HEIGHT);
  return isHeard
    ? `9 times in 10 no height is more than ${more} dB quieter than the best of these.`
    : `By ear alone: 9 times in 10 no height is more than about ${more} dB quieter than the best of these.`;
}

/** The heights that cannot be told from the best, as a range. */
export function alikeWords({ judged }: SearchStanding, style: Style): string | null {
  if (judged === null || judged.alike.length < 2) return null;
  const heights = judged.alike.map((at) => judged.curve.heightsMm[at]!);
  const low = showLength(Math.min(...heights), style);
  const high = showLength(Math.max(...heights), style);
  if (judged.twoValleysMm !== null) {
    const [one, other] = judged.twoValleysMm;
    return `Two places are equally quiet, with a louder one between: ${showLength(one, style)} and ${showLength(other, style)}.`;
  }
  return low === high ? null : `From ${low} to ${high} they cannot be told apart.`;
}

/** What one more height would bring. */
export function oneMoreWords({ judged }: SearchStanding): string | null {
  if (judged === null || judged.curve.tried < 2) return null;
  const { next, regretDb } = judged;
  const gain = showNumber(next.kind === 'try' ? Math.max(0.1, next.worthDb) : regretDb, 1);
  return next.kind === 'try'
    ? `One more height is expected to bring ${gain} dB.`
    : `One more height would bring ${regretDb < 0.05 ? 'next to nothing' : `at most ${gain} dB, less than anybody hears`}.`;
}

/** The string still gives: how much that blurs what is heard. */
export function creepWords({ creepMm }: SearchStanding): string | null {
  return creepMm === null
    ? null
    : `This string is new and still creeps: the brace falls about ${showNumber(creepMm, 1)} mm while you search, which blurs the answer. Shoot it in first, or read the brace before every third shot.`;
}

/** Where it came to, in one line for the band and the record. */
export function settledWords(
  search: Pick<BraceSearch, 'purpose'>,
  standing: SearchStanding,
  style: Style,
): string {
  const { judged } = standing;
  const heights = judged?.curve.tried ?? 0;
  const alike = alikeWords(standing, style);
  const what =
    search.purpose === 'lowestClear'
      ? 'the lowest that is quiet and clears the arm'
      : 'the quiet one';
  return `Of ${heights} heights ${what}. ${howSureWords(standing)}${alike === null ? '' : ` ${alike}`}`;
}

/** Times the string came off for it. */
export function stringOffWords({ stringOffs, bestTwoStringOffs }: SearchStanding): string {
  const times = (count: number) => `${count} string-off${count === 1 ? '' : 's'}`;
  return bestTwoStringOffs === 0
    ? times(stringOffs)
    : `${times(stringOffs)}, and ${bestTwoStringOffs} for the side-by-side`;
}
