import { useState } from 'react';
import { SheetActions } from '../ui/sheet-actions.tsx';
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
import { type FieldRead, readField } from '#core/entry-line/read-field.ts';
import { checkProposal } from '#core/limits/check-proposal.ts';
import { FACT_RANGES } from '#core/limits/figure-ranges.ts';
import { refusalWords } from '#core/words/limit-words.ts';
import type { ArrowFacts, BodyOf, StringFacts } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { TextField } from '../ui/text-field.tsx';
import { DoneAlready } from '../log-line/change-dialog.tsx';

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
  const [arrow, setArrow] = useState({ lengthMm: '', diameterMm: '', pointGr: '', massGr: '' });
  const fields = readFields({ twists, shots, ...arrow });
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
          shotsBefore: valueOf(fields.shots) ?? 0,
          ...(fields.twists.kind === 'value' ? { twists: fields.twists.stored } : {}),
        }
      : { stringId: known.stringId, material: known.material, shotsBefore: known.shots };
  const arrowOf = (words: string): ArrowFacts | null => {
    const lengthMm = valueOf(fields.lengthMm);
    const diameterMm = valueOf(fields.diameterMm);
    const pointMassG = valueOf(fields.pointGr);
    if (lengthMm === null || diameterMm === null || pointMassG === null) return null;
    const massG = valueOf(fields.massGr);
    return {
      described: words,
      lengthMm,
      diameterMm,
      pointMassG,
      ...(massG === null ? {} : { massG }),
    };
  };
  const problem = problemOf(item, fields);
  const proposed = problem === null ? build(false) : null;
  const refusal = proposed === null ? null : checkProposal(state, [proposed]);
  const against =
    refusal === null || proposed === null ? null : refusalWords(refusal, [proposed], state);
  const submit = (off: boolean, despite?: string) => {
    if (problem !== null && !off) return;
    if (against !== null && !off && despite === undefined) return;
    const body = build(off);
    if (body !== null) onDone(despite === undefined ? body : { ...body, despite });
  };
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
        </SheetActions>
      </form>
      {against !== null && <DoneAlready onLog={(despite) => submit(false, despite)} />}
    </>
  );
}

type Fields = Readonly<
  Record<'twists' | 'shots' | 'lengthMm' | 'diameterMm' | 'pointGr' | 'massGr', FieldRead>
>;

function readFields(text: Readonly<Record<keyof Fields, string>>): Fields {
  const length = { quantity: 'length', bare: ['mm', 'in'] } as const;
  const mass = { quantity: 'mass', bare: ['gr', 'g'] } as const;
  const count = { quantity: 'count', bare: [] } as const;
  return {
    twists: readField(
      text.twists,
      { ...count, name: 'Twists', range: FACT_RANGES.twists },
      'Twists are a whole number, 0 to 90.',
    ),
    shots: readField(
      text.shots,
      { ...count, name: 'Shots it had', range: [0, 100_000] },
      'Shots are a whole number.',
    ),
    lengthMm: readField(
      text.lengthMm,
      { ...length, name: 'Length', range: FACT_RANGES.shaftMm },
      'A shaft is 450 to 860 mm long.',
    ),
    diameterMm: readField(
      text.diameterMm,
      { ...length, name: 'Diameter', range: [3, 15] },
      'A shaft is 3 to 15 mm thick.',
    ),
    pointGr: readField(
      text.pointGr,
      { ...mass, name: 'Point', range: FACT_RANGES.pointMassG },
      'A point weighs 30 to 400 gr.',
    ),
    massGr: readField(
      text.massGr,
      { ...mass, name: 'Whole arrow', range: FACT_RANGES.arrowMassG },
      'An arrow weighs 100 to 1000 gr.',
    ),
  };
}

/** What is wrong with what was typed, the first of it; null when it can be stored. */
function problemOf(item: FitOutItem, fields: Fields): string | null {
  const arrow = [fields.lengthMm, fields.diameterMm, fields.pointGr] as const;
  const asked: readonly FieldRead[] =
    item === 'string'
      ? [fields.twists, fields.shots]
      : item === 'shaft'
        ? [...arrow, fields.massGr]
        : [];
  const wrong = asked.find((field) => field.kind === 'wrong');
  if (wrong?.kind === 'wrong') return `${wrong.says} Nothing is stored yet.`;
  const typed = [...arrow, fields.massGr].some(({ kind }) => kind !== 'empty');
  return item === 'shaft' && typed && arrow.some(({ kind }) => kind === 'empty')
    ? 'A shaft is its length, its diameter and its point. Nothing is stored yet.'
    : null;
}

function valueOf(field: FieldRead): number | null {
  return field.kind === 'value' ? field.stored : null;
}
