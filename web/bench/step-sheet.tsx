import { useState } from 'react';
import { stepWords } from '#core/words/step-words.ts';
import { Link } from 'react-router';
import { CAUTIONS } from '#core/craft/cautions.ts';
import { stepLists } from '#core/craft/checklists.ts';
import type { FitOutItem } from '#core/craft/fit-out.ts';
import { upperFirst } from '#core/craft/letter-case.ts';
import { READINGS, type ReadingKind } from '#core/craft/readings.ts';
import { MIDDLE_STEPS } from '#core/craft/steps.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { StepStatus } from '#core/order/step-states.ts';
import { Fractions } from '../ui/fractions.tsx';
import { SheetDialog } from '../ui/sheet-dialog.tsx';
import { AnswersPanel } from './answers-panel.tsx';
import { FactsPanel } from './facts-panel.tsx';
import { FitOutPanel } from './fit-out-panel.tsx';
import { HowToCard } from './how-to-card.tsx';
import { NockingPanel } from './nocking-panel.tsx';
import { SchoolValues } from './school-values.tsx';
import { MarksOfStep } from './marks-of-step.tsx';
import { StepLists } from './step-lists.tsx';
import { SearchOfStep } from './search-of-step.tsx';
import { STEP_HOW as HOW } from '#core/craft/step-how.ts';

/** Longest note that is kept with a confirmation. */
const MOST_NOTE = 2000;

