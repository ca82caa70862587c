import { READING_KINDS, READINGS } from '#core/craft/readings.ts';
import { SCHOOL_HABITS } from '#core/priors/starting-values.ts';
import type { EntryBody, LoggedEntry } from '#core/log/entry.ts';

/** The record of no bow: one of every reading, and brace height before and after a few twists. */
export function rehearsalLog(): readonly LoggedEntry[] {
  const habits = SCHOOL_HABITS.sighted;
  const bodies: readonly EntryBody[] = [
    {
      kind: 'bowMade',
      name: '',
      owner: '',
      described: '',
      bowKind: 'targetRecurve',
      amoLengthIn: 66,
      hand: 'right',
      hook: 'split',
      purpose: 'target',
      school: 'sighted',
      lengthUnit: habits.lengthUnit,
      division: 16,
      braceReference: habits.braceReference,
      maker: {},
      twistsAtStart: 20,
      boltTurnsOutAtStart: 2,
      inParts: false,
    },
    ...READING_KINDS.map(reading),
    { kind: 'change', control: 'twists', amount: 2, because: '' },
    reading('braceHeight'),
    { kind: 'change', control: 'twists', amount: -1, because: '' },
    reading('braceHeight'),
  ];
  return bodies.map((body, index) => ({
    id: `rehearsal-${index}`,
    bowId: 'rehearsal',
    at: new Date(index).toISOString(),
    by: '',
    body,
    seq: index + 1,
  }));
}

function reading(kind: (typeof READING_KINDS)[number]): EntryBody {
  const [least, most] = READINGS[kind].plausible;
  return {
    kind: 'reading',
    reading: kind,
    values: [(least + most) / 2],
    typed: '',
    datum: READINGS[kind].datum,
    tool: '',
    source: 'measured',
    confirmedUnlikely: false,
  };
}
