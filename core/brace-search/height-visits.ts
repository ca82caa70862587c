import {
  FEWEST_SHOTS_A_HEIGHT,
  type Felt,
  type Heard,
  READINGS_A_HEIGHT,
} from '../craft/search-terms.ts';
import type { BraceSearch, HeardShot } from '../log/brace-searches.ts';
import type { BowState } from '../log/bow-state.ts';
import { meanOf } from '../numeric/moments.ts';
import { instantMs } from '../quantity/instant.ts';
import type { HeightTried } from './noise-curve.ts';

/** The bow between two string-offs of a search: one brace height, and what was found at it. */
export interface HeightVisit {
  /** Where in the log it begins. */
  readonly from: number;
  /** Mean of the readings taken at it; null: not read yet. */
  readonly heightMm: number | null;
  readonly readings: number;
  /** As the search shoots: those to see the silencers are apart. */
  readonly shots: readonly HeardShot[];
  readonly silencedShots: readonly HeardShot[];
  readonly heard: Heard | null;
  readonly felt: Felt | null;
  readonly armTouched: boolean | null;
  readonly groupMm: number | null;
  readonly silencersSeen: boolean;
  /** Something was said of it, if only that it was listened to. */
  readonly isJudged: boolean;
  /** Where in the log its last evidence stands; −1: none. */
  readonly lastEvidence: number;
}

/** A brace read longer ago than this before the search was opened may have crept since. */
const READ_BEFORE_MS = 12 * 3_600_000;

/** What moves the brace: turns between two of these are one visit. */
const MOVES_BRACE = new Set(['twists', 'topBolt', 'bottomBolt']);

/**
 * The heights of a search in their order, the present one last. A real bow's are what was read between
 * two turns of string or bolts, so that the true height counts and not the number of twists.
 */
export function heightVisits(state: BowState, search: BraceSearch): readonly HeightVisit[] {
  const starts = startsOf(state, search);
  const readSinceMs = instantMs(search.openedAt) - READ_BEFORE_MS;
  return starts.map(({ from, heightMm }, at) => {
    const until = starts[at + 1]?.from ?? search.closed?.index ?? Number.POSITIVE_INFINITY;
    const isHere = ({ index }: { readonly index: number }) => index > from && index < until;
    const read =
      heightMm === null
        ? (state.readings.get('braceHeight') ?? [])
            .filter((one) => isHere(one) && instantMs(one.at) >= readSinceMs)
            .flatMap(({ values }) => values)
        : Array<number>(READINGS_A_HEIGHT).fill(heightMm);
    const shots = search.shots.filter(isHere);
    const judgements = search.judgements.filter(isHere);
    const last = <T>(of: (one: (typeof judgements)[number]) => T | undefined) =>
      judgements.map(of).findLast((value) => value !== undefined) ?? null;
    return {
      from,
      heightMm: read.length === 0 ? null : meanOf(read),
      readings: read.length,
      shots: shots.filter(({ silenced }) => silenced !== true),
      silencedShots: shots.filter(({ silenced }) => silenced === true),
      heard: last(({ heard }) => heard),
      felt: last(({ felt }) => felt),
      armTouched: last(({ armTouched }) => armTouched),
      groupMm: last(({ groupMm }) => groupMm),
      silencersSeen: judgements.some(({ silencersSeen }) => silencersSeen === true),
      isJudged: judgements.length > 0,
      lastEvidence: Math.max(-1, ...[...shots, ...judgements].map(({ index }) => index)),
    };
  });
}

function startsOf(
  state: BowState,
  search: BraceSearch,
): readonly { readonly from: number; readonly heightMm: number | null }[] {
  if (search.practiceSeed !== undefined)
    return search.practiceHeights.map(({ index, heightMm }) => ({ from: index, heightMm }));
  const moves = state.upsets
    .filter((upset) =>
      upset.kind === 'change' ? MOVES_BRACE.has(upset.control) : upset.item === 'string',
    )
    .map(({ index }) => index)
    .filter((index) => index < (search.closed?.index ?? Number.POSITIVE_INFINITY));
  // The height it was opened at was read before it was opened.
  const first = moves.findLast((index) => index < search.index) ?? -1;
  const later = moves.filter((index) => index > search.index);
  return [first, ...later].map((from) => ({ from, heightMm: null }));
}

/** Whether enough was found at a height to go on from it. */
export function isFound(visit: HeightVisit, isFirst: boolean): boolean {
  if (visit.heightMm === null) return false;
  if (visit.shots.length >= FEWEST_SHOTS_A_HEIGHT) return true;
  // By ear the first has nothing to be held against: that it was listened to is enough.
  return isFirst ? visit.isJudged : visit.heard !== null || visit.felt !== null;
}

const FELT_AS_HEARD: Readonly<Record<Felt, Heard>> = {
  calmer: 'quieter',
  same: 'same',
  jumpier: 'louder',
};

/** What was found at each height, as the curve takes it; heights with nothing found are left out. */
export function heightsTried(visits: readonly HeightVisit[]): readonly HeightTried[] {
  const found = visits.filter((visit, at) => isFound(visit, at === 0));
  return found.map(({ heightMm, shots, heard, felt }) => ({
    heightMm: heightMm!,
    levelsDb: shots.map(({ levelDb }) => levelDb),
    heard,
    felt: felt === null ? null : FELT_AS_HEARD[felt],
  }));
}
