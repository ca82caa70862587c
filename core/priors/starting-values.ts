import {
  type BowKind,
  type BraceReference,
  type Hook,
  type Purpose,
  type School,
} from '../craft/bow-terms.ts';
import { CRAWL_NOCKING, CRAWL_TILLER_HALF_MM, crawlTillerMm } from './crawl-priors.ts';

/** A closed range in the stored unit, with where it comes from and why. */
export interface StartingBand {
  readonly low: number;
  readonly high: number;
  readonly source: 'rule of thumb';
  readonly why: string;
}

/** What a bow is, as far as starting values depend on it. */
export interface StartingFrom {
  readonly bowKind: BowKind;
  readonly amoLengthIn: number;
  readonly hook: Hook;
  readonly school: School;
  readonly purpose: Purpose;
  /** How far below the nock the hook stands, mm; absent where nobody has said. */
  readonly crawlMm?: number | undefined;
}

const TARGET_RECURVE_BRACE: readonly (readonly [number, number, number])[] = [
  [62, 205, 216],
  [64, 205, 216],
  [66, 210, 222],
  [68, 216, 232],
  [70, 222, 238],
];
const TAKEDOWN_BRACE: readonly (readonly [number, number, number])[] = [
  [58, 165, 190],
  [60, 190, 210],
  [62, 190, 210],
];
const LONGBOW_BRACE = [155, 180] as const;

/** How far beyond the table's band the brace may go when the maker gives no range, mm. */
export const BRACE_LIMIT_MARGIN_MM = 6;

/**
 * Brace height to the grip throat for a bow whose maker gives none: typical bands by kind and
 * length, interpolated between the table's lengths and held flat beyond its ends.
 *
 * @param amoLengthIn nominal length, 40 to 80 in
 * @throws RangeError outside that
 */
export function startingBraceBand(bowKind: BowKind, amoLengthIn: number): StartingBand {
  if (!(amoLengthIn >= 40 && amoLengthIn <= 80)) {
    throw new RangeError(`startingBraceBand: a bow of ${amoLengthIn} in is outside 40 to 80 in`);
  }
  const [low, high] =
    bowKind === 'longbow'
      ? LONGBOW_BRACE
      : interpolate(
          bowKind === 'targetRecurve' ? TARGET_RECURVE_BRACE : TAKEDOWN_BRACE,
          amoLengthIn,
        );
  return {
    low,
    high,
    source: 'rule of thumb',
    why: `Typical for a ${amoLengthIn} in bow of this kind, to the throat. The maker’s range wins.`,
  };
}

function interpolate(
  rows: readonly (readonly [number, number, number])[],
  amoLengthIn: number,
): readonly [number, number] {
  let before = rows[0];
  if (before === undefined) throw new RangeError('interpolate: empty table');
  if (amoLengthIn <= before[0]) return [before[1], before[2]];
  for (const row of rows) {
    if (amoLengthIn <= row[0]) {
      const share = (amoLengthIn - before[0]) / (row[0] - before[0]);
      return [before[1] + share * (row[1] - before[1]), before[2] + share * (row[2] - before[2])];
    }
    before = row;
  }
  return [before[1], before[2]];
}

function around(middle: number, half: number, why: string): StartingBand {
  const round = (mm: number) => Math.round(2 * mm) / 2;
  return band(round(middle - half), round(middle + half), why);
}

/** Tiller, top less bottom, mm. */
export function startingTillerBand(from: StartingFrom): StartingBand {
  switch (from.school) {
    case 'sighted':
      return from.hook === 'split'
        ? band(
            3,
            6,
            'Split hook: the hand pulls above the bow’s centre. Some begin at 0 and tune by feel.',
          )
        : band(-2, 2, 'Three under: the hand pulls nearer the bow’s centre.');
    case 'barebow':
      return from.crawlMm === undefined
        ? band(-6, 0, 'A hook below the nock loads the bottom limb; deeper crawls want more.')
        : around(
            crawlTillerMm(from.crawlMm),
            CRAWL_TILLER_HALF_MM,
            `A crawl of ${Math.round(from.crawlMm)} mm loads the bottom limb: here both tips travel alike. Some begin at 0; how steady it sits on aim decides.`,
          );
    case 'shelfTarget':
    case 'shelfHunting':
      return from.hook === 'split'
        ? band(1, 5, 'Split hook, around +3; usually built in.')
        : band(-2, 2, 'Three under, around 0; usually built in.');
  }
}

