import { type ChecklistName, checklist, CHECKLIST_TITLE } from '#core/craft/checklists.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { SheetActions } from '../ui/sheet-actions.tsx';

/** What a look at the bow can answer at once: the code of the line, and its name. */
const FACT_CODES: readonly (readonly [string, string])[] = [
  ['mb ', 'Maker’s brace range'],
  ['mt ', 'Maker’s bolt travel'],
  ['ms ', 'Maker’s side-screw travel'],
  ['ma ', 'Maker’s lightest arrow'],
  ['mark ', 'Limb mark'],
  ['tc ', 'Twists counted'],
  ['bo ', 'Bolts, turns out'],
];

/** The lists of a step, gone through item by item or all at once, and what can be read off the bow meanwhile. */
export function StepLists({
  state,
  names,
  onDone,
  onTick,
  onEnter,
}: {
  readonly state: BowState;
  readonly names: readonly ChecklistName[];
  readonly onDone: (note: string) => void;
  readonly onTick: (bodies: readonly EntryBody[]) => void;
  readonly onEnter: (entryText: string) => void;
}) {
  const lists = names.map((name) => ({ name, items: checklist(name, state.bow) }));
  const isTicked = (name: ChecklistName, id: string) => state.ticked.get(name)?.has(id) === true;
  // Each tick is an entry: a list half gone through is still so after lunch, on any device.
  const tick = (name: ChecklistName, ids: readonly string[], on: boolean) => {
    const ticked = new Set(state.ticked.get(name) ?? []);
    for (const id of ids) {
      if (on) ticked.add(id);
      else ticked.delete(id);
    }
    onTick([{ kind: 'listTicked', list: name, items: [...ticked] }]);
  };
  const left = lists.flatMap(({ name, items }) =>
    items.filter(({ id }) => !isTicked(name, id)).map((item) => ({ name, item })),
  );
  const unsafe = left.find(({ name }) => name === 'assembly');
  return (
    <>
      <div className="grid grid-cols-1 gap-x-8 gap-y-4 @roomy:grid-cols-3">
        {lists.map(({ name, items }) => {
          return (
            <fieldset key={name}>
              <legend className="font-[640]">{CHECKLIST_TITLE[name]}</legend>
              <button
                type="button"
                className="link min-h-11"
                onClick={() =>
                  tick(
                    name,
                    items.map(({ id }) => id),
                    true,
                  )
                }
              >
                All of these
              </button>
              {items.map((item) => (
                <label key={item.id} className="flex min-h-11 items-start gap-3 py-1.5">
                  <input
                    type="checkbox"
                    className="mt-1 size-5 shrink-0 accent-(--ink)"
                    checked={isTicked(name, item.id)}
                    onChange={(event) => tick(name, [item.id], event.target.checked)}
                  />
                  <span>
                    {item.words}
                    <span className="block text-note text-ink-2">{item.why}</span>
                  </span>
                </label>
              ))}
            </fieldset>
          );
        })}
      </div>
      <SheetActions>
        <button
          type="button"
          className="btn-ink disabled:opacity-50"
          disabled={unsafe !== undefined}
          onClick={() =>
            onDone(
              left.length === 0
                ? 'all here'
                : `without: ${left.map(({ item }) => item.words).join('; ')}`,
            )
          }
        >
          {left.length === 0 ? 'All here and sound' : `Go on without ${left.length}`}
        </button>
        {unsafe !== undefined && (
          <p className="max-w-md text-row" role="status">
            Every point of the assembly has to be seen before the bow is drawn. Not sure of one? A
            bow technician looks first.
          </p>
        )}
      </SheetActions>
      <div className="mt-4 border-t border-faint pt-2">
        <span className="label">Read off the bow, when it is there to read</span>
        <div className="flex flex-wrap gap-x-4">
          {FACT_CODES.map(([code, name]) => (
            <button
              key={code}
              type="button"
              className="link min-h-11"
              onClick={() => onEnter(code)}
            >
              {name}
            </button>
          ))}
        </div>
      </div>
    </>
  );
}
