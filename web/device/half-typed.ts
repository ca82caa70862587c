/** What stands in the entry line and is not stored: kept over the fetching of a new version. */
const KEY = 'keen-limb.half-typed';

let typed = '';

export function noteTyped(text: string): void {
  typed = text;
}

/** What was half typed when the page was fetched anew; given once. */
export function takeHalfTyped(): string {
  try {
    const text = sessionStorage.getItem(KEY) ?? '';
    sessionStorage.removeItem(KEY);
    return text;
  } catch {
    return '';
  }
}

/** Fetches the page anew, with what is half typed. */
export function takeNewVersion(): void {
  try {
    sessionStorage.setItem(KEY, typed);
  } catch {
    // Then it is typed again.
  }
  window.location.reload();
}
