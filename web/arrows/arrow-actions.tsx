import { changesBetween, fitBuild } from '#core/arrows/fit-build.ts';
import { isSameBuild, newestOf, revisionNumber } from '#core/arrows/workshop-builds.ts';
import { checkProposal } from '#core/limits/check-proposal.ts';
import type { Build } from '#core/log/builds.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { refusalWords } from '#core/words/limit-words.ts';
import { DoneAlready } from '../log-line/change-dialog.tsx';
import type { MoveActions } from '../log-line/use-move-actions.ts';
import { TextField } from '../ui/text-field.tsx';
import type { ArrowDraft } from './use-arrow-draft.ts';

/** Keeps the arrow as it is now, and puts it on the bow: by what was changed on it where that is all. */
export function ArrowActions({
  state,
  draft,
  kept,
  buildId,
  shotWith,
  store,
  makeChanges,
  onKept,
}: {
  readonly state: BowState;
  readonly draft: ArrowDraft;
  readonly kept: Build | null;
  readonly buildId: string;
  readonly shotWith: readonly string[];
  readonly store: (bodies: readonly EntryBody[]) => readonly string[];
  readonly makeChanges: MoveActions['makeChanges'];
  readonly onKept: (buildId: string) => void;
}) {
  const { name, build: parts, read, isChanged } = draft;
  const said = name.trim();
  const fitted = state.bow.arrow?.build;
  const isOnBow = fitted?.buildId === buildId && isSameBuild(fitted.parts, parts);
  const changes = fitted?.buildId === buildId ? changesBetween(fitted.parts, parts) : null;
  const isReadable = read.kind === 'build' && said !== '';
  const fitting = fitBuild(state, { buildId, revisionId: '', name: said, parts });
  const refusal = isOnBow || changes !== null ? null : checkProposal(state, [fitting]);
  const against = refusal === null ? null : refusalWords(refusal, [fitting], state);
  const keep = (): string => {
    const [revisionId = ''] = store([{ kind: 'buildKept', buildId, name: said, parts }]);
    return revisionId;
  };
  const putOn = (despite?: string) => {
    if (changes !== null && changes.length > 0) {
      makeChanges(changes, 'Changed at the arrow.');
      return;
    }
    const revisionId = isChanged || kept === null ? keep() : newestOf(kept).revisionId;
    const body = fitBuild(state, { buildId, revisionId, name: said, parts });
    store([despite === undefined ? body : { ...body, despite }]);
    onKept(buildId);
  };
  return (
    <section aria-label="Keep and use" className="grid content-start gap-2">
      <TextField label="Name" value={name} longest={60} onChange={draft.setName} />
      <p className="text-note text-ink-2" data-testid="build-standing">
        {standingWords({ kept, fitted, buildId, shotWith, isChanged, bowName: state.bow.name })}
      </p>
      {!isReadable && (
        <p className="text-note text-stop" role="alert">
          {said === ''
            ? 'A name first: then it is kept.'
            : 'A figure below cannot be read: it says which. Nothing is stored yet.'}
        </p>
      )}
      {against !== null && isReadable && (
        <p className="text-stop" role="alert" data-testid="fit-against">
          {against.says} {against.remedy}
        </p>
      )}
      <div className="flex flex-wrap items-center gap-x-3">
        {!isOnBow && (
          <button
            type="button"
            className="btn-ink disabled:opacity-50"
            disabled={!isReadable || isOnBow || against !== null}
            onClick={() => putOn()}
          >
            Put it on {state.bow.name}
          </button>
        )}
        <button
          type="button"
          className="link-btn disabled:opacity-50"
          disabled={!isReadable || !isChanged}
          onClick={() => {
            keep();
            onKept(buildId);
          }}
        >
          Keep it
        </button>
        {isChanged && (
          <button type="button" className="link-btn" onClick={draft.putBack}>
            As it was
          </button>
        )}
      </div>
      {against !== null && isReadable && <DoneAlready onLog={(despite) => putOn(despite)} />}
    </section>
  );
}

/** Which revision it is, where it is shot, and whether what lies here is kept. */
function standingWords({
  kept,
  fitted,
  buildId,
  shotWith,
  isChanged,
  bowName,
}: {
  readonly kept: Build | null;
  readonly fitted: { readonly buildId: string; readonly revisionId: string } | undefined;
  readonly buildId: string;
  readonly shotWith: readonly string[];
  readonly isChanged: boolean;
  readonly bowName: string;
}): string {
  if (kept === null) return 'New, and not kept yet.';
  const { revisions } = kept;
  const here = fitted?.buildId === buildId ? revisionNumber(kept, fitted.revisionId) : null;
  const where =
    here === null
      ? 'not on this bow'
      : here === revisions.length
        ? `on ${bowName}`
        : `on ${bowName} as revision ${here}`;
  const others = shotWith.filter((name) => name !== bowName);
  return [
    `Revision ${revisions.length}`,
    where,
    ...(others.length > 0 ? [`also on ${others.join(', ')}`] : []),
    ...(isChanged ? ['changed here and not kept yet'] : []),
  ]
    .join(', ')
    .concat('.');
}
