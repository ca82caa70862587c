import { HALF_90 } from '#core/numeric/half-90.ts';
import { useEffect, useState } from 'react';
import { ARROW_SHORT } from '#core/craft/range-terms.ts';
import type { StraightView } from '#core/butt-photo/straighten.ts';
import { showButtDistance, showNumber } from '#core/quantity/show.ts';
import { fromStored } from '#core/quantity/units.ts';
import { ChoiceRow } from '../../ui/choice-row.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { type ButtPhotoDoor, useButtPhoto } from '../../workers/butt-photo-door.ts';
import { MarkedPicture } from '../../ui/marked-picture.tsx';
import { type PhotoMarks, type PlacedHole, type Tapped, usePhotoMarks } from './use-photo-marks.ts';

const CORNERS = {
  rectangle: [
    'Its top left corner.',
    'Its top right corner.',
    'Its bottom right corner.',
    'Its bottom left corner.',
  ],
  circle: ['The top of the circle.', 'Its right.', 'Its bottom.', 'Its left.'],
} as const;

/** Reads shots off a photograph of the butt: four marks square it up, then every hole is tapped. */
export function ButtPhotoPanel({
  unit,
  endNumber,
  onHoles,
}: {
  readonly unit: 'cm' | 'in';
  readonly endNumber: number;
  /** @param picture made small enough to keep; null when it is to be dropped */
  readonly onHoles: (holes: readonly PlacedHole[], picture: Blob | null) => void;
}) {
  const photo = useButtPhoto();
  const marks = usePhotoMarks(photo.opened, unit);
  const { squared, view } = marks;
  const { straighten } = photo;
  useEffect(() => {
    if (squared?.kind === 'squared' && view !== null) straighten(squared.toPicture, view);
  }, [squared, view, straighten]);
  return (
    <div className="grid grid-cols-1 gap-6 @roomy:grid-cols-[1.4fr_1fr]">
      <div>
        <label className="link inline-flex min-h-11 items-center">
          {photo.opened === null ? 'Choose a picture' : 'Another picture'}
          <input
            type="file"
            accept="image/*"
            className="visually-hidden"
            aria-label="Picture of the butt"
            onChange={(event) => {
              const [file] = event.target.files ?? [];
              if (file === undefined) return;
              marks.clear();
              photo.open(file);
            }}
          />
        </label>
        <div role="status">
          {photo.busy !== null && <p>{photo.busy}</p>}
          {photo.problem !== null && <p className="text-stop">{photo.problem}</p>}
        </div>
        <Picture photo={photo} marks={marks} />
      </div>
      <div className="grid content-start gap-3">
        <KnownSize marks={marks} unit={unit} />
        {squared?.kind === 'refused' && (
          <div role="alert">
            <p className="text-stop">
              {squared.says} {squared.remedy}
            </p>
            <button type="button" className="link-btn -ml-2.5" onClick={() => marks.setCorners([])}>
              Mark again
            </button>
          </div>
        )}
        {squared?.kind === 'squared' && (
          <Holes photo={photo} marks={marks} unit={unit} endNumber={endNumber} onHoles={onHoles} />
        )}
      </div>
    </div>
  );
}

function KnownSize({ marks, unit }: { readonly marks: PhotoMarks; readonly unit: 'cm' | 'in' }) {
  const { shape, size, setShape, setSize } = marks;
  return (
    <>
      <ChoiceRow
        label="Something flat on the butt, of known size"
        value={shape}
        options={[
          { value: 'rectangle', label: 'Square or rectangle' },
          { value: 'circle', label: 'Circle' },
        ]}
        onChange={(chosen) => {
          setShape(chosen);
          marks.setCorners([]);
        }}
      />
      <div className="grid grid-cols-2 gap-4">
        <TextField
          label={shape === 'rectangle' ? `Width, ${unit}` : `Across, ${unit}`}
          value={size.width}
          decimal
          onChange={(width) => setSize({ ...size, width })}
        />
        {shape === 'rectangle' && (
          <TextField
            label={`Height, ${unit}`}
            value={size.height}
            decimal
            onChange={(height) => setSize({ ...size, height })}
          />
        )}
      </div>
    </>
  );
}

/** First the picture as taken, for the four marks; then the butt square on, for the holes. */
function Picture({ photo, marks }: { readonly photo: ButtPhotoDoor; readonly marks: PhotoMarks }) {
  const { opened, straight } = photo;
  const { corners, view, shape } = marks;
  if (opened === null)
    return (
      <p className="text-ink-2">
        Stand square before the butt as well as you can. Everything is worked out on this machine.
      </p>
    );
  const asks = CORNERS[shape][corners.length] ?? 'All four are marked.';
  const isStraight = marks.squared?.kind === 'squared' && view !== null && straight !== null;
  return (
    <>
      {/* Kept while it is not seen: its picture has been handed to it. */}
      <div hidden={isStraight}>
        <p className="text-head font-[600]" data-testid="photo-asks">
          {asks}
        </p>
        <MarkedPicture
          bitmap={opened.preview}
          box={{ x: 0, y: 0, width: opened.width, height: opened.height }}
          marks={corners.map((corner) => ({ ...corner, shape: 'cross' }))}
          asks={asks}
          step={1}
          testId="butt-picture"
          onPlace={(at) => {
            if (corners.length < 4) marks.setCorners([...corners, at]);
          }}
          onNudgeLast={(by) => marks.setCorners(movedLast(corners, by))}
        />
        {corners.length > 0 && (
          <button
            type="button"
            className="link-btn -ml-2.5"
            onClick={() => marks.setCorners(corners.slice(0, -1))}
          >
            Undo last mark
          </button>
        )}
      </div>
      {isStraight && <StraightPicture marks={marks} view={view} straight={straight} />}
    </>
  );
}

