/** What was remembered while the browser lets nothing be kept: gone with the page. */
const inPage = new Map<string, string>();

/** The browser's own small storage; null where it is forbidden, which only asking tells. */
function storage(): Storage | null {
  try {
    return window.localStorage;
  } catch {
    return null;
  }
}

/** What this browser remembers under a name; null: nothing. */
export function remembered(name: string): string | null {
  try {
    return inPage.get(name) ?? storage()?.getItem(name) ?? null;
  } catch {
    return inPage.get(name) ?? null;
  }
}

/**
 * Remembers it for as long as this browser allows: at least for the life of the page. Looks and habits;
 * an entry only on its way from one page to the next.
 *
 * @returns whether it outlives the page
 */
export function remember(name: string, value: string): boolean {
  try {
    const kept = storage();
    if (kept !== null) {
      kept.setItem(name, value);
      return true;
    }
  } catch {
    // Full, or forbidden only for writing.
  }
  inPage.set(name, value);
  return false;
}

export function forget(name: string): void {
  inPage.delete(name);
  try {
    storage()?.removeItem(name);
  } catch {
    // Where nothing may be kept nothing need be forgotten.
  }
}

/** Names that begin so, of what is really kept. */
export function rememberedNames(prefix: string): readonly string[] {
  const kept = storage();
  if (kept === null) return [];
  return Array.from({ length: kept.length }, (_, at) => kept.key(at)).flatMap((name) =>
    name?.startsWith(prefix) === true ? [name] : [],
  );
}
