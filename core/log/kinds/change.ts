import { z } from 'zod';
import { changeWords, CONTROLS } from '../../craft/controls.ts';
import { upperFirst } from '../../craft/letter-case.ts';
import { withArrowChanged } from '../bow-facts.ts';
import { id, reason, text } from './parts.ts';
import { entryKind } from './entry-kind.ts';

export const change = entryKind({
  kind: 'change',
  schema: z.strictObject({
    kind: z.literal('change'),
    control: z.enum(CONTROLS),
    amount: z
      .number()
      .min(-200)
      .max(200)
      .refine((amount) => amount !== 0, 'a change of nothing'),
    moveId: id.optional(),
    because: text,
    despite: reason.optional(),
  }),
  reduce: (draft, body, place) => {
    const { id: entryId, at, index } = place;
    const { control, amount, moveId = null } = body;
    draft.changes.push({
      kind: 'change',
      entryId,
      index,
      at,
      control,
      amount,
      moveId,
      moveControls: [control],
    });
    draft.moved.set(control, (draft.moved.get(control) ?? 0) + amount);
    draft.setting.move(control, amount);
    if (control === 'twists') draft.strings.twist(amount);
    else draft.bolts.move(control, amount);
    draft.bow = withArrowChanged(draft.bow, body, entryId);
    const build = draft.bow.arrow?.build;
    if (build?.revisionId === entryId) draft.builds.change(build.buildId, build.parts, place);
  },
  words: ({ control, amount, despite }) => {
    const said = upperFirst(changeWords(control, amount));
    return despite === undefined ? said : `${said}, done already: ${despite}`;
  },
});
