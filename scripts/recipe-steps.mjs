/**
 * What CONTRIBUTING.md says has to be written for a new reading, control, entry kind, session kind and
 * view, as edits of a copy of the house. Each edit is one named place: with all of them the house
 * stands, and without any one of them something says so.
 */
const after = (anchor, added) => (text) => {
  if (!text.includes(anchor)) throw new Error(`no such place: ${anchor}`);
  return text.replace(anchor, `${anchor}${added}`);
};
const whole = (text) => () => text;

export const RECIPES = {
  reading: [
    [
      'core/craft/readings.ts',
      (text) =>
        after(
          'Readonly<Record<ReadingKind, ReadingFacts>> = {\n',
          "  gripHeight: {\n    kind: 'gripHeight',\n    code: 'gh',\n    name: 'Grip height',\n    quantity: 'length',\n    plausible: [10, 80],\n    typicalSd: 0.5,\n    tolerance: 1,\n    datum: 'throat of the grip',\n    howTo: 'Rule from the throat to the shelf.',\n  },\n",
        )(after("  'drawLength',\n", "  'gripHeight',\n")(text)),
    ],
    ['core/setup/targets.ts', after("    case 'drawLength':\n", "    case 'gripHeight':\n")],
    [
      'web/drawing/how-to-drawing.tsx',
      (text) =>
        after(
          '  switch (kind) {\n',
          "    case 'gripHeight':\n      return <StringLine x={40} />;\n",
        )(
          after(
            'const LABEL: Readonly<Record<ReadingKind, string>> = {\n',
            "  gripHeight: 'A rule from the throat to the shelf',\n",
          )(text),
        ),
    ],
    [
      'web/bench/sights.ts',
      (text) =>
        text.replace("'restHeight', 'drawLength']", "'restHeight', 'drawLength', 'gripHeight']"),
    ],
    ['core/fixtures/bow-log.ts', after('      drawLength: 711.2,\n', '      gripHeight: 40,\n')],
    ['core/gains/learned-gains.test.ts', after('  drawLength: 711,\n', '  gripHeight: 40,\n')],
    ['bench/setup-sim.ts', after('  drawLength: 711,\n', '  gripHeight: 40,\n')],
  ],
  control: [
    [
      'core/craft/controls.ts',
      (text) =>
        after(
          'Readonly<Record<Control, ControlFacts>> = {\n',
          "  gripWedge: {\n    control: 'gripWedge',\n    code: 'gw',\n    name: 'Grip wedge',\n    unit: 'mm',\n    plus: 'thicker',\n    minus: 'thinner',\n    step: 0.5,\n    largest: 3,\n    needsUnstrung: false,\n    reversible: true,\n  },\n",
        )(after("  'shaftCut',\n", "  'gripWedge',\n")(text)),
    ],
    [
      'core/craft/upsets.ts',
      after(
        'Readonly<Record<Control, readonly FacetId[]>> = {\n',
        "  gripWedge: ['sightMarks'],\n",
      ),
    ],
    ['core/priors/prior-gains.ts', after('  bareShaftUp: {', ' gripWedge: { mean: 2, sd: 4 },')],
    [
      'core/priors/tune-shifts.ts',
      after('Readonly<Record<Control, TuneShift>> = {\n', '  gripWedge: NOTHING,\n'),
    ],
    ['core/limits/control-limits.ts', after("    case 'sidePlate':\n", "    case 'gripWedge':\n")],
    [
      'core/order/step-states.test.ts',
      after('Readonly<Record<Control, readonly StepId[]>> = {\n', "  gripWedge: ['sightMarks'],\n"),
    ],
  ],
  'entry kind': [
    [
      'core/log/entry.ts',
      (text) =>
        text.replace(
          "  | { readonly kind: 'shotsFired';",
          "  | { readonly kind: 'stringWaxed'; readonly by: string }\n  | { readonly kind: 'shotsFired';",
        ),
    ],
    [
      'core/log/kinds/string-waxed.ts',
      whole(
        "import { z } from 'zod';\nimport { entryKind, tellsOnly } from './entry-kind.ts';\nimport { shortText } from './parts.ts';\n\nexport const stringWaxed = entryKind({\n  kind: 'stringWaxed',\n  schema: z.strictObject({ kind: z.literal('stringWaxed'), by: shortText }),\n  reduce: tellsOnly,\n  words: ({ by }) => `String waxed by ${by}`,\n});\n",
      ),
    ],
    [
      'core/log/kinds/entry-kinds.ts',
      (text) =>
        after(
          'export const ENTRY_KINDS = {\n',
          '  stringWaxed,\n',
        )(`import { stringWaxed } from './string-waxed.ts';\n${text}`),
    ],
    [
      'core/story/story-topics.ts',
      after("'undone'>, StoryTopic>> = {\n", "  stringWaxed: 'confirmation',\n"),
    ],
    [
      'contract/fixtures/any-log.ts',
      (text) =>
        text.replace(
          "      { kind: 'note', text:",
          "      { kind: 'stringWaxed', by: 'Ada' },\n      { kind: 'note', text:",
        ),
    ],
  ],
  'session kind': [
    [
      'core/craft/session-kinds.ts',
      (text) =>
        after(
          'Readonly<Record<SessionKind, SessionKindFacts>> = {\n',
          "  coldShots: {\n    name: 'Cold shots',\n    says: 'One arrow, unwarmed, where it matters.',\n    step: 'proof',\n    facets: ['proof'],\n    needsPlunger: false,\n    isOneGroup: true,\n    judgesBothAxes: false,\n    weighsRemedies: false,\n    startsAtM: null,\n    judgedAtM: null,\n  },\n",
        )(text.replace("'proof'] as const;", "'proof', 'coldShots'] as const;")),
    ],
    ['core/session/session-wish.ts', after('  switch (wish.kind) {\n', "    case 'coldShots':\n")],
    [
      'core/session/speaking-shots.ts',
      after(
        '  switch (session.sessionKind) {\n',
        "    case 'coldShots':\n      return session.shots;\n",
      ),
    ],
    [
      'core/advice/next-move.ts',
      after('  switch (session.sessionKind) {\n', "    case 'coldShots':\n      return null;\n"),
    ],
    [
      'core/words/session-verdict-words.ts',
      after('  switch (session.sessionKind) {\n', "    case 'coldShots':\n      return 'Shot.';\n"),
    ],
    [
      'web/range/session/session-panel.tsx',
      after('  switch (session.sessionKind) {\n', "    case 'coldShots':\n      return null;\n"),
    ],
    [
      'web/range/session/session-setup.tsx',
      after('  switch (text.kind) {\n', "    case 'coldShots':\n"),
    ],
  ],
  view: [
    [
      'web/logbook/logbook-page.tsx',
      whole('export function LogbookPage() {\n  return <h1>Logbook</h1>;\n}\n'),
    ],
    [
      'web/views.ts',
      after(
        'export const VIEWS: readonly View[] = [\n',
        "  {\n    number: 7,\n    name: 'Logbook',\n    segment: 'logbook',\n    ofOneBow: true,\n    page: { fetch: async () => (await import('./logbook/logbook-page.tsx')).LogbookPage },\n  },\n",
      ),
    ],
    [
      'web/app/view.test.ts',
      (text) =>
        text
          .replace("      'rack',\n", "      'logbook',\n      'logbook/:bowId',\n      'rack',\n")
          .replace('const [RACK, BENCH] = VIEWS', 'const [, RACK, BENCH] = VIEWS')
          .replace('as [View, View]', 'as [View, View, View]'),
    ],
  ],
};
