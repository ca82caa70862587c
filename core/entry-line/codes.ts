import { CONTROL_FACTS, CONTROLS, type Control } from '../craft/controls.ts';
import { READING_KINDS, READINGS, type ReadingKind } from '../craft/readings.ts';

/** One code of the entry line and what it stands for. */
export type Code =
  | {
      readonly code: string;
      readonly name: string;
      readonly kind: 'reading';
      readonly reading: ReadingKind;
    }
  | {
      readonly code: string;
      readonly name: string;
      readonly kind: 'change';
      readonly control: Control;
    }
  | { readonly code: string; readonly name: string; readonly kind: 'fact'; readonly fact: FactId }
  | { readonly code: string; readonly name: string; readonly kind: 'note' };

/** What is written down once about a bow: counts, the maker's figures, a band of one's own. */
const FACT_IDS = [
  'twistCount',
  'boltsOut',
  'limbMark',
  'makerBrace',
  'makerTravel',
  'makerScrews',
  'makerArrow',
  'arrowMass',
  'shaftMass',
  'throatToPlunger',
  'crawl',
  'window',
  'band',
  'shots',
] as const;
export type FactId = (typeof FACT_IDS)[number];
const FACTS: Readonly<Record<FactId, { readonly code: string; readonly name: string }>> = {
  twistCount: { code: 'tc', name: 'Twists counted' },
  boltsOut: { code: 'bo', name: 'Bolts, turns out' },
  limbMark: { code: 'mark', name: 'Limb mark, weight at draw' },
  makerBrace: { code: 'mb', name: 'Maker’s brace range' },
  makerTravel: { code: 'mt', name: 'Maker’s bolt travel' },
  makerScrews: { code: 'ms', name: 'Maker’s side-screw travel' },
  makerArrow: { code: 'ma', name: 'Maker’s lightest arrow' },
  arrowMass: { code: 'am', name: 'Whole arrow, weighed' },
  shaftMass: { code: 'sw', name: 'Numbered shaft, weighed' },
  crawl: { code: 'cr', name: 'Crawl used most' },
  window: { code: 'wc', name: 'Window cut past centre' },
  throatToPlunger: { code: 'tp', name: 'Throat to plunger' },
  band: { code: 'band', name: 'Band of your own' },
  shots: { code: 'shots', name: 'Shots' },
};

/** Longest first, so that `tt` is not taken for something shorter and `cs@p` not for `cs`. */
export const CODES: readonly Code[] = [
  ...READING_KINDS.map(
    (reading): Code => ({
      code: READINGS[reading].code,
      name: READINGS[reading].name,
      kind: 'reading',
      reading,
    }),
  ),
  ...CONTROLS.map(
    (control): Code => ({
      code: CONTROL_FACTS[control].code,
      name: CONTROL_FACTS[control].name,
      kind: 'change',
      control,
    }),
  ),
  ...FACT_IDS.map((fact): Code => ({ ...FACTS[fact], kind: 'fact', fact })),
  { code: 'note', name: 'Note', kind: 'note' } satisfies Code,
].toSorted((one, other) => other.code.length - one.code.length);

/** The code a text begins with, and where its argument starts; null while none is complete. */
export function codeAt(text: string): { readonly code: Code; readonly argumentAt: number } | null {
  const indent = text.length - text.trimStart().length;
  const body = text.slice(indent).toLowerCase();
  for (const code of CODES) {
    const spaced = code.code.replace(' ', '\\s+');
    const found = new RegExp(`^${spaced}(?=$|\\s|[-+−\\d.,½¼¾⅛⅜⅝⅞⅓⅔])`).exec(body);
    if (found !== null) return { code, argumentAt: indent + found[0].length };
  }
  return null;
}

/** Codes that begin with what has been typed so far, shortest first. */
export function completionsOf(text: string): readonly Code[] {
  const typed = text.trimStart().toLowerCase();
  return CODES.filter(({ code }) => code.startsWith(typed)).toReversed();
}
