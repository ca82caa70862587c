import { useState } from 'react';
import { v7 as newId } from 'uuid';
import {
  FIT_OUT_ITEMS,
  FIT_OUT_LABEL,
  type FitOutItem,
  ITEM_TOUCHES,
  STRING_CHECK_SHOTS,
  STRING_MATERIAL_LABEL,
  STRING_MATERIALS,
  type StringMaterial,
} from '#core/craft/fit-out.ts';
import { upperFirst } from '#core/craft/letter-case.ts';
import { type FacetId, stepFacets, stepsFor } from '#core/craft/steps.ts';
import type { ArrowFacts, BodyOf, EntryBody, StringFacts } from '#core/record/entry.ts';
import type { BowState } from '#core/record/fold.ts';
import { stringSchedule } from '#core/work/string-schedule.ts';
import { whenWords } from './lately.tsx';

const NEW_STRING = 'new';

/** What is on the bow, since when; and a change of one item with what it puts in doubt. */
export function FitOutPanel({
  state,
  onStore,
}: {
  readonly state: BowState;
  readonly onStore: (bodies: readonly EntryBody[]) => void;
}) {
  const [item, setItem] = useState<FitOutItem | null>(null);
  return (
    <div className="grid gap-x-10 gap-y-5 min-[900px]:grid-cols-2">
      <section aria-label="On the bow">
        <h3 className="font-[640]">On the bow</h3>
        <OnTheBow state={state} />
        <div className="mt-2 flex flex-wrap gap-x-4">
          <button type="button" className="btn-ink" onClick={() => setItem('string')}>
            New string
          </button>
          <label className="flex items-center gap-2 text-[14px]">
            Change
            <select
              className="field w-auto"
              value={item ?? ''}
              onChange={(event) =>
                setItem(FIT_OUT_ITEMS.find((one) => one === event.target.value) ?? null)
              }
            >
              <option value="">an item…</option>
              {FIT_OUT_ITEMS.map((one) => (
                <option key={one} value={one}>
                  {upperFirst(FIT_OUT_LABEL[one])}
                </option>
              ))}
            </select>
          </label>
        </div>
      </section>
      {item !== null && (
        <ItemForm
          key={item}
          state={state}
          item={item}
          onDone={(body) => {
            onStore([body]);
            setItem(null);
          }}
          onLeave={() => setItem(null)}
        />
      )}
    </div>
  );
}

function OnTheBow({ state }: { readonly state: BowState }) {
  const { fitted, all } = state.strings;
  const schedule = stringSchedule(state);
  const items = [...state.fitOut.values()].filter(({ item }) => item !== 'string');
  return (
    <ul>
      {all.map((string) => (
        <li key={string.stringId} className="border-b border-faint py-1.5">
          <span className="font-[560]">
            {upperFirst(string.described)}
            {string.stringId === fitted.stringId ? '' : ', in the bag'}
          </span>
          <span className="block text-[13px] text-ink-2">
            {[
              STRING_MATERIAL_LABEL[string.material],
              string.strands === undefined ? null : `${string.strands} strands`,
              string.twists === null ? 'twists not counted' : `${string.twists} twists`,
              `${string.shots} shots`,
              `on since ${whenWords(string.fittedAt)}`,
            ]
              .filter((part) => part !== null)
              .join(', ')}
          </span>
          {string.stringId === fitted.stringId && schedule.next !== null && (
            <span className="block text-[13px]" data-testid="string-schedule">
              {schedule.due === null
                ? `Next look at the brace after ${schedule.next} shots: ${schedule.next - schedule.shots} to go.`
                : `Brace is due now: ${schedule.due} shots on it.`}
            </span>
          )}
        </li>
      ))}
      {state.bow.arrow !== undefined && (
        <li className="border-b border-faint py-1.5">
          <span className="font-[560]">Arrow: {state.bow.arrow.described}</span>
        </li>
      )}
      {items.map((one) => (
        <li key={one.entryId} className="border-b border-faint py-1.5">
          <span className="font-[560]">{upperFirst(FIT_OUT_LABEL[one.item])}</span>
          <span className="text-[13px] text-ink-2">
            {' '}
            {one.described === '' ? 'taken off' : one.described}, {whenWords(one.at)}
          </span>
        </li>
      ))}
    </ul>
  );
}

