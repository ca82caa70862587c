import { fetchFile } from '../api/fetch-file.ts';
import { nameOfFile, saveFile } from '../device/save-file.ts';

/**
 * Saves the workshop or one bow as a file.
 *
 * @returns what was saved, in words
 * @throws RefusedByServer, ServerAway
 */
export async function saveWorkshop(
  bow: { readonly bowId: string; readonly name: string } | null,
  now: Date,
): Promise<string> {
  const file = await fetchFile(
    bow === null ? '/api/workshop-file' : `/api/workshop-file?bow=${bow.bowId}`,
  );
  const what = bow === null ? 'workshop' : nameOfFile(bow.name);
  const name = `${what}-${now.toISOString().slice(0, 10)}.zip`;
  saveFile(name, 'application/zip', file);
  return `Saved ${name}, ${sizeWords(file.size)}.`;
}

function sizeWords(bytes: number): string {
  return bytes < 1e6 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
}
