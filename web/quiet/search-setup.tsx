import {
  SEARCH_BEGINNING_LABEL,
  SEARCH_BEGINNINGS,
  SEARCH_PURPOSE_LABEL,
  SEARCH_PURPOSES,
  SILENCERS,
  SILENCERS_LABEL,
} from '#core/craft/search-terms.ts';
import { CAUTIONS } from '#core/craft/cautions.ts';
import { braceLimit } from '#core/limits/brace-limit.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { SEARCH_PROBLEM_WORDS } from '#core/words/brace-search-words.ts';
import { ChoiceRow } from '../ui/choice-row.tsx';
import { Fractions } from '../ui/fractions.tsx';
import { TextField } from '../ui/text-field.tsx';
import type { SearchSetup } from './use-search-setup.ts';

const LIMIT_WORDS = {
  maker: 'The maker’s range: it is not left.',
  table:
    'Typical for such a bow, and 6 mm either side: farther with a reason. The maker’s own range wins.',
  ownBand: 'Widened by a band of this bow’s own.',
} as const;

/** What is agreed before the first height. */
export function SearchSetupForm({
  state,
  setup,
  onStart,
}: {
  readonly state: BowState;
  readonly setup: SearchSetup;
  readonly onStart: () => void;
}) {
  const { text, set, problem, against, usual } = setup;
  const unit = state.bow.lengthUnit;
  const mayStart = problem === null && against === null;
  return (
    <form
      className="grid max-w-3xl gap-3"
      aria-label="New search for the quiet brace height"
      onSubmit={(event) => {
        event.preventDefault();
        if (mayStart) onStart();
      }}
    >
      <p className="text-entry leading-tight font-[520] [font-stretch:88%]">
        A few heights, three shots at each; the loudness of every height follows from them.
      </p>
      <ChoiceRow
        label="Looked for"
        value={text.purpose}
        options={SEARCH_PURPOSES.map((value) => ({ value, label: SEARCH_PURPOSE_LABEL[value] }))}
        onChange={(purpose) => set({ purpose })}
      />
      <div className="grid grid-cols-3 gap-4">
        <TextField
          label={`Lowest brace, ${unit}`}
          value={text.low}
          placeholder={usual.low}
          decimal={unit === 'mm'}
          onChange={(low) => set({ low })}
        />
        <TextField
          label={`Highest brace, ${unit}`}
          value={text.high}
          placeholder={usual.high}
          decimal={unit === 'mm'}
          onChange={(high) => set({ high })}
        />
        <TextField
          label="Distance, m"
          value={text.distance}
          placeholder={usual.distance}
          decimal
          onChange={(distance) => set({ distance })}
        />
      </div>
      <p className="text-note text-ink-2">{LIMIT_WORDS[braceLimit(state).source]}</p>
      <ChoiceRow
        label="Begins at"
        value={text.beginsAt}
        options={SEARCH_BEGINNINGS.map((value) => ({
          value,
          label: SEARCH_BEGINNING_LABEL[value],
        }))}
        onChange={(beginsAt) => set({ beginsAt })}
      />
      <ChoiceRow
        label="Silencers"
        value={text.silencers}
        options={SILENCERS.map((value) => ({ value, label: SILENCERS_LABEL[value] }))}
        onChange={(silencers) => set({ silencers })}
      />
      {text.silencers === 'off' && (
        <p className="text-note text-ink-2">
          Before it is settled, one shot with them back on is asked for.
        </p>
      )}
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="size-5 accent-(--ink)"
          checked={text.keepsSounds}
          onChange={(event) => set({ keepsSounds: event.target.checked })}
        />
        Keep a second of sound around each shot, about 100 kB; the rest, and voices, are not kept
      </label>
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="size-5 accent-(--ink)"
          checked={text.practice}
          onChange={(event) => set({ practice: event.target.checked })}
        />
        Practise without a bow: a stand-in makes the sounds
      </label>
      <p className="text-note text-ink-2">
        Same arrow, same distance, same place of the microphone for the whole search.{' '}
        {CAUTIONS.dryFire}
      </p>
      {problem !== null && <p className="text-note text-stop">{SEARCH_PROBLEM_WORDS[problem]}</p>}
      {(against !== null || text.despite !== '') && (
        <div className="border-l-4 border-stop pl-3" data-testid="against">
          {against !== null && (
            <p className="text-stop">
              <Fractions text={against} />
            </p>
          )}
          <TextField
            label="It is searched nevertheless, because"
            value={text.despite}
            longest={200}
            onChange={(despite) => set({ despite })}
          />
        </div>
      )}
      <div>
        <button type="submit" className="btn-ink disabled:opacity-50" disabled={!mayStart}>
          Begin the search
        </button>
      </div>
    </form>
  );
}
