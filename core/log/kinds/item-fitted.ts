import { z } from 'zod';
import { FIT_OUT_ITEMS, FIT_OUT_LABEL } from '../../craft/fit-out.ts';
import { upperFirst } from '../../craft/letter-case.ts';
import { FACET_IDS, type FacetId } from '../../craft/steps.ts';
import { arrowFacts, limbsFacts, stringFacts } from './fact-parts.ts';
import { name, reason } from './parts.ts';
import { entryKind } from './entry-kind.ts';

export const itemFitted = entryKind({
  kind: 'itemFitted',
  schema: z
    .strictObject({
      kind: z.literal('itemFitted'),
      item: z.enum(FIT_OUT_ITEMS),
      described: name,
      touches: z.array(z.enum(FACET_IDS as [FacetId, ...FacetId[]])).max(FACET_IDS.length),
      string: stringFacts.optional(),
      limbs: limbsFacts.optional(),
      arrow: arrowFacts.optional(),
      despite: reason.optional(),
    })
    .refine(({ item, string }) => (item === 'string') === (string !== undefined), {
      message: 'a string, and only a string, comes with its facts',
      path: ['string'],
    })
    .refine(({ item, limbs }) => (item === 'limbs') === (limbs !== undefined), {
      message: 'limbs, and only limbs, come with their facts',
      path: ['limbs'],
    }),
  reduce: (
    draft,
    { item, described, touches, string, limbs, arrow },
    { id: entryId, at, index },
  ) => {
    const before = draft.bow.arrow?.build?.parts;
    const after = arrow?.build?.parts;
    const arrows = before === undefined || after === undefined ? undefined : { before, after };
    const [beforeG, afterG] = [draft.bow.arrow?.massG, arrow?.massG];
    const massesG =
      beforeG === undefined || afterG === undefined
        ? undefined
        : { before: beforeG, after: afterG };
    const change = { kind: 'item', entryId, index, at, item, described, touches } as const;
    draft.items.push({ ...change, arrows, massesG });
    if (string !== undefined) {
      draft.strings.fit(string, described, at);
      draft.setting.fitString(string.stringId);
    }
    if (limbs !== undefined) {
      draft.limbs.fit(limbs, described, at);
      draft.setting.fitLimbs(limbs.limbsId);
    }
    if (arrow !== undefined) draft.bow = { ...draft.bow, arrow };
    if (item === 'hook') {
      draft.archerSince = index;
      draft.bow = { ...draft.bow, amoDrawMm: undefined };
    }
  },
  words: ({ item, described }) => {
    const label = upperFirst(FIT_OUT_LABEL[item]);
    return described === '' ? `${label} taken off` : `${label}: ${described}`;
  },
});
