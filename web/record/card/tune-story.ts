import { format, parseISO } from 'date-fns';
import type { BowState } from '#core/log/bow-state.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { type StoryLine, storyLines } from '#core/story/story-lines.ts';
import type { StoryTopic } from '#core/story/story-topics.ts';
import { becauseWords, lineWords } from '#core/words/story-words.ts';
import { verdictThen } from '../verdict-then.ts';

/** One line of the story on a card’s second page. */
export interface TuneStoryLine {
  readonly id: string;
  readonly day: string;
  readonly says: string;
}

/** What belongs to the tune: readings stand on the first page, ticks and facts nobody reads twice. */
const OF_THE_TUNE: ReadonlySet<StoryTopic> = new Set([
  'change',
  'session',
  'fitted',
  'arrow',
  'note',
]);
/** So many lines fit the smallest card; the newest matter most. */
const MOST_LINES = 26;
/** Longer, and it is cut: a note may be a page of its own. */
const MOST_LETTERS = 150;

/**
 * The story of the tune, newest first: what was changed and why, what was shot and what it said.
 *
 * @returns the newest lines that fit, and how many older ones there are
 */
export function tuneStory(
  state: BowState,
  log: readonly LoggedEntry[],
): { readonly lines: readonly TuneStoryLine[]; readonly older: number } {
  const lines = storyLines(log).filter(
    ({ topic, stands }) => OF_THE_TUNE.has(topic) && stands !== 'no',
  );
  const all = lines.filter((line) => !isPractice(line) && !isWithinSearch(line, lines));
  return {
    lines: all
      .slice(-MOST_LINES)
      .toReversed()
      .map((line) => ({
        id: line.first.id,
        day: format(parseISO(line.first.at), 'd MMM yy'),
        says: shortened(wordsOf(line, state, log)),
      })),
    older: Math.max(0, all.length - MOST_LINES),
  };
}

/** Practice without a bow is nothing of this bow's. */
function isPractice({ first: { body } }: StoryLine): boolean {
  return body.kind === 'braceSearchOpened' && body.practiceSeed !== undefined;
}

/** Turned on the way of a search: what the search came to tells it. */
function isWithinSearch(line: StoryLine, lines: readonly StoryLine[]): boolean {
  if (line.topic !== 'change') return false;
  return lines.some(
    (search) =>
      search.first.body.kind === 'braceSearchOpened' &&
      !isPractice(search) &&
      search.entries.length > 1 &&
      placeOf(search.first) < placeOf(line.first) &&
      placeOf(line.first) < placeOf(search.entries.at(-1) ?? search.first),
  );
}

/** Where an entry stands in the log; what waits stands at its end. */
function placeOf({ seq }: LoggedEntry): number {
  return seq ?? Number.POSITIVE_INFINITY;
}

function wordsOf(line: StoryLine, state: BowState, log: readonly LoggedEntry[]): string {
  const said = [lineWords(line, state.bow), becauseWords(line)];
  const verdict = verdictThen(log, line, state.bow.lengthUnit === 'in' ? 'in' : 'cm');
  const what = said.filter((part) => part !== '').join(', ');
  return verdict === '' ? what : `${what}. ${verdict}`;
}

function shortened(words: string): string {
  return words.length <= MOST_LETTERS ? words : `${words.slice(0, MOST_LETTERS).trimEnd()}…`;
}
