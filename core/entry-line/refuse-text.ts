import type { Amount } from '../quantity/read-amounts.ts';
import type { EntryLine } from './entry-line.ts';

/** A number that cannot stand: marked where it was typed. */
export function refuseAmount(amount: Amount, says: string, remedy: string): EntryLine {
  return { kind: 'refused', refusal: { at: amount.at, length: amount.length, says, remedy } };
}

/** Everything typed from a place on: marked from its first letter to its last. */
export function refuseText(text: string, at: number, says: string, remedy: string): EntryLine {
  const argument = text.slice(at);
  const indent = argument.length - argument.trimStart().length;
  return {
    kind: 'refused',
    refusal: { at: at + indent, length: Math.max(1, argument.trim().length), says, remedy },
  };
}
