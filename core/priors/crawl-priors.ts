/**
 * Tiller at which both tips travel alike with the riser held upright, by the crawl, mm: worked out for a
 * 68 in bow from limbs as elastic curves. Interpolated, and carried on beyond 45 mm by the last slope.
 */
const CRAWL_TILLER_MM: readonly (readonly [crawlMm: number, tillerMm: number])[] = [
  [0, 1],
  [25, -5],
  [45, -10],
];
export const CRAWL_TILLER_HALF_MM = 3;
/** Nocking height by the crawl, mm: bows differ by 1.5 either way, one standard deviation. */
export const CRAWL_NOCKING = { atNoneMm: 6, perMm: 0.1, perMmSd: 0.05, halfMm: 2.5 } as const;

export function crawlTillerMm(crawlMm: number): number {
  const [first, middle, last] = CRAWL_TILLER_MM as readonly [
    readonly [number, number],
    readonly [number, number],
    readonly [number, number],
  ];
  const [from, to] = crawlMm <= middle[0] ? [first, middle] : [middle, last];
  return from[1] + ((crawlMm - from[0]) / (to[0] - from[0])) * (to[1] - from[1]);
}

/**
 * Of a millimetre of crawl the nock stands so much farther forward than the hook at full draw: half the
 * string leans by some 30 degrees from upright, and the nock lies up along it.
 */
export const CRAWL_SHORTENS = 0.5;
