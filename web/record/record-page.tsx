import { stepAddress } from '../log-line/step-address.ts';
import { lazy, Suspense, useMemo } from 'react';
import { useNavigate, useParams } from 'react-router';
import { bowAsOf } from '#core/log/bow-as-of.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { instantMs } from '#core/quantity/instant.ts';
import { BowGate } from '../app/bow-gate.tsx';
import { useAddress } from '../app/use-address.ts';
import { momentIn } from '../bows/moment-address.ts';
import type { BowHandle } from '../bows/use-bow.ts';
import { ChangeDialog } from '../log-line/change-dialog.tsx';
import { useMoveActions } from '../log-line/use-move-actions.ts';
import { ChoiceRow } from '../ui/choice-row.tsx';
import { ComparePanel } from './compare-panel.tsx';
import { Story } from './story.tsx';

const CardPanel = lazy(() =>
  import('./card/card-panel.tsx').then((module) => ({ default: module.CardPanel })),
);

// With it comes what writes calendars.
const CarePanel = lazy(() =>
  import('./care-panel.tsx').then((module) => ({ default: module.CarePanel })),
);

/** What the record is looked at as. */
const SHOWN = ['story', 'compare', 'card', 'care'] as const;

/** A bow’s record: what happened, side by side, and the card for the bow case. */
export function RecordPage() {
  const { bowId = '' } = useParams();
  return (
    <BowGate bowId={bowId}>
      {(bow, state) => <Record key={bowId} bow={bow} state={state} />}
    </BowGate>
  );
}

function Record({ bow, state }: { readonly bow: BowHandle; readonly state: BowState }) {
  const { params, setParam } = useAddress();
  const navigate = useNavigate();
  const { bowId } = state;
  const actions = useMoveActions(
    state,
    bow.append,
    () => void navigate(`/bench/${bowId}`),
    (step, item) => void navigate(stepAddress(bowId, step, item)),
  );
  const show = SHOWN.find((one) => one === params.get('show')) ?? 'story';
  const chooser = (
    <div className="no-print shrink-0">
      <ChoiceRow
        label="The record as"
        value={show}
        options={SHOWN.map((value) => ({ value, label: value }))}
        onChange={(value) => setParam('show', value === 'story' ? null : value)}
      />
    </div>
  );
  return (
    <>
      <h1 className="visually-hidden">Record: {state.bow.name}</h1>
      <div className="view-scroll flex flex-col gap-4 px-4 pt-3 @tablet:px-7 print:block print:overflow-visible print:p-0">
        {show === 'story' ? <Story bow={bow} state={state} lead={chooser} /> : chooser}
        {show === 'compare' && (
          <ComparePanel state={state} log={bow.log} makeChanges={actions.makeChanges} />
        )}
        {show === 'care' && (
          <Suspense fallback={<p className="text-ink-2">Fetching what is due…</p>}>
            <CarePanel state={state} store={bow.append} />
          </Suspense>
        )}
        {show === 'card' && (
          <Suspense fallback={<p className="text-ink-2">Drawing the card…</p>}>
            <CardThen bow={bow} state={state} momentMs={momentIn(params)} />
          </Suspense>
        )}
      </div>
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

/** The card of the bow now, or as the address’s moment shows it. */
function CardThen({
  bow,
  state,
  momentMs,
}: {
  readonly bow: BowHandle;
  readonly state: BowState;
  readonly momentMs: number | null;
}) {
  const shown = useMemo(
    () =>
      momentMs === null ? { state, log: bow.log } : bowAsOf(bow.log, momentMs, state.unreadable),
    [bow.log, state, momentMs],
  );
  if (shown === null) return <p className="text-ink-2">The bow was not in the record yet then.</p>;
  const name = state.namedStates.findLast(({ moment }) => instantMs(moment) === momentMs)?.name;
  return <CardPanel {...shown} stateName={name ?? ''} at={momentMs} />;
}
