const KEY = 'keen-limb.tuner';

/** Who is at the bench; written into every entry. */
export function tunerName(): string {
  return localStorage.getItem(KEY)?.trim() || 'Tuner';
}

export function setTunerName(name: string): void {
  localStorage.setItem(KEY, name);
}
