import { cardSheet } from '#core/card/card-data.ts';
import { readCard } from '#core/card/card-text.ts';
import type { FigureSheet } from '#core/compare/compared.ts';
import { figureSheet } from '#core/compare/figure-sheet.ts';
import { bowAsOf } from '#core/log/bow-as-of.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { instantMs } from '#core/quantity/instant.ts';
import { lastMomentOfString } from '#core/log/string-moments.ts';

/** One side of a comparison, as the address names it. */
export type Side =
  | { readonly kind: 'now' }
  | { readonly kind: 'moment'; readonly ms: number }
  | { readonly kind: 'string'; readonly stringId: string }
  | { readonly kind: 'bow'; readonly bowId: string }
  /** A card, by the text its code carries; empty until it is there. */
  | { readonly kind: 'card'; readonly text: string };

const NOW: Side = { kind: 'now' };

/** Reads a side from an address; null where it names none. */
export function readSide(text: string | null): Side | null {
  if (text === null) return null;
  if (text === 'now') return NOW;
  if (text.startsWith('string:')) return { kind: 'string', stringId: text.slice(7) };
  if (text.startsWith('card:')) return { kind: 'card', text: text.slice(5) };
  if (text.startsWith('bow:')) return { kind: 'bow', bowId: text.slice(4) };
  const ms = Date.parse(text);
  return Number.isNaN(ms) ? null : { kind: 'moment', ms };
}

/** A side as an address names it. */
export function sideText(side: Side): string {
  switch (side.kind) {
    case 'now':
      return 'now';
    case 'moment':
      return new Date(side.ms).toISOString();
    case 'string':
      return `string:${side.stringId}`;
    case 'bow':
      return `bow:${side.bowId}`;
    case 'card':
      return `card:${side.text}`;
  }
}

/** The bow a side shows; null where there was none then, or it is not here yet. */
export function stateOfSide(
  side: Side,
  log: readonly LoggedEntry[],
  now: BowState,
  other: BowState | null,
): BowState | null {
  switch (side.kind) {
    case 'now':
      return now;
    case 'moment':
      return bowAsOf(log, side.ms, now.unreadable)?.state ?? null;
    case 'string': {
      const ms = lastMomentOfString(log, now.active, side.stringId);
      return ms === null ? null : (bowAsOf(log, ms, now.unreadable)?.state ?? null);
    }
    case 'bow':
      return other;
    case 'card':
      return null;
  }
}

/** What a side lays out to be compared; null where there is nothing to lay out. */
export function sheetOfSide(side: Side, state: BowState | null): FigureSheet | null {
  if (side.kind !== 'card') return state === null ? null : figureSheet(state);
  const read = readCard(side.text);
  return read.kind === 'read' ? cardSheet(read.card) : null;
}

/** What a side may be chosen to be: the bow now, its named states, its strings, the other bows. */
export function sideOptions(
  state: BowState,
  others: readonly { readonly bowId: string; readonly name: string }[],
): readonly { readonly value: string; readonly words: string }[] {
  return [
    { value: 'now', words: `${state.bow.name}, now` },
    ...state.namedStates.map(({ name, moment }) => ({
      value: new Date(instantMs(moment)).toISOString(),
      words: name,
    })),
    ...(state.strings.all.length < 2
      ? []
      : state.strings.all.map(({ stringId, described }) => ({
          value: `string:${stringId}`,
          words: `Last on ${described}`,
        }))),
    ...others
      .filter(({ bowId }) => bowId !== state.bowId)
      .map(({ bowId, name }) => ({ value: `bow:${bowId}`, words: `${name}, now` })),
    { value: 'card:', words: 'A card' },
  ];
}
