import type { Refusal } from '../quantity/read-amounts.ts';
import type { EntryBody } from '../log/entry.ts';
import type { Code } from './codes.ts';

/**
 * One answer to a question: what it says, and the text the entry line would have held. With no bodies
 * the text goes onto the line and is asked about in its turn.
 */
export interface Choice {
  readonly label: string;
  readonly text: string;
  readonly bodies: readonly EntryBody[];
}

/** A press that puts another text onto the line. */
interface Way {
  readonly label: string;
  readonly text: string;
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
  /** `way` is the text that leads on, where there is one: a fact is recorded whatever the limits say. */
  | { readonly kind: 'refused'; readonly refusal: Refusal; readonly way?: Way | undefined }
  | { readonly kind: 'question'; readonly asks: string; readonly choices: readonly Choice[] }
  | {
      readonly kind: 'ready';
      readonly title: string;
      readonly figure: string;
      readonly notes: readonly string[];
      readonly bodies: readonly EntryBody[];
    };

/** What was typed, understood whole: a title, its figure, and what will be stored. */
export function readyLine(title: string, figure: string, bodies: readonly EntryBody[]): EntryLine {
  return { kind: 'ready', title, figure, notes: [], bodies };
}
