import type { ImportProgress } from '#contract/file-import.ts';

/** Progress is told this often at most. */
const TELL_EVERY_MS = 100;

/** Progress as a line now and then, however often it is reported. */
export function tellingProgress(
  tell: (says: { readonly kind: 'progress'; readonly progress: ImportProgress }) => void,
): (progress: ImportProgress) => void {
  let toldMs = 0;
  return (progress) => {
    if (Date.now() - toldMs < TELL_EVERY_MS) return;
    toldMs = Date.now();
    tell({ kind: 'progress', progress });
  };
}
