import { useMemo, useState } from 'react';
import { endsSpeaking, newestBareShaft } from '#core/bare-shaft/bare-shaft-evidence.ts';
import { nextArrowStep, type ShaftThereIs } from '#core/arrows/arrow-steps.ts';
import type { MatchModel } from '#core/arrows/match-model.ts';
import {
  type ArrowGoal,
  type ReachableBuild,
  reachableBuilds,
  wayTo,
} from '#core/arrows/reachable-builds.ts';
import { newestOf } from '#core/arrows/workshop-builds.ts';
import { readArrowGoal } from '#core/arrows/arrow-goal.ts';
import type { Build } from '#core/log/builds.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { showChance, showLength, showNumber } from '#core/quantity/show.ts';
import { fromStored } from '#core/quantity/units.ts';
import {
  arrowStepWords,
  type PlanWords,
  wayStepWords,
} from '#core/words/arrows/arrow-plan-words.ts';
import type { MoveActions } from '../log-line/use-move-actions.ts';
import { ChoiceRow } from '../ui/choice-row.tsx';
import { Fractions } from '../ui/fractions.tsx';
import { TextField } from '../ui/text-field.tsx';

type Wanted = ArrowGoal['kind'];
const WANTED: readonly { readonly value: Wanted; readonly label: string }[] = [
  { value: 'straight', label: 'lands as it should' },
  { value: 'mass', label: 'a mass' },
  { value: 'foc', label: 'a balance' },
];
/** As many ways are shown. */
const SHOWN = 5;

interface PlanProps {
  readonly state: BowState;
  readonly model: MatchModel;
  readonly builds: readonly Build[];
  readonly pointsG: readonly number[];
  readonly massUnit: 'gr' | 'g';
  readonly makeChanges: MoveActions['makeChanges'];
  readonly onChoose: (buildId: string) => void;
  readonly onShoot: () => void;
}

/** From the shafts and points there are to an arrow that is wanted, one step at a time. */
export function PlanPanel(props: PlanProps) {
  const fitted = props.state.bow.arrow?.build;
  return (
    <section aria-labelledby="plan-title" data-testid="plan">
      <h2 id="plan-title" className="text-sub font-[640]">
        Plan
      </h2>
      {fitted === undefined ? (
        <p className="text-ink-2">
          No arrow whose parts are known is on this bow: keep one and put it on, then it can be
          planned from.
        </p>
      ) : (
        <PlanFrom {...props} fitted={fitted} />
      )}
    </section>
  );
}

function PlanFrom({
  state,
  model,
  builds,
  pointsG,
  massUnit,
  makeChanges,
  onChoose,
  onShoot,
  fitted,
}: PlanProps & { readonly fitted: ShaftThereIs }) {
  const [wanted, setWanted] = useState<Wanted>('straight');
  const [typed, setTyped] = useState('');
  const goal = useMemo(() => readArrowGoal(wanted, typed, massUnit), [wanted, typed, massUnit]);
  const shafts = useMemo(
    () => builds.map((build) => ({ buildId: build.buildId, parts: newestOf(build).parts })),
    [builds],
  );
  const found = useMemo(
    () => (goal === null ? [] : reachableBuilds(state, model, { fitted, shafts, pointsG, goal })),
    [state, model, fitted, shafts, pointsG, goal],
  );
  const [best] = found;
  const context = {
    nameOf: (buildId: string) => nameOf(builds, buildId),
    fittedId: fitted.buildId,
    material: fitted.parts.shaft.material,
    style: state.bow,
  };
  const takePoint = (pointG: number) =>
    makeChanges(
      [{ control: 'pointMass', amount: pointG - fitted.parts.point.massG }],
      'Planned at the arrow.',
    );
  const cut = (cutMm: number) =>
    makeChanges([{ control: 'shaftCut', amount: cutMm }], 'Planned at the arrow.');
  return (
    <div className="grid gap-x-10 gap-y-3 @roomy:grid-cols-2">
      <div className="grid content-start gap-3">
        <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
          <ChoiceRow label="What is wanted" value={wanted} options={WANTED} onChange={setWanted} />
          {wanted !== 'straight' && (
            <TextField
              label={wanted === 'mass' ? `Whole arrow, ${massUnit}` : 'Front of centre, %'}
              value={typed}
              decimal
              onChange={setTyped}
            />
          )}
        </div>
        {goal === null ? (
          <p
            className={`text-note ${typed.trim() === '' ? 'text-ink-2' : 'text-stop'}`}
            role="status"
          >
            {wanted === 'mass'
              ? `A mass of a whole arrow, like ${massUnit === 'gr' ? '420' : '27'}.`
              : 'Per cent of the length, from 0 to 40.'}
          </p>
        ) : goal.kind === 'straight' ? (
          <NextOfPlan
            state={state}
            model={model}
            fitted={fitted}
            shafts={shafts}
            pointsG={pointsG}
            context={context}
            onPoint={takePoint}
            onCut={cut}
            onChoose={onChoose}
            onShoot={onShoot}
          />
        ) : best === undefined ? (
          <p>Nothing the shafts and points there are could become may be shot on this bow.</p>
        ) : (
          <ol className="grid gap-3">
            {wayTo(fitted, best).map((step, at) => (
              // A way is made anew as a whole: its steps have no other name than their place.
              <li key={at}>
                <StepCard
                  words={wayStepWords(step, context)}
                  isNext={at === 0}
                  onPress={() => {
                    if (step.kind === 'otherShaft') onChoose(step.buildId);
                    else if (step.kind === 'point') takePoint(step.pointG);
                    else cut(step.cutMm);
                  }}
                />
              </li>
            ))}
            {wayTo(fitted, best).length === 0 && <li>It is the arrow on the bow as it is.</li>}
          </ol>
        )}
      </div>
      {found.length > 0 && (
        <Reachable
          found={found.slice(0, SHOWN)}
          nameOf={context.nameOf}
          style={state.bow}
          massUnit={massUnit}
        />
      )}
    </div>
  );
}

