import { lazy, Suspense, useState } from 'react';
import { v7 as newId } from 'uuid';
import { outwardFromRight } from '#core/craft/handedness.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { RefusedByServer } from '../../api/http.ts';
import { keepPicture } from '../../api/keep-picture.ts';
import type { Plot } from '../plot/use-plot.ts';
import { KeptPictures } from './kept-pictures.tsx';

const ButtPhotoPanel = lazy(() =>
  import('./butt-photo-panel.tsx').then((module) => ({ default: module.ButtPhotoPanel })),
);

/** The photograph’s way into the record: shots as plotted ones, the picture only if it is wanted. */
export function PhotoSheet({
  state,
  plot,
  unit,
  store,
  onDone,
}: {
  readonly state: BowState;
  readonly plot: Plot;
  readonly unit: 'cm' | 'in';
  readonly store: (bodies: readonly EntryBody[]) => void;
  readonly onDone: () => void;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const { bowId, bow } = state;
  return (
    <Suspense fallback={<p className="text-ink-2">Getting ready…</p>}>
      {problem !== null && (
        <p className="mb-3 text-stop" role="alert">
          {problem}
        </p>
      )}
      <ButtPhotoPanel
        unit={unit}
        endNumber={plot.endNumber}
        onHoles={(holes, picture) => {
          const endNumber = plot.endNumber;
          const { sessionId } = plot.place(
            holes.map(({ arrow, rightMm, upMm, sdMm }) => ({
              arrow,
              outwardMm: tenth(outwardFromRight(rightMm, bow.hand)),
              upMm: tenth(upMm),
              readToMm: tenth(sdMm),
            })),
          );
          if (picture === null) {
            onDone();
            return;
          }
          const pictureId = newId();
          keepPicture(bowId, pictureId, picture).then(
            () => {
              store([{ kind: 'pictureKept', sessionId, pictureId, endNumber }]);
              onDone();
            },
            (error: unknown) => setProblem(pictureProblem(error)),
          );
        }}
      />
      {plot.session !== null && <KeptPictures bowId={bowId} session={plot.session} />}
    </Suspense>
  );
}

/** The shots read off it are entries like any others: where they are is said of them elsewhere. */
function pictureProblem(error: unknown): string {
  const why =
    error instanceof RefusedByServer
      ? error.message
      : 'The picture could not be sent and is not kept; choose it again when the server answers.';
  return `The shots are plotted. ${why}`;
}

function tenth(mm: number): number {
  return Math.round(mm * 10) / 10;
}