function ItemForm({
  state,
  item,
  onDone,
  onLeave,
}: {
  readonly state: BowState;
  readonly item: FitOutItem;
  readonly onDone: (body: BodyOf<'itemFitted'>) => void;
  readonly onLeave: () => void;
}) {
  const [described, setDescribed] = useState('');
  const [touches, setTouches] = useState<ReadonlySet<FacetId>>(() => new Set(ITEM_TOUCHES[item]));
  const [stringId, setStringId] = useState(NEW_STRING);
  const [material, setMaterial] = useState<StringMaterial>('lowStretch');
  const [twists, setTwists] = useState('');
  const [shots, setShots] = useState('0');
  const [arrow, setArrow] = useState({ lengthMm: '', diameterMm: '', pointGr: '' });
  const steps = stepsFor(state.bow.school);
  const known = state.strings.all.find((string) => string.stringId === stringId);
  const build = (off: boolean): BodyOf<'itemFitted'> | null => {
    const words =
      described.trim() === '' ? (known?.described ?? FIT_OUT_LABEL[item]) : described.trim();
    const base = {
      kind: 'itemFitted' as const,
      item,
      described: off ? '' : words,
      touches: [...touches],
    };
    if (item === 'string') return { ...base, described: words, string: stringOf() };
    if (item === 'shaft' && !off) {
      const facts = arrowOf(words);
      return facts === null ? base : { ...base, arrow: facts };
    }
    return base;
  };
  const stringOf = (): StringFacts =>
    known === undefined
      ? {
          stringId: newId(),
          material,
          shotsBefore: wholeOr(shots, 0),
          ...(twists.trim() === '' ? {} : { twists: wholeOr(twists, 0) }),
        }
      : { stringId: known.stringId, material: known.material, shotsBefore: known.shots };
  const arrowOf = (words: string): ArrowFacts | null => {
    const lengthMm = Number(arrow.lengthMm);
    const diameterMm = Number(arrow.diameterMm);
    const pointGr = Number(arrow.pointGr);
    if (
      !(
        lengthMm >= 450 &&
        lengthMm <= 1000 &&
        diameterMm >= 3 &&
        diameterMm <= 15 &&
        pointGr >= 16 &&
        pointGr <= 600
      )
    )
      return null;
    return { described: words, lengthMm, diameterMm, pointMassG: pointGr * 0.06479891 };
  };
  const submit = (off: boolean) => {
    const body = build(off);
    if (body !== null) onDone(body);
  };
  return (
    <form
      aria-label={`Change: ${FIT_OUT_LABEL[item]}`}
      onSubmit={(event) => {
        event.preventDefault();
        submit(false);
      }}
    >
      <h3 className="font-[640]">
        {item === 'string' ? 'A string put on' : `${upperFirst(FIT_OUT_LABEL[item])} changed`}
      </h3>
      {item === 'string' && (
        <div className="grid gap-2">
          {state.strings.all.length > 1 && (
            <label>
              <span className="label">Which</span>
              <select
                className="field"
                value={stringId}
                onChange={(event) => setStringId(event.target.value)}
              >
                <option value={NEW_STRING}>A new one</option>
                {state.strings.all
                  .filter((string) => string.stringId !== state.strings.fitted.stringId)
                  .map((string) => (
                    <option key={string.stringId} value={string.stringId}>
                      {string.described}, {string.shots} shots
                    </option>
                  ))}
              </select>
            </label>
          )}
          {known === undefined && (
            <div className="grid grid-cols-3 gap-3">
              <label>
                <span className="label">Material</span>
                <select
                  className="field"
                  value={material}
                  onChange={(event) =>
                    setMaterial(
                      STRING_MATERIALS.find((one) => one === event.target.value) ?? 'unknown',
                    )
                  }
                >
                  {STRING_MATERIALS.map((one) => (
                    <option key={one} value={one}>
                      {STRING_MATERIAL_LABEL[one]}
                    </option>
                  ))}
                </select>
              </label>
              <Field label="Twists" value={twists} onChange={setTwists} />
              <Field label="Shots it had" value={shots} onChange={setShots} />
            </div>
          )}
        </div>
      )}
      {item === 'shaft' && (
        <div className="grid grid-cols-3 gap-3">
          <Field
            label="Length, mm"
            value={arrow.lengthMm}
            onChange={(lengthMm) => setArrow({ ...arrow, lengthMm })}
          />
          <Field
            label="Diameter, mm"
            value={arrow.diameterMm}
            onChange={(diameterMm) => setArrow({ ...arrow, diameterMm })}
          />
          <Field
            label="Point, gr"
            value={arrow.pointGr}
            onChange={(pointGr) => setArrow({ ...arrow, pointGr })}
          />
        </div>
      )}
      <label>
        <span className="label">In words, if you like</span>
        <input
          className="field"
          value={described}
          maxLength={80}
          onChange={(event) => setDescribed(event.target.value)}
        />
      </label>
      <fieldset className="mt-3">
        <legend className="label">To be checked again after it</legend>
        <div className="grid grid-cols-2 gap-x-4">
          {steps.flatMap((step) =>
            stepFacets(step.id).map((facet) => (
              <label
                key={facet}
                className="flex min-h-9 items-center gap-2 text-[14px] max-[719px]:min-h-11"
              >
                <input
                  type="checkbox"
                  className="size-5 accent-(--ink)"
                  checked={touches.has(facet)}
                  onChange={(event) => {
                    const next = new Set(touches);
                    if (event.target.checked) next.add(facet);
                    else next.delete(facet);
                    setTouches(next);
                  }}
                />
                {step.name}
                {facet === 'bareShaftVertical'
                  ? ', vertical'
                  : facet === 'bareShaftLateral'
                    ? ', lateral'
                    : ''}
              </label>
            )),
          )}
        </div>
      </fieldset>
      {item === 'string' && known === undefined && (
        <p className="mt-2">
          A new string creeps: brace again after {STRING_CHECK_SHOTS.join(', ')} shots. Start 5 to 8
          mm high.
        </p>
      )}
      <div className="mt-3 flex flex-wrap gap-3">
        <button type="submit" className="btn-ink">
          Put it on
        </button>
        {item !== 'string' && (
          <button type="button" className="link-btn" onClick={() => submit(true)}>
            Taken off
          </button>
        )}
        <button type="button" className="link-btn" onClick={onLeave}>
          Leave it
        </button>
      </div>
    </form>
  );
}

function Field({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}) {
  return (
    <label>
      <span className="label">{label}</span>
      <input
        className="field"
        inputMode="decimal"
        value={value}
        maxLength={8}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}

function wholeOr(text: string, otherwise: number): number {
  const value = Number(text);
  return Number.isInteger(value) && value >= 0 && value <= 100_000 ? value : otherwise;
}
