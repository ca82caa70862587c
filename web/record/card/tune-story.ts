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
  const all = storyLines(log).filter(
    ({ topic, stands }) => OF_THE_TUNE.has(topic) && stands !== 'no',
  );
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

function wordsOf(line: StoryLine, state: BowState, log: readonly LoggedEntry[]): string {
  const said = [lineWords(line, state.bow), becauseWords(line)];
  const verdict = verdictThen(log, line, state.bow.lengthUnit === 'in' ? 'in' : 'cm');
  const what = said.filter((part) => part !== '').join(', ');
  return verdict === '' ? what : `${what}. ${verdict}`;
}

function shortened(words: string): string {
  return words.length <= MOST_LETTERS ? words : `${words.slice(0, MOST_LETTERS).trimEnd()}…`;
}
