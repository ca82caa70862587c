import { ownLogResponseSchema } from '#contract/entry.ts';
import { ENTRY_VERSION } from '#contract/entry-version.ts';
import { setAsideResponseSchema } from '#contract/set-aside.ts';
import { request } from '../api/http.ts';
import { saveFile } from '../device/save-file.ts';
import { timeNow } from '../device/device-time.ts';

/** Entries as a file in the browser's own downloads. */
export function saveEntries(entries: readonly unknown[], name: string): void {
  const text = JSON.stringify({ version: ENTRY_VERSION, entries }, null, 2);
  const day = new Date(timeNow()).toISOString().slice(0, 10);
  saveFile(`keen-limb-${name}-${day}.json`, 'application/json', text);
}

/**
 * What of a bow cannot be read on the server, as a file.
 *
 * @throws ServerAway
 */
export async function saveSetAside(bowId: string): Promise<void> {
  const { entries } = await request(`/api/bows/${bowId}/set-aside`, setAsideResponseSchema);
  saveEntries(entries, 'set-aside');
}

/**
 * All of a bow as a file: what can be read, and what cannot as it was found.
 *
 * @throws ServerAway
 */
export async function saveWholeBow(bowId: string): Promise<void> {
  const log = await request(`/api/bows/${bowId}/entries`, ownLogResponseSchema);
  const { entries } = await request(`/api/bows/${bowId}/set-aside`, setAsideResponseSchema);
  saveEntries([...log.entries, ...entries], 'bow');
}
