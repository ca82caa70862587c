import type { StoryLine } from '#core/story/story-lines.ts';

/** What a line of the story leads to. */
export interface StoryActions {
  /** Takes entries back, with what was said of it. */
  readonly takeBack: (entryIds: readonly string[], why: string) => void;
  /** Puts entries back that were taken back. */
  readonly putBack: (entryIds: readonly string[], why: string) => void;
  /** Gives the moment just after a line a name. */
  readonly name: (line: StoryLine) => void;
  /** The verdict of a session as it was given then; null while it is worked out. */
  readonly verdictThen: (line: StoryLine) => string | null;
}
