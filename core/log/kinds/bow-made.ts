import { z } from 'zod';
import {
  BOW_KINDS,
  BRACE_REFERENCES,
  HANDS,
  HOOKS,
  PURPOSES,
  SCHOOLS,
} from '../../craft/bow-terms.ts';
import {
  amoDrawMm,
  arrowFacts,
  crawlMm,
  windowPastCentreMm,
  division,
  makerFigures,
  throatToPlungerMm,
} from './fact-parts.ts';
import { id, name, shortText } from './parts.ts';
import { entryKind, tellsOnly } from './entry-kind.ts';

export const bowMade = entryKind({
  kind: 'bowMade',
  schema: z.strictObject({
    kind: z.literal('bowMade'),
    name: shortText,
    owner: name,
    described: name,
    bowKind: z.enum(BOW_KINDS),
    amoLengthIn: z.number().min(40).max(80),
    hand: z.enum(HANDS),
    hook: z.enum(HOOKS),
    purpose: z.enum(PURPOSES),
    school: z.enum(SCHOOLS),
    lengthUnit: z.enum(['in', 'mm']),
    division,
    braceReference: z.enum(BRACE_REFERENCES),
    throatToPlungerMm: throatToPlungerMm.optional(),
    maker: makerFigures,
    amoDrawMm: amoDrawMm.optional(),
    crawlMm: crawlMm.optional(),
    windowPastCentreMm: windowPastCentreMm.optional(),
    twistsAtStart: z.int().min(0).max(90).optional(),
    boltTurnsOutAtStart: z.number().min(0).max(20).optional(),
    arrow: arrowFacts.optional(),
    inParts: z.boolean(),
    backupOf: id.optional(),
  }),
  reduce: tellsOnly,
  words: (body) => `${body.name} put on the rack`,
});
