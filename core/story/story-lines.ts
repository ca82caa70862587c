import type { Control } from '../craft/controls.ts';
import { SESSION_KIND_FACTS } from '../craft/session-kinds.ts';
import { STEPS, type StepId, stepFacets } from '../craft/steps.ts';
import { upsets } from '../craft/upsets.ts';
import type { EntryBody, LoggedEntry } from '../log/entry.ts';
import { FIRST_STRING } from '../log/strings.ts';
import { undoneEntryIds } from '../log/undo.ts';
import { instantMs } from '../quantity/instant.ts';
import { type StoryTopic, topicOf } from './story-topics.ts';

/** What happened, as one line tells it: an entry, a move of several, or a session with all its shots. */
export interface StoryLine {
  /** The entry that begins it. */
  readonly first: LoggedEntry;
  /** All its entries in taken order, `first` among them. */
  readonly entries: readonly LoggedEntry[];
  readonly topic: StoryTopic;
  /** Which string was on the bow. */
  readonly stringId: string;
  /** By when all of it had been taken, ms since 1970: the bow as it was just after. */
  readonly untilMs: number;
  /** None of it was taken back, some, or what begins it and with it all. */
  readonly stands: 'whole' | 'partly' | 'no';
}

/**
 * The story of a bow, oldest first. Changes that were one move are one line; what was shot, noted and
 * looked at in a session stands with its opening, what was heard in a search with that. What was taken back stays, marked so; the undos
 * themselves are told with what they undid (`reversalsOf`).
 *
 * @param log in taken order
 */
export function storyLines(log: readonly LoggedEntry[]): readonly StoryLine[] {
  const undone = undoneEntryIds(log);
  const drafts: Draft[] = [];
  const groups = new Map<string, Draft>();
  const sessionOfShot = new Map<string, string>();
  let stringId = FIRST_STRING;
  let ms = 0;
  for (const entry of log) {
    const { body, id } = entry;
    ms = Math.max(ms, entry.taken?.ms ?? instantMs(entry.at));
    if (body.kind === 'undone') continue;
    if (body.kind === 'shotPlaced') sessionOfShot.set(body.shotId, body.sessionId);
    if (body.kind === 'itemFitted' && body.string !== undefined && !undone.has(id))
      ({ stringId } = body.string);
    const key = groupOf(body, sessionOfShot);
    let draft = key === null ? undefined : groups.get(key);
    if (draft === undefined) {
      draft = { first: entry, entries: [], topic: topicOf(body), stringId, untilMs: ms, undone: 0 };
      drafts.push(draft);
      if (key !== null) groups.set(key, draft);
    }
    draft.entries.push(entry);
    draft.untilMs = ms;
    if (undone.has(id)) draft.undone += 1;
  }
  return drafts.map(({ undone: gone, ...line }) => ({
    ...line,
    stands: standsOf(line, gone, undone),
  }));
}

interface Draft {
  readonly first: LoggedEntry;
  readonly entries: LoggedEntry[];
  readonly topic: StoryTopic;
  readonly stringId: string;
  untilMs: number;
  undone: number;
}

function standsOf(
  { first, entries }: Pick<Draft, 'first' | 'entries'>,
  gone: number,
  undone: ReadonlySet<string>,
): StoryLine['stands'] {
  if (gone === 0) return 'whole';
  const isSession = first.body.kind === 'sessionOpened' || first.body.kind === 'braceSearchOpened';
  return gone === entries.length || (isSession && undone.has(first.id)) ? 'no' : 'partly';
}

/** What an entry is told together with; null: by itself. */
function groupOf(body: EntryBody, sessionOfShot: ReadonlyMap<string, string>): string | null {
  if (body.kind === 'change') return body.moveId === undefined ? null : `move ${body.moveId}`;
  if (body.kind === 'shotAmended') {
    const session = sessionOfShot.get(body.shotId);
    return session === undefined ? null : `session ${session}`;
  }
  if ('searchId' in body) return `search ${body.searchId}`;
  return 'sessionId' in body ? `session ${body.sessionId}` : null;
}

/** Controls a line moved. */
export function controlsOf({ entries }: StoryLine): readonly Control[] {
  return entries.flatMap(({ body }) => (body.kind === 'change' ? [body.control] : []));
}

/** Steps a line has to do with: those it clears or counts for, and those it puts in doubt. */
export function stepsOf(line: StoryLine): readonly StepId[] {
  const controls = controlsOf(line);
  const found = new Set(line.entries.flatMap(({ body }) => stepsOfBody(body, controls)));
  return STEPS.filter(({ id }) => found.has(id)).map(({ id }) => id);
}

function stepsOfBody(body: EntryBody, moveControls: readonly Control[]): readonly StepId[] {
  switch (body.kind) {
    case 'reading':
      return STEPS.filter(
        ({ clearing }) => clearing.by === 'readings' && clearing.of.includes(body.reading),
      ).map(({ id }) => id);
    case 'stepConfirmed':
    case 'stepSkipped':
      return [body.step];
    case 'sessionOpened':
      return [SESSION_KIND_FACTS[body.sessionKind ?? 'bareShaft'].step];
    case 'experimentOpened':
      return ['fineTuning'];
    case 'braceSearchOpened':
      return ['braceSearch'];
    case 'change':
      return stepsUpsetBy({ ...body, index: 0, moveControls });
    case 'itemFitted':
      return stepsUpsetBy({ ...body, kind: 'item', index: 0 });
    case 'shotsFired':
      return ['shootIn'];
    case 'landingSet':
      return ['bareShaft'];
    default:
      return [];
  }
}

function stepsUpsetBy(upset: Parameters<typeof upsets>[0]): readonly StepId[] {
  return STEPS.filter(({ id }) => stepFacets(id).some((facet) => upsets(upset, facet))).map(
    ({ id }) => id,
  );
}
