import { useEffect, useState } from 'react';
import type { Hand } from '#core/craft/bow-terms.ts';
import { READINGS } from '#core/craft/readings.ts';
import { showReading } from '#core/craft/show-reading.ts';
import {
  MARK_SD_OF_SCREEN,
  MARK_SD_PX,
  type PhotoLimbLine,
  type PhotoPoint,
  readLimbLinePhoto,
} from '#core/limb-line/read-photo.ts';
import { type SnapTo, snapMark, snapShrink } from '#core/limb-line/snap-mark.ts';
import { showNumber } from '#core/quantity/show.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { SheetDialog } from '../ui/sheet-dialog.tsx';
import { MarkedPicture } from '../ui/marked-picture.tsx';
import { MARK_STEPS, marksOf, type PlacedMark } from './photo-marks.ts';

interface Photo {
  /** As it was taken: marks snap to it. */
  readonly bitmap: ImageBitmap;
  /** As it is shown; handed over to the screen once. */
  readonly shown: ImageBitmap;
  readonly width: number;
  readonly height: number;
}

/** Around a mark, this much of the picture is looked at when it snaps, px. */
const PATCH = { halfWidth: 20, halfHeight: 6 } as const;

/** Reads the limb line off a photograph: the picture stays in this page, only the readings are kept. */
export function PhotoDialog({
  state,
  onStore,
  onClose,
}: {
  readonly state: BowState;
  readonly onStore: (bodies: readonly EntryBody[]) => void;
  readonly onClose: () => void;
}) {
  const [photo, setPhoto] = useState<Photo | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [points, setPoints] = useState<readonly PlacedMark[]>([]);
  const [scaleMm, setScaleMm] = useState('100');
  useEffect(
    () => () => {
      photo?.bitmap.close();
    },
    [photo],
  );
  const { hand } = state.bow;
  const marks = marksOf(points, Number(scaleMm));
  const read = marks === null ? null : readLimbLinePhoto(marks, hand);
  const next = MARK_STEPS[points.length];
  return (
    <SheetDialog
      title="Limb line from a photograph"
      description="Bow strung, lower limb free, camera behind it at the height of the grip, string in the middle. The picture stays on this machine."
      onClose={onClose}
      wide
    >
      <div className="grid grid-cols-1 gap-6 @roomy:grid-cols-[1.4fr_1fr]">
        <div>
          <p className="text-head leading-tight font-[600]" role="status" data-testid="photo-asks">
            {photo === null
              ? 'First the picture.'
              : next === undefined
                ? 'All marks are placed.'
                : `Mark: ${next.asks.toLowerCase()}${next.optional ? ', if it is seen' : ''}.`}
          </p>
          <PictureChoice
            isFirst={photo === null}
            onPicture={(loaded) => {
              setPhoto(loaded);
              setPoints([]);
              setProblem(null);
            }}
            onProblem={setProblem}
          />
          {problem !== null && (
            <p className="text-stop" role="alert">
              {problem}
            </p>
          )}
          {photo !== null && (
            <MarkedPicture
              bitmap={photo.shown}
              box={{ x: 0, y: 0, width: photo.width, height: photo.height }}
              marks={points.map(({ x, y }) => ({ x, y, shape: 'cross' as const }))}
              asks={next === undefined ? 'All marks are placed.' : `${next.asks}.`}
              step={Math.max(1, Math.round(photo.width / MOST_SHOWN_PX))}
              testId="photo"
              whole
              onPlace={(point, finest) => {
                if (next !== undefined)
                  setPoints([...points, placed(photo, point, next.snap, finest)]);
              }}
              onNudgeLast={(by) => {
                const last = points.at(-1);
                if (last !== undefined)
                  setPoints([
                    ...points.slice(0, -1),
                    { ...last, x: last.x + by.x, y: last.y + by.y },
                  ]);
              }}
            />
          )}
        </div>
        <div className="grid content-start gap-3">
          <p className="text-row text-ink-2">
            Tap or click, the picture as large as the mark needs (2×, 4×, 8×): marks snap to the
            line or edge beside them. With the picture focused Enter marks and arrow keys move the
            last mark.
          </p>
          <ScaleAndUndo
            scaleMm={scaleMm}
            onScale={setScaleMm}
            onUndo={points.length === 0 ? null : () => setPoints(points.slice(0, -1))}
          />
          {read?.kind === 'refused' && (
            <p className="text-stop" role="alert">
              {read.says} {read.remedy}
            </p>
          )}
          {read?.kind === 'read' && (
            <Readings
              line={read.line}
              state={state}
              hand={hand}
              onKeep={() => {
                onStore(bodiesOf(read.line));
                onClose();
              }}
            />
          )}
        </div>
      </div>
    </SheetDialog>
  );
}

/** How long what was marked is, and a mark taken back. */
function ScaleAndUndo({
  scaleMm,
  onScale,
  onUndo,
}: {
  readonly scaleMm: string;
  readonly onScale: (text: string) => void;
  readonly onUndo: (() => void) | null;
}) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <label>
        <span className="label">Known length, mm</span>
        <input
          className="field w-28"
          inputMode="decimal"
          value={scaleMm}
          maxLength={6}
          onChange={(event) => onScale(event.target.value)}
        />
      </label>
      <button
        type="button"
        className="link-btn"
        disabled={onUndo === null}
        onClick={() => onUndo?.()}
      >
        Undo last mark
      </button>
    </div>
  );
}

