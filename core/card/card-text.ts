import { BOW_KINDS, BRACE_REFERENCES, HANDS, HOOKS } from '../craft/bow-terms.ts';
import { ARROW_SHOWN, type ArrowShown } from '../compare/compared.ts';
import { CONTROL_FACTS } from '../craft/controls.ts';
import { READING_KINDS, READINGS } from '../craft/readings.ts';
import { CARD_CONTROLS, type CardData } from './card-data.ts';

/** A card's text begins with this: what it is, and in which version of this description. */
const BEGINS = 'KEENLIMB';
const VERSION = 1;
/** What a code drawn for a pocket card still holds at half a millimetre a module. */
export const MOST_CARD_BYTES = 300;
const END = '.';
/** A longer name is cut, so that the figures always have room. */
const MOST_NAME_BYTES = 24;

/**
 * A card as text, for a code to carry or a hand to paste: fields between semicolons, each a short name
 * and a figure in mm, N, g, twists or turns, to a tenth (turns to an eighth).
 *
 *     KEENLIMB1;Heron;indoor, March;2026-11-28;t66lst;b219.1;tt179.4;…;.
 *
 * The fifth field is kind of bow (t target recurve, h takedown, l longbow), its length in inches, hand
 * (l, r), hook (s split, u three under, w walking) and brace reference (t throat, p plunger).
 */
export function writeCard(card: CardData): string {
  const fields = [
    `${BEGINS}${VERSION}`,
    nameField(card.bowName),
    nameField(card.stateName),
    card.day,
    `${letterOf(KIND_LETTERS, card.bowKind)}${figure(card.amoLengthIn)}${letterOf(HAND_LETTERS, card.hand)}${letterOf(HOOK_LETTERS, card.hook)}${letterOf(BRACE_LETTERS, card.braceReference)}`,
    ...READING_KINDS.flatMap((kind) => field(READINGS[kind].code, card.readings.get(kind))),
    ...field('tp', card.throatToPlungerMm ?? undefined),
    ...CARD_CONTROLS.flatMap((control) =>
      field(CONTROL_FACTS[control].code, card.positions.get(control)),
    ),
    ...ARROW_SHOWN.flatMap((one) => field(ARROW_CODES[one], card.arrow.get(one))),
    ...field('lo', card.landing?.outwardMm),
    ...field('lu', card.landing?.upMm),
    END,
  ];
  return fields.join(';');
}

/** Why a text is no card that can be read. */
export type CardRefusal = 'notACard' | 'otherVersion' | 'cutOff' | 'damaged';

