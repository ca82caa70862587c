import type { ReactNode } from 'react';
import { aimKindOf, ANCHOR_LABEL, ANCHORS } from '#core/craft/aiming.ts';
import { CONTROL_FACTS } from '#core/craft/controls.ts';
import { lowerFirst } from '#core/craft/letter-case.ts';
import { experimentName } from '#core/words/fine-tuning-words.ts';
import { BUTT_LABEL, LIGHT_LABEL, WIND_LABEL } from '#core/craft/range-terms.ts';
import { buildNowWords } from '#core/words/session-words.ts';
import { toleranceWords } from '#core/words/tolerance-words.ts';
import { showExact, showNumber } from '#core/quantity/show.ts';
import { fromStored } from '#core/quantity/units.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { BUTT_KINDS, LIGHTS, WINDS } from '#core/craft/range-terms.ts';
import { SESSION_KIND_FACTS, sessionKindsFor } from '#core/craft/session-kinds.ts';
import { tunedControlsFor } from '#core/session/tuned-controls.ts';
import { Link } from 'react-router';
import { ChoiceRow } from '../../ui/choice-row.tsx';
import { Fractions } from '../../ui/fractions.tsx';
import { TextField } from '../../ui/text-field.tsx';
import type { SessionSetup } from './use-session-setup.ts';

/** What is agreed before the first shot; the rest of it may be left out. */
export function SessionSetupForm({
  state,
  setup,
  unit,
  onStart,
}: {
  readonly state: BowState;
  readonly setup: SessionSetup;
  readonly unit: 'cm' | 'in';
  readonly onStart: () => void;
}) {
  const { text, set, problem, against, byRule, goesOn } = setup;
  const facts = SESSION_KIND_FACTS[text.kind];
  const mayStart = problem === null && (against === null || text.despite.trim() !== '');
  return (
    <form
      className="grid gap-2"
      aria-label="New shooting session"
      onSubmit={(event) => {
        event.preventDefault();
        if (mayStart) onStart();
      }}
    >
      <p className="text-entry leading-tight font-[520] [font-stretch:88%]">{facts.says}</p>
      <ChoiceRow
        label="Shot for"
        value={text.kind}
        options={sessionKindsFor(state.bow.school).map((kind) => ({
          value: kind,
          label: SESSION_KIND_FACTS[kind].name,
        }))}
        onChange={(kind) => {
          const { startsAtM } = SESSION_KIND_FACTS[kind];
          set({ kind, distance: startsAtM === null ? text.distance : String(startsAtM) });
        }}
      />
      <Link className="link -mt-1 min-h-11 content-center justify-self-start" to="?search=brace">
        Or look for the quiet brace height
      </Link>
      {goesOn === null ? (
        <AgreedFields state={state} setup={setup} unit={unit} />
      ) : (
        <p>
          Goes on with {lowerFirst(experimentName(goesOn))}, ± {showExact(goesOn.high)} in steps of{' '}
          {showExact(goesOn.step)}, at {goesOn.distanceM} m.
        </p>
      )}
      {text.kind !== 'fineTuning' && text.kind !== 'marks' && (
        <p className="text-note text-ink-2">
          {facts.isOneGroup
            ? toleranceWords(byRule.outwardMm, byRule.upMm, unit)
            : `${toleranceWords(byRule.outwardMm, byRule.outwardMm, unit)} of drift over the whole walk`}
          : {byRule.why}.
        </p>
      )}
      <Surroundings state={state} setup={setup} />
      {problem !== null && <p className="text-note text-stop">{problem}</p>}
      {against !== null && (
        <div className="border-l-4 border-stop pl-3" data-testid="against">
          <p className="text-stop">
            <Fractions text={against} />
          </p>
          <TextField
            label="It is shot nevertheless, because"
            value={text.despite}
            longest={200}
            onChange={(despite) => set({ despite })}
          />
        </div>
      )}
      <div className="flex flex-wrap items-center gap-3">
        <button type="submit" className="btn-ink disabled:opacity-50" disabled={!mayStart}>
          Start shooting
        </button>
        {mayStart && (
          <span className="text-note text-ink-2">or tap the butt: the first shot starts it</span>
        )}
      </div>
    </form>
  );
}

function AgreedFields({
  state,
  setup: { text, set, byRule },
  unit,
}: {
  readonly state: BowState;
  readonly setup: SessionSetup;
  readonly unit: 'cm' | 'in';
}): ReactNode {
  const field = (label: string, name: keyof typeof text, placeholder = '') => (
    <TextField
      key={name}
      label={label}
      value={text[name]}
      placeholder={placeholder}
      decimal
      onChange={(value) => set({ [name]: value })}
    />
  );
  const tolerance = field(
    `Good enough, ± ${unit}`,
    'tolerance',
    showNumber(fromStored(byRule.outwardMm, unit), 1),
  );
  const butt = field(`Butt, ${unit}`, 'butt');
  switch (text.kind) {
    case 'bareShaft':
    case 'proof':
      return (
        <div className="grid grid-cols-3 gap-4">
          {field('Distance, m', 'distance')}
          {tolerance}
          {butt}
        </div>
      );
    case 'walkBack':
      return (
        <div className="grid grid-cols-3 gap-x-4 gap-y-2">
          {field('Nearest, m', 'distance')}
          {tolerance}
          {butt}
          {field(`Mark below top, ${unit}`, 'markBelowTop')}
          {field('Arrow speed, m/s', 'speed', '52')}
        </div>
      );
    case 'marks':
      return (
        <>
          <div className="grid grid-cols-3 gap-x-4 gap-y-2">
            {field('First distance, m', 'distance')}
            {field('Arrow speed, m/s', 'speed', 'if measured')}
            {butt}
          </div>
          <AimingFields state={state} text={text} set={set} />
        </>
      );
    case 'fineTuning':
      return (
        <>
          <TunedControlChoice state={state} text={text} set={set} />
          <div className="grid grid-cols-3 gap-x-4 gap-y-2">
            {field('Distance, m', 'distance')}
            {field(`Each way, ${CONTROL_FACTS[text.control].unit}`, 'range')}
            {field(`Step, ${CONTROL_FACTS[text.control].unit}`, 'step')}
            {field('Shots a day', 'shotsADay')}
            {butt}
          </div>
        </>
      );
  }
}

