import type { BowFacts } from '#core/log/entry.ts';

/** What most of the club's bows have in common. */
export const TARGET_BASE: BowFacts = {
  name: '',
  owner: '',
  described: '',
  bowKind: 'targetRecurve',
  amoLengthIn: 68,
  hand: 'right',
  hook: 'split',
  purpose: 'target',
  school: 'sighted',
  lengthUnit: 'mm',
  division: 16,
  braceReference: 'throat',
  maker: {},
  inParts: false,
};
