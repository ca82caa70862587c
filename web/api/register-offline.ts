/** Keeps the program in the browser for the shooting line; without it everything else still works. */
export function keepForOffline(): void {
  if (!('serviceWorker' in navigator) || import.meta.env.DEV) return;
  window.addEventListener('load', () => {
    navigator.serviceWorker.register('/service-worker.js').catch(() => {
      // Some browsers refuse in private windows: then a reload needs the server, as before.
    });
  });
}
