import { bowMade } from './bow-made.ts';
import { bowPutAway } from './bow-put-away.ts';
import { reading } from './reading.ts';
import { change } from './change.ts';
import { targetSet } from './target-set.ts';
import { unitsSet } from './units-set.ts';
import { stepConfirmed } from './step-confirmed.ts';
import { stepSkipped } from './step-skipped.ts';
import { itemFitted } from './item-fitted.ts';
import { buildKept } from './build-kept.ts';
import { partDropped } from './part-dropped.ts';
import { partKept } from './part-kept.ts';
import { shaftWeighed } from './shaft-weighed.ts';
import { factsSet } from './facts-set.ts';
import { positionCounted } from './position-counted.ts';
import { listTicked } from './list-ticked.ts';
import { shotsFired } from './shots-fired.ts';
import { note } from './note.ts';
import { stateNamed } from './state-named.ts';
import { sessionOpened } from './session-opened.ts';
import { sessionClosed } from './session-closed.ts';
import { aimSet } from './aim-set.ts';
import { shotPlaced } from './shot-placed.ts';
import { shotAmended } from './shot-amended.ts';
import { endNoted } from './end-noted.ts';
import { blameChecked } from './blame-checked.ts';
import { shaftSetAside } from './shaft-set-aside.ts';
import { paperTorn } from './paper-torn.ts';
import { landingSet } from './landing-set.ts';
import { experimentOpened } from './experiment-opened.ts';
import { experimentNarrowed } from './experiment-narrowed.ts';
import { experimentClosed } from './experiment-closed.ts';
import {
  bestTwoBegun,
  braceSearchClosed,
  braceSearchOpened,
  heightJudged,
  practiceHeight,
  shotHeard,
} from './brace-search.ts';
import { pictureKept } from './picture-kept.ts';
import { moveSetAside } from './move-set-aside.ts';
import { careDone, careSet } from './care.ts';
import { undone } from './undone.ts';
import type { BowDraft } from '../bow-draft.ts';
import type { BodyOf, BowFacts, EntryBody, LoggedEntry } from '../entry.ts';
import type { EntryKind, Reference } from './entry-kind.ts';

/** Every kind of entry there is. One that is missing here does not compile. */
export const ENTRY_KINDS = {
  bowMade,
  reading,
  change,
  targetSet,
  unitsSet,
  stepConfirmed,
  stepSkipped,
  itemFitted,
  buildKept,
  partKept,
  partDropped,
  shaftWeighed,
  factsSet,
  positionCounted,
  listTicked,
  shotsFired,
  braceSearchOpened,
  practiceHeight,
  shotHeard,
  heightJudged,
  bestTwoBegun,
  braceSearchClosed,
  note,
  stateNamed,
  sessionOpened,
  sessionClosed,
  aimSet,
  shotPlaced,
  shotAmended,
  endNoted,
  blameChecked,
  shaftSetAside,
  paperTorn,
  landingSet,
  experimentOpened,
  experimentNarrowed,
  experimentClosed,
  pictureKept,
  bowPutAway,
  moveSetAside,
  careDone,
  careSet,
  undone,
} as const satisfies { readonly [K in EntryBody['kind']]: EntryKind<K> };

/** The kind of a body, typed so that it takes any body of its kind. */
function kindOf<K extends EntryBody['kind']>(body: BodyOf<K>): EntryKind<K> {
  return ENTRY_KINDS[body.kind] as unknown as EntryKind<K>;
}

/** Adds one entry to the state being folded. */
export function reduceEntry(draft: BowDraft, entry: LoggedEntry, index: number): void {
  const { id, at, by, body } = entry;
  kindOf(body).reduce(draft, body, { id, at, by, index });
}

/** What an entry says, in a few words. */
export function entryWords(body: EntryBody, bow: BowFacts): string {
  return kindOf(body).words(body, bow);
}

/** What an entry names: sessions, shots, experiments it makes or needs. */
export function entryReferences(body: EntryBody): readonly Reference[] {
  return kindOf(body).references?.(body) ?? [];
}
