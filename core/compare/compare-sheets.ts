import {
  type ComparedRow,
  type FigureSheet,
  type Incomparable,
  keyOf,
  type SheetFigure,
} from './compared.ts';

/** Below this many spreads of one reading nothing is said to differ: 9 times in 10, of two readings. */
const SEEN_FROM_SPREADS = 1.645 * Math.SQRT2;
/** Computed and counted figures that agree to this are the same. */
const SAME_SHARE = 1e-6;

/**
 * Two bows, one at two moments, or a bow and a card, side by side: what can be subtracted, in units of
 * what one reading scatters; what cannot, with the reason.
 *
 * @returns every row there is something to say of, what matters first
 */
export function compareSheets(a: FigureSheet, b: FigureSheet): readonly ComparedRow[] {
  const shift = braceShifts(a, b);
  const keys = new Set([...a.figures.keys(), ...b.figures.keys()]);
  return [...keys]
    .flatMap((key) => {
      const one = shifted(a.figures.get(key), shift?.aMm ?? 0);
      const other = shifted(b.figures.get(key), shift?.bMm ?? 0);
      return rowOf(one, other, {
        hands: { a: a.hand, b: b.hand },
        sameBow: a.bowId !== null && a.bowId === b.bowId,
        sameString: a.stringId === null || b.stringId === null || a.stringId === b.stringId,
        braceConverts: shift !== null,
        isExtract: { a: a.isExtract, b: b.isExtract },
      });
    })
    .toSorted((one, other) => weightOf(other) - weightOf(one) || byName(one, other));
}

/** Rows that say anything is otherwise. */
export function differences(rows: readonly ComparedRow[]): readonly ComparedRow[] {
  return rows.filter(({ finding }) => finding.kind !== 'same');
}

/**
 * What is added to the brace of each side so that both are read to one reference, mm: by the plunger
 * reader's own offset first, whichever of the two it is. Null where neither offset is known.
 */
function braceShifts(
  a: FigureSheet,
  b: FigureSheet,
): { readonly aMm: number; readonly bMm: number } | null {
  if (a.braceReference === b.braceReference) return { aMm: 0, bMm: 0 };
  const aReadsPlunger = a.braceReference === 'plunger';
  const [plunger, throat] = aReadsPlunger ? [a, b] : [b, a];
  if (plunger.throatToPlungerMm !== null) {
    const mm = -plunger.throatToPlungerMm;
    return aReadsPlunger ? { aMm: mm, bMm: 0 } : { aMm: 0, bMm: mm };
  }
  if (throat.throatToPlungerMm === null) return null;
  const mm = throat.throatToPlungerMm;
  return aReadsPlunger ? { aMm: 0, bMm: mm } : { aMm: mm, bMm: 0 };
}

function isBrace({ what }: SheetFigure): boolean {
  return what.kind === 'reading' && what.reading === 'braceHeight';
}

function isTwists(what: ComparedRow['what']): boolean {
  return (what.kind === 'position' || what.kind === 'moved') && what.control === 'twists';
}

function shifted(figure: SheetFigure | undefined, byMm: number): SheetFigure | null {
  if (figure === undefined) return null;
  return isBrace(figure) && figure.value !== null && byMm !== 0
    ? { ...figure, value: figure.value + byMm }
    : figure;
}

interface Terms {
  readonly hands: ComparedRow['hands'];
  readonly sameBow: boolean;
  readonly sameString: boolean;
  readonly braceConverts: boolean;
  readonly isExtract: { readonly a: boolean; readonly b: boolean };
}

function rowOf(a: SheetFigure | null, b: SheetFigure | null, terms: Terms): readonly ComparedRow[] {
  const figure = a ?? b;
  if (figure === null) return [];
  const { what } = figure;
  const { hands } = terms;
  if (what.kind === 'moved' && !terms.sameBow) return [];
  const isNothing = (one: SheetFigure | null) => what.kind === 'moved' && (one?.value ?? 0) === 0;
  if (isNothing(a) && isNothing(b)) return [];
  if (a === null || b === null)
    return terms.isExtract[a === null ? 'a' : 'b']
      ? []
      : [{ what, hands, a, b, finding: { kind: 'onlyOne' } }];
  if (a.value === null || b.value === null)
    return [{ what, hands, a, b, finding: { kind: a.words === b.words ? 'same' : 'otherWords' } }];
  const why = whyNot(a, b, terms);
  return [{ what, hands, a, b, finding: why === null ? findingOf(a, b) : { kind: 'cannot', why } }];
}

/** Tiller is read from the near or the far edge of the string; where nobody said, the edge is not known. */
const EDGES: ReadonlySet<string> = new Set(['near edge of the string', 'far edge of the string']);

function whyNot(
  a: SheetFigure,
  b: SheetFigure,
  { braceConverts, sameString }: Terms,
): Incomparable | null {
  if (isBrace(a) && !braceConverts) return 'otherDatum';
  if (!sameString && isTwists(a.what)) return 'otherString';
  if (EDGES.has(a.datum) && EDGES.has(b.datum) && a.datum !== b.datum) return 'otherDatum';
  return a.tool !== '' && b.tool !== '' && a.tool !== b.tool ? 'otherTool' : null;
}

function findingOf(a: SheetFigure, b: SheetFigure): ComparedRow['finding'] {
  const [one, other] = [a.value ?? 0, b.value ?? 0];
  const by = other - one;
  const spread = pooled(a.spread, b.spread);
  const unsureOf = Math.hypot(a.expectedPlusMinus ?? 0, b.expectedPlusMinus ?? 0);
  const rounded =
    a.roundedBy + b.roundedBy + SAME_SHARE * Math.max(1, Math.abs(one), Math.abs(other));
  const seenFrom = Math.max(SEEN_FROM_SPREADS * (spread ?? 0), unsureOf, rounded);
  return Math.abs(by) <= seenFrom
    ? { kind: 'same' }
    : { kind: 'differs', by, spreads: spread === null ? null : by / spread };
}

/** The spread of one reading, of both sides together: the same whichever of them comes first. */
function pooled(one: number | null, other: number | null): number | null {
  if (one === null) return other;
  return other === null ? one : Math.sqrt((one ** 2 + other ** 2) / 2);
}

/** Differences by how far they stand out, then what was counted, then words, then what cannot be said. */
function weightOf({ finding }: ComparedRow): number {
  switch (finding.kind) {
    case 'differs':
      return finding.spreads === null ? 1000 : 1001 + Math.abs(finding.spreads);
    case 'otherWords':
      return 900;
    case 'cannot':
      return 800;
    case 'onlyOne':
      return 700;
    case 'same':
      return 0;
  }
}

/** Where two rows weigh the same their order is not by which side came first. */
function byName(one: ComparedRow, other: ComparedRow): number {
  const [left, right] = [keyOf(one.what), keyOf(other.what)];
  return left < right ? -1 : left > right ? 1 : 0;
}
