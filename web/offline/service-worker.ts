/**
 * Keeps the program itself in the browser, so that a reload at the shooting line works with no
 * network. Only pages and their parts: the record is kept by the outbox and the last answers, which
 * know what was sent and what was not.
 */
declare const self: ServiceWorkerGlobalScope;

/** Filled in by the build: every part of the program, under names that change with their content. */
declare const __PROGRAM_PARTS__: readonly string[];

const PAGE = '/index.html';
const PARTS = __PROGRAM_PARTS__;
/** Another build has other parts, so another shelf: old and new never mix. */
const SHELF = `keen-limb-program-${PARTS.join('|').length}-${checksum(PARTS.join('|'))}`;

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(SHELF)
      .then((shelf) => shelf.addAll([PAGE, ...PARTS]))
      .then(() => self.skipWaiting()),
  );
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) =>
        Promise.all(
          names
            .filter((name) => name.startsWith('keen-limb-program-') && name !== SHELF)
            .map((name) => caches.delete(name)),
        ),
      )
      .then(() => self.clients.claim()),
  );
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== 'GET' || origin !== self.location.origin) return;
  if (request.mode === 'navigate') {
    event.respondWith(ourPage(request));
  } else if (PARTS.includes(pathname)) {
    event.respondWith(
      caches.match(pathname, { cacheName: SHELF }).then((kept) => kept ?? fetch(request)),
    );
  }
});

/** By this the server's own page is known from whatever else may answer in its place. */
declare const __BUILD_HEADER__: string;
/** Longer is too long for somebody with an arrow on the string. */
const PATIENCE_MS = 4000;

/**
 * The server's page when it answers; else the one kept here, whatever else was answered: a proxy's
 * fault, a guest network's page, or nothing for too long.
 */
async function ourPage(request: Request): Promise<Response> {
  try {
    const answer = await fetch(request, { signal: AbortSignal.timeout(PATIENCE_MS) });
    if (answer.ok && answer.headers.has(__BUILD_HEADER__)) return answer;
    return (await kept(PAGE)) ?? answer;
  } catch {
    return (await kept(PAGE)) ?? Response.error();
  }
}

function kept(path: string): Promise<Response | undefined> {
  return caches.match(path, { cacheName: SHELF });
}

/** A short name for a text: differs when the text does. */
function checksum(text: string): string {
  let sum = 5381;
  for (const character of text) sum = (Math.imul(sum, 33) ^ character.charCodeAt(0)) >>> 0;
  return sum.toString(36);
}

/** Makes this a module, so that `self` can be named what it is. */
export {};
