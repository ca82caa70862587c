import { z } from 'zod';
import {
  FELT,
  HEARD,
  SEARCH_BEGINNINGS,
  SEARCH_PURPOSES,
  SILENCERS,
  SOUND_SOURCES,
} from '../../craft/search-terms.ts';
import { showLength, showNumber } from '../../quantity/show.ts';
import { evidenceAt, openBraceSearch } from '../brace-searches.ts';
import { id, reason } from './parts.ts';
import { distanceM } from './range-parts.ts';
import { entryKind, type Reference } from './entry-kind.ts';
import { shotsIn } from '../shots-in.ts';

const heightMm = z.number().min(50).max(500);
const levelDb = z.number().min(-250).max(20);
const MOST_ALIKE = 40;

const uses = ({ searchId }: { readonly searchId: string }): readonly Reference[] => [
  { what: 'search', id: searchId, role: 'uses' },
];

export const braceSearchOpened = entryKind({
  kind: 'braceSearchOpened',
  schema: z
    .strictObject({
      kind: z.literal('braceSearchOpened'),
      searchId: id,
      purpose: z.enum(SEARCH_PURPOSES),
      lowMm: heightMm,
      highMm: heightMm,
      beginsAt: z.enum(SEARCH_BEGINNINGS),
      silencers: z.enum(SILENCERS),
      distanceM,
      keepsSounds: z.boolean(),
      practiceSeed: z.int().min(0).max(1e9).optional(),
      despite: reason.optional(),
    })
    .refine(({ lowMm, highMm }) => highMm - lowMm >= 1, {
      message: 'is less than a millimetre above the lowest',
      path: ['highMm'],
    }),
  reduce: (draft, body, place) => {
    draft.searches.set(body.searchId, openBraceSearch(place, body));
  },
  words: ({ practiceSeed }) =>
    practiceSeed === undefined
      ? 'Search for the quiet brace height'
      : 'Practice without a bow: search for the quiet brace height',
  references: ({ searchId }) => [{ what: 'search', id: searchId, role: 'makes' }],
});

export const practiceHeight = entryKind({
  kind: 'practiceHeight',
  schema: z.strictObject({
    kind: z.literal('practiceHeight'),
    searchId: id,
    heightMm,
    twists: z.int().min(-60).max(60),
  }),
  reduce: ({ searches }, body, place) => {
    searches.get(body.searchId)?.practiceHeights.push(evidenceAt(place, body));
  },
  words: (body, bow) => `Practice: the stand-in at ${showLength(body.heightMm, bow)}`,
  references: uses,
});

export const shotHeard = entryKind({
  kind: 'shotHeard',
  schema: z.strictObject({
    kind: z.literal('shotHeard'),
    searchId: id,
    source: z.enum(SOUND_SOURCES),
    levelDb,
    decayMs: z.number().min(0).max(10_000).optional(),
    centroidHz: z.number().min(0).max(100_000),
    octavesDb: z.array(levelDb).length(7),
    roomDb: levelDb,
    soundId: id.optional(),
    silenced: z.boolean().optional(),
  }),
  reduce: (draft, body, place) => {
    const search = draft.searches.get(body.searchId);
    if (search === undefined) return;
    search.shots.push(evidenceAt(place, body));
    search.lastAt = place.at;
    const shots = shotsIn(body);
    if (shots > 0) draft.shoot(shots, place.at);
  },
  words: ({ source, silenced }) =>
    `${source === 'standIn' ? 'Practice: shot' : 'Shot'} recorded${silenced === true ? ', silencers on' : ''}`,
  references: uses,
});

export const heightJudged = entryKind({
  kind: 'heightJudged',
  schema: z.strictObject({
    kind: z.literal('heightJudged'),
    searchId: id,
    heard: z.enum(HEARD).optional(),
    felt: z.enum(FELT).optional(),
    armTouched: z.boolean().optional(),
    groupMm: z.number().min(1).max(3000).optional(),
    silencersSeen: z.boolean().optional(),
  }),
  reduce: ({ searches }, body, place) => {
    const search = searches.get(body.searchId);
    if (search === undefined) return;
    search.judgements.push(evidenceAt(place, body));
    search.lastAt = place.at;
  },
  words: ({ heard, felt, armTouched, groupMm, silencersSeen }) => {
    const said = [
      ...(heard === undefined ? [] : [heard === 'same' ? 'as loud' : heard]),
      ...(felt === undefined ? [] : [felt === 'same' ? 'as calm' : felt]),
      ...(armTouched === undefined ? [] : [armTouched ? 'touched the arm' : 'clear of the arm']),
      ...(groupMm === undefined ? [] : [`group ${showNumber(groupMm, 0)} mm`]),
      ...(silencersSeen === true ? ['shot with silencers on'] : []),
    ];
    return `At this brace: ${said.length === 0 ? 'nothing said' : said.join(', ')}`;
  },
  references: uses,
});

export const bestTwoBegun = entryKind({
  kind: 'bestTwoBegun',
  schema: z.strictObject({
    kind: z.literal('bestTwoBegun'),
    searchId: id,
    bestMm: heightMm,
    otherMm: heightMm,
  }),
  reduce: ({ searches }, body, place) => {
    const search = searches.get(body.searchId);
    if (search === undefined) return;
    search.bestTwo = evidenceAt(place, body);
    search.lastAt = place.at;
  },
  words: ({ bestMm, otherMm }, bow) =>
    `Best two braces side by side: ${showLength(bestMm, bow)} and ${showLength(otherMm, bow)}`,
  references: uses,
});

export const braceSearchClosed = entryKind({
  kind: 'braceSearchClosed',
  schema: z.strictObject({
    kind: z.literal('braceSearchClosed'),
    searchId: id,
    settledMm: heightMm.optional(),
    alikeMm: z.array(heightMm).max(MOST_ALIKE).optional(),
  }),
  reduce: ({ searches }, { searchId, settledMm }, { at, index }) => {
    const search = searches.get(searchId);
    if (search === undefined) return;
    search.closed = { at, index, settledMm: settledMm ?? null };
    search.lastAt = at;
  },
  words: ({ settledMm }, bow) =>
    settledMm === undefined
      ? 'Brace search left'
      : `Brace search settled at ${showLength(settledMm, bow)}`,
  references: uses,
});