/** The butt square on: a tap is a hole, or the mark that was aimed at. */
function StraightPicture({
  marks,
  view: { halfWidthMm, halfHeightMm },
  straight,
}: {
  readonly marks: PhotoMarks;
  readonly view: StraightView;
  readonly straight: ImageBitmap;
}) {
  const [tapped, setTapped] = useState<Tapped>('fletched');
  const { holes } = marks;
  return (
    <>
      <ChoiceRow
        label="A tap is"
        value={tapped}
        options={[
          { value: 'fletched', label: ARROW_SHORT.fletched },
          { value: 'bare', label: ARROW_SHORT.bare },
          { value: 'broadhead', label: ARROW_SHORT.broadhead },
          { value: 'targetPoint', label: ARROW_SHORT.targetPoint },
          { value: 'aim', label: 'The mark aimed at' },
        ]}
        onChange={setTapped}
      />
      <MarkedPicture
        bitmap={straight}
        box={{
          x: -halfWidthMm,
          y: -halfHeightMm,
          width: 2 * halfWidthMm,
          height: 2 * halfHeightMm,
        }}
        marks={[
          ...(marks.aim === null
            ? []
            : [{ x: marks.aim.x, y: -marks.aim.y, shape: 'cross' as const }]),
          ...holes.map(({ arrow, at }) => ({
            x: at.x,
            y: -at.y,
            shape: arrow === 'fletched' ? ('vanes' as const) : ('ring' as const),
          })),
        ]}
        asks="Tap every hole or shaft."
        step={0.5}
        testId="straight-picture"
        onPlace={({ x, y }, finestMm) => {
          const at = { x, y: -y };
          if (tapped === 'aim') marks.setAim(at);
          else marks.setHoles([...holes, { arrow: tapped, at, finestMm }]);
        }}
        onNudgeLast={({ x, y }) => {
          const last = holes.at(-1);
          if (last === undefined) return;
          marks.setHoles([
            ...holes.slice(0, -1),
            { ...last, at: { x: last.at.x + x, y: last.at.y - y } },
          ]);
        }}
      />
    </>
  );
}

function movedLast(
  marks: PhotoMarks['corners'],
  by: PhotoMarks['corners'][number],
): PhotoMarks['corners'] {
  const last = marks.at(-1);
  return last === undefined
    ? marks
    : [...marks.slice(0, -1), { x: last.x + by.x, y: last.y + by.y }];
}

function Holes({
  photo,
  marks,
  unit,
  endNumber,
  onHoles,
}: {
  readonly photo: ButtPhotoDoor;
  readonly marks: PhotoMarks;
  readonly unit: 'cm' | 'in';
  readonly endNumber: number;
  readonly onHoles: Parameters<typeof ButtPhotoPanel>[0]['onHoles'];
}) {
  const [keep, setKeep] = useState(false);
  const { read, aim, holes } = marks;
  const worst = Math.max(0, ...read.map(({ sdMm }) => HALF_90 * sdMm));
  return (
    <>
      <p className="text-note text-ink-2">
        {aim === null
          ? 'Counted from the middle of what was marked, until the mark aimed at is tapped.'
          : 'Counted from the mark aimed at.'}
      </p>
      <ol className="text-plain tabular-nums" data-testid="photo-holes">
        {read.map((hole, index) => (
          <li key={index} className="border-b border-faint py-1">
            {ARROW_SHORT[hole.arrow]}: {showButtDistance(hole.rightMm, unit)}{' '}
            {hole.rightMm >= 0 ? 'right' : 'left'}, {showButtDistance(hole.upMm, unit)}{' '}
            {hole.upMm >= 0 ? 'high' : 'low'}
          </li>
        ))}
      </ol>
      {read.length > 0 && (
        <>
          <p className="text-note text-ink-2">
            Each to ± {showNumber(fromStored(Math.max(1, worst), unit), 1)} {unit}, 9 times in 10.
          </p>
          <div className="flex flex-wrap items-center gap-3">
            <button
              type="button"
              className="link-btn -ml-2.5"
              onClick={() => marks.setHoles(holes.slice(0, -1))}
            >
              Undo last hole
            </button>
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-[var(--ink)]"
                checked={keep}
                onChange={(event) => setKeep(event.target.checked)}
              />
              Keep the picture with the session
            </label>
          </div>
          <button
            type="button"
            className="btn-ink justify-self-start"
            onClick={() => {
              if (keep) void photo.pack().then((picture) => onHoles(read, picture));
              else onHoles(read, null);
            }}
          >
            Put {read.length === 1 ? 'this shot' : `these ${read.length} shots`} in end {endNumber}
          </button>
        </>
      )}
    </>
  );
}
