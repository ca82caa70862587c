import { type ArrowBuild, FLETCHING_KINDS, SHAFT_MATERIALS } from '../craft/arrow-build.ts';
import { readField, type FieldRead } from '../quantity/read-field.ts';
import { readAmounts } from '../quantity/read-amounts.ts';
import { fromStored, type UnitSymbol } from '../quantity/units.ts';
import { type LengthStyle, showExact, showLengthFigure } from '../quantity/show.ts';
import {
  BUILD_FIELD_IDS,
  type BuildField,
  type BuildFieldId,
  buildField,
  isAskedOf,
} from '../arrows/build-fields.ts';

/** A build as it is typed: every figure as text, and what is chosen. */
export interface TypedBuild {
  readonly material: ArrowBuild['shaft']['material'];
  readonly fletching: NonNullable<ArrowBuild['fletching']>['kind'] | 'none';
  readonly figures: Readonly<Record<BuildFieldId, string>>;
}

/** In which units figures without a unit are meant and shown. */
export interface BuildStyle extends LengthStyle {
  readonly massUnit: 'gr' | 'g';
}

export type ReadBuild =
  | { readonly kind: 'build'; readonly build: ArrowBuild }
  /** What is wrong, and at which figure. */
  | { readonly kind: 'wrong'; readonly problems: ReadonlyMap<BuildFieldId, string> };

export const MATERIAL_LABEL: Readonly<Record<(typeof SHAFT_MATERIALS)[number], string>> = {
  carbon: 'carbon',
  aluminium: 'aluminium',
  wood: 'wood',
};
export const FLETCHING_LABEL: Readonly<Record<(typeof FLETCHING_KINDS)[number] | 'none', string>> =
  { none: 'none', feather: 'feathers', vane: 'vanes' };

/** A build as one would type it. */
export function typedBuild(build: ArrowBuild, style: BuildStyle): TypedBuild {
  return {
    material: build.shaft.material,
    fletching: build.fletching?.kind ?? 'none',
    figures: Object.fromEntries(
      BUILD_FIELD_IDS.map((id) => {
        const value = buildField(id).of(build);
        return [id, value === null ? '' : showField(buildField(id), value, style)];
      }),
    ) as Record<BuildFieldId, string>,
  };
}

/** One figure as it is typed, with its unit where it could be taken for another. */
function showField({ kind }: BuildField, value: number, style: BuildStyle): string {
  switch (kind) {
    case 'mass':
      return showExact(fromStored(value, style.massUnit), style.massUnit === 'gr' ? 1 : 2);
    case 'length':
      return isOnTheRule(value, style)
        ? showLengthFigure(value, style)
        : `${showExact(value, 1)} mm`;
    case 'thin':
      return `${showExact(value, 2)} mm`;
    case 'plain':
      return showExact(value, 1);
    case 'count':
      return String(value);
  }
}

/** Shown in inches only where the rule has a line for it: a shaft is not made longer by being looked at. */
function isOnTheRule(mm: number, { lengthUnit, division }: LengthStyle): boolean {
  if (lengthUnit === 'mm') return true;
  const lines = fromStored(mm, 'in') * division;
  return Math.abs(lines - Math.round(lines)) < 1e-6;
}

/**
 * Reads a typed build, figure by figure. What is left as it was shown stays as it is in `before`: a figure
 * that was rounded for the eye is not rounded in the record.
 */
export function readBuild(typed: TypedBuild, before: ArrowBuild, style: BuildStyle): ReadBuild {
  const shown = typedBuild(before, style);
  const problems = new Map<BuildFieldId, string>();
  let build: ArrowBuild = {
    ...before,
    ...Object.fromEntries(
      OPTIONAL_PARTS.filter((part) => !isPartThere(part, typed)).map((part) => [part, null]),
    ),
    shaft: { ...before.shaft, material: typed.material },
  };
  for (const id of BUILD_FIELD_IDS) {
    const field = buildField(id);
    if (!isAskedOf(id, typed.material) || !isPartThere(field.part, typed)) continue;
    const text = typed.figures[id];
    const isLeftAlone = field.of(before) !== null && text.trim() === shown.figures[id];
    if (isLeftAlone) continue;
    const read = readFigureOf(field, text, style);
    if (read.kind === 'wrong') problems.set(id, read.says);
    else if (read.kind === 'value') build = field.with(build, read.stored);
    else if (field.usual !== undefined) build = field.with(build, field.usual);
    else problems.set(id, `${field.label}: not given yet.`);
  }
  if (build.fletching !== null && typed.fletching !== 'none')
    build = { ...build, fletching: { ...build.fletching, kind: typed.fletching } };
  if (!problems.has('length_mm') && build.shaft.lengthMm > build.shaft.fullLengthMm)
    problems.set('length_mm', 'Length as cut: longer than it was bought.');
  return problems.size > 0 ? { kind: 'wrong', problems } : { kind: 'build', build };
}

const OPTIONAL_PARTS = ['insert', 'collar', 'footing', 'fletching', 'wrap'] as const;

/** A part whose mass is left empty is not there, and nothing else of it is asked. */
export function isPartThere(part: keyof ArrowBuild, { fletching, figures }: TypedBuild): boolean {
  if (part === 'fletching') return fletching !== 'none';
  const mass = BUILD_FIELD_IDS.find((id) => {
    const one = buildField(id);
    return one.part === part && one.makesPart === true;
  });
  return mass === undefined || figures[mass].trim() !== '';
}

function readFigureOf(field: BuildField, text: string, style: BuildStyle): FieldRead {
  const { kind, label, range } = field;
  const outside = `${label}: ${rangeWords(field, style)}.`;
  if (kind === 'plain') return readPlain(text, label, range, outside);
  if (kind === 'count')
    return readField(text, { name: label, quantity: 'count', bare: [], range }, outside);
  if (kind === 'mass') {
    const bare: readonly UnitSymbol[] = [style.massUnit];
    return readField(text, { name: label, quantity: 'mass', bare, range }, outside);
  }
  const isInches = kind === 'length' && style.lengthUnit === 'in';
  const bare: readonly UnitSymbol[] = isInches ? ['in', 'mm'] : ['mm', 'in'];
  return readField(text, { name: label, quantity: 'length', bare, range }, outside);
}

/** A figure whose unit stands in its label. */
function readPlain(
  text: string,
  label: string,
  [low, high]: readonly [number, number],
  outside: string,
): FieldRead {
  if (text.trim() === '') return { kind: 'empty' };
  const read = readAmounts(text);
  if (!read.ok) return { kind: 'wrong', says: `${label}: ${read.refusal.says}` };
  const [amount, second] = read.amounts;
  if (amount === undefined || second !== undefined || amount.unit !== null)
    return { kind: 'wrong', says: `${label}: one number, without a unit.` };
  return amount.value >= low && amount.value <= high
    ? { kind: 'value', stored: amount.value }
    : { kind: 'wrong', says: outside };
}

function rangeWords({ kind, range: [low, high] }: BuildField, style: BuildStyle): string {
  const figure = (value: number) => showExact(value, 1);
  switch (kind) {
    case 'mass':
      return `${figure(fromStored(low, style.massUnit))} to ${figure(fromStored(high, style.massUnit))} ${style.massUnit}`;
    case 'length':
    case 'thin':
      return `${figure(low)} to ${figure(high)} mm`;
    default:
      return `${figure(low)} to ${figure(high)}`;
  }
}
