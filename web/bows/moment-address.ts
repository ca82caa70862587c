/** The name of the moment in an address: the bow as it was then, and not as it is. */
const MOMENT = 'at';

/** The address of a view of a bow as it was at a moment. */
export function asItWas(path: string, momentMs: number): string {
  return `${path}?${MOMENT}=${new Date(momentMs).toISOString()}`;
}

/** The moment an address names, ms since 1970; null: now. What is no moment is told from none: NaN. */
export function momentIn(params: URLSearchParams): number | null {
  const at = params.get(MOMENT);
  return at === null ? null : Date.parse(at);
}
