import { useEffect, useRef, useState } from 'react';
import type { Hand } from '#core/craft/bow-terms.ts';
import { READINGS } from '#core/craft/readings.ts';
import { showReading } from '#core/craft/show-reading.ts';
import {
  type PhotoLimbLine,
  type PhotoPoint,
  readLimbLinePhoto,
} from '#core/limb-line/read-photo.ts';
import { type SnapTo, snapMark } from '#core/limb-line/snap-mark.ts';
import { showNumber } from '#core/quantity/show.ts';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { SheetDialog } from '../ui/sheet-dialog.tsx';
import { MARK_STEPS, marksOf } from './photo-marks.ts';

interface Photo {
  readonly url: string;
  readonly width: number;
  readonly height: number;
  readonly canvas: HTMLCanvasElement;
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
  const [points, setPoints] = useState<readonly PhotoPoint[]>([]);
  const [scaleMm, setScaleMm] = useState('100');
  useEffect(
    () => () => {
      if (photo !== null) URL.revokeObjectURL(photo.url);
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
            <PhotoSheet
              photo={photo}
              points={points}
              asks={next?.asks ?? 'All marks are placed'}
              onPlace={(point) => {
                if (next !== undefined) setPoints([...points, snapped(photo, point, next.snap)]);
              }}
            />
          )}
        </div>
        <div className="grid content-start gap-3">
          <p className="text-head leading-tight font-[600]" role="status" data-testid="photo-asks">
            {photo === null
              ? 'First the picture.'
              : next === undefined
                ? 'All marks are placed.'
                : `Mark: ${next.asks.toLowerCase()}${next.optional ? ', if it is seen' : ''}.`}
          </p>
          <p className="text-row text-ink-2">
            Tap or click; marks snap to the line or edge beside them. With the picture focused,
            arrow keys move the cross and Enter marks.
          </p>
          <div className="flex flex-wrap items-end gap-4">
            <label>
              <span className="label">Known length, mm</span>
              <input
                className="field w-28"
                inputMode="decimal"
                value={scaleMm}
                maxLength={6}
                onChange={(event) => setScaleMm(event.target.value)}
              />
            </label>
            <button
              type="button"
              className="link-btn"
              disabled={points.length === 0}
              onClick={() => setPoints(points.slice(0, -1))}
            >
              Undo last mark
            </button>
          </div>
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

function PhotoSheet({
  photo,
  points,
  asks,
  onPlace,
}: {
  readonly photo: Photo;
  readonly points: readonly PhotoPoint[];
  readonly asks: string;
  readonly onPlace: (point: PhotoPoint) => void;
}) {
  const ref = useRef<SVGSVGElement>(null);
  const [cross, setCross] = useState<PhotoPoint>({ x: photo.width / 2, y: photo.height / 8 });
  const size = Math.max(photo.width, photo.height) / 60;
  const mark = ({ x, y }: PhotoPoint) =>
    `M${x - size} ${y}h${2 * size}M${x} ${y - size}v${2 * size}`;
  return (
    <svg
      ref={ref}
      viewBox={`0 0 ${photo.width} ${photo.height}`}
      className="max-h-[66dvh] w-full touch-manipulation border border-ink"
      role="application"
      aria-label={`Picture. ${asks}. Arrow keys move the cross, Enter marks.`}
      tabIndex={0}
      data-testid="photo"
      onClick={(event) => {
        const box = ref.current?.getScreenCTM()?.inverse();
        if (box === undefined) return;
        const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(box);
        onPlace({ x: at.x, y: at.y });
      }}
      onKeyDown={(event) => {
        const step = (event.shiftKey ? 10 : 1) * Math.max(1, Math.round(photo.height / 800));
        const move: Readonly<Record<string, PhotoPoint>> = {
          ArrowLeft: { x: -step, y: 0 },
          ArrowRight: { x: step, y: 0 },
          ArrowUp: { x: 0, y: -step },
          ArrowDown: { x: 0, y: step },
        };
        const by = move[event.key];
        if (by !== undefined) {
          event.preventDefault();
          setCross({ x: cross.x + by.x, y: cross.y + by.y });
        } else if (event.key === 'Enter') {
          event.preventDefault();
          onPlace(cross);
        }
      }}
    >
      <image href={photo.url} width={photo.width} height={photo.height} />
      <path
        className="s-accent-out"
        d={points.map(mark).join('')}
        vectorEffect="non-scaling-stroke"
      />
      <path
        className="s-stop"
        d={mark(cross)}
        vectorEffect="non-scaling-stroke"
        strokeDasharray="4 4"
      />
    </svg>
  );
}

async function loadPhoto(file: File): Promise<Photo> {
  const bitmap = await createImageBitmap(file);
  const canvas = document.createElement('canvas');
  canvas.width = bitmap.width;
  canvas.height = bitmap.height;
  canvas.getContext('2d', { willReadFrequently: true })?.drawImage(bitmap, 0, 0);
  bitmap.close();
  return { url: URL.createObjectURL(file), width: canvas.width, height: canvas.height, canvas };
}

/** Only a small patch about the mark is read: a large picture costs no more than a small one. */
function snapped(photo: Photo, point: PhotoPoint, snap: SnapTo | null): PhotoPoint {
  const context = photo.canvas.getContext('2d');
  if (snap === null || context === null) return point;
  const left = Math.max(0, Math.round(point.x) - PATCH.halfWidth);
  const top = Math.max(0, Math.round(point.y) - PATCH.halfHeight);
  const width = 2 * PATCH.halfWidth;
  const height = 2 * PATCH.halfHeight;
  const { data } = context.getImageData(left, top, width, height);
  const grey = Uint8Array.from({ length: width * height }, (_, index) => {
    const at = index * 4;
    return ((data[at] ?? 0) * 3 + (data[at + 1] ?? 0) * 6 + (data[at + 2] ?? 0)) / 10;
  });
  const local = snapMark({ width, height, grey }, { x: point.x - left, y: point.y - top }, snap);
  return { x: local.x + left, y: local.y + top };
}
