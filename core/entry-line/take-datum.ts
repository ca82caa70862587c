import { BRACE_REFERENCE_LABEL, type BraceReference } from '../craft/bow-terms.ts';
import { lowerFirst } from '../craft/letter-case.ts';
import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { showNumber } from '../quantity/show.ts';
import type { BowState } from '../log/bow-state.ts';
import type { EntryLine } from './entry-line.ts';

/** Pivot point to the AMO draw length, mm: 1.75 in. */
const PIVOT_TO_AMO_MM = 44.45;

/** What a reading was measured from, once a trailing word has been taken off the text. */
type DatumTaken =
  | {
      readonly kind: 'taken';
      readonly text: string;
      readonly datum: string;
      /** Added to the values so that they stand on the bow's own datum. */
      readonly shiftMm: number;
      readonly notes: readonly string[];
    }
  | Extract<EntryLine, { kind: 'refused' }>;

/** Words that may follow a reading and say what it was measured from. */
const WORDS: Partial<Record<ReadingKind, RegExp>> = {
  braceHeight: /\s+(throat|plunger)\s*$/i,
  tillerTop: /\s+(near|far)(?:\s+edge)?\s*$/i,
  tillerBottom: /\s+(near|far)(?:\s+edge)?\s*$/i,
  drawLength: /\s+(pivot|amo)\s*$/i,
};

/**
 * Takes a trailing datum word: `throat` or `plunger` for brace, `near` or `far` edge of the string
 * for tiller, `pivot` or `amo` for draw length. Converts where the offset is known, refuses where
 * two readings would be compared from different datums.
 */
export function takeDatum(
  text: string,
  argumentAt: number,
  kind: ReadingKind,
  state: BowState,
): DatumTaken {
  const found = WORDS[kind]?.exec(text) ?? null;
  const word = found !== null && found.index >= argumentAt ? found[1]?.toLowerCase() : undefined;
  const bare = word === undefined ? text : text.slice(0, found?.index);
  const at = text.length - text.slice(bare.length).trimStart().length;
  switch (kind) {
    case 'braceHeight':
      return braceDatum(bare, at, word as BraceReference | undefined, state);
    case 'tillerTop':
    case 'tillerBottom':
      return edgeDatum(bare, at, word, kind, state);
    case 'drawLength':
      return word === 'pivot'
        ? taken(bare, 'AMO, from pivot', PIVOT_TO_AMO_MM, ['1 3/4 in added to the pivot draw.'])
        : taken(bare, READINGS[kind].datum);
    default:
      return taken(bare, READINGS[kind].datum);
  }
}

function taken(
  text: string,
  datum: string,
  shiftMm = 0,
  notes: readonly string[] = [],
): DatumTaken {
  return { kind: 'taken', text, datum, shiftMm, notes };
}

function braceDatum(
  text: string,
  at: number,
  word: BraceReference | undefined,
  state: BowState,
): DatumTaken {
  const { braceReference, throatToPlungerMm } = state.bow;
  if (word === undefined || word === braceReference) return taken(text, braceReference);
  if (throatToPlungerMm === undefined) {
    return refused(
      at,
      word.length,
      `This bow’s brace is read ${BRACE_REFERENCE_LABEL[braceReference]}, and the distance between throat and plunger is not known.`,
      'Measure from the bow’s own reference, or enter that distance first with tp.',
    );
  }
  const shiftMm = word === 'plunger' ? -throatToPlungerMm : throatToPlungerMm;
  return taken(text, braceReference, shiftMm, [
    `Converted by ${showNumber(Math.abs(shiftMm), 1)} mm to this bow’s reference.`,
  ]);
}

/** Both tillers from the same edge of the string, or their difference is off by its thickness. */
function edgeDatum(
  text: string,
  at: number,
  word: string | undefined,
  kind: 'tillerTop' | 'tillerBottom',
  state: BowState,
): DatumTaken {
  const other = kind === 'tillerTop' ? 'tillerBottom' : 'tillerTop';
  const partner = edgeOf(state.readings.get(other)?.at(-1)?.datum);
  const own = word ?? edgeOf(state.readings.get(kind)?.at(-1)?.datum) ?? partner;
  if (own === undefined) return taken(text, 'same edge of the string as the other');
  // With as many of the one as of the other a new pair begins, and may begin on either edge.
  const countOf = (which: ReadingKind) => state.readings.get(which)?.length ?? 0;
  const pairUnderWay = countOf(kind) < countOf(other);
  if (pairUnderWay && partner !== undefined && word !== undefined && partner !== word) {
    return refused(
      at,
      word.length,
      `${READINGS[other].name} was read from the ${partner} edge of the string. The difference would be off by the string’s thickness.`,
      `Read ${lowerFirst(READINGS[kind].name)} from the ${partner} edge too, or take both anew.`,
    );
  }
  return taken(text, `${own} edge of the string`);
}

function edgeOf(datum: string | undefined): string | undefined {
  return /^(near|far) edge/.exec(datum ?? '')?.[1];
}

function refused(at: number, length: number, says: string, remedy: string): DatumTaken {
  return { kind: 'refused', refusal: { at, length, says, remedy } };
}
