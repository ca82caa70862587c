import type { ArrowBuild, FrontPart } from '../craft/arrow-build.ts';
import { ARROW_RANGES } from '../craft/arrow-ranges.ts';
import { G_PER_GR, MM_PER_IN } from '../quantity/units.ts';
import { poundsOfSpine, spineOfPounds } from './static-spine.ts';

type Range = readonly [low: number, high: number];

/** How a figure of a build is typed and shown. */
type BuildFieldKind = 'mass' | 'length' | 'thin' | 'plain' | 'count';

/** One figure of a build: where it stands, what it may be, how it is got and set. */
export interface BuildField {
  readonly part: keyof ArrowBuild;
  readonly label: string;
  readonly kind: BuildFieldKind;
  /** Stored unit: g, mm; plain figures in the unit of their label. */
  readonly range: Range;
  /** Null where the build has no such part. */
  readonly of: (build: ArrowBuild) => number | null;
  readonly with: (build: ArrowBuild, value: number) => ArrowBuild;
  /** What stands for it where only the mass of its part is given. */
  readonly usual?: number;
  /** The mass that says whether the part is there at all: left empty, there is none. */
  readonly makesPart?: boolean;
  readonly onlyFor?: 'wood' | 'tube';
}

const G_PER_M_PER_GR_PER_IN = G_PER_GR / (MM_PER_IN / 1000);
const range = ([low, high]: Range, factor: number): Range => [low * factor, high * factor];

function shaft(
  label: string,
  kind: BuildFieldKind,
  key: Exclude<keyof ArrowBuild['shaft'], 'material'>,
  limits: Range,
): BuildField {
  return {
    part: 'shaft',
    label,
    kind,
    range: limits,
    of: (build) => build.shaft[key],
    with: (build, value) => ({ ...build, shaft: { ...build.shaft, [key]: value } }),
  };
}

/** A part that may not be there: its mass makes it, its other figures have usual values. */
function frontPart(
  part: 'insert' | 'collar' | 'footing',
  name: string,
  usualMm: number,
): readonly [BuildField, BuildField] {
  const of = (build: ArrowBuild): FrontPart | null => build[part];
  const now = (build: ArrowBuild): FrontPart => build[part] ?? { massG: 0, lengthMm: usualMm };
  return [
    {
      part,
      label: name,
      kind: 'mass',
      range: ARROW_RANGES.frontPartG,
      makesPart: true,
      of: (build) => of(build)?.massG ?? null,
      with: (build, massG) => ({ ...build, [part]: { ...now(build), massG } }),
    },
    {
      part,
      label: `${name}, length`,
      kind: 'length',
      range: ARROW_RANGES.frontPartMm,
      usual: usualMm,
      of: (build) => of(build)?.lengthMm ?? null,
      with: (build, lengthMm) => ({ ...build, [part]: { ...now(build), lengthMm } }),
    },
  ];
}

const USUAL_FLETCHING: NonNullable<ArrowBuild['fletching']> = {
  kind: 'vane',
  count: 3,
  massEachG: 0,
  lengthMm: 45,
  fromThroatMm: 25,
};

function fletching(
  label: string,
  kind: BuildFieldKind,
  key: 'count' | 'massEachG' | 'lengthMm' | 'fromThroatMm',
  limits: Range,
): BuildField {
  return {
    part: 'fletching',
    label,
    kind,
    range: limits,
    ...(key === 'massEachG' ? { makesPart: true } : { usual: USUAL_FLETCHING[key] }),
    of: (build) => build.fletching?.[key] ?? null,
    with: (build, value) => ({
      ...build,
      fletching: { ...(build.fletching ?? USUAL_FLETCHING), [key]: value },
    }),
  };
}

const USUAL_WRAP: NonNullable<ArrowBuild['wrap']> = { massG: 0, lengthMm: 100, fromThroatMm: 20 };

function wrap(
  label: string,
  kind: BuildFieldKind,
  key: keyof NonNullable<ArrowBuild['wrap']>,
  limits: Range,
): BuildField {
  return {
    part: 'wrap',
    label,
    kind,
    range: limits,
    ...(key === 'massG' ? { makesPart: true } : { usual: USUAL_WRAP[key] }),
    of: (build) => build.wrap?.[key] ?? null,
    with: (build, value) => ({ ...build, wrap: { ...(build.wrap ?? USUAL_WRAP), [key]: value } }),
  };
}

const [insert, insertLength] = frontPart('insert', 'Insert', 20);
const [collar, collarLength] = frontPart('collar', 'Collar', 8);
const [footing, footingLength] = frontPart('footing', 'Footing', 50);

