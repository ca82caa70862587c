/** What a shaft is made of: how it is cut, looked over and weighed depends on it. */
export const SHAFT_MATERIALS = ['carbon', 'aluminium', 'wood'] as const;

export const FLETCHING_KINDS = ['feather', 'vane'] as const;

/** A tube or stick as it is bought, and how long it was cut. */
interface ArrowShaft {
  readonly material: (typeof SHAFT_MATERIALS)[number];
  /** Static spine: thousandths of an inch it sags on a 28 in span under 1.94 lb. */
  readonly spine: number;
  readonly massPerLengthGPerM: number;
  /** Outer diameter where it meets the point, and where it meets the nock; a tapered shaft has two. */
  readonly diameterAtPointMm: number;
  readonly diameterAtNockMm: number;
  readonly fullLengthMm: number;
  /** From the throat of the nock to the end of the shaft, without the point. */
  readonly lengthMm: number;
}

/** Something in or on the front of the shaft, of a length of its own. */
export interface FrontPart {
  readonly massG: number;
  readonly lengthMm: number;
}

interface ArrowPoint {
  readonly massG: number;
  /** Its centre of gravity, in front of the end of the shaft; behind it negative. */
  readonly centreInFrontMm: number;
}

interface ArrowNock {
  readonly massG: number;
  /** Across the outside where the string lies, mm: it sets the nocking height with the shaft. */
  readonly outsideHeightMm: number;
}

interface Fletching {
  readonly kind: (typeof FLETCHING_KINDS)[number];
  readonly count: number;
  readonly massEachG: number;
  readonly lengthMm: number;
  /** From the throat of the nock to its rear end. */
  readonly fromThroatMm: number;
}

interface Wrap {
  readonly massG: number;
  readonly lengthMm: number;
  readonly fromThroatMm: number;
}

/** One arrow, part by part; null where it has none. */
export interface ArrowBuild {
  readonly shaft: ArrowShaft;
  readonly point: ArrowPoint;
  /** Inside the front of the shaft, ending with it. */
  readonly insert: FrontPart | null;
  /** A ring over the front end of the shaft. */
  readonly collar: FrontPart | null;
  /** A sleeve over the shaft behind its front end, or hardwood spliced into it. */
  readonly footing: FrontPart | null;
  readonly nock: ArrowNock;
  readonly fletching: Fletching | null;
  readonly wrap: Wrap | null;
}
