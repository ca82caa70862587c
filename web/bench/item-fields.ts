import type { FitOutItem } from '#core/craft/fit-out.ts';
import { type FieldRead, readField } from '#core/quantity/read-field.ts';
import { FACT_RANGES } from '#core/limits/figure-ranges.ts';

export type ItemFields = Readonly<
  Record<'twists' | 'shots' | 'lengthMm' | 'diameterMm' | 'pointGr' | 'massGr', FieldRead>
>;

/** Each figure of the form as it was typed, read in the unit it is asked in. */
export function readItemFields(text: Readonly<Record<keyof ItemFields, string>>): ItemFields {
  const length = { quantity: 'length', bare: ['mm', 'in'] } as const;
  const mass = { quantity: 'mass', bare: ['gr', 'g'] } as const;
  const count = { quantity: 'count', bare: [] } as const;
  return {
    twists: readField(
      text.twists,
      { ...count, name: 'Twists', range: FACT_RANGES.twists },
      'Twists are a whole number, 0 to 90.',
    ),
    shots: readField(
      text.shots,
      { ...count, name: 'Shots it had', range: [0, 100_000] },
      'Shots are a whole number.',
    ),
    lengthMm: readField(
      text.lengthMm,
      { ...length, name: 'Length', range: FACT_RANGES.shaftMm },
      'A shaft is 450 to 860 mm long.',
    ),
    diameterMm: readField(
      text.diameterMm,
      { ...length, name: 'Diameter', range: [3, 15] },
      'A shaft is 3 to 15 mm thick.',
    ),
    pointGr: readField(
      text.pointGr,
      { ...mass, name: 'Point', range: FACT_RANGES.pointMassG },
      'A point weighs 30 to 400 gr.',
    ),
    massGr: readField(
      text.massGr,
      { ...mass, name: 'Whole arrow', range: FACT_RANGES.arrowMassG },
      'An arrow weighs 100 to 1000 gr.',
    ),
  };
}

/** What is wrong with what was typed, the first of it; null when it can be stored. */
export function itemProblem(item: FitOutItem, fields: ItemFields): string | null {
  const arrow = [fields.lengthMm, fields.diameterMm, fields.pointGr] as const;
  const asked: readonly FieldRead[] =
    item === 'string'
      ? [fields.twists, fields.shots]
      : item === 'limbs'
        ? [fields.shots]
        : item === 'shaft'
          ? [...arrow, fields.massGr]
          : [];
  const wrong = asked.find((field) => field.kind === 'wrong');
  if (wrong?.kind === 'wrong') return `${wrong.says} Nothing is stored yet.`;
  const typed = [...arrow, fields.massGr].some(({ kind }) => kind !== 'empty');
  return item === 'shaft' && typed && arrow.some(({ kind }) => kind === 'empty')
    ? 'A shaft is its length, its diameter and its point. Nothing is stored yet.'
    : null;
}

/** A figure that was typed and can be; null else. */
export function storedValue(field: FieldRead): number | null {
  return field.kind === 'value' ? field.stored : null;
}
