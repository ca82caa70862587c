import { z } from 'zod';
import {
  BRACE_REFERENCE_LABEL,
  BRACE_REFERENCES,
  HAND_LABEL,
  HANDS,
  HOOK_LABEL,
  HOOKS,
  PURPOSE_LABEL,
  PURPOSES,
} from '../../craft/bow-terms.ts';
import { ITEM_TOUCHES } from '../../craft/fit-out.ts';
import type { BowDraft, EntryPlace } from '../bow-draft.ts';
import { archerChanges, braceShiftMm, withLaterFacts } from '../bow-facts.ts';
import { BRACE_FIGURES, type BodyOf, type BowFacts } from '../entry.ts';
import { mirrorSession } from '../shooting.ts';
import {
  amoDrawMm,
  crawlMm,
  makerFigures,
  throatToPlungerMm,
  windowPastCentreMm,
} from './fact-parts.ts';
import { name, positive, shortText } from './parts.ts';
import { entryKind } from './entry-kind.ts';

export const factsSet = entryKind({
  kind: 'factsSet',
  schema: z.strictObject({
    kind: z.literal('factsSet'),
    facts: z.strictObject({
      maker: makerFigures.optional(),
      amoDrawMm: amoDrawMm.optional(),
      crawlMm: crawlMm.optional(),
      windowPastCentreMm: windowPastCentreMm.optional(),
      throatToPlungerMm: throatToPlungerMm.optional(),
      arrowMassG: positive.max(200).optional(),
      name: shortText.optional(),
      owner: name.optional(),
      described: name.optional(),
      hand: z.enum(HANDS).optional(),
      hook: z.enum(HOOKS).optional(),
      purpose: z.enum(PURPOSES).optional(),
      braceReference: z.enum(BRACE_REFERENCES).optional(),
      braceFigures: z.enum(BRACE_FIGURES).optional(),
      anotherArcher: z.boolean().optional(),
    }),
  }),
  reduce: (draft, { facts }, place) => {
    const { bow } = draft;
    if (archerChanges(bow, facts)) {
      draft.archerSince = place.index;
      draft.items.push(anotherHold(place, facts.hook ?? bow.hook));
    }
    if (facts.crawlMm !== undefined && bow.crawlMm !== undefined && facts.crawlMm !== bow.crawlMm)
      draft.items.push(anotherCrawl(place, facts.crawlMm));
    if (facts.hand !== undefined && facts.hand !== bow.hand) mirrorAll(draft);
    moveBrace(draft, braceShiftMm(bow, facts));
    draft.bow = withLaterFacts(bow, facts);
  },
  words: ({ facts }) => factWords(facts),
});

/** Another hook or another archer puts in doubt what another hook in the fit-out does. */
function anotherHold({ id, at, index }: EntryPlace, hook: BowFacts['hook']) {
  return {
    kind: 'item',
    entryId: id,
    index,
    at,
    item: 'hook',
    described: HOOK_LABEL[hook],
    touches: ITEM_TOUCHES.hook,
  } as const;
}

/** The hook stands elsewhere on the string from now on: what was read and shot with it is in doubt. */
function anotherCrawl({ id, at, index }: EntryPlace, crawlMm: number) {
  return {
    kind: 'item',
    entryId: id,
    index,
    at,
    item: 'crawl',
    described: `${crawlMm} mm`,
    touches: ITEM_TOUCHES.crawl,
  } as const;
}

/** The hand had been written down wrongly: what lay left and right lies the other way. */
function mirrorAll(draft: BowDraft): void {
  for (const session of draft.sessions.values()) mirrorSession(session);
  draft.tears.splice(0, draft.tears.length, ...draft.tears.map(mirrored));
  if (draft.landing !== null) draft.landing = mirrored(draft.landing);
}

function mirrored<T extends { readonly outwardMm: number }>(seen: T): T {
  return { ...seen, outwardMm: -seen.outwardMm };
}

/** Every brace figure that is there, read to the other reference. */
function moveBrace({ readings, targets }: BowDraft, shiftMm: number): void {
  if (shiftMm === 0) return;
  const known = readings.get('braceHeight') ?? [];
  const moved = known.map((one) => ({
    ...one,
    values: one.values.map((mm) => mm + shiftMm),
    mean: one.mean + shiftMm,
  }));
  readings.set('braceHeight', moved);
  const own = targets.get('braceHeight');
  if (own !== undefined)
    targets.set('braceHeight', { ...own, low: own.low + shiftMm, high: own.high + shiftMm });
}

/** Which facts were written down or corrected. */
function factWords(facts: BodyOf<'factsSet'>['facts']): string {
  const words: Partial<Record<keyof typeof facts, string>> = {
    maker: 'maker’s figures',
    amoDrawMm: 'draw length',
    crawlMm: 'crawl',
    windowPastCentreMm: 'how far the window is cut',
    throatToPlungerMm: 'throat to plunger',
    arrowMassG: 'arrow’s mass',
    name: `name ${facts.name ?? ''}`,
    owner: `owner ${facts.owner ?? ''}`,
    described: 'description',
    hand: facts.hand === undefined ? '' : HAND_LABEL[facts.hand],
    hook: facts.hook === undefined ? '' : `hook ${HOOK_LABEL[facts.hook]}`,
    purpose: facts.purpose === undefined ? '' : `purpose ${PURPOSE_LABEL[facts.purpose]}`,
    braceReference:
      facts.braceReference === undefined
        ? ''
        : `brace read ${BRACE_REFERENCE_LABEL[facts.braceReference]}`,
  };
  const said = Object.entries(words)
    .filter(([key]) => facts[key as keyof typeof facts] !== undefined)
    .map(([, word]) => word);
  return `Written down: ${said.join(', ')}`;
}