/** Every figure of a build, from the point back to the nock, by the name it has in files. */
const FIELDS = named({
  spine: {
    ...shaft('Spine, thousandths', 'plain', 'spine', ARROW_RANGES.spine),
    onlyFor: 'tube',
  },
  spine_lb: {
    part: 'shaft',
    label: 'Spine, pounds',
    kind: 'plain',
    range: [poundsOfSpine(ARROW_RANGES.spine[1]), poundsOfSpine(ARROW_RANGES.spine[0])],
    onlyFor: 'wood',
    of: ({ shaft: { spine } }) => poundsOfSpine(spine),
    with: (build, pounds) => ({
      ...build,
      shaft: { ...build.shaft, spine: spineOfPounds(pounds) },
    }),
  },
  shaft_gr_per_in: {
    part: 'shaft',
    label: 'Mass of an inch, gr',
    kind: 'plain',
    range: range(ARROW_RANGES.massPerLengthGPerM, 1 / G_PER_M_PER_GR_PER_IN),
    of: ({ shaft: { massPerLengthGPerM } }) => massPerLengthGPerM / G_PER_M_PER_GR_PER_IN,
    with: (build, grains) => ({
      ...build,
      shaft: { ...build.shaft, massPerLengthGPerM: grains * G_PER_M_PER_GR_PER_IN },
    }),
  },
  diameter_at_point_mm: shaft(
    'Diameter at the point',
    'thin',
    'diameterAtPointMm',
    ARROW_RANGES.diameterMm,
  ),
  diameter_at_nock_mm: shaft(
    'Diameter at the nock',
    'thin',
    'diameterAtNockMm',
    ARROW_RANGES.diameterMm,
  ),
  full_length_mm: shaft('Length as bought', 'length', 'fullLengthMm', ARROW_RANGES.fullLengthMm),
  length_mm: shaft('Length as cut', 'length', 'lengthMm', ARROW_RANGES.shaftMm),
  point_g: {
    part: 'point',
    label: 'Point',
    kind: 'mass',
    range: ARROW_RANGES.pointMassG,
    of: ({ point }) => point.massG,
    with: (build, massG) => ({ ...build, point: { ...build.point, massG } }),
  },
  point_centre_mm: {
    part: 'point',
    label: 'Point’s balance, in front of the shaft',
    kind: 'thin',
    range: ARROW_RANGES.pointCentreMm,
    usual: 8,
    of: ({ point }) => point.centreInFrontMm,
    with: (build, centreInFrontMm) => ({ ...build, point: { ...build.point, centreInFrontMm } }),
  },
  insert_g: insert,
  insert_mm: insertLength,
  collar_g: collar,
  collar_mm: collarLength,
  footing_g: footing,
  footing_mm: footingLength,
  nock_g: {
    part: 'nock',
    label: 'Nock',
    kind: 'mass',
    range: ARROW_RANGES.nockMassG,
    of: ({ nock }) => nock.massG,
    with: (build, massG) => ({ ...build, nock: { ...build.nock, massG } }),
  },
  nock_outside_mm: {
    part: 'nock',
    label: 'Nock, outside height',
    kind: 'thin',
    range: ARROW_RANGES.nockHeightMm,
    of: ({ nock }) => nock.outsideHeightMm,
    with: (build, outsideHeightMm) => ({ ...build, nock: { ...build.nock, outsideHeightMm } }),
  },
  fletching_each_g: fletching('One of them', 'mass', 'massEachG', ARROW_RANGES.fletchingEachG),
  fletchings: fletching('How many', 'count', 'count', ARROW_RANGES.fletchings),
  fletching_mm: fletching('Length', 'length', 'lengthMm', ARROW_RANGES.fletchingMm),
  fletching_from_throat_mm: fletching(
    'Behind it, to the throat',
    'length',
    'fromThroatMm',
    ARROW_RANGES.fromThroatMm,
  ),
  wrap_g: wrap('Wrap', 'mass', 'massG', ARROW_RANGES.wrapMassG),
  wrap_mm: wrap('Wrap, length', 'length', 'lengthMm', ARROW_RANGES.wrapMm),
  wrap_from_throat_mm: wrap(
    'Wrap, behind it to the throat',
    'length',
    'fromThroatMm',
    ARROW_RANGES.fromThroatMm,
  ),
});

function named<Id extends string>(
  fields: Record<Id, BuildField>,
): Readonly<Record<Id, BuildField>> {
  return fields;
}

export type BuildFieldId = keyof typeof FIELDS;
export const BUILD_FIELD_IDS = Object.keys(FIELDS) as readonly BuildFieldId[];

export function buildField(id: BuildFieldId): BuildField {
  return FIELDS[id];
}

/** Whether a shaft of this material is described by a field: wood goes by pounds. */
export function isAskedOf(id: BuildFieldId, material: ArrowBuild['shaft']['material']): boolean {
  const { onlyFor } = buildField(id);
  return onlyFor === undefined || (onlyFor === 'wood') === (material === 'wood');
}
