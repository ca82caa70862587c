/** Does something once the page has nothing better to do, within a second at the latest. */
export function whenIdle(act: () => void): void {
  if ('requestIdleCallback' in window) requestIdleCallback(act, { timeout: 1000 });
  else setTimeout(act, 200);
}
