/**
 * Fetching and compiling every part of the program must not stand in the way of the bow somebody
 * opens first; nobody is at the shooting line this soon.
 */
const AFTER_MS = 4000;

/** Keeps the program in the browser for the shooting line; without it everything else still works. */
export function keepForOffline(): void {
  if (!('serviceWorker' in navigator) || import.meta.env.DEV) return;
  window.addEventListener('load', () => {
    setTimeout(() => {
      navigator.serviceWorker.register('/service-worker.js').catch(() => {
        // Some browsers refuse in private windows: then a reload needs the server, as before.
      });
    }, AFTER_MS);
  });
}
