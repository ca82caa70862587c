const KEY = 'keen-limb.last-bow';

/** The bow this browser worked on last: where the Bench and Range tabs lead. */
export function lastBowId(): string | null {
  return localStorage.getItem(KEY);
}

export function rememberBow(bowId: string): void {
  localStorage.setItem(KEY, bowId);
}
