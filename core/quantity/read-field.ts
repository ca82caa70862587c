import { readAmounts } from './read-amounts.ts';
import { type FigureWanted, readFigure } from './read-figure.ts';

/** What a field of a form came to: nothing typed, a value in the stored unit, or what is wrong with it. */
export type FieldRead =
  | { readonly kind: 'empty' }
  | { readonly kind: 'value'; readonly stored: number }
  | { readonly kind: 'wrong'; readonly says: string };

/** Reads one figure of a form by the rules of the entry line: any unit of its kind, comma or point. */
export function readField(text: string, wanted: FigureWanted, outsideSays: string): FieldRead {
  if (text.trim() === '') return { kind: 'empty' };
  const read = readAmounts(text);
  if (!read.ok) return { kind: 'wrong', says: `${wanted.name}: ${read.refusal.says}` };
  const [amount, second] = read.amounts;
  if (amount === undefined || second !== undefined)
    return { kind: 'wrong', says: `${wanted.name}: one number.` };
  const figure = readFigure(amount, wanted);
  switch (figure.kind) {
    case 'value':
      return { kind: 'value', stored: figure.stored };
    case 'wrongUnit':
      return { kind: 'wrong', says: figure.refusal.says };
    case 'outside':
      return { kind: 'wrong', says: outsideSays };
  }
}
