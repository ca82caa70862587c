import { SHAFT_MATERIALS } from '#core/craft/arrow-build.ts';
import {
  BUILD_FIELD_IDS,
  type BuildFieldId,
  buildField,
  isAskedOf,
} from '#core/arrows/build-fields.ts';
import {
  type BuildStyle,
  FLETCHING_LABEL,
  isPartThere,
  MATERIAL_LABEL,
} from '#core/entry-line/read-build.ts';
import { useId } from 'react';
import { ChoiceRow } from '../ui/choice-row.tsx';
import type { ArrowDraft } from './use-arrow-draft.ts';

const GROUPS: readonly {
  readonly title: string;
  readonly parts: readonly string[];
}[] = [
  { title: 'Shaft', parts: ['shaft'] },
  { title: 'In front', parts: ['point', 'insert', 'collar', 'footing'] },
  { title: 'Behind', parts: ['nock', 'fletching', 'wrap'] },
];

const FLETCHINGS = ['none', 'feather', 'vane'] as const;

/** Every part with its figures, each read as it is typed and answered at its place. */
export function PartsForm({
  draft,
  style,
}: {
  readonly draft: ArrowDraft;
  readonly style: BuildStyle;
}) {
  const { typed } = draft;
  return (
    <form
      aria-label="Parts"
      className="grid gap-x-10 gap-y-5 @form:grid-cols-2 @roomy:grid-cols-3"
      onSubmit={(event) => event.preventDefault()}
    >
      {GROUPS.map(({ title, parts }) => (
        <fieldset key={title} className="grid content-start gap-1">
          <legend className="w-full border-b border-ink pb-1 font-[640]">{title}</legend>
          {parts.includes('shaft') && (
            <ChoiceRow
              label="Made of"
              value={typed.material}
              options={SHAFT_MATERIALS.map((value) => ({ value, label: MATERIAL_LABEL[value] }))}
              onChange={(material) => draft.setTyped({ material })}
            />
          )}
          {BUILD_FIELD_IDS.filter((id) => parts.includes(buildField(id).part)).map((id) => (
            <PartField key={id} id={id} draft={draft} style={style} />
          ))}
        </fieldset>
      ))}
    </form>
  );
}

function PartField({
  id,
  draft,
  style,
}: {
  readonly id: BuildFieldId;
  readonly draft: ArrowDraft;
  readonly style: BuildStyle;
}) {
  const { typed, problemOf, setFigure, setTyped } = draft;
  const problemId = useId();
  const field = buildField(id);
  if (!isAskedOf(id, typed.material)) return null;
  const isFirstFletching = id === 'fletching_each_g';
  const choice = isFirstFletching && (
    <ChoiceRow
      label="Fletching"
      value={typed.fletching}
      options={FLETCHINGS.map((value) => ({ value, label: FLETCHING_LABEL[value] }))}
      onChange={(fletching) => setTyped({ fletching })}
    />
  );
  if (field.makesPart !== true && !isPartThere(field.part, typed)) return null;
  if (field.part === 'fletching' && typed.fletching === 'none') return choice || null;
  const problem = problemOf(id);
  return (
    <>
      {choice}
      <label className="grid grid-cols-[minmax(0,1fr)_7.5rem] items-center gap-x-3">
        <span className="text-row">
          {field.label}
          <span className="text-ink-2">{unitOf(field.kind, style)}</span>
        </span>
        <input
          className="field text-right"
          inputMode={field.kind === 'length' || field.kind === 'thin' ? 'text' : 'decimal'}
          autoComplete="off"
          maxLength={20}
          placeholder={field.makesPart === true ? 'none' : ''}
          value={typed.figures[id]}
          aria-invalid={problem !== null}
          aria-describedby={problem === null ? undefined : problemId}
          onChange={(event) => setFigure(id, event.target.value)}
        />
      </label>
      {problem !== null && (
        <p id={problemId} className="text-note text-stop" role="alert">
          {problem}
        </p>
      )}
    </>
  );
}

/** What a figure without a unit is taken for. */
function unitOf(kind: ReturnType<typeof buildField>['kind'], style: BuildStyle): string {
  switch (kind) {
    case 'mass':
      return `, ${style.massUnit}`;
    case 'length':
      return `, ${style.lengthUnit}`;
    case 'thin':
      return ', mm or inch';
    default:
      return '';
  }
}
