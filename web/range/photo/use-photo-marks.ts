import { useMemo, useState } from 'react';
import { applyHomography, type PlanePoint } from '#core/butt-photo/homography.ts';
import { type KnownShape, readHole, type SquareUp, squareUp } from '#core/butt-photo/square-up.ts';
import { straightView, type StraightView } from '#core/butt-photo/straighten.ts';
import { toStored } from '#core/quantity/units.ts';
import type { ArrowState } from '#core/craft/range-terms.ts';
import type { OpenedPhoto } from '../../workers/butt-photo-jobs.ts';

/** What a tap on the straightened picture means. */
export type Tapped = ArrowState | 'aim';

/** A hole as tapped: mm right of and above the middle of the known shape. */
interface TappedHole {
  readonly arrow: ArrowState;
  readonly at: PlanePoint;
  /** How finely the screen could show where it was tapped, mm. */
  readonly finestMm: number;
}

/** A hole as read: mm from the mark aimed at, and how well. */
export interface PlacedHole {
  readonly arrow: ArrowState;
  readonly rightMm: number;
  readonly upMm: number;
  readonly sdMm: number;
}

/** A tap is good to a pixel of the screen either way. */
const TAP_SD_PX = 0.6;

export interface PhotoMarks {
  readonly shape: 'rectangle' | 'circle';
  readonly size: { readonly width: string; readonly height: string };
  readonly corners: readonly PlanePoint[];
  readonly squared: SquareUp | null;
  readonly view: StraightView | null;
  readonly holes: readonly TappedHole[];
  readonly aim: PlanePoint | null;
  readonly read: readonly PlacedHole[];
  readonly setShape: (shape: 'rectangle' | 'circle') => void;
  readonly setSize: (size: { readonly width: string; readonly height: string }) => void;
  readonly setCorners: (corners: readonly PlanePoint[]) => void;
  readonly setHoles: (holes: readonly TappedHole[]) => void;
  readonly setAim: (aim: PlanePoint | null) => void;
  readonly clear: () => void;
}

/** The marks of one photographed butt and what they come to. */
export function usePhotoMarks(opened: OpenedPhoto | null, unit: 'cm' | 'in'): PhotoMarks {
  const [shape, setShape] = useState<'rectangle' | 'circle'>('rectangle');
  const [size, setSize] = useState(
    unit === 'cm' ? { width: '80', height: '80' } : { width: '31.5', height: '31.5' },
  );
  const [corners, setCorners] = useState<readonly PlanePoint[]>([]);
  const [holes, setHoles] = useState<readonly TappedHole[]>([]);
  const [aim, setAim] = useState<PlanePoint | null>(null);
  const known = useMemo((): KnownShape | null => {
    if (corners.length < 4) return null;
    const mm = (text: string) => toStored(Number(text.replace(',', '.')), unit);
    return shape === 'rectangle'
      ? { kind: shape, widthMm: mm(size.width), heightMm: mm(size.height), marks: corners }
      : { kind: shape, diameterMm: mm(size.width), marks: corners };
  }, [corners, shape, size, unit]);
  const squared = useMemo(
    () => (known === null || opened === null ? null : squareUp(known, opened)),
    [known, opened],
  );
  const view = useMemo(
    () => (squared?.kind === 'squared' ? straightView(squared) : null),
    [squared],
  );
  const read = useMemo(() => {
    if (known === null || squared?.kind !== 'squared') return [];
    return holes.map(({ arrow, at, finestMm }): PlacedHole => {
      const hole = readHole(known, squared, applyHomography(squared.toPicture, at));
      return {
        arrow,
        rightMm: hole.rightMm - (aim?.x ?? 0),
        upMm: hole.upMm - (aim?.y ?? 0),
        sdMm: Math.hypot(hole.sdMm, TAP_SD_PX * finestMm),
      };
    });
  }, [aim, holes, known, squared]);
  return {
    shape,
    size,
    corners,
    squared,
    view,
    holes,
    aim,
    read,
    setShape,
    setSize,
    setCorners,
    setHoles,
    setAim,
    clear: () => {
      setCorners([]);
      setHoles([]);
      setAim(null);
    },
  };
}
