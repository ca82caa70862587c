import { READINGS } from '../craft/readings.ts';
import { READINGS_A_HEIGHT, SHOTS_A_HEIGHT } from '../craft/search-terms.ts';
import { gainOf } from '../gains/learned-gains.ts';
import { presentValue } from '../gains/present-reading.ts';
import { checkChanges } from '../limits/check-proposal.ts';
import type { BraceSearch } from '../log/brace-searches.ts';
import type { BowState } from '../log/bow-state.ts';
import { onceForPair } from '../log/once-for.ts';
import { CREEP, CREEP_SHOTS, TWIST_PRIOR } from '../priors/prior-gains.ts';
import { braceStanding } from './brace-decision.ts';
import { heightsTried, heightVisits, isFound } from './height-visits.ts';
import { bestTwoNext } from './best-two.ts';
import type { SearchNext, SearchSoFar, SearchStanding } from './search-next.ts';

/** What one twist gives the made-up bow of a practice, mm. */
export const PRACTICE_TWIST_MM = 0.8;
/** So many shots a search takes, about: what the string creeps meanwhile blurs it. */
const SHOTS_OF_A_SEARCH = 15;
/** Less creep than this nobody reads, mm. */
const CREEP_SEEN_MM = 0.3;

/** Where a search stands and what it wants next: a pure function of the log. */
export const searchStanding = onceForPair(standingOf);

/** The search that goes on; null: none. */
export function openSearch({ searches }: Pick<BowState, 'searches'>): BraceSearch | null {
  return searches.findLast(({ closed }) => closed === null) ?? null;
}

function standingOf(state: BowState, search: BraceSearch): SearchStanding {
  const visits = heightVisits(state, search);
  const isPractice = search.practiceSeed !== undefined;
  const gain = isPractice ? null : gainOf(state, 'braceHeight', 'twists');
  const twistMm = isPractice ? PRACTICE_TWIST_MM : (gain?.mean ?? TWIST_PRIOR.median);
  const mostMm = isPractice ? PRACTICE_TWIST_MM : (gain?.high ?? TWIST_PRIOR.high);
  const touched = visits.flatMap(({ armTouched, heightMm }) =>
    armTouched === true && heightMm !== null ? [heightMm] : [],
  );
  const touchedMm = touched.length === 0 ? null : Math.max(...touched);
  const tried = heightsTried(visits);
  // A twist is a guess until this bow has shown it: by its most it has to stay inside as well.
  const mayTwistFrom = (fromMm: number | null) => (twists: number) => {
    if (isPractice || twists === 0) return true;
    const after = fromMm === null ? null : fromMm + twists * mostMm;
    return after !== null && after >= search.lowMm && after <= search.highMm;
  };
  const hereMm = visits.at(-1)?.heightMm ?? presentValue(state, 'braceHeight');
  const isInside = mayTwistFrom(hereMm);
  const mayTwist = (twists: number) =>
    isInside(twists) &&
    (isPractice || checkChanges(state, [{ control: 'twists', amount: twists }]) === null);
  const isHere = tried.length > 0 && isFound(visits.at(-1)!, visits.length === 1);
  const range = { lowMm: search.lowMm, highMm: search.highMm };
  const lowestWanted = search.purpose === 'lowestClear';
  const steps = {
    twistMm,
    touchedMm,
    // Turned away from the last height that was shot, twists are counted from there still.
    mayTwist: isHere ? mayTwist : mayTwistFrom(tried.at(-1)?.heightMm ?? null),
    lowestWanted,
  };
  const judged = tried.length === 0 ? null : braceStanding(tried, range, steps);
  const bestTwoFrom = search.bestTwo?.index ?? Number.POSITIVE_INFINITY;
  const offs = visits.slice(1);
  const so = {
    visits,
    here: visits.at(-1) ?? null,
    twistMm,
    judged,
    touchedMm,
    mayTwist,
    stringOffs: offs.filter(({ from }) => from < bestTwoFrom).length,
    bestTwoStringOffs: offs.filter(({ from }) => from > bestTwoFrom).length,
    creepMm: isPractice ? null : creepMm(state),
  };
  return { ...so, next: nextOf(state, search, so) };
}

/** What a new string's brace falls by in the shots of a search, mm. */
function creepMm({ strings }: BowState): number | null {
  const { knownNew, shots } = strings.fitted;
  if (!knownNew) return null;
  const left = (after: number) => CREEP.newString.mean * Math.exp(-after / CREEP_SHOTS);
  const falls = left(shots) - left(shots + SHOTS_OF_A_SEARCH);
  return falls < CREEP_SEEN_MM ? null : falls;
}

