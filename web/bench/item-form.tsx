import { useState } from 'react';
import { v7 as newId } from 'uuid';
import {
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
import { G_PER_GR } from '#core/quantity/units.ts';
import type { ArrowFacts, BodyOf, StringFacts } from '#core/record/entry.ts';
import type { BowState } from '#core/record/fold.ts';
import { TextField } from '../ui/text-field.tsx';

const NEW_STRING = 'new';

/** One item put on, changed or taken off, with what it puts in doubt. */
export function ItemForm({
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
    return { described: words, lengthMm, diameterMm, pointMassG: pointGr * G_PER_GR };
  };
  const arrowTyped = Object.values(arrow).some((one) => one.trim() !== '');
  const problem =
    item === 'shaft' && arrowTyped && arrowOf('') === null
      ? 'A shaft is 450 to 1000 mm long and 3 to 15 mm thick, its point 16 to 600 gr. Nothing is stored yet.'
      : item === 'string' &&
          twists.trim() !== '' &&
          !(wholeOr(twists, -1) >= 0 && wholeOr(twists, -1) <= 90)
        ? 'Twists are a whole number, 0 to 90. Nothing is stored yet.'
        : null;
  const submit = (off: boolean) => {
    if (problem !== null && !off) return;
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
              <TextField decimal label="Twists" value={twists} onChange={setTwists} />
              <TextField decimal label="Shots it had" value={shots} onChange={setShots} />
            </div>
          )}
        </div>
      )}
      {item === 'shaft' && (
        <div className="grid grid-cols-3 gap-3">
          <TextField
            decimal
            label="Length, mm"
            value={arrow.lengthMm}
            onChange={(lengthMm) => setArrow({ ...arrow, lengthMm })}
          />
          <TextField
            decimal
            label="Diameter, mm"
            value={arrow.diameterMm}
            onChange={(diameterMm) => setArrow({ ...arrow, diameterMm })}
          />
          <TextField
            decimal
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
      {problem !== null && (
        <p className="mt-2 text-stop" role="alert">
          {problem}
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

function wholeOr(text: string, otherwise: number): number {
  const value = Number(text);
  return Number.isInteger(value) && value >= 0 && value <= 100_000 ? value : otherwise;
}