/** What the aim rests on: asked once, kept for the next time. */
function AimingFields({
  state,
  text,
  set,
}: Pick<SessionSetup, 'text' | 'set'> & { readonly state: BowState }) {
  const kind = aimKindOf(state.bow);
  const field = (label: string, name: 'aperture' | 'unitMm' | 'arrowLength' | 'division') => (
    <TextField
      label={label}
      value={text[name]}
      decimal
      onChange={(value) => set({ [name]: value })}
    />
  );
  return (
    <>
      <ChoiceRow
        label="Anchor"
        value={text.anchor}
        options={ANCHORS.map((value) => ({ value, label: ANCHOR_LABEL[value] }))}
        onChange={(anchor) => set({ anchor })}
      />
      {kind === 'sight' ? (
        <>
          <div className="grid grid-cols-3 gap-x-4 gap-y-2">
            {field('Eye to aperture, mm', 'aperture')}
            {field('One unit of the scale, mm', 'unitMm')}
            {field('Smallest division, units', 'division')}
          </div>
          <ChoiceRow
            label="Numbers grow as the aperture goes"
            value={text.grows}
            options={[
              { value: 'down', label: 'down' },
              { value: 'up', label: 'up' },
            ]}
            onChange={(grows) => set({ grows })}
          />
        </>
      ) : (
        <div className="grid grid-cols-2 gap-x-4 gap-y-2">
          {field('Arrow, nock to point, mm', 'arrowLength')}
          {field(
            kind === 'crawl' ? 'One stitch of the tab, mm' : 'Told to, mm on the butt',
            'division',
          )}
        </div>
      )}
    </>
  );
}

function TunedControlChoice({
  state,
  text,
  set,
}: Pick<SessionSetup, 'text' | 'set'> & { readonly state: BowState }) {
  return (
    <ChoiceRow
      label="What is turned"
      value={text.control}
      options={tunedControlsFor(state.bow.school).map(({ control, opposed }) => ({
        value: control,
        label: experimentName({ control, opposed }),
      }))}
      onChange={(control) => {
        const usual = tunedControlsFor(state.bow.school).find((one) => one.control === control);
        set({
          control,
          range: showExact(usual?.range ?? 1),
          step: showExact(usual?.step ?? CONTROL_FACTS[control].step),
        });
      }}
    />
  );
}

/** Place, light, wind, butt, arrows, aim, lean: said once, kept for the next time. */
function Surroundings({
  state,
  setup: { text, set },
}: {
  readonly state: BowState;
  readonly setup: SessionSetup;
}) {
  const options = <T extends string>(all: readonly T[], label: Readonly<Record<T, string>>) => [
    { value: 'unsaid' as const, label: 'not said' },
    ...all.map((value) => ({ value, label: label[value] })),
  ];
  return (
    <details className="border-t border-faint pt-1">
      <summary className="min-h-11 cursor-pointer py-2 text-plain underline underline-offset-4">
        Where and with what
      </summary>
      <div className="grid gap-2 pb-2">
        <div className="grid grid-cols-2 gap-4">
          <TextField
            label="Place"
            value={text.place}
            longest={120}
            onChange={(place) => set({ place })}
          />
          <TextField
            label="Arrows"
            value={text.arrowBuild}
            longest={120}
            placeholder={buildNowWords(state)}
            onChange={(arrowBuild) => set({ arrowBuild })}
          />
          <TextField
            label="Aim"
            value={text.aim}
            longest={120}
            placeholder="same mark for both"
            onChange={(aim) => set({ aim })}
          />
          <TextField
            label="Top limb leans, ° right"
            value={text.lean}
            decimal
            placeholder="0, upright"
            onChange={(lean) => set({ lean })}
          />
        </div>
        <ChoiceRow
          label="Light"
          value={text.light}
          options={options(LIGHTS, LIGHT_LABEL)}
          onChange={(light) => set({ light })}
        />
        <ChoiceRow
          label="Wind"
          value={text.wind}
          options={options(WINDS, WIND_LABEL)}
          onChange={(wind) => set({ wind })}
        />
        <ChoiceRow
          label="Butt where the bare shafts land"
          value={text.buttKind}
          options={options(BUTT_KINDS, BUTT_LABEL)}
          onChange={(buttKind) => set({ buttKind })}
        />
      </div>
    </details>
  );
}
