import { CRAWL_NOCKING, CRAWL_SHORTENS, crawlTillerMm } from '../priors/crawl-priors.ts';
import { fixedGains, REFERENCE_DISTANCE_M } from '../priors/prior-gains.ts';
import type { MarkRow } from './marks-figures.ts';

/** Half of what lies nine times in ten, in standard deviations. */
const Z90 = 1.645;

/** A crawl at the distance it is shot at. */
interface CrawlAt {
  readonly distanceM: number;
  readonly crawlMm: number;
}

/** What walking the string to another crawl than the one it is tuned at does. */
export interface CrawlEffects {
  readonly deepest: CrawlAt;
  /** What the deepest would want, against the tuned crawl: tiller (top less bottom) and nocking height, mm. */
  readonly tillerMm: number;
  readonly nockingMm: number;
  /** With no crawl the arrow is drawn so much farther than with the deepest, mm. */
  readonly drawnFartherMm: number;
  /** Where bare shafts land against fletched, up, mm with half a 90 % interval: the deepest and the shallowest crawl. */
  readonly bareShafts: readonly (CrawlAt & {
    readonly upMm: number;
    readonly plusMinusMm: number;
  })[];
}

/**
 * Rules of thumb for a bow that walks the string. The crawl deepened asks for a higher nocking point; as
 * that stays where it is, bare shafts show it as they show a nocking point too low.
 *
 * @param tunedMm the crawl it is tuned at
 * @returns null where no crawl is known
 */
export function crawlEffects(rows: readonly MarkRow[], tunedMm: number): CrawlEffects | null {
  const crawls = rows
    .flatMap(({ distanceM, set }) =>
      set === null || set.high <= 0 ? [] : [{ distanceM, crawlMm: set.middle }],
    )
    .toSorted((one, other) => other.crawlMm - one.crawlMm);
  const [deepest] = crawls;
  const shallowest = crawls.at(-1);
  if (deepest === undefined || shallowest === undefined) return null;
  return {
    deepest,
    tillerMm: crawlTillerMm(deepest.crawlMm) - crawlTillerMm(tunedMm),
    nockingMm: CRAWL_NOCKING.perMm * (deepest.crawlMm - tunedMm),
    drawnFartherMm: CRAWL_SHORTENS * deepest.crawlMm,
    bareShafts: [...new Set([deepest, shallowest])].map((at) => ({
      ...at,
      ...wander(at, tunedMm),
    })),
  };
}

function wander({ distanceM, crawlMm }: CrawlAt, tunedMm: number) {
  const gain = fixedGains('bareShaftUp').get('nockingPoint');
  if (gain === undefined) throw new RangeError('bare shafts do not answer the nocking point');
  const { mean, sd } = gain;
  const tooLowMm = CRAWL_NOCKING.perMm * (crawlMm - tunedMm);
  const upMm = (-mean * tooLowMm * distanceM) / REFERENCE_DISTANCE_M;
  const share = Math.hypot(sd / mean, CRAWL_NOCKING.perMmSd / CRAWL_NOCKING.perMm);
  return { upMm, plusMinusMm: Z90 * share * Math.abs(upMm) };
}
