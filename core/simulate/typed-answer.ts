import { CODES } from '../entry-line/codes.ts';
import type { SimulatedBow } from './simulated-bow.ts';
import { typedReplicates } from './simulated-kit.ts';

/** Readings a tuner takes when a move asks for one. */
const REPLICATES = 3;

/** What the tuner of a simulated bow types when a move puts a code on the entry line. */
export function typedAnswer(bow: SimulatedBow, code: string, crawlMm: number): string {
  if (code === 'cr') return `cr ${crawlMm}`;
  if (code === 'tc') return `tc ${bow.twists}`;
  if (code === 'bo') return `bo ${bow.topTurnsOut} ${bow.bottomTurnsOut}`;
  const found = CODES.find((one) => one.code === code);
  if (found?.kind !== 'reading') throw new Error(`asked for ${code}`);
  return `${code} ${typedReplicates(bow, found.reading, REPLICATES).join(' ')}`;
}
