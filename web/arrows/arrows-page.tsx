import { type OpenStep, stepAddress } from '../log-line/step-address.ts';
import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { v7 as newId } from 'uuid';
import { nextMove } from '#core/advice/next-move.ts';
import { boughtBuild } from '#core/arrows/shafts-to-buy.ts';
import { SHELF_SPINES } from '#core/priors/shelf-shafts.ts';
import { speakMoveOrNull } from '#core/words/moves/speak-move.ts';
import { firstBuild } from '#core/arrows/first-build.ts';
import { newestOf } from '#core/arrows/workshop-builds.ts';
import type { Build } from '#core/log/builds.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { readEntryLine } from '#core/entry-line/read-entry-line.ts';
import { useNow } from '../app/use-now.ts';
import { BowGate } from '../app/bow-gate.tsx';
import { useAddress } from '../app/use-address.ts';
import type { BowHandle } from '../bows/use-bow.ts';
import { ChangeDialog } from '../log-line/change-dialog.tsx';
import { NextMove } from '../log-line/next-move.tsx';
import { PlanPanel } from './plan-panel.tsx';
import { useSettings } from '../theme/use-settings.ts';
import { EntryLine } from '../log-line/entry-line.tsx';
import { useEntering } from '../log-line/use-entering.ts';
import { useMoveActions } from '../log-line/use-move-actions.ts';
import { ArrowBench } from './arrow-bench.tsx';
import { ArrowSheets } from './arrow-sheets.tsx';
import { BuildChoice, NEW_ARROW } from './build-choice.tsx';
import type { DraftStart } from './use-arrow-draft.ts';
import { useWorkshop } from './use-workshop.ts';

/** The workshop’s arrows, looked at on one bow. */
export function ArrowsPage() {
  const { bowId = '' } = useParams();
  return (
    <BowGate bowId={bowId}>
      {(bow, state) => <Arrows key={bowId} bowId={bowId} bow={bow} state={state} />}
    </BowGate>
  );
}

function Arrows({
  bowId,
  bow,
  state,
}: {
  readonly bowId: string;
  readonly bow: BowHandle;
  readonly state: BowState;
}) {
  const { params, setParam, setParams } = useAddress();
  const workshop = useWorkshop(state);
  const entering = useEntering(bow.append, state.bow);
  const { text, store } = entering;
  const navigate = useNavigate();
  const openStep: OpenStep = (step, item) => void navigate(stepAddress(bowId, step, item));
  const actions = useMoveActions(state, store, entering.openEntryLine, openStep);
  const read = useMemo(() => readEntryLine(text, state), [text, state]);
  const now = useNow();
  const move = useMemo(() => speakMoveOrNull(state, nextMove(state, now.getTime())), [state, now]);
  const { massUnit } = useSettings();
  const wanted = params.get('build') ?? state.bow.arrow?.build?.buildId ?? null;
  const build =
    workshop.builds.find(({ buildId }) => buildId === wanted) ??
    (wanted === NEW_ARROW ? null : (workshop.builds[0] ?? null));
  const [freshId, setFreshId] = useState(() => newId());
  const spine = Number(params.get('spine'));
  const start = useMemo(() => startOf(build, state, spine), [build, state, spine]);
  const choose = (buildId: string) => setParams({ build: buildId, spine: null });
  return (
    <>
      <h1 className="visually-hidden">Arrows: {state.bow.name}</h1>
      <div className="view-scroll">
        <div className="grid gap-5 px-4 py-4 @tablet:px-7">
          <BuildChoice
            workshop={workshop}
            chosen={build?.buildId ?? NEW_ARROW}
            onChoose={choose}
            onSheet={(sheet) => setParam('sheet', sheet)}
          />
          <ArrowBench
            key={start.key}
            state={state}
            start={start}
            build={build}
            shotWith={build === null ? [] : workshop.shotWith(build.buildId)}
            pointsThereAreG={workshop.pointsG}
            buildId={build?.buildId ?? freshId}
            store={store}
            makeChanges={actions.makeChanges}
            onKept={(buildId) => {
              setFreshId(newId());
              choose(buildId);
            }}
            catalogue={
              params.get('sheet') === 'parts'
                ? { parts: workshop.parts, onClose: () => setParam('sheet', null) }
                : null
            }
            next={
              <NextMove
                move={move}
                onDone={actions.done}
                onNotNow={actions.notNow}
                onWithout={actions.without}
                onOther={actions.doOther}
                compact
              />
            }
            plan={(model) => (
              <PlanPanel
                state={state}
                model={model}
                builds={workshop.builds}
                pointsG={workshop.pointsG}
                massUnit={massUnit}
                makeChanges={actions.makeChanges}
                onChoose={choose}
                onShoot={() => void navigate(`/range/${bowId}?end=next`)}
              />
            )}
          />
        </div>
      </div>
      <EntryLine
        text={text}
        read={read}
        stored={entering.stored}
        placeholder="pt 10"
        inputRef={entering.inputRef}
        onText={entering.setText}
        onStore={store}
      />
      <ArrowSheets
        sheet={params.get('sheet')}
        state={state}
        onClose={() => setParam('sheet', null)}
        onTake={(taken) => setParams({ build: NEW_ARROW, spine: `${taken}`, sheet: null })}
      />
      {actions.asked !== null && (
        <ChangeDialog
          asked={actions.asked}
          state={state}
          onLog={actions.logAsked}
          onClose={actions.dropAsked}
        />
      )}
    </>
  );
}

/** What the draft begins as: the build as it is now, or an ordinary arrow. */
function startOf(build: Build | null, state: BowState, spine: number): DraftStart {
  const fresh = `${state.bowId}.${NEW_ARROW}`;
  if (build === null && SHELF_SPINES.some((one) => one === spine))
    return {
      key: `${fresh}.${spine}`,
      name: `Spine ${spine}, left long`,
      parts: boughtBuild(state, spine),
    };
  if (build === null) return { key: fresh, name: '', parts: firstBuild(state) };
  const { revisionId, name, parts } = newestOf(build);
  return { key: `${build.buildId}.${revisionId}`, name, parts };
}