function PictureChoice({
  isFirst,
  onPicture,
  onProblem,
}: {
  readonly isFirst: boolean;
  readonly onPicture: (photo: Photo) => void;
  readonly onProblem: (words: string) => void;
}) {
  return (
    <label className="link inline-flex min-h-11 items-center">
      {isFirst ? 'Choose a picture' : 'Another picture'}
      <input
        type="file"
        accept="image/*"
        className="visually-hidden"
        aria-label="Picture of the bow from behind"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file === undefined) return;
          loadPhoto(file).then(onPicture, () =>
            onProblem('This file is not a picture that can be read. Choose a PNG or JPEG.'),
          );
        }}
      />
    </label>
  );
}

function Readings({
  line,
  state,
  onKeep,
}: {
  readonly line: PhotoLimbLine;
  readonly state: BowState;
  readonly hand: Hand;
  readonly onKeep: () => void;
}) {
  return (
    <>
      <dl data-testid="photo-reading" className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {bodiesOf(line).map((body) => (
          <div key={body.reading} className="contents">
            <dt>{READINGS[body.reading].name}</dt>
            <dd className="font-[640]">
              {showReading(body.reading, body.values[0] ?? 0, state.bow)} ±{' '}
              {showNumber(Math.max(0.1, line.plusMinusMm), 1)}
            </dd>
          </div>
        ))}
      </dl>
      <p className="text-note text-ink-2">{showNumber(line.pxPerMm, 1)} px a millimetre.</p>
      <button type="button" className="btn-ink justify-self-start" onClick={onKeep}>
        Keep these readings
      </button>
    </>
  );
}

type ReadingBody = Extract<EntryBody, { kind: 'reading' }>;

function bodiesOf(line: PhotoLimbLine): readonly ReadingBody[] {
  const all = [
    ['limbLineTop', line.limbLineTopMm],
    ['limbLineBottom', line.limbLineBottomMm],
    ['limbLineRod', line.limbLineRodMm],
  ] as const;
  return all.flatMap(([reading, value]): readonly ReadingBody[] =>
    value === null
      ? []
      : [
          {
            kind: 'reading',
            reading,
            values: [Math.round(value * 100) / 100],
            typed: 'from a photograph',
            datum: READINGS[reading].datum,
            tool: 'photograph',
            source: 'measured',
            confirmedUnlikely: false,
          },
        ],
  );
}

/** The picture as it is shown: drawn no larger than this, however large it is. */
const MOST_SHOWN_PX = 6000;

async function loadPhoto(file: File): Promise<Photo> {
  const bitmap = await createImageBitmap(file);
  const { width, height } = bitmap;
  const share = Math.min(1, MOST_SHOWN_PX / Math.max(width, height));
  const shown = await createImageBitmap(bitmap, {
    resizeWidth: Math.round(width * share),
    resizeHeight: Math.round(height * share),
  });
  return { bitmap, shown, width, height };
}

/** A mark snaps only where the screen is fine enough to say which line is meant. */
const SNAPS_UNDER_PX = 4;

/** The mark on the line or edge beside it; where it snapped it is good to a pixel. */
function placed(photo: Photo, point: PhotoPoint, snap: SnapTo | null, finest: number): PlacedMark {
  const byHand = { ...point, sdPx: MARK_SD_OF_SCREEN * finest };
  if (snap === null || finest > SNAPS_UNDER_PX) return byHand;
  const at = snapped(photo, point, snap);
  return at === point ? byHand : { ...at, sdPx: MARK_SD_PX * snapShrink(photo) };
}

/** Only a small patch about the mark is read: a large picture costs no more than a small one. */
function snapped(photo: Photo, point: PhotoPoint, snap: SnapTo): PhotoPoint {
  const shrink = snapShrink(photo);
  const left = Math.max(0, Math.round(point.x - PATCH.halfWidth * shrink));
  const top = Math.max(0, Math.round(point.y - PATCH.halfHeight * shrink));
  const width = 2 * PATCH.halfWidth;
  const height = 2 * PATCH.halfHeight;
  const patch = document.createElement('canvas');
  patch.width = width;
  patch.height = height;
  const context = patch.getContext('2d', { willReadFrequently: true });
  if (context === null) return point;
  context.imageSmoothingQuality = 'high';
  const [wide, high] = [width * shrink, height * shrink];
  context.drawImage(photo.bitmap, left, top, wide, high, 0, 0, width, height);
  const { data } = context.getImageData(0, 0, width, height);
  const grey = Uint8Array.from({ length: width * height }, (_, index) => {
    const at = index * 4;
    return ((data[at] ?? 0) * 3 + (data[at + 1] ?? 0) * 6 + (data[at + 2] ?? 0)) / 10;
  });
  const mark = { x: (point.x - left) / shrink, y: (point.y - top) / shrink };
  const local = snapMark({ width, height, grey }, mark, snap);
  return local === mark ? point : { x: local.x * shrink + left, y: point.y };
}