/** Everything about one step: how it stands and why, how to do it, and every way to settle it. */
export function StepSheet({
  state,
  status,
  itemBegun,
  onStore,
  onEnter,
  onPhoto,
  onClose,
}: {
  readonly state: BowState;
  readonly status: StepStatus;
  /** The item a move leads to: the fit-out opens with its change begun. */
  readonly itemBegun: FitOutItem | null;
  readonly onStore: (bodies: readonly EntryBody[]) => void;
  readonly onEnter: (entryText: string) => void;
  readonly onPhoto: () => void;
  readonly onClose: () => void;
}) {
  const { step } = status;
  const { clearing } = step;
  const confirm = (note: string) => {
    onStore([{ kind: 'stepConfirmed', step: step.id, note: note.slice(0, MOST_NOTE) }]);
    onClose();
  };
  return (
    <SheetDialog
      title={step.name}
      description={`${upperFirst(stepWords(status))}. ${step.why}`}
      onClose={onClose}
      wide={
        step.id === 'inspect' ||
        step.id === 'fitOut' ||
        step.id === 'purpose' ||
        step.id === 'braceSearch' ||
        clearing.by === 'readings'
      }
    >
      {MIDDLE_STEPS.includes(step.id) && (
        <p className="mb-3">
          One of the interchangeable middle: brace search and rough bare shaft may be visited in any
          order, and more than once.
        </p>
      )}
      {step.caution !== null && <p className="mb-3">{CAUTIONS[step.caution]}</p>}
      {stepLists(step.id).length > 0 && (
        <StepLists
          state={state}
          names={stepLists(step.id)}
          onDone={confirm}
          onTick={onStore}
          onEnter={onEnter}
        />
      )}
      {step.id === 'purpose' && <FactsPanel state={state} onStore={onStore} onEnter={onEnter} />}
      {step.id === 'fitOut' && (
        <FitOutPanel state={state} itemBegun={itemBegun} onStore={onStore} />
      )}
      {clearing.by === 'readings' && (
        <HowToRead kinds={clearing.of} state={state} onEnter={onEnter} />
      )}
      {step.id === 'limbLine' && (
        <button type="button" className="link-btn -ml-2.5" onClick={onPhoto}>
          Read it off a photograph
        </button>
      )}
      {HOW[step.id] !== undefined && (
        <ul className="mt-3 grid list-disc gap-1 pl-5">
          {HOW[step.id]?.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      {step.id === 'braceSearch' && <SearchOfStep state={state} />}
      {step.id === 'sightMarks' && <MarksOfStep state={state} />}
      {step.id === 'nockingPoint' && <NockingPanel state={state} />}
      <SchoolValues state={state} step={step.id} onStore={onStore} />
      <AnswersPanel state={state} step={step.id} />
      {clearing.by === 'shots' && (
        <p>Counts every shot plotted or logged. It wants {clearing.count}.</p>
      )}
      {clearing.by === 'verdict' && (
        <p>Plot bare and fletched shots on the Range; the verdict clears each axis by itself.</p>
      )}
      {clearing.by === 'confirmation' && stepLists(step.id).length === 0 && (
        <div className="mt-4">
          <ItIsSo ask={clearing.ask} onConfirm={() => confirm(step.name)} />
        </div>
      )}
      {clearing.by === 'readings' && clearing.look !== null && (
        <div className="mt-4 border-t border-faint pt-3">
          <ItIsSo ask={clearing.look} onConfirm={() => confirm('looked at')} />
        </div>
      )}
      {step.id === 'fix' && (
        <p className="mt-4">
          <Link className="link" to={`/rack/new?of=${state.bowId}`}>
            Make its back-up
          </Link>
          : a second bow whose targets are this one’s readings.
        </p>
      )}
      <Skip
        status={status}
        onSkip={(why) => {
          onStore([{ kind: 'stepSkipped', step: step.id, why }]);
          onClose();
        }}
        onTakeUp={() => {
          const skip = state.active.findLast(
            ({ body }) => body.kind === 'stepSkipped' && body.step === step.id,
          );
          if (skip !== undefined) onStore([{ kind: 'undone', entryId: skip.id }]);
          onClose();
        }}
      />
    </SheetDialog>
  );
}

/** What the tuner's own word is taken for. */
function ItIsSo({ ask, onConfirm }: { readonly ask: string; readonly onConfirm: () => void }) {
  return (
    <>
      <p>{ask}</p>
      <button type="button" className="btn-ink mt-2" onClick={onConfirm}>
        It is so
      </button>
    </>
  );
}

/** How each reading of a step is taken, and the way to enter it. */
function HowToRead({
  kinds,
  state,
  onEnter,
}: {
  readonly kinds: readonly ReadingKind[];
  readonly state: BowState;
  readonly onEnter: (entryText: string) => void;
}) {
  return (
    <div className="grid grid-cols-1 gap-6 @tablet:grid-cols-3">
      {kinds.map((kind) => (
        <div key={kind} className="grid content-start gap-1.5">
          <h3 className="font-[640]">{READINGS[kind].name}</h3>
          <HowToCard kind={kind} state={state} />
          <button
            type="button"
            className="link-btn -ml-2.5 justify-self-start"
            onClick={() => onEnter(`${READINGS[kind].code} `)}
          >
            Enter {READINGS[kind].name.toLowerCase()}
          </button>
        </div>
      ))}
    </div>
  );
}

function Skip({
  status,
  onSkip,
  onTakeUp,
}: {
  readonly status: StepStatus;
  readonly onSkip: (why: string) => void;
  readonly onTakeUp: () => void;
}) {
  const [why, setWhy] = useState('');
  if (status.state === 'skipped') {
    return (
      <p className="mt-4 border-t border-faint pt-3">
        <Fractions text={stepWords(status)} />.{' '}
        <button type="button" className="link min-h-11" onClick={onTakeUp}>
          Take it up again
        </button>
      </p>
    );
  }
  return (
    <form
      className="mt-4 flex flex-wrap items-end gap-3 border-t border-faint pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (why.trim() !== '') onSkip(why.trim());
      }}
    >
      <label className="min-w-60 flex-1">
        <span className="label">Skip it, because</span>
        <input
          className="field"
          value={why}
          maxLength={80}
          onChange={(event) => setWhy(event.target.value)}
        />
      </label>
      <button type="submit" className="link-btn" disabled={why.trim() === ''}>
        Skip this step
      </button>
    </form>
  );
}
