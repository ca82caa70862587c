import { showButtInterval, showNumber } from '../../quantity/show.ts';
import { crawlEffects } from '../../sight-marks/crawl-effects.ts';
import type { MarksEvidence } from '../../sight-marks/marks-evidence.ts';
import type { MarksFigures } from '../../sight-marks/marks-figures.ts';
import { distanceWords } from './distance-words.ts';

/** What the deepest crawl does to the bow, what bare shafts show of it, and what is looked at before it is shot. */
export function crawlSays(
  { tunedCrawlMm }: Pick<MarksEvidence, 'tunedCrawlMm'>,
  { rows }: MarksFigures,
  unit: 'm' | 'yd',
): readonly string[] {
  const effects = crawlEffects(rows, tunedCrawlMm ?? 0);
  if (effects === null) return [];
  const { deepest, tillerMm, nockingMm, drawnFartherMm, bareShafts } = effects;
  const mm = (size: number) => showNumber(Math.abs(size), 0);
  const than = tunedCrawlMm === null ? 'no crawl' : `the ${mm(tunedCrawlMm)} mm it is tuned at`;
  const wander = bareShafts
    .filter(({ upMm }) => Math.abs(upMm) >= LEAST_WANDER_MM)
    .map(
      ({ crawlMm, distanceM, upMm, plusMinusMm }) =>
        `${showButtInterval(upMm, plusMinusMm, 'cm')} ${upMm > 0 ? 'high' : 'low'} with ${mm(crawlMm)} mm at ${distanceWords(distanceM, unit)}`,
    );
  return [
    `Deepest ${mm(deepest.crawlMm)} mm, at ${distanceWords(deepest.distanceM, unit)}: against ${than} it would want about ${mm(tillerMm)} mm ${tillerMm < 0 ? 'less' : 'more'} tiller and ${mm(nockingMm)} mm ${nockingMm < 0 ? 'less' : 'more'} nocking height. Tune at the crawl used most.`,
    ...(tunedCrawlMm === null
      ? [
          'Type cr and the crawl it is tuned at: then it is said how far bare shafts wander at the others.',
        ]
      : wander.length === 0
        ? []
        : [
            `Bare shafts, by rule of thumb: ${wander.join(', ')}. That is the crawl, not the tune.`,
          ]),
    `Without a crawl the arrow is drawn some ${mm(drawnFartherMm)} mm farther than with the deepest: measure its safe length without one.`,
    'Before a deeper crawl is shot: the tail clears face and shelf, and the point still lies in front of the rest at full draw. A touch of either is a stop.',
  ];
}

/** Less than this no archer sees, mm. */
const LEAST_WANDER_MM = 5;
