import type { BodyOf, LoggedEntry } from './entry.ts';

/** Which entry of the log it is, and when it was made. */
type Place = Pick<LoggedEntry, 'id' | 'at'> & { readonly index: number };
type Evidence<K extends 'shotHeard' | 'heightJudged' | 'practiceHeight' | 'bestTwoBegun'> = Place &
  Omit<BodyOf<K>, 'kind' | 'searchId'>;

export type HeardShot = Evidence<'shotHeard'>;
type HeightJudgement = Evidence<'heightJudged'>;

/** A search for the quiet brace height, as it was written down. */
export interface BraceSearch extends Omit<BodyOf<'braceSearchOpened'>, 'kind'> {
  readonly entryId: string;
  readonly index: number;
  readonly openedAt: string;
  readonly lastAt: string;
  readonly shots: readonly HeardShot[];
  readonly judgements: readonly HeightJudgement[];
  readonly practiceHeights: readonly Evidence<'practiceHeight'>[];
  readonly bestTwo: Evidence<'bestTwoBegun'> | null;
  readonly closed: {
    readonly index: number;
    readonly at: string;
    readonly settledMm: number | null;
  } | null;
}

/** A search while the log is being folded. */
export interface BraceSearchDraft
  extends Omit<
    BraceSearch,
    'lastAt' | 'shots' | 'judgements' | 'practiceHeights' | 'bestTwo' | 'closed'
  > {
  lastAt: string;
  shots: HeardShot[];
  judgements: HeightJudgement[];
  practiceHeights: Evidence<'practiceHeight'>[];
  bestTwo: BraceSearch['bestTwo'];
  closed: BraceSearch['closed'];
}

export function openBraceSearch(place: Place, body: BodyOf<'braceSearchOpened'>): BraceSearchDraft {
  const { kind: _kind, ...facts } = body;
  return {
    ...facts,
    entryId: place.id,
    index: place.index,
    openedAt: place.at,
    lastAt: place.at,
    shots: [],
    judgements: [],
    practiceHeights: [],
    bestTwo: null,
    closed: null,
  };
}

/** The same evidence with its place in the log. */
export function evidenceAt<Body extends { readonly kind: string; readonly searchId: string }>(
  { id, at, index }: Place,
  { kind: _kind, searchId: _searchId, ...body }: Body,
): Place & Omit<Body, 'kind' | 'searchId'> {
  return { ...body, id, at, index };
}
