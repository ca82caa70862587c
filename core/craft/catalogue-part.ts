import type { ArrowBuild, FrontPart } from './arrow-build.ts';

export const FRONT_PART_KINDS = ['insert', 'collar', 'footing'] as const;
export const PART_KINDS = [
  'shaft',
  'point',
  ...FRONT_PART_KINDS,
  'nock',
  'fletching',
  'wrap',
] as const;
export type PartKind = (typeof PART_KINDS)[number];

/** A part as it lies in a drawer: what of a build it makes, whatever it is put on. */
export type CataloguePart =
  | ({ readonly kind: 'shaft' } & Omit<ArrowBuild['shaft'], 'lengthMm'>)
  | ({ readonly kind: 'point' } & ArrowBuild['point'])
  | ({ readonly kind: (typeof FRONT_PART_KINDS)[number] } & FrontPart)
  | ({ readonly kind: 'nock' } & ArrowBuild['nock'])
  | ({
      readonly kind: 'fletching';
      readonly material: NonNullable<ArrowBuild['fletching']>['kind'];
    } & Pick<NonNullable<ArrowBuild['fletching']>, 'count' | 'massEachG' | 'lengthMm'>)
  | ({ readonly kind: 'wrap' } & Pick<NonNullable<ArrowBuild['wrap']>, 'massG' | 'lengthMm'>);

/** A part of the workshop’s own catalogue. */
export interface NamedPart {
  readonly partId: string;
  readonly name: string;
  readonly part: CataloguePart;
}

/** Where fletching and wrap sit where nobody has measured it, mm from the throat. */
const USUAL_FROM_THROAT_MM = { fletching: 28, wrap: 18 } as const;

/** An arrow with this part in or on it, whatever it had there; a shaft comes whole, or as long as the arrow was. */
export function withPart(build: ArrowBuild, part: CataloguePart): ArrowBuild {
  switch (part.kind) {
    case 'shaft': {
      const { kind: _, ...shaft } = part;
      return {
        ...build,
        shaft: { ...shaft, lengthMm: Math.min(build.shaft.lengthMm, part.fullLengthMm) },
      };
    }
    case 'point':
      return {
        ...build,
        point: { massG: part.massG, centreInFrontMm: part.centreInFrontMm },
      };
    case 'nock':
      return {
        ...build,
        nock: { massG: part.massG, outsideHeightMm: part.outsideHeightMm },
      };
    case 'fletching': {
      const { material, count, massEachG, lengthMm } = part;
      const fromThroatMm = build.fletching?.fromThroatMm ?? USUAL_FROM_THROAT_MM.fletching;
      return { ...build, fletching: { kind: material, count, massEachG, lengthMm, fromThroatMm } };
    }
    case 'wrap': {
      const { massG, lengthMm } = part;
      const fromThroatMm = build.wrap?.fromThroatMm ?? USUAL_FROM_THROAT_MM.wrap;
      return { ...build, wrap: { massG, lengthMm, fromThroatMm } };
    }
    case 'insert':
    case 'collar':
    case 'footing':
      return { ...build, [part.kind]: { massG: part.massG, lengthMm: part.lengthMm } };
  }
}

/** A part of an arrow as it would lie in a drawer; null where the arrow has none. */
export function partOf(build: ArrowBuild, kind: PartKind): CataloguePart | null {
  switch (kind) {
    case 'shaft': {
      const { lengthMm: _, ...shaft } = build.shaft;
      return { kind, ...shaft };
    }
    case 'point':
      return { kind, ...build.point };
    case 'nock':
      return { kind, ...build.nock };
    case 'fletching': {
      if (build.fletching === null) return null;
      const { kind: material, count, massEachG, lengthMm } = build.fletching;
      return { kind, material, count, massEachG, lengthMm };
    }
    case 'wrap': {
      if (build.wrap === null) return null;
      const { massG, lengthMm } = build.wrap;
      return { kind, massG, lengthMm };
    }
    case 'insert':
    case 'collar':
    case 'footing': {
      const part = build[kind];
      return part === null ? null : { kind, ...part };
    }
  }
}
