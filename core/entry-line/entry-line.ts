import type { Refusal } from '../quantity/read-amounts.ts';
import type { EntryBody } from '../record/entry.ts';
import type { Code } from './codes.ts';

/** One answer to a question: what it says, and the text the entry line would have held. */
export interface Choice {
  readonly label: string;
  readonly text: string;
  readonly bodies: readonly EntryBody[];
}

/** What the entry line makes of a text. Nothing typed is ever thrown away. */
export type EntryLine =
  | { readonly kind: 'empty' }
  /** A code is still being typed, or waits for its number. */
  | {
      readonly kind: 'typing';
      readonly title: string;
      readonly hint: string;
      readonly completions: readonly Code[];
    }
  | { readonly kind: 'refused'; readonly refusal: Refusal }
  | { readonly kind: 'question'; readonly asks: string; readonly choices: readonly Choice[] }
  | {
      readonly kind: 'ready';
      readonly title: string;
      readonly figure: string;
      readonly notes: readonly string[];
      readonly bodies: readonly EntryBody[];
    };
