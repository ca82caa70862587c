/** Fetching every part of the program must not stand in the way of the page somebody opens. */
const AFTER_MS = 1000;

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
