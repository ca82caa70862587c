import type { EntryBody } from '../log/entry.ts';

/** What a line of a bow's story is about: one question of the filter. */
export const STORY_TOPICS = [
  'change',
  'reading',
  'session',
  'setAside',
  'confirmation',
  'note',
  'fitted',
  'arrow',
  'facts',
] as const;
export type StoryTopic = (typeof STORY_TOPICS)[number];

/** Under which topic each kind of entry is told. What was taken back is told with what it was. */
const TOPICS: Readonly<Record<Exclude<EntryBody['kind'], 'undone'>, StoryTopic>> = {
  bowMade: 'facts',
  reading: 'reading',
  positionCounted: 'reading',
  change: 'change',
  itemFitted: 'fitted',
  targetSet: 'facts',
  unitsSet: 'facts',
  factsSet: 'facts',
  bowPutAway: 'facts',
  stepConfirmed: 'confirmation',
  stepSkipped: 'confirmation',
  listTicked: 'confirmation',
  careDone: 'confirmation',
  careSet: 'facts',
  stateNamed: 'note',
  note: 'note',
  pictureKept: 'note',
  buildKept: 'arrow',
  partKept: 'arrow',
  partDropped: 'arrow',
  shaftWeighed: 'arrow',
  moveSetAside: 'setAside',
  sessionOpened: 'session',
  sessionClosed: 'session',
  aimSet: 'session',
  shotPlaced: 'session',
  shotAmended: 'session',
  endNoted: 'session',
  blameChecked: 'session',
  shaftSetAside: 'session',
  shotsFired: 'session',
  paperTorn: 'session',
  landingSet: 'session',
  experimentOpened: 'session',
  experimentNarrowed: 'session',
  experimentClosed: 'session',
  braceSearchOpened: 'session',
  practiceHeight: 'session',
  shotHeard: 'session',
  heightJudged: 'session',
  bestTwoBegun: 'session',
  braceSearchClosed: 'session',
};

export function topicOf(body: Exclude<EntryBody, { kind: 'undone' }>): StoryTopic {
  return body.kind === 'itemFitted' && body.item === 'shaft' ? 'arrow' : TOPICS[body.kind];
}
