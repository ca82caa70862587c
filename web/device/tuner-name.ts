import { remember, remembered } from './device-store.ts';
const KEY = 'keen-limb.tuner';

/** Who is at the bench; written into every entry. */
export function tunerName(): string {
  return remembered(KEY)?.trim() || 'Tuner';
}

export function setTunerName(name: string): void {
  remember(KEY, name);
}
