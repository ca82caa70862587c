import { resolve } from 'node:path';
import { serveRecord, type ServeOptions } from './serve-record.ts';

/**
 * Opens the record and serves it until a signal comes.
 *
 * @throws StartFault
 */
export async function serveCommand(options: Omit<ServeOptions, 'pagesDir'>): Promise<void> {
  const pagesDir = resolve(import.meta.dirname, '../web');
  const { port, end } = await serveRecord({ ...options, pagesDir });
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.on(signal, () => {
      void end().then(() => process.exit(0));
    });
  // Said last: who reads it may send a signal at once.
  console.log(`Keen Limb is at http://localhost:${port}`);
  console.log(`Data: ${options.file}`);
}
