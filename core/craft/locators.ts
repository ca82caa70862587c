/** A common centre serving, mm; stands in until the thread is measured. Rule of thumb. */
export const USUAL_SERVING_THREAD_MM = 0.5;
/** Room between nock and each locator, so that the nock is not pinched at full draw, mm. */
const NOCK_CLEARANCE_MM = 0.5;

/** Serving threads lie between 0.010 and 0.035 in. */
const THREAD_MM = { low: 0.254, high: 0.889 } as const;

type ServingThread =
  | { readonly kind: 'thread'; readonly mm: number }
  /** Not a thread anybody serves with: what was probably meant. */
  | { readonly kind: 'asks'; readonly says: string; readonly typed: string };

/**
 * A serving thread's diameter as typed. 0.19 in is a decimal slipped: asks for 0.019.
 *
 * @param amount null when what was typed is no number
 */
export function servingThreadMm(
  amount: { readonly mm: number; readonly typed: string } | null,
): ServingThread {
  if (amount !== null && amount.mm >= THREAD_MM.low && amount.mm <= THREAD_MM.high)
    return { kind: 'thread', mm: amount.mm };
  const slipped =
    amount === null ? null : [amount.mm / 10, amount.mm / 25.4, (amount.mm * 25.4) / 10];
  const meant = slipped?.find((mm) => mm >= THREAD_MM.low && mm <= THREAD_MM.high) ?? 0.5;
  return {
    kind: 'asks',
    says: 'Serving threads are 0.010 to 0.035 in thick. Did you mean',
    typed: `${(meant / 25.4).toFixed(3)} in`,
  };
}

/**
 * Turns of a tied locator for a move along the serving: it climbs one serving thread a turn, like a
 * nut on a bolt.
 *
 * @param moveMm how far, up positive
 * @param servingThreadMm diameter of the serving thread, 0.25 to 0.9 mm
 * @throws RangeError outside that
 */
export function locatorTurns(moveMm: number, servingThreadMm: number): number {
  if (!(servingThreadMm >= 0.25 && servingThreadMm <= 0.9))
    throw new RangeError(`locatorTurns: a serving thread of ${servingThreadMm} mm`);
  return moveMm / servingThreadMm;
}

/**
 * The gap to leave between two locators: the nock's outside height and a clearance at either side.
 *
 * @param nockHeightMm outside height of the nock at the string
 */
export function locatorGapMm(nockHeightMm: number): number {
  return nockHeightMm + 2 * NOCK_CLEARANCE_MM;
}

/** What a nocking height depends on besides the locator. */
interface ShaftAndNock {
  readonly shaftDiameterMm: number;
  readonly nockHeightMm: number;
}

/**
 * Arrow slope height: how far the nock's centre stands above the shaft's. Nocking height less half
 * the nock's outside height less half the shaft's diameter; tail high positive.
 */
export function arrowSlopeMm(nockingHeightMm: number, arrow: ShaftAndNock): number {
  return nockingHeightMm - (arrow.nockHeightMm + arrow.shaftDiameterMm) / 2;
}

/** The nocking height at which another arrow stands at the same slope. */
export function slopeEquivalentMm(
  nockingHeightMm: number,
  from: ShaftAndNock,
  to: ShaftAndNock,
): number {
  return arrowSlopeMm(nockingHeightMm, from) + (to.nockHeightMm + to.shaftDiameterMm) / 2;
}