/** Nocking height, lower edge of the upper locator above square, mm. */
export function startingNockingBand(from: StartingFrom): StartingBand {
  switch (from.school) {
    case 'sighted':
      return band(3, 6, 'Sight and clicker: 3 to 6 mm; thicker nocks up to 10.');
    case 'barebow':
      return from.crawlMm === undefined
        ? band(6, 12, 'String-walking: 6 mm and more; deeper crawls and fat shafts go higher.')
        : around(
            CRAWL_NOCKING.atNoneMm + CRAWL_NOCKING.perMm * from.crawlMm,
            CRAWL_NOCKING.halfMm,
            `6 mm at no crawl and about 1 more for each 10 mm: this is for ${Math.round(from.crawlMm)}. Fat shafts go higher; bare shafts decide.`,
          );
    case 'shelfTarget':
      return from.hook === 'split'
        ? band(10, 13, 'Off the shelf with a split hook: start high, come down.')
        : band(13, 19, 'Off the shelf, three under: start high, come down.');
    case 'shelfHunting':
      return band(
        13,
        19,
        'Off the shelf: start high so that the tail cannot bounce off the shelf.',
      );
  }
}

/** A longbow's shelf is seldom cut to the middle: the point stands this far outward, and no farther. */
const LONGBOW_OUTWARD_MM = 16;

/** Centre shot at the point, outward of the string plane, mm; needs the shaft's diameter. */
export function startingCentreShotBand(from: StartingFrom, shaftDiameterMm: number): StartingBand {
  const half = shaftDiameterMm / 2;
  if (from.bowKind === 'longbow')
    return band(
      -0.5,
      LONGBOW_OUTWARD_MM,
      'As the handle is cut and padded: a stiff shaft shows it, a weaker one bends round it.',
    );
  switch (from.school) {
    case 'sighted':
      return band(half - 0.5, half + 0.5, 'Point about half a shaft outward; walk-back decides.');
    case 'barebow':
      return band(-0.5, 1, 'Dead in line or a touch outward; walk-back decides.');
    case 'shelfTarget':
    case 'shelfHunting':
      return band(-0.5, half + 2, 'Set by the riser’s cut and the side plate.');
  }
}

function band(low: number, high: number, why: string): StartingBand {
  return { low, high, source: 'rule of thumb', why };
}

/** How a school measures, where it shoots bare shafts, and in which units. */
export interface SchoolHabits {
  readonly hook: Hook;
  readonly braceReference: BraceReference;
  readonly lengthUnit: 'in' | 'mm';
  readonly bareShaftDistanceM: number;
  readonly why: string;
}

export const SCHOOL_HABITS: Readonly<Record<School, SchoolHabits>> = {
  sighted: {
    hook: 'split',
    braceReference: 'plunger',
    lengthUnit: 'mm',
    bareShaftDistanceM: 18,
    why: 'Sight, clicker and plunger: nearly everything can be set on the bow.',
  },
  barebow: {
    hook: 'stringWalk',
    braceReference: 'plunger',
    lengthUnit: 'mm',
    bareShaftDistanceM: 18,
    why: 'The crawl used most is what the bow is tuned for.',
  },
  shelfTarget: {
    hook: 'threeUnder',
    braceReference: 'throat',
    lengthUnit: 'in',
    bareShaftDistanceM: 15,
    why: 'No plunger: twists and nocking point on the bow, the rest in the arrow.',
  },
  shelfHunting: {
    hook: 'threeUnder',
    braceReference: 'throat',
    lengthUnit: 'in',
    bareShaftDistanceM: 10,
    why: 'Quiet, forgiving, proved with the points it hunts with.',
  },
};

/** The school that fits most bows of a kind and purpose; the tuner may pick another. */
export function likelySchool(bowKind: BowKind, hook: Hook, purpose: Purpose): School {
  if (hook === 'stringWalk') return 'barebow';
  if (purpose === 'hunting') return 'shelfHunting';
  if (bowKind === 'targetRecurve') return hook === 'split' ? 'sighted' : 'barebow';
  return 'shelfTarget';
}

/** Half width of the bare-shaft tolerance at 18 m for a purpose, mm, before the archer's scatter. */
export function purposeToleranceMm(purpose: Purpose): number {
  switch (purpose) {
    case 'target':
    case 'field':
      return 20;
    case 'threeD':
      return 30;
    case 'hunting':
      return 40;
  }
}
