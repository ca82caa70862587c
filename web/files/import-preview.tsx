import { useState } from 'react';
import type { BowChoice, ImportPlan, PlannedBow } from '#contract/file-import.ts';
import { shortText } from '#core/log/kinds/parts.ts';
import { plannedBowWords } from '#core/words/import-words.ts';
import { SheetActions } from '../ui/sheet-actions.tsx';

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
  const saysAnything = (bow: PlannedBow) =>
    bow.conflictCount > 0 || bow.fresh > 0 || bow.freshPictures > 0;
  const saying = plan.bows.filter(saysAnything).toSorted(inOrder);
  const known = plan.bows.filter((bow) => !saysAnything(bow)).toSorted(inOrder);
  const isNothing = choices.every(({ how }) => how === 'leave');
  return (
    <div className="grid gap-3">
      <ul className="border-t border-ink" aria-label="Bows in the file">
        {saying.map((bow) => (
          <PlannedLine key={bow.bowId} bow={bow} chosen={of(bow)} onSet={set} />
        ))}
      </ul>
      {known.length > 0 && (
        <details open={saying.length === 0 && known.length <= FEW_KNOWN}>
          <summary className="min-h-11 cursor-pointer content-center">
            {known.length} {known.length === 1 ? 'bow' : 'bows'} with nothing new
          </summary>
          <ul aria-label="Bows that are here already">
            {known.map((bow) => (
              <PlannedLine key={bow.bowId} bow={bow} chosen={of(bow)} onSet={set} />
            ))}
          </ul>
        </details>
      )}
      {nameless !== undefined && <p className="text-stop">Give the other bow a name.</p>}
      <SheetActions>
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
      </SheetActions>
    </div>
  );
}

/** So few bows with nothing new are shown at once where there are no others. */
const FEW_KNOWN = 12;

/** Faults first, then by name as people count. */
function inOrder(one: PlannedBow, other: PlannedBow): number {
  return (
    other.conflictCount - one.conflictCount ||
    one.name.localeCompare(other.name, undefined, { numeric: true })
  );
}

/** What a file says of one bow, and what becomes of it. */
function PlannedLine({
  bow,
  chosen: { how, name },
  onSet,
}: {
  readonly bow: PlannedBow;
  readonly chosen: Chosen;
  readonly onSet: (bow: PlannedBow, change: Partial<Chosen>) => void;
}) {
  return (
    <li className="border-b border-faint py-3" data-planned={bow.name}>
      <div className="grid grid-cols-1 items-center gap-x-6 gap-y-1 @form:grid-cols-[1fr_15rem]">
        <p className="wrap-anywhere">
          <b className="font-[640]">{bow.name === '' ? 'A bow without a name' : bow.name}</b>:{' '}
          <span className={bow.conflictCount > 0 ? 'text-stop' : ''}>{plannedBowWords(bow)}</span>.
        </p>
        <label>
          <span className="visually-hidden">What becomes of {bow.name}</span>
          <select
            className="field"
            value={how}
            onChange={({ target }) => {
              const next = hows(bow).find((one) => one === target.value);
              if (next !== undefined) onSet(bow, { how: next });
            }}
          >
            {hows(bow).map((one) => (
              <option key={one} value={one}>
                {HOW_WORDS[one]}
              </option>
            ))}
          </select>
        </label>
      </div>
      <Remarks bow={bow} />
      {how === 'another' && (
        <label>
          <span className="label">Its name here</span>
          <input
            className="field"
            value={name}
            maxLength={80}
            onChange={({ target }) => onSet(bow, { name: target.value })}
          />
        </label>
      )}
    </li>
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
