import type { CautionId } from '../craft/cautions.ts';
import type { BowState } from '../log/bow-state.ts';

/** The cautions that belong to this bow and what is shot from it, the gravest first. */
export function cardCautions({ bow }: BowState): readonly CautionId[] {
  const material = bow.arrow?.build?.parts.shaft.material;
  return [
    'dryFire',
    ...(bow.maker.braceMinMm === undefined && bow.maker.braceMaxMm === undefined
      ? []
      : (['braceLimit'] as const)),
    ...(material === undefined ? [] : (['shafts'] as const)),
    ...(bow.purpose === 'hunting' ? (['proof'] as const) : []),
  ];
}
