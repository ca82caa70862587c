import type { BowState } from '../log/bow-state.ts';
import { type Code, codeAt, completionsOf } from './codes.ts';
import type { EntryLine } from './entry-line.ts';
import { readChange } from './read-change.ts';
import { FACT_HINTS } from './fact-hints.ts';
import { readFact } from './read-fact.ts';
import { readReading } from './read-reading.ts';

/**
 * Reads the entry line of a bow: a reading (`b 8 5/8`), a change (`tw +4`) or a note.
 *
 * @param text as typed
 * @param state the bow, for its units, last readings and limits
 */
export function readEntryLine(text: string, state: BowState): EntryLine {
  if (text.trim() === '') return { kind: 'empty' };
  const found = codeAt(text);
  if (found === null) return unknownCode(text);
  const { code, argumentAt } = found;
  const argument = text.slice(argumentAt);
  if (code.kind === 'note') return readNote(argument);
  if (argument.trim() === '') return waiting(code);
  switch (code.kind) {
    case 'reading':
      return readReading(text, argumentAt, code.reading, state);
    case 'change':
      return readChange(text, argumentAt, code.control, state);
    case 'fact':
      return readFact(text, argumentAt, code.fact, state);
  }
}

function unknownCode(text: string): EntryLine {
  const completions = completionsOf(text);
  if (completions.length > 0) {
    return {
      kind: 'typing',
      title: completions.map(({ code, name }) => `${code} ${name.toLowerCase()}`).join(' · '),
      hint: 'Type a code, then the number.',
      completions,
    };
  }
  const at = text.length - text.trimStart().length;
  const word = /^\S+/.exec(text.trimStart())?.[0] ?? text;
  return {
    kind: 'refused',
    refusal: {
      at,
      length: word.length,
      says: `“${word}” is not a code.`,
      remedy: 'Begin with b, tt, tb, w, n, cs, tw, top, bot, nk, pr, pp, pt or note. ? lists them.',
    },
  };
}

function waiting(code: Code): EntryLine {
  if (code.kind === 'fact') {
    return { kind: 'typing', title: code.name, hint: FACT_HINTS[code.fact], completions: [code] };
  }
  const hints = {
    reading: 'Type the reading: 8 5/8, 219 or 21.9 cm; more readings with spaces between.',
    change: 'Type how much with its sign, like +4 or -1/4.',
    note: 'Type the note.',
  } as const;
  return { kind: 'typing', title: code.name, hint: hints[code.kind], completions: [code] };
}

function readNote(argument: string): EntryLine {
  const words = argument.trim();
  if (words === '') {
    return { kind: 'typing', title: 'Note', hint: 'Type the note.', completions: [] };
  }
  return {
    kind: 'ready',
    title: 'Note',
    figure: words,
    notes: [],
    bodies: [{ kind: 'note', text: words }],
  };
}
