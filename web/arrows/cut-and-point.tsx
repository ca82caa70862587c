import { useId } from 'react';
import type { ArrowBuild } from '#core/craft/arrow-build.ts';
import { ARROW_RANGES } from '#core/craft/arrow-ranges.ts';
import { Fractions } from '../ui/fractions.tsx';
import { type LengthStyle, showLength, showNumber } from '#core/quantity/show.ts';
import { fromStored, toStored } from '#core/quantity/units.ts';

/** One press of an arrow key: what a saw and a drawer of points allow. */
const CUT_STEP_MM = 1;
const POINT_STEP_GR = 5;

/** Length and point, to be slid while every figure follows. */
export function CutAndPoint({
  build,
  style,
  massWords,
  onChange,
}: {
  readonly build: ArrowBuild;
  readonly style: LengthStyle;
  readonly massWords: (massG: number) => string;
  readonly onChange: (build: ArrowBuild) => void;
}) {
  const { shaft, point } = build;
  const [shortest, longest] = ARROW_RANGES.shaftMm;
  const mostMm = Math.floor(Math.min(longest, shaft.fullLengthMm));
  const [lightest, heaviest] = ARROW_RANGES.pointMassG.map((massG) => fromStored(massG, 'gr')) as [
    number,
    number,
  ];
  return (
    <div className="grid gap-x-10 gap-y-1 @form:grid-cols-2">
      <Slider
        label="Length as cut"
        value={shaft.lengthMm}
        words={showLength(shaft.lengthMm, style)}
        min={shortest}
        max={mostMm}
        step={CUT_STEP_MM}
        onChange={(lengthMm) => onChange({ ...build, shaft: { ...shaft, lengthMm } })}
      />
      <Slider
        label="Point"
        value={fromStored(point.massG, 'gr')}
        words={massWords(point.massG)}
        min={showable(lightest)}
        max={showable(heaviest)}
        step={POINT_STEP_GR}
        onChange={(grains) =>
          onChange({ ...build, point: { ...point, massG: toStored(grains, 'gr') } })
        }
      />
    </div>
  );
}

function showable(grains: number): number {
  return Number(showNumber(grains, 0));
}

function Slider({
  label,
  value,
  words,
  min,
  max,
  step,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly words: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly onChange: (value: number) => void;
}) {
  const id = useId();
  return (
    <div>
      <div className="flex items-baseline justify-between gap-3">
        <label htmlFor={id} className="label">
          {label}
        </label>
        <output htmlFor={id} className="text-lead font-[600] whitespace-nowrap">
          <Fractions text={words} />
        </output>
      </div>
      <input
        id={id}
        type="range"
        className="block h-11 w-full accent-(--ink)"
        min={min}
        max={max}
        step={step}
        value={value}
        aria-valuetext={words}
        onChange={(event) => onChange(event.target.valueAsNumber)}
      />
    </div>
  );
}
