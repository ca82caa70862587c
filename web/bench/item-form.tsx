import {
  FIT_OUT_LABEL,
  type FitOutItem,
  STRING_CHECK_SHOTS,
  STRING_MATERIAL_LABEL,
  STRING_MATERIALS,
} from '#core/craft/fit-out.ts';
import type { School } from '#core/craft/bow-terms.ts';
import { upperFirst } from '#core/craft/letter-case.ts';
import { stepFacets, stepsFor } from '#core/craft/steps.ts';
import type { Stay } from '#core/care/stays.ts';
import type { BodyOf } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { DoneAlready } from '../log-line/change-dialog.tsx';
import { SheetActions } from '../ui/sheet-actions.tsx';
import { TextField } from '../ui/text-field.tsx';
import { type ItemFormHandle, NEW_PART, useItemForm } from './use-item-form.ts';

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
  const form = useItemForm(state, item, onDone);
  const { described, setDescribed, known, problem, against, submit } = form;
  return (
    <>
      <form
        aria-label={`Change: ${FIT_OUT_LABEL[item]}`}
        onSubmit={(event) => {
          event.preventDefault();
          submit(false);
        }}
      >
        <h3 className="font-[640]">
          {item === 'string'
            ? 'A string put on'
            : item === 'limbs'
              ? 'Other limbs put on'
              : `${upperFirst(FIT_OUT_LABEL[item])} changed`}
        </h3>
        {item === 'string' && <StringFields form={form} state={state} />}
        {item === 'limbs' && <LimbsFields form={form} />}
        {item === 'shaft' && <ShaftFields form={form} />}
        <label>
          <span className="label">In words, if you like</span>
          <input
            className="field"
            value={described}
            maxLength={80}
            onChange={(event) => setDescribed(event.target.value)}
          />
        </label>
        {item === 'limbs' && (
          <p className="mt-2">
            What this bow learned of bolts and twists was learned of the limbs it had: it begins
            anew. Marked weight, the maker’s brace range and bolt travel may be others: correct them
            under the bow’s facts before it is strung.
          </p>
        )}
        <TouchedSteps form={form} school={state.bow.school} />
        {item === 'string' && known === undefined && (
          <p className="mt-2">
            A new string creeps: brace again after {STRING_CHECK_SHOTS.join(', ')} shots. Start 5 to
            8 mm high.
          </p>
        )}
        {problem !== null && (
          <p className="mt-2 text-stop" role="alert">
            {problem}
          </p>
        )}
        {against !== null && (
          <p className="mt-2 text-stop" role="alert" data-testid="item-against">
            {against.says} {against.remedy}
          </p>
        )}
        <SheetActions>
          <button
            type="submit"
            className="btn-ink disabled:opacity-50"
            disabled={problem !== null || against !== null}
          >
            {item === 'limbs' ? 'Put them on' : 'Put it on'}
          </button>
          {item !== 'string' && item !== 'limbs' && (
            <button type="button" className="link-btn" onClick={() => submit(true)}>
              Taken off
            </button>
          )}
          <button type="button" className="link-btn" onClick={onLeave}>
            Leave it
          </button>
        </SheetActions>
      </form>
      {against !== null && <DoneAlready onLog={(despite) => submit(false, despite)} />}
    </>
  );
}

/** Which string goes on; of a new one what is known. */
function StringFields({
  form: {
    known,
    elsewhere,
    stringId,
    setStringId,
    material,
    setMaterial,
    twists,
    setTwists,
    shots,
    setShots,
  },
  state,
}: {
  readonly form: ItemFormHandle;
  readonly state: BowState;
}) {
  return (
    <div className="grid gap-2">
      {state.strings.all.length + elsewhere.length > 1 && (
        <label>
          <span className="label">Which</span>
          <select
            className="field"
            value={stringId}
            onChange={(event) => setStringId(event.target.value)}
          >
            <option value={NEW_PART}>A new one</option>
            {state.strings.all
              .filter((string) => string.stringId !== state.strings.fitted.stringId)
              .map((string) => (
                <option key={string.stringId} value={string.stringId}>
                  {string.described}, {string.shots} shots
                </option>
              ))}
            {elsewhere.map((string) => (
              <option key={string.stringId} value={string.stringId}>
                {string.described}, {string.shots} shots, {stayWords(string.stays)}
              </option>
            ))}
          </select>
        </label>
      )}
      {known === undefined && (
        <div className="grid grid-cols-[1.35fr_1fr_1fr] gap-3">
          <label>
            <span className="label">Material</span>
            <select
              className="field"
              value={material}
              onChange={(event) =>
                setMaterial(STRING_MATERIALS.find((one) => one === event.target.value) ?? 'unknown')
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
  );
}

/** Which pair goes on; of a new one what it was shot. */
function LimbsFields({
  form: { limbs, pair, limbsId, setLimbsId, shots, setShots },
}: {
  readonly form: ItemFormHandle;
}) {
  return (
    <div className="grid gap-2">
      {limbs.length > 0 && (
        <label>
          <span className="label">Which</span>
          <select
            className="field"
            value={limbsId}
            onChange={(event) => setLimbsId(event.target.value)}
          >
            <option value={NEW_PART}>A pair not on record yet</option>
            {limbs.map((one) => (
              <option key={one.limbsId} value={one.limbsId}>
                {one.described}, {one.shots} shots
                {one.stays.length === 0 ? '' : `, ${stayWords(one.stays)}`}
              </option>
            ))}
          </select>
        </label>
      )}
      {pair === undefined && (
        <TextField decimal label="Shots they had" value={shots} onChange={setShots} />
      )}
    </div>
  );
}

function stayWords(stays: readonly Stay[]): string {
  const on = stays.findLast(({ isOn }) => isOn);
  return on === undefined ? `last on ${stays.at(-1)?.bowName ?? 'no bow'}` : `on ${on.bowName}`;
}

/** The shaft's figures: all of them, or none. */
function ShaftFields({ form: { arrow, setArrow } }: { readonly form: ItemFormHandle }) {
  return (
    <div className="grid grid-cols-2 gap-3 @form:grid-cols-4">
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
      <TextField
        decimal
        label="Whole arrow, gr"
        value={arrow.massGr}
        placeholder="if weighed"
        onChange={(massGr) => setArrow({ ...arrow, massGr })}
      />
    </div>
  );
}

/** What the tuner says it touches; the workshop's table is offered. */
function TouchedSteps({
  form: { touches, setTouches },
  school,
}: {
  readonly form: ItemFormHandle;
  readonly school: School;
}) {
  return (
    <fieldset className="mt-3">
      <legend className="label">To be checked again after it</legend>
      <div className="grid grid-cols-2 gap-x-4">
        {stepsFor(school).flatMap((step) =>
          stepFacets(step.id).map((facet) => (
            <label
              key={facet}
              className="flex min-h-9 items-center gap-2 text-row @max-tablet:min-h-11"
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
  );
}