/** Reads a card's text back. What was rounded is not what it was; nothing is guessed. */
export function readCard(
  text: string,
):
  | { readonly kind: 'read'; readonly card: CardData }
  | { readonly kind: 'refused'; readonly why: CardRefusal; readonly field: string } {
  const refused = (why: CardRefusal, at = '') => ({ kind: 'refused', why, field: at }) as const;
  const [begin = '', bowName = '', stateName = '', day = '', facts = '', ...rest] = text
    .trim()
    .split(';');
  if (!begin.startsWith(BEGINS)) return refused('notACard');
  if (begin !== `${BEGINS}${VERSION}`) return refused('otherVersion', begin);
  if (rest.at(-1) !== END) return refused('cutOff');
  const [, kind, length, hand, hook, brace] =
    /^([thl])(\d{1,3}(?:\.\d+)?)([lr])([suw])([tp])$/.exec(facts) ?? [];
  if (kind === undefined || !/^\d{4}-\d{2}-\d{2}$/.test(day) || bowName === '')
    return refused('damaged', facts);
  const values = new Map<string, number>();
  for (const one of rest.slice(0, -1)) {
    const [, code, value] = /^([a-z@ ]+?)(-?\d{1,4}(?:\.\d{1,3})?)$/.exec(one) ?? [];
    if (code === undefined || value === undefined || values.has(code) || !CODES.has(code))
      return refused('damaged', one);
    values.set(code, Number(value));
  }
  const [outwardMm, upMm] = [values.get('lo'), values.get('lu')];
  const pick = <K>(all: readonly K[], codeOf: (key: K) => string): ReadonlyMap<K, number> =>
    new Map(
      all.flatMap((key) => {
        const value = values.get(codeOf(key));
        return value === undefined ? [] : [[key, value] as const];
      }),
    );
  return {
    kind: 'read',
    card: {
      bowName,
      stateName,
      day,
      bowKind: ofLetter(BOW_KINDS, KIND_LETTERS, kind),
      amoLengthIn: Number(length),
      hand: ofLetter(HANDS, HAND_LETTERS, hand),
      hook: ofLetter(HOOKS, HOOK_LETTERS, hook),
      braceReference: ofLetter(BRACE_REFERENCES, BRACE_LETTERS, brace),
      throatToPlungerMm: values.get('tp') ?? null,
      readings: pick(READING_KINDS, (reading) => READINGS[reading].code),
      positions: pick(CARD_CONTROLS, (control) => CONTROL_FACTS[control].code),
      arrow: pick(ARROW_SHOWN, (one) => ARROW_CODES[one]),
      landing: outwardMm === undefined || upMm === undefined ? null : { outwardMm, upMm },
    },
  };
}

const KIND_LETTERS = { targetRecurve: 't', takedownRecurve: 'h', longbow: 'l' } as const;
const HAND_LETTERS = { left: 'l', right: 'r' } as const;
const HOOK_LETTERS = { split: 's', threeUnder: 'u', stringWalk: 'w' } as const;
const BRACE_LETTERS = { throat: 't', plunger: 'p' } as const;
const ARROW_CODES: Readonly<Record<ArrowShown, string>> = {
  lengthMm: 'al',
  pointMassG: 'ap',
  massG: 'am',
  focPercent: 'af',
  spine: 'as',
};
const CODES: ReadonlySet<string> = new Set([
  ...READING_KINDS.map((kind) => READINGS[kind].code),
  ...CARD_CONTROLS.map((control) => CONTROL_FACTS[control].code),
  ...Object.values(ARROW_CODES),
  'tp',
  'lo',
  'lu',
]);

function letterOf<K extends string>(letters: Readonly<Record<K, string>>, key: K): string {
  return letters[key];
}

function ofLetter<K extends string>(
  all: readonly [K, ...K[]] | readonly K[],
  letters: Readonly<Record<K, string>>,
  letter: string | undefined,
): K {
  const found = all.find((key) => letters[key] === letter);
  if (found === undefined) throw new RangeError(`readCard: no meaning for ${letter ?? 'nothing'}`);
  return found;
}

function field(code: string, value: number | undefined): readonly string[] {
  return value === undefined ? [] : [`${code}${figure(value)}`];
}

/** To a tenth; an eighth of a turn needs three places, and is left as it is. */
function figure(value: number): string {
  const eighths = value * 8;
  const isEighth = Math.abs(eighths - Math.round(eighths)) < 1e-9;
  const text = isEighth ? String(Math.round(eighths) / 8) : value.toFixed(1);
  return text === '-0' || text === '-0.0' ? '0' : text;
}

/** A name without what parts fields, and not longer than it may be; whole characters always. */
function nameField(name: string): string {
  let short = '';
  for (const letter of name.replaceAll(/[;\s]+/g, ' ').trim()) {
    if (byteLength(short + letter) > MOST_NAME_BYTES) break;
    short += letter;
  }
  return short;
}

/** Bytes of a text in UTF-8. */
export function byteLength(text: string): number {
  let bytes = 0;
  for (const letter of text) {
    const code = letter.codePointAt(0) ?? 0;
    bytes += code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x1_0000 ? 3 : 4;
  }
  return bytes;
}
