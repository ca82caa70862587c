/** What a gauge shows: a piece of rule with its ends, band and pointer. One unit throughout. */
export interface GaugeInput {
  readonly low: number;
  readonly high: number;
  /** Hatched ends that must not be passed. */
  readonly hard: boolean;
  readonly hardWords: string;
  readonly bandLow: number;
  readonly bandHigh: number;
  readonly bandName: string;
  readonly bandSource: string;
  readonly tickStep: number;
  readonly majorEvery: number;
  readonly lowLabel: string;
  readonly highLabel: string;
  readonly pointer: {
    readonly value: number;
    readonly plusMinus: number;
    readonly trusted: boolean;
    readonly expected: number | null;
    readonly before: number | null;
  } | null;
}

export interface GaugeGeometry {
  readonly ticks: readonly { readonly x: number; readonly major: boolean }[];
  readonly band: readonly [number, number];
  readonly pointer: {
    readonly x: number;
    readonly from: number;
    readonly to: number;
    /** −1 or 1 when the value lies off the piece of rule drawn. */
    readonly offEnd: -1 | 0 | 1;
    readonly expectedX: number | null;
    readonly beforeX: number | null;
  } | null;
}

const MOST_TICKS = 40;

/** Lays a gauge out along `width` px. Values beyond its ends stop at the end and say so. */
export function gaugeGeometry(gauge: GaugeInput, width: number): GaugeGeometry {
  const span = gauge.high - gauge.low;
  if (!(span > 0)) throw new RangeError(`gaugeGeometry: ${gauge.low} to ${gauge.high} is no range`);
  const x = (value: number) => Math.min(1, Math.max(0, (value - gauge.low) / span)) * width;
  const ticks: { x: number; major: boolean }[] = [];
  if (span / gauge.tickStep <= MOST_TICKS) {
    const first = Math.ceil(gauge.low / gauge.tickStep - 1e-9);
    const last = Math.floor(gauge.high / gauge.tickStep + 1e-9);
    for (let count = first; count <= last; count += 1) {
      ticks.push({ x: x(count * gauge.tickStep), major: count % gauge.majorEvery === 0 });
    }
  }
  const { pointer } = gauge;
  return {
    ticks,
    band: [x(gauge.bandLow), x(gauge.bandHigh)],
    pointer:
      pointer === null
        ? null
        : {
            x: x(pointer.value),
            from: x(pointer.value - pointer.plusMinus),
            to: x(pointer.value + pointer.plusMinus),
            offEnd: pointer.value < gauge.low ? -1 : pointer.value > gauge.high ? 1 : 0,
            expectedX: pointer.expected === null ? null : x(pointer.expected),
            beforeX: pointer.before === null ? null : x(pointer.before),
          },
  };
}
