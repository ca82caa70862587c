import type { Control } from '../craft/controls.ts';
import type { StepId } from '../craft/steps.ts';
import { controlsOf, type StoryLine, stepsOf } from './story-lines.ts';
import type { StoryTopic } from './story-topics.ts';

/** What is looked for; null: whatever it is. */
export interface StoryWish {
  readonly topic: StoryTopic | null;
  readonly by: string | null;
  readonly step: StepId | null;
  readonly control: Control | null;
  /** Words that must all stand in a line, in any order, whatever their case. */
  readonly text: string;
}

/**
 * The lines that fit a wish.
 *
 * @param textOf what a line says, as it is shown
 */
export function findLines(
  lines: readonly StoryLine[],
  { topic, by, step, control, text }: StoryWish,
  textOf: (line: StoryLine) => string,
): readonly StoryLine[] {
  const words = folded(text)
    .split(/\s+/)
    .filter((word) => word !== '');
  return lines.filter((line) => {
    if (topic !== null && line.topic !== topic) return false;
    if (by !== null && line.entries.every((entry) => entry.by !== by)) return false;
    if (control !== null && !controlsOf(line).includes(control)) return false;
    if (step !== null && !stepsOf(line).includes(step)) return false;
    if (words.length === 0) return true;
    const said = folded(textOf(line));
    return words.every((word) => said.includes(word));
  });
}

/** Accents and case aside, as one types when looking for something. */
function folded(text: string): string {
  return text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();
}
