/** Whether the server answered when it was last asked. */
let away = false;
const listeners = new Set<() => void>();

export function noteServerAway(isAway: boolean): void {
  if (away === isAway) return;
  away = isAway;
  for (const listener of listeners) listener();
}

export function isServerAway(): boolean {
  return away;
}

export function subscribeServerAway(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
