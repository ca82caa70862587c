import { type ReactNode, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { type NamedPart, withPart } from '#core/craft/catalogue-part.ts';
import { leastShaftMm } from '#core/limits/safe-length.ts';
import { showNumber } from '#core/quantity/show.ts';
import { fromStored } from '#core/quantity/units.ts';
import type { BuildStyle } from '#core/entry-line/read-build.ts';
import { placedParts } from '#core/arrows/build-parts.ts';
import { type MatchModel, matchModel } from '#core/arrows/match-model.ts';
import type { Build } from '#core/log/builds.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { useSettings } from '../theme/use-settings.ts';
import { ChoiceRow } from '../ui/choice-row.tsx';
import { changeSettings } from '../theme/use-settings.ts';
import { ArrowActions } from './arrow-actions.tsx';
import { ArrowDrawing } from './arrow-drawing.tsx';
import { arrowView } from './arrow-view.ts';
import { BuildCautions, BuildFigures, BuildMatch } from './build-figures.tsx';
import { MatchMap } from './match-map.tsx';
import { CutAndPoint } from './cut-and-point.tsx';
import { PartsForm } from './parts-form.tsx';
import { PartsPanel } from './parts-panel.tsx';
import { SheetDialog } from '../ui/sheet-dialog.tsx';
import { type ArrowDraft, type DraftStart, useArrowDraft } from './use-arrow-draft.ts';
import type { MoveActions } from '../log-line/use-move-actions.ts';

/** From this width on the parts are named in the drawing. */
const LABELLED_PX = 720;

/** One arrow on the bench: drawn, slid, weighed against this bow, taken apart. */
export function ArrowBench({
  state,
  start,
  build: kept,
  buildId,
  shotWith,
  pointsThereAreG,
  store,
  makeChanges,
  onKept,
  plan,
  next,
  catalogue,
}: {
  readonly state: BowState;
  readonly start: DraftStart;
  /** As the workshop has it; null for a new one. */
  readonly build: Build | null;
  readonly buildId: string;
  readonly shotWith: readonly string[];
  /** Points of the workshop's arrows. */
  readonly pointsThereAreG: readonly number[];
  readonly store: (bodies: readonly EntryBody[]) => readonly string[];
  readonly makeChanges: MoveActions['makeChanges'];
  readonly onKept: (buildId: string) => void;
  /** What may be made of the shafts and points there are. */
  readonly plan: (model: MatchModel) => ReactNode;
  /** The workshop's parts while they lie open; null while they do not. */
  readonly catalogue: { readonly parts: readonly NamedPart[]; readonly onClose: () => void } | null;
  /** What comes next on this bow. */
  readonly next: ReactNode;
}) {
  const { massUnit, buttUnit } = useSettings();
  const { lengthUnit, division } = state.bow;
  const style: BuildStyle = useMemo(
    () => ({ lengthUnit, division, massUnit }),
    [lengthUnit, division, massUnit],
  );
  const draft = useArrowDraft(start, style);
  const { build } = draft;
  const [drawingRef, widthPx] = useWidth();
  const model = useMemo(() => matchModel(state), [state]);
  const leastMm = leastShaftMm(state)?.leastMm ?? null;
  const hasLabels = widthPx >= LABELLED_PX;
  const view = arrowView(build, { widthPx, leastMm, hasLabels });
  const massWords = (massG: number) =>
    `${showNumber(fromStored(massG, massUnit), massUnit === 'gr' ? 0 : 2)} ${massUnit}`;
  return (
    <>
      <div ref={drawingRef}>
        <ArrowDrawing
          build={build}
          view={view}
          style={state.bow}
          massWords={massWords}
          hasLabels={hasLabels}
        />
        <CutAndPoint
          build={build}
          style={state.bow}
          massWords={massWords}
          onChange={draft.setBuild}
        />
      </div>
      <BuildFigures state={state} build={build} massUnit={massUnit} />
      <div className="grid gap-x-10 gap-y-4 @roomy:grid-cols-2">
        <div className="grid content-start gap-4">
          <BuildCautions state={state} build={build} />
          <BuildMatch state={state} model={model} build={build} unit={buttUnit} />
        </div>
        <div className="grid content-start gap-5">
          <ArrowActions
            state={state}
            draft={draft}
            kept={kept}
            buildId={buildId}
            shotWith={shotWith}
            store={store}
            makeChanges={makeChanges}
            onKept={onKept}
          />
          <div className="border-l-2 border-accent pl-3">{next}</div>
        </div>
      </div>
      {model !== null && (
        <MatchMap
          state={state}
          model={model}
          build={build}
          around={start.parts}
          pointsThereAreG={pointsThereAreG}
          widthPx={widthPx}
          massUnit={massUnit}
        />
      )}
      {model !== null && plan(model)}
      <PartByPart draft={draft} style={style} massWords={massWords} isListed={!hasLabels} />
      {catalogue !== null && (
        <SheetDialog
          title="Parts"
          description="The workshop’s own catalogue of shafts, points and what goes with them."
          onClose={catalogue.onClose}
        >
          <PartsPanel
            parts={catalogue.parts}
            build={build}
            style={state.bow}
            massUnit={massUnit}
            store={store}
            onUse={(part) => {
              draft.setBuild(withPart(build, part));
              catalogue.onClose();
            }}
          />
        </SheetDialog>
      )}
    </>
  );
}

/** Every figure of the arrow, to be typed. */
function PartByPart({
  draft,
  style,
  massWords,
  isListed,
}: {
  readonly draft: ArrowDraft;
  readonly style: BuildStyle;
  readonly massWords: (massG: number) => string;
  /** The drawing is too narrow to name the parts. */
  readonly isListed: boolean;
}) {
  const { massUnit } = style;
  return (
    <section aria-labelledby="parts-title">
      <div className="mb-2 flex flex-wrap items-end justify-between gap-x-8">
        <h2 id="parts-title" className="text-sub font-[640]">
          Part by part
        </h2>
        <ChoiceRow
          label="Masses in"
          value={massUnit}
          options={[
            { value: 'gr', label: 'grains' },
            { value: 'g', label: 'grams' },
          ]}
          onChange={(unit) => {
            changeSettings({ massUnit: unit });
            draft.restyle({ ...style, massUnit: unit });
          }}
        />
      </div>
      {isListed && (
        <ul className="mb-3 flex flex-wrap gap-x-5 text-note text-ink-2">
          {placedParts(draft.build).map(({ part, massG }) => (
            <li key={part}>
              {part} {massWords(massG)}
            </li>
          ))}
        </ul>
      )}
      <PartsForm draft={draft} style={style} />
    </section>
  );
}

/** How wide a place is, px: a drawing to scale is laid out for it. */
function useWidth() {
  const ref = useRef<HTMLDivElement>(null);
  const [widthPx, setWidthPx] = useState(320);
  useLayoutEffect(() => {
    const place = ref.current;
    if (place === null) return;
    const measure = () => setWidthPx(Math.max(240, Math.round(place.clientWidth)));
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(place);
    return () => observer.disconnect();
  }, []);
  return [ref, widthPx] as const;
}
