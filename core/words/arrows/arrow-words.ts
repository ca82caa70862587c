import type { BuildCaution } from '../../arrows/build-cautions.ts';
import type { NumberedShaft } from '../../arrows/numbered-shafts.ts';
import type { Match, MatchModel } from '../../arrows/match-model.ts';
import type { WayToMatch } from '../../arrows/ways-to-match.ts';
import { poundsOfSpine } from '../../arrows/static-spine.ts';
import type { ArrowBuild } from '../../craft/arrow-build.ts';
import { CAUTIONS } from '../../craft/cautions.ts';
import { upperFirst } from '../../craft/letter-case.ts';
import type { SafeLengthRule } from '../../limits/safe-length.ts';
import { type LengthStyle, showButtInterval, showLength, showNumber } from '../../quantity/show.ts';
import { fromStored } from '../../quantity/units.ts';

/** A caution of a build as it is said; `stop` where the arrow must not be shot so. */
export interface SaidCaution {
  readonly says: string;
  readonly stop: boolean;
}

const RULE_WORDS: Readonly<Record<SafeLengthRule, string>> = {
  clicker: 'in front of the rest, with a clicker',
  plain: 'in front of the riser',
  broadhead: 'in front of the riser, with a broadhead',
};

/** What must be said of a build on this bow. */
export function buildCautionWords(caution: BuildCaution, style: LengthStyle): SaidCaution {
  switch (caution.kind) {
    case 'tooShort':
      return {
        stop: true,
        says: `${showLength(caution.shortMm, style)} too short: ${showLength(caution.leastMm, style)} is the least that stays ${RULE_WORDS[caution.rule]} at the longest draw. Too short, it can fall behind the rest and into the hand.`,
      };
    case 'tooSoft':
      return {
        stop: true,
        says: `${showNumber(caution.stepsSoft, 1)} steps softer than where this bow begins (spine ${showNumber(caution.startingSpine, 0)}): it can break. Not before the shaft maker’s own chart allows it.`,
      };
    case 'dryShot':
      return {
        stop: true,
        says: `${grains(caution.massG)}; under ${grains(caution.leastG)} on this bow a shot is a dry shot. Not to be shot.`,
      };
    case 'tooLight':
      return {
        stop: true,
        says: `${grains(caution.massG)}; nothing under ${grains(caution.leastG)} is proposed on this draw weight. Too light is the same as a dry shot.`,
      };
    case 'light':
      return {
        stop: false,
        says: `Light for this bow: ${grains(caution.massG)}; from ${grains(caution.leastG)} on it is easier on the limbs.`,
      };
    case 'weightUnknown':
      return {
        stop: false,
        says: 'Nobody has weighed this bow: whether the arrow is heavy enough, and stiff enough, cannot be said. Enter w first.',
      };
    case 'drawUnknown':
      return {
        stop: false,
        says: 'The longest draw is not known: nothing is cut, and whether it is long enough cannot be said. Enter dl first.',
      };
    case 'flexCarbon':
      return { stop: false, says: CAUTIONS.shafts };
  }
}

/**
 * How an arrow suits the bow: the side first, then how far, then by what that is known. Never “right” for good: here
 * that is a side.
 */
export function matchWords(match: Match, unit: 'cm' | 'in'): string {
  const { outwardMm, plusMinusMm, stiff, inside } = match;
  if (inside >= MOST_LIKELY) return 'Its bare shafts land as they should.';
  const figure = showButtInterval(outwardMm, plusMinusMm, unit);
  const side = outwardMm > 0 ? 'stiff' : 'weak';
  return Math.max(stiff, 1 - stiff) >= SIDE_LIKELY
    ? `${upperFirst(side)} by ${figure} at 18 m.`
    : `Stiff or weak cannot be told: ${side} by ${figure} at 18 m.`;
}
const MOST_LIKELY = 0.8;
const SIDE_LIKELY = 0.9;

/** By what it is known, and how wide that makes it. */
export function matchSourceWords(source: MatchModel['source']): string {
  return source === 'table'
    ? 'By the starting table, weight and parts: a wide guess, a step or two of spine either way. Bare shafts of an arrow whose parts are known narrow it.'
    : 'By the bare shafts of this bow, and what its parts change: each arrow shot counts for the next.';
}

/** What must change for it to land as it should, in one sentence. */
export function waysToMatchWords(
  ways: readonly WayToMatch[],
  material: ArrowBuild['shaft']['material'],
  style: LengthStyle,
): string {
  if (ways.length === 0) return 'Nothing must change.';
  if (ways.some(({ kind }) => kind === 'shoot'))
    return 'Shoot it bare before anything is changed: stiff or weak is not known yet.';
  if (ways.some(({ kind }) => kind === 'none'))
    return 'No one change would do without making it too short, too soft or too light for this bow: look at which shaft to buy.';
  const said = ways.map((way) => {
    switch (way.kind) {
      case 'point':
        return `a point of ${Math.round(fromStored(way.pointG, 'gr') / 5) * 5} gr`;
      case 'cut':
        return `about ${showLength(way.cutMm, style)} cut off, in steps`;
      case 'longer':
        return `another shaft of this spine, left ${showLength(way.moreMm, style)} longer`;
      case 'shoot':
      case 'none':
        return '';
      case 'spine':
        return `a shaft of ${spineWords(way.spine, material)}`;
    }
  });
  const [last] = said.slice(-1);
  const rest = said.slice(0, -1);
  return `It would land as it should with ${rest.length === 0 ? '' : `${rest.join(', ')} or `}${last ?? ''}.`;
}

/** Wood goes by pounds. */
function spineWords(spine: number, material: ArrowBuild['shaft']['material']): string {
  return material === 'wood'
    ? `${showNumber(poundsOfSpine(spine), 0)} lb`
    : `spine ${roundSpine(spine)}`;
}

/** A spine of a table is good to ten. */
function roundSpine(spine: number): string {
  return showNumber(Math.round(spine / 10) * 10, 0);
}

/** A numbered arrow that weighs something else than what it is made of. */
export function shaftApartWords({ apartG }: Pick<NumberedShaft, 'apartG'>): string {
  if (apartG === null) return '';
  return `${grains(Math.abs(apartG))} ${apartG > 0 ? 'over' : 'under'} what its parts come to: another point?`;
}

function grains(massG: number): string {
  return `${showNumber(fromStored(massG, 'gr'), 0)} gr`;
}
