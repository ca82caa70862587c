const SHELF = 'keen-limb-answers';

/** The last answer to a question, and what was added to it by later answers to other questions. */
interface Kept {
  readonly answer: unknown;
  readonly additions: readonly unknown[];
}

/**
 * Remembers what the server last said, for when it cannot be asked.
 *
 * @param answer the bytes it came in: writing a long log out again would take longer than folding it
 * @param holds whether the answer already holds the addition of this name, which then can go
 */
export async function keepAnswer(
  path: string,
  answer: ArrayBuffer,
  holds: (addition: string) => boolean,
): Promise<void> {
  await onShelf(async (shelf) => {
    await shelf.put(path, new Response(answer));
    for (const { url } of await shelf.keys(path, { ignoreSearch: true })) {
      const addition = new URL(url).searchParams.get('more');
      if (addition !== null && holds(addition)) await shelf.delete(url);
    }
  });
}

/** Remembers an addition to the last answer: small, where the answer may be large. */
export async function keepAddition(path: string, name: string, addition: unknown): Promise<void> {
  await onShelf((shelf) =>
    shelf.put(`${path}?more=${name}`, new Response(JSON.stringify(addition))),
  );
}

/** The last answer to the same question with its additions; null when there was none. */
export async function lastAnswer(path: string): Promise<Kept | null> {
  if (!('caches' in window)) return null;
  const shelf = await caches.open(SHELF);
  const kept = await shelf.match(path);
  if (kept === undefined) return null;
  const additions: unknown[] = [];
  for (const request of await shelf.keys(path, { ignoreSearch: true })) {
    if (!new URL(request.url).searchParams.has('more')) continue;
    additions.push(await (await shelf.match(request))?.json());
  }
  return { answer: await kept.json(), additions };
}

async function onShelf(act: (shelf: Cache) => Promise<void>): Promise<void> {
  if (!('caches' in window)) return;
  try {
    await act(await caches.open(SHELF));
  } catch {
    // A full disk must not stand between the tuner and the answer that did come.
  }
}
