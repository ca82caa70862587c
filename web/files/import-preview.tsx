import { useState } from 'react';
import type { BowChoice, ImportPlan, PlannedBow } from '#contract/file-import.ts';
import { shortText } from '#core/log/kinds/parts.ts';
import { plannedBowWords } from '#core/words/import-words.ts';

type How = BowChoice['how'];
interface Chosen {
  readonly how: How;
  readonly name: string;
}

const HOW_WORDS: Readonly<Record<How, string>> = {
  add: 'Add to what is here',
  leave: 'Leave out',
  another: 'As another bow, called',
};

/** What a file would add, bow by bow, and what becomes of each. */
export function ImportPreview({
  plan,
  onTake,
  onDrop,
}: {
  readonly plan: ImportPlan;
  readonly onTake: (bows: readonly BowChoice[]) => void;
  readonly onDrop: () => void;
}) {
  const [chosen, setChosen] = useState<ReadonlyMap<string, Chosen>>(new Map());
  const of = (bow: PlannedBow): Chosen => chosen.get(bow.bowId) ?? usualChoice(bow);
  const set = (bow: PlannedBow, change: Partial<Chosen>) =>
    setChosen(new Map(chosen).set(bow.bowId, { ...of(bow), ...change }));
  const choices = plan.bows.map((bow): BowChoice => {
    const { how, name } = of(bow);
    return how === 'another'
      ? { bowId: bow.bowId, how, name: name.trim() }
      : { bowId: bow.bowId, how };
  });
  const nameless = choices.find(
    (choice) => choice.how === 'another' && !shortText.safeParse(choice.name).success,
  );
  const isNothing = choices.every(({ how }) => how === 'leave');
  return (
    <div className="grid gap-3">
      <ul className="border-t border-ink" aria-label="Bows in the file">
        {plan.bows.map((bow) => (
          <li key={bow.bowId} className="border-b border-faint py-3" data-planned={bow.name}>
            <div className="grid grid-cols-1 items-center gap-x-6 gap-y-1 @form:grid-cols-[1fr_15rem]">
              <p className="wrap-anywhere">
                <b className="font-[640]">{bow.name === '' ? 'A bow without a name' : bow.name}</b>:{' '}
                <span className={bow.conflictCount > 0 ? 'text-stop' : ''}>
                  {plannedBowWords(bow)}
                </span>
                .
              </p>
              <label>
                <span className="visually-hidden">What becomes of {bow.name}</span>
                <select
                  className="field"
                  value={of(bow).how}
                  onChange={({ target }) => {
                    const how = hows(bow).find((one) => one === target.value);
                    if (how !== undefined) set(bow, { how });
                  }}
                >
                  {hows(bow).map((how) => (
                    <option key={how} value={how}>
                      {HOW_WORDS[how]}
                    </option>
                  ))}
                </select>
              </label>
            </div>
            <Remarks bow={bow} />
            {of(bow).how === 'another' && (
              <label>
                <span className="label">Its name here</span>
                <input
                  className="field"
                  value={of(bow).name}
                  maxLength={80}
                  onChange={({ target }) => set(bow, { name: target.value })}
                />
              </label>
            )}
          </li>
        ))}
      </ul>
      {nameless !== undefined && <p className="text-stop">Give the other bow a name.</p>}
      <p className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn-ink"
          disabled={nameless !== undefined || isNothing}
          onClick={() => onTake(choices)}
        >
          Take in {choices.filter(({ how }) => how !== 'leave').length} of {plan.bows.length}
        </button>
        <button type="button" className="link-btn" onClick={onDrop}>
          Take nothing
        </button>
      </p>
    </div>
  );
}

function Remarks({ bow }: { readonly bow: PlannedBow }) {
  const remarks = [
    ...bow.conflicts.map(({ place, says }) => `${place}: ${says}`),
    ...(bow.conflictCount > bow.conflicts.length
      ? [`And ${bow.conflictCount - bow.conflicts.length} more.`]
      : []),
    ...bow.flags.map(({ says, entries }) =>
      entries === 1 ? says : `${says} (${entries} entries)`,
    ),
  ];
  if (remarks.length === 0) return null;
  return (
    <ul className="mt-1 text-note text-ink-2">
      {remarks.map((says) => (
        <li key={says} className="wrap-anywhere">
          {says}
        </li>
      ))}
    </ul>
  );
}

/** A bow with conflicts cannot be added; one that is not here needs no other name. */
function hows(bow: PlannedBow): readonly How[] {
  const all: How[] = bow.conflictCount > 0 ? ['leave'] : ['add', 'leave'];
  return bow.isHere ? [...all, 'another'] : all;
}

function usualChoice(bow: PlannedBow): Chosen {
  const isNew = bow.fresh > 0 || bow.freshPictures > 0;
  return {
    how: bow.conflictCount === 0 && isNew ? 'add' : 'leave',
    name: bow.name === '' ? '' : `${bow.name} again`.slice(0, 80),
  };
}
