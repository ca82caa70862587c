import type { ArrowBuild, FrontPart } from '../craft/arrow-build.ts';

type ArrowPart = keyof ArrowBuild;

/** What a part weighs and where its middle lies, mm from the throat of the nock. */
export interface PlacedPart {
  readonly part: ArrowPart;
  readonly massG: number;
  readonly centreMm: number;
}

/**
 * Every part of an arrow with its mass and where that lies: a shaft in its middle, what is in the front of it
 * in its own middle, the nock at the string.
 */
export function placedParts(build: ArrowBuild): readonly PlacedPart[] {
  const { shaft, point, insert, collar, footing, nock, fletching, wrap } = build;
  const { lengthMm } = shaft;
  const behindEnd = (part: ArrowPart, front: FrontPart | null): readonly PlacedPart[] =>
    front === null ? [] : [{ part, massG: front.massG, centreMm: lengthMm - front.lengthMm / 2 }];
  return [
    {
      part: 'shaft',
      massG: (shaft.massPerLengthGPerM * lengthMm) / MM_PER_M,
      centreMm: lengthMm / 2,
    },
    { part: 'point', massG: point.massG, centreMm: lengthMm + point.centreInFrontMm },
    ...behindEnd('insert', insert),
    ...behindEnd('collar', collar),
    ...behindEnd('footing', footing),
    { part: 'nock', massG: nock.massG, centreMm: 0 },
    ...(fletching === null
      ? []
      : [
          {
            part: 'fletching' as const,
            massG: fletching.count * fletching.massEachG,
            centreMm: fletching.fromThroatMm + fletching.lengthMm / 2,
          },
        ]),
    ...(wrap === null
      ? []
      : [
          {
            part: 'wrap' as const,
            massG: wrap.massG,
            centreMm: wrap.fromThroatMm + wrap.lengthMm / 2,
          },
        ]),
  ];
}

const MM_PER_M = 1000;