/** The one next step toward an arrow that lands as it should. */
function NextOfPlan({
  state,
  model,
  fitted,
  shafts,
  pointsG,
  context,
  onPoint,
  onCut,
  onChoose,
  onShoot,
}: {
  readonly state: BowState;
  readonly model: MatchModel;
  readonly fitted: ShaftThereIs;
  readonly shafts: readonly ShaftThereIs[];
  readonly pointsG: readonly number[];
  readonly context: Parameters<typeof arrowStepWords>[1];
  readonly onPoint: (pointG: number) => void;
  readonly onCut: (cutMm: number) => void;
  readonly onChoose: (buildId: string) => void;
  readonly onShoot: () => void;
}) {
  const step = useMemo(() => {
    const session = newestBareShaft(state);
    const endsShot = session === null ? 0 : endsSpeaking(state, session, 'bareShaftOutward');
    return nextArrowStep(state, model, { fitted, shafts, pointsG, endsShot });
  }, [state, model, fitted, shafts, pointsG]);
  return (
    <StepCard
      words={arrowStepWords(step, context)}
      isNext
      onPress={() => {
        if (step.kind === 'cut') onCut(step.cutMm);
        else if (step.kind === 'shoot') onShoot();
        else if (step.kind === 'fit' && step.buildId === fitted.buildId) onPoint(step.pointG);
        else if (step.kind === 'fit') onChoose(step.buildId);
      }}
    />
  );
}

function StepCard({
  words,
  isNext,
  onPress,
}: {
  readonly words: PlanWords;
  readonly isNext: boolean;
  readonly onPress: () => void;
}) {
  return (
    <div
      className={isNext ? 'border-l-2 border-accent pl-3' : 'border-l-2 border-faint pl-3'}
      data-testid={isNext ? 'plan-next' : undefined}
    >
      <p className={`text-head leading-tight font-[600] ${isNext ? 'text-accent' : ''}`}>
        <Fractions text={words.title} />
      </p>
      <p>{words.reason}</p>
      {isNext && words.before.length > 0 && (
        <ul className="ml-5 list-disc text-note">
          {words.before.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      <p className="text-note text-ink-2">Then: {words.thenCheck}</p>
      {isNext && words.button !== null && (
        <button type="button" className="btn mt-1" onClick={onPress}>
          {words.button}
        </button>
      )}
    </div>
  );
}

function Reachable({
  found,
  nameOf: name,
  style,
  massUnit,
}: {
  readonly found: readonly ReachableBuild[];
  readonly nameOf: (buildId: string) => string;
  readonly style: BowState['bow'];
  readonly massUnit: 'gr' | 'g';
}) {
  const mass = (massG: number) =>
    `${showNumber(fromStored(massG, massUnit), massUnit === 'gr' ? 0 : 1)} ${massUnit}`;
  return (
    <table className="h-fit w-full text-row" data-testid="plan-reachable">
      <caption className="text-left text-note text-ink-2">
        What the shafts and points there are could become, best first
      </caption>
      <thead>
        <tr className="border-b border-ink text-left">
          <th scope="col" className="pr-2">
            Shaft, point and cut
          </th>
          <th scope="col" className="pr-2">
            Weighs
          </th>
          <th scope="col" className="pr-2">
            Front of centre
          </th>
          <th scope="col" className="pr-2">
            Lands as it should
          </th>
        </tr>
      </thead>
      <tbody>
        {found.map((one) => (
          <tr
            key={`${one.buildId} ${one.parts.point.massG}`}
            className="border-b border-faint align-top"
          >
            <th scope="row" className="py-1.5 pr-2 text-left font-[inherit] wrap-anywhere">
              {name(one.buildId)}
              <span className="block">
                {mass(one.parts.point.massG)},{' '}
                {one.cutMm === 0 ? (
                  'not cut'
                ) : (
                  <>
                    cut <Fractions text={showLength(one.cutMm, style)} />
                  </>
                )}
              </span>
            </th>
            <td className="py-1.5 pr-2 whitespace-nowrap">{mass(one.massG)}</td>
            <td className="py-1.5 pr-2 whitespace-nowrap">{showNumber(one.focPercent, 1)} %</td>
            <td className="py-1.5 pr-2 whitespace-nowrap">{showChance(one.match.inside)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function nameOf(builds: readonly Build[], buildId: string): string {
  const build = builds.find((one) => one.buildId === buildId);
  return build === undefined ? 'the one on the bow' : newestOf(build).name;
}
