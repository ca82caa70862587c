import { isCounted, type ShootingSession, type Shot } from '../log/shooting.ts';
import type { FacetId } from '../craft/steps.ts';
import { type Upset, upsets } from '../craft/upsets.ts';
import { type AxisPrior, type AxisVerdict, axisVerdict } from '../groups/axis-verdict.ts';
import { axisEnds } from '../groups/axis-ends.ts';
import { wholeEndNumbers } from '../groups/whole-ends.ts';
import { jointFactorOdds, SCATTER_FACTORS } from '../groups/offset-posterior.ts';
import { shotInBowFrame } from '../groups/cant.ts';
import type { EvidenceSource } from './evidence.ts';
import type { ShaftByShaft } from './shaft-by-shaft.ts';
import { farOutShots } from '../groups/far-out.ts';

/** Bare shafts scatter more than a bow can explain from this factor on. */
const SCATTERED_FROM = 2;
const SCATTERED_AT = 0.5;

/** The side that was seen, not shot: in flight, in the butt, on paper; mm at 18 m. */
export interface ProvisionalSide {
  readonly call: 'plus' | 'minus';
  readonly sources: readonly EvidenceSource[];
  readonly meanMm: number;
  readonly sdMm: number;
}

export interface BareShaftVerdict {
  readonly outward: AxisVerdict;
  readonly up: AxisVerdict;
  readonly counted: {
    readonly fletched: number;
    readonly bare: number;
    readonly calledBad: number;
    readonly setAside: number;
  };
  /** Sessions begun just before this one whose shots are counted with it. */
  readonly sessionsBefore: number;
  /** Ends since the last change that put either axis in doubt. */
  readonly ends: number;
  /** Bare shafts scatter more than the bow can explain: form, nock fit or contact first. */
  readonly scattered: boolean;
  /** Not called, but far from the others: pointed at, never dropped. */
  readonly farOutShotIds: readonly string[];
  /** Bare and fletched were never shot in one end: an aim that wanders between ends is in the offset. */
  readonly neverMixed: boolean;
  /** One numbered shaft lands apart from its fellows, or bare shafts lie in two heaps. */
  readonly apart: ShaftByShaft;
  /** What flight, nocks and paper make likely on an axis that impact has not decided. */
  readonly seen: { readonly outward: ProvisionalSide | null; readonly up: ProvisionalSide | null };
  /** Both axes inside, strongly, over at least two ends. */
  readonly done: boolean;
}

/** The shots of a session that still speak for a facet: those after the last change that upset it. */
export function shotsSpeakingFor(
  facet: FacetId,
  session: ShootingSession,
  doubts: readonly Upset[],
): readonly Shot[] {
  const lastUpset = doubts.findLast((doubt) => upsets(doubt, facet))?.index ?? -1;
  return session.shots.filter((shot) => shot.index > lastUpset);
}

/** Where bare shafts are meant to land from the fletched, mm at the session's distance. */
export interface Landing {
  readonly outwardMm: number;
  readonly upMm: number;
}
const ON_THE_FLETCHED: Landing = { outwardMm: 0, upMm: 0 };

/** Shots in the bow's frame, bare ones counted from where they are meant to land. */
export function shotsFromLanding(
  session: ShootingSession,
  shots: readonly Shot[],
  landing: Landing,
): readonly Shot[] {
  return shots.map((raw) => {
    const shot = shotInBowFrame(session, raw);
    return shot.arrow === 'bare'
      ? {
          ...shot,
          outwardMm: shot.outwardMm - landing.outwardMm,
          upMm: shot.upMm - landing.upMm,
        }
      : shot;
  });
}

/**
 * The verdict of a session on both axes. A change of the nocking point empties only the vertical
 * axis, a change of preload only the lateral one: each axis pools the shots that still speak for it.
 */
export function bareShaftVerdict(
  session: ShootingSession,
  doubts: readonly Upset[],
  prior: { readonly outward: AxisPrior; readonly up: AxisPrior },
  landing: Landing = ON_THE_FLETCHED,
): BareShaftVerdict {
  const speaking = (facet: 'bareShaftLateral' | 'bareShaftVertical') =>
    shotsFromLanding(session, shotsSpeakingFor(facet, session, doubts), landing);
  const lateral = speaking('bareShaftLateral');
  const vertical = speaking('bareShaftVertical');
  const whole = wholeEndNumbers(session);
  const wholeOf = (shots: readonly Shot[]) =>
    new Set(
      shots
        .filter(isJudged)
        .map(({ endNumber }) => endNumber)
        .filter((end) => whole.has(end)),
    ).size;
  const neverMixed = isNeverMixed(lateral.length >= vertical.length ? lateral : vertical);
  const outward = axisVerdict(
    axisEnds(lateral, 'outwardMm', BARE),
    session.toleranceMm,
    prior.outward,
    wholeOf(lateral),
  );
  const up = axisVerdict(
    axisEnds(vertical, 'upMm', BARE),
    session.toleranceUpMm,
    prior.up,
    wholeOf(vertical),
  );
  const judged = lateral.length >= vertical.length ? lateral : vertical;
  return {
    // Shot in ends of their own, an aim that wandered passes for an offset: it may well be the archer.
    outward: neverMixed ? { ...outward, holds: false } : outward,
    up: neverMixed ? { ...up, holds: false } : up,
    counted: {
      fletched: countOf(judged, 'fletched'),
      bare: countOf(judged, 'bare'),
      calledBad: judged.filter((shot) => shot.calledBad).length,
      setAside: judged.filter((shot) => !shot.calledBad && shot.setAside).length,
    },
    sessionsBefore: 0,
    ends: new Set(judged.map((shot) => shot.endNumber)).size,
    scattered: isScattered(outward, up),
    farOutShotIds: farOutShots(judged),
    neverMixed,
    apart: null,
    seen: { outward: null, up: null },
    done: outward.done && up.done,
  };
}

const BARE = ['bare'] as const;

function isJudged(shot: Shot): boolean {
  return isCounted(shot) && (shot.arrow === 'bare' || shot.arrow === 'fletched');
}

function countOf(shots: readonly Shot[], arrow: Shot['arrow']): number {
  return shots.filter((shot) => shot.arrow === arrow && isCounted(shot)).length;
}

function isNeverMixed(shots: readonly Shot[]): boolean {
  const endsOfKind = (arrow: Shot['arrow']) =>
    new Set(
      shots.filter((shot) => shot.arrow === arrow && isCounted(shot)).map((one) => one.endNumber),
    );
  const [fletched, bare] = [endsOfKind('fletched'), endsOfKind('bare')];
  return fletched.size > 0 && bare.size > 0 && ![...bare].some((end) => fletched.has(end));
}

function isScattered(outward: AxisVerdict, up: AxisVerdict): boolean {
  if (outward.posterior === null || up.posterior === null) return false;
  const odds = jointFactorOdds(outward.posterior, up.posterior);
  const wide = odds.reduce(
    (sum, share, index) => (SCATTER_FACTORS[index]! >= SCATTERED_FROM ? sum + share : sum),
    0,
  );
  return wide >= SCATTERED_AT;
}
