import { remember, remembered } from '../device/device-store.ts';
const KEY = 'keen-limb.last-bow';

/** The bow this browser worked on last: where the Bench and Range tabs lead. */
export function lastBowId(): string | null {
  return remembered(KEY);
}

export function rememberBow(bowId: string): void {
  remember(KEY, bowId);
}