function nextOf(state: BowState, search: BraceSearch, so: SearchSoFar): SearchNext {
  const { visits, here, judged, touchedMm, twistMm } = so;
  if (search.closed !== null || here === null) return { kind: 'over' };
  const begin = beginTwist(state, search, so);
  if (begin !== null) return begin;
  const heightMm = here.heightMm;
  if (heightMm === null || here.readings < READINGS_A_HEIGHT)
    return { kind: 'readBrace', have: here.readings, want: READINGS_A_HEIGHT };
  if (search.bestTwo !== null)
    return bestTwoNext(search, so, heightMm) ?? settle(search, so, heightMm);
  const settledMm = judged?.next.kind === 'settle' ? judged.next.heightMm : null;
  if (!isFound(here, visits.length === 1)) {
    // Back at the height it settles on there is nothing more to hear.
    if (settledMm !== null && isAt(heightMm, settledMm, twistMm))
      return isKnownClear(so, heightMm)
        ? settle(search, so, heightMm)
        : { kind: 'shoot', have: here.shots.length, want: SHOTS_A_HEIGHT };
    if (settledMm !== null) {
      const twists = Math.round((settledMm - heightMm) / twistMm);
      if (twists !== 0)
        return { kind: 'twist', twists, heightMm: settledMm, for: 'return', worthDb: null };
    }
    return { kind: 'shoot', have: here.shots.length, want: SHOTS_A_HEIGHT };
  }
  if (touchedMm !== null && touchedMm > search.highMm - twistMm) return { kind: 'armAlways' };
  if (judged === null) return { kind: 'shoot', have: here.shots.length, want: SHOTS_A_HEIGHT };
  const { next } = judged;
  if (next.kind === 'try')
    return {
      kind: 'twist',
      twists: next.twists,
      heightMm: next.heightMm,
      for: 'look',
      worthDb: next.worthDb,
    };
  const twists = Math.round((next.heightMm - heightMm) / twistMm);
  return twists === 0
    ? settle(search, so, heightMm)
    : { kind: 'twist', twists, heightMm: next.heightMm, for: 'return', worthDb: null };
}

/** Where lower heights touched the arm, one has to have been shot no higher than this and been clear. */
function isKnownClear({ visits, touchedMm, twistMm }: SearchSoFar, heightMm: number): boolean {
  return (
    touchedMm === null ||
    visits.some(
      (visit) =>
        visit.armTouched === false &&
        visit.heightMm !== null &&
        visit.heightMm > touchedMm &&
        visit.heightMm <= heightMm + twistMm / 2,
    )
  );
}

/** As near as whole twists and readings come. */
function isAt(heightMm: number, wantedMm: number, twistMm: number): boolean {
  return Math.abs(heightMm - wantedMm) <= Math.max(twistMm, READINGS.braceHeight.tolerance);
}

function settle(
  search: BraceSearch,
  { visits, judged }: SearchSoFar,
  heightMm: number,
): SearchNext {
  const seen = visits.some(
    ({ silencersSeen, silencedShots }) => silencersSeen || silencedShots.length > 0,
  );
  if (search.silencers === 'off' && !seen) return { kind: 'seeSilencers' };
  const flat = judged?.next.kind === 'settle' && judged.next.flat;
  return { kind: 'settle', heightMm, flat };
}

/** The first turn of a search that begins elsewhere than the bow stands; null when it stands there. */
function beginTwist(
  state: BowState,
  search: BraceSearch,
  { visits, here, twistMm, mayTwist }: SearchSoFar,
): SearchNext | null {
  const isUntouched = visits.length === 1 && here !== null && here.lastEvidence < 0;
  if (!isUntouched || search.beginsAt === 'here' || search.practiceSeed !== undefined) return null;
  const nowMm = presentValue(state, 'braceHeight');
  if (nowMm === null) return null;
  const wantedMm = beginningMm(search, nowMm, twistMm);
  let twists = Math.round((wantedMm - nowMm) / twistMm);
  while (twists !== 0 && !mayTwist(twists)) twists -= Math.sign(twists);
  return twists === 0
    ? null
    : { kind: 'twist', twists, heightMm: nowMm + twists * twistMm, for: 'begin', worthDb: null };
}

/** Where a search begins: a twist inside the low end, so that a guess of the twist's gain passes no limit. */
export function beginningMm(
  { beginsAt, lowMm, highMm }: Pick<BraceSearch, 'beginsAt' | 'lowMm' | 'highMm'>,
  nowMm: number,
  twistMm: number,
): number {
  const middle = (lowMm + highMm) / 2;
  switch (beginsAt) {
    case 'low':
      return Math.min(middle, lowMm + twistMm);
    case 'middle':
      return middle;
    case 'here':
      return nowMm;
  }
}
