import { medianOf, squaresAboutMean } from '../numeric/moments.ts';

/** One shaft of a lot as it was weighed and spun; null where nobody looked. */
export interface WeighedShaft {
  readonly shaft: string;
  readonly massG: number;
  /** Thousandths of an inch. */
  readonly spine: number | null;
  readonly runOutMm: number | null;
}

/** What a difference costs at the butt, mm for one unit: what is looked at, and how much it counts. */
export interface SpreadCosts {
  readonly mmPerG: number;
  readonly mmPerSpine: number;
  readonly mmPerRunOutMm: number;
}

/** How much each counts in the choice beside what it costs: 1 as it costs, 0 not at all. */
export interface ChoiceWeights {
  readonly mass: number;
  readonly spine: number;
  readonly runOut: number;
}
export const AS_IT_COSTS: ChoiceWeights = { mass: 1, spine: 1, runOut: 1 };

export interface MatchedSet {
  /** In the order they came. */
  readonly shafts: readonly string[];
  /** Root mean square of what the differences inside the set cost at the butt, mm. */
  readonly spreadMm: number;
  /** Shafts of the whole lot that lie far from the rest. */
  readonly outliers: readonly string[];
}

/** Up to so many sets are tried one by one; of more, each shaft's neighbours are bettered by exchange. */
const MOST_TRIED = 20_000;
/** Farther than this from the middle of the lot, in robust spreads, is not of the lot. */
const OUTLIER_SPREADS = 3.5;
/** Median distance from the middle, of a normal distribution, in standard deviations. */
const MEDIAN_DISTANCE = 0.6745;

/**
 * The shafts of a lot that shoot most alike: the set whose squares about its own mean, in mm at the butt, are
 * smallest. What was measured of some shafts only is not compared; straightness counts from nought.
 *
 * @param count how many, 2 to the size of the lot
 * @param weights what counts for more or less in the choice; the spread is always what it truly costs
 */
export function matchedSet(
  lot: readonly WeighedShaft[],
  count: number,
  costs: SpreadCosts,
  weights: ChoiceWeights = AS_IT_COSTS,
): MatchedSet {
  const places = placesOf(lot, {
    mmPerG: costs.mmPerG * weights.mass,
    mmPerSpine: costs.mmPerSpine * weights.spine,
    mmPerRunOutMm: costs.mmPerRunOutMm * weights.runOut,
  });
  const chosen =
    waysToChoose(lot.length, count) <= MOST_TRIED
      ? byTrial(places, count)
      : byExchange(places, count);
  return {
    shafts: chosen.toSorted((one, other) => one - other).map((at) => lot[at]!.shaft),
    spreadMm: Math.sqrt(squaresOf(placesOf(lot, costs), chosen) / count),
    outliers: outliersOf(lot),
  };
}

/** Where a shaft lies in mm at the butt: what is compared with the set's mean, and what with nought. */
interface Place {
  readonly aboutMean: readonly number[];
  readonly aboutNought: number;
}

function placesOf(lot: readonly WeighedShaft[], costs: SpreadCosts): readonly Place[] {
  const all = (of: (shaft: WeighedShaft) => number | null) => lot.every((one) => of(one) !== null);
  const hasSpine = all(({ spine }) => spine);
  const hasRunOut = all(({ runOutMm }) => runOutMm);
  return lot.map(({ massG, spine, runOutMm }) => ({
    aboutMean: [costs.mmPerG * massG, hasSpine ? costs.mmPerSpine * spine! : 0],
    aboutNought: hasRunOut ? costs.mmPerRunOutMm * runOutMm! : 0,
  }));
}

/** Squares about the set's own mean, and about nought. */
function squaresOf(places: readonly Place[], chosen: readonly number[]): number {
  let squares = 0;
  for (const axis of [0, 1]) {
    squares += squaresAboutMean(chosen.map((at) => places[at]!.aboutMean[axis]!));
  }
  return squares + chosen.reduce((sum, at) => sum + places[at]!.aboutNought ** 2, 0);
}

function waysToChoose(from: number, count: number): number {
  let ways = 1;
  for (let one = 1; one <= count; one += 1) ways *= (from - count + one) / one;
  return ways;
}

/** Every set there is. */
export function byTrial(places: readonly Place[], count: number): readonly number[] {
  let best: readonly number[] = [];
  let least = Number.POSITIVE_INFINITY;
  const add = (chosen: readonly number[], from: number): void => {
    if (chosen.length === count) {
      const squares = squaresOf(places, chosen);
      if (squares < least) [best, least] = [chosen, squares];
      return;
    }
    const last = places.length - (count - chosen.length);
    for (let at = from; at <= last; at += 1) add([...chosen, at], at + 1);
  };
  add([], 0);
  return best;
}

/** From each shaft's nearest neighbours, one is exchanged for another as long as that betters the set. */
export function byExchange(places: readonly Place[], count: number): readonly number[] {
  let best: readonly number[] = [];
  let least = Number.POSITIVE_INFINITY;
  for (const middle of places) {
    const bettered = exchanged(places, nearestTo(places, middle, count));
    const squares = squaresOf(places, bettered);
    if (squares < least) [best, least] = [bettered, squares];
  }
  return best;
}

function nearestTo(places: readonly Place[], { aboutMean }: Place, count: number): number[] {
  const far = (at: number) => {
    const place = places[at]!;
    return (
      (place.aboutMean[0]! - aboutMean[0]!) ** 2 +
      (place.aboutMean[1]! - aboutMean[1]!) ** 2 +
      place.aboutNought ** 2
    );
  };
  return places
    .map((_, at) => at)
    .toSorted((one, other) => far(one) - far(other))
    .slice(0, count);
}

/** The best exchange again and again, until none betters the set. */
function exchanged(places: readonly Place[], first: readonly number[]): readonly number[] {
  let chosen = first;
  let least = squaresOf(places, chosen);
  for (;;) {
    let better: readonly number[] | null = null;
    for (const [at] of chosen.entries())
      for (const [other] of places.entries()) {
        if (chosen.includes(other)) continue;
        const candidate = chosen.with(at, other);
        const squares = squaresOf(places, candidate);
        if (squares < least - 1e-9) [better, least] = [candidate, squares];
      }
    if (better === null) return chosen;
    chosen = better;
  }
}

function outliersOf(lot: readonly WeighedShaft[]): readonly string[] {
  const far = (of: (shaft: WeighedShaft) => number | null) => {
    const known = lot.map(of).filter((one) => one !== null);
    if (known.length < 3) return () => false;
    const middle = medianOf(known);
    const spread = medianOf(known.map((one) => Math.abs(one - middle))) / MEDIAN_DISTANCE;
    return (shaft: WeighedShaft) => {
      const value = of(shaft);
      return value !== null && spread > 0 && Math.abs(value - middle) > OUTLIER_SPREADS * spread;
    };
  };
  const tests = [far(({ massG }) => massG), far(({ spine }) => spine)];
  return lot.filter((one) => tests.some((isFar) => isFar(one))).map(({ shaft }) => shaft);
}
