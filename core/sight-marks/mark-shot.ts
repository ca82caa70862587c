/** One end shot at one distance with one aim: what was set, and where it landed. */
export interface MarkShot {
  readonly distanceM: number;
  /** Sight: reading of the scale. Point: where the point was held above the mark, mm. Crawl: mm below the nock. */
  readonly set: number;
  /** Mean of its shots above the mark, mm. */
  readonly upMm: number;
  readonly shots: number;
  /** Sum of squares about that mean, mm². */
  readonly squaresMm2: number;
  /** How many changes of the tune lie between it and now. */
  readonly changesSince: number;
}
