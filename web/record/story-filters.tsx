import type { ReactNode } from 'react';
import { CONTROL_FACTS, type Control, CONTROLS } from '#core/craft/controls.ts';
import { STEPS, type StepId, STEP_IDS } from '#core/craft/steps.ts';
import { STORY_TOPICS } from '#core/story/story-topics.ts';
import type { StoryWish } from '#core/story/story-filter.ts';
import { TOPIC_WORDS } from '#core/words/story-words.ts';
import { useNarrow } from '../ui/use-narrow.ts';

/** What the address says is looked for. */
export function wishOf(params: URLSearchParams): StoryWish {
  const one = <T extends string>(name: string, all: readonly T[]): T | null =>
    all.find((value) => value === params.get(name)) ?? null;
  return {
    topic: one('what', STORY_TOPICS),
    by: params.get('who'),
    step: one<StepId>('for', STEP_IDS),
    control: one<Control>('control', CONTROLS),
    text: params.get('q') ?? '',
  };
}

/** Words, what, who, which step, which control; and the day to go to. */
export function StoryFilters({
  wish,
  people,
  onParam,
  onDay,
  found,
  of,
}: {
  readonly wish: StoryWish;
  readonly people: readonly string[];
  readonly onParam: (name: string, value: string | null) => void;
  readonly onDay: (day: Date) => void;
  readonly found: number;
  readonly of: number;
}) {
  const narrow = useNarrow();
  const set = (name: string) => (value: string) => onParam(name, value === '' ? null : value);
  return (
    <form
      role="search"
      aria-label="Look for"
      className="shrink-0"
      onSubmit={(event) => event.preventDefault()}
    >
      <div className="grid grid-cols-1 items-end gap-x-4 gap-y-2 @roomy:grid-cols-[1fr_5fr]">
        <label>
          <span className="label">Words</span>
          <input
            className="field"
            type="search"
            value={wish.text}
            maxLength={80}
            onChange={(event) => set('q')(event.target.value)}
          />
        </label>
        <More narrow={narrow}>
          <div className="grid grid-cols-2 items-end gap-x-4 gap-y-2 @form:grid-cols-5">
            <Choice
              label="What"
              value={wish.topic ?? ''}
              options={STORY_TOPICS.map((topic) => [topic, TOPIC_WORDS[topic]])}
              onChange={set('what')}
            />
            <Choice
              label="By whom"
              value={wish.by ?? ''}
              options={people.map((one) => [one, one])}
              onChange={set('who')}
            />
            <Choice
              label="Step"
              value={wish.step ?? ''}
              options={STEPS.map(({ id, name }) => [id, name])}
              onChange={set('for')}
            />
            <Choice
              label="Control"
              value={wish.control ?? ''}
              options={CONTROLS.map((control) => [control, CONTROL_FACTS[control].name])}
              onChange={set('control')}
            />
            <label>
              <span className="label">Go to day</span>
              <input
                className="field"
                type="date"
                onChange={({ target }) => {
                  if (target.valueAsDate !== null) onDay(new Date(`${target.value}T00:00`));
                }}
              />
            </label>
          </div>
        </More>
      </div>
      <p className="mt-1 text-note text-ink-2" role="status">
        {found === of ? '' : `${found} of `}
        {of} {of === 1 ? 'line' : 'lines'}
      </p>
    </form>
  );
}

/** Folded where there is little room: words are looked for most. */
function More({ narrow, children }: { readonly narrow: boolean; readonly children: ReactNode }) {
  if (!narrow) return children;
  return (
    <details>
      <summary className="min-h-11 cursor-pointer content-center underline underline-offset-3">
        What, by whom, which step, which day
      </summary>
      {children}
    </details>
  );
}

function Choice({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [value: string, words: string])[];
  readonly onChange: (value: string) => void;
}) {
  return (
    <label>
      <span className="label">{label}</span>
      <select className="field" value={value} onChange={(event) => onChange(event.target.value)}>
        <option value="">all</option>
        {options.map(([one, words]) => (
          <option key={one} value={one}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
