import { notForSchool, STEPS } from '#core/craft/steps.ts';
import type { BowState } from '#core/log/bow-state.ts';

/** Steps this bow's school leaves out, with the reason. */
export function stepsNotHere({ bow }: BowState) {
  return STEPS.flatMap(({ id, name }) => {
    const why = notForSchool(id, bow.school);
    return why === null ? [] : [{ name, why }];
  });
}
