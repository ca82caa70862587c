import type { ArrowBuild } from '../craft/arrow-build.ts';
import { ITEM_TOUCHES } from '../craft/fit-out.ts';
import { FACET_IDS, type FacetId } from '../craft/steps.ts';
import { upsets } from '../craft/upsets.ts';
import type { Control } from '../craft/controls.ts';
import type { BowState } from '../log/bow-state.ts';
import type { ArrowFacts, BodyOf, FittedBuild } from '../log/entry.ts';
import { arrowFigures } from './arrow-figures.ts';
import { isSameBuild } from './workshop-builds.ts';

/** A revision of a build, to be put on a bow. */
export interface BuildToFit extends FittedBuild {
  readonly name: string;
}

/** The arrow's facts, all read off its parts. */
export function arrowFactsOf({ name, buildId, revisionId, parts }: BuildToFit): ArrowFacts {
  const { shaft, point } = parts;
  return {
    described: name,
    lengthMm: shaft.lengthMm,
    diameterMm: shaft.diameterAtPointMm,
    pointMassG: point.massG,
    massG: arrowFigures(parts).massG,
    build: { buildId, revisionId, parts },
  };
}

/** A build put on a bow: what it touches is what differs from the arrow that was on it before. */
export function fitBuild(state: BowState, build: BuildToFit): BodyOf<'itemFitted'> {
  return {
    kind: 'itemFitted',
    item: 'shaft',
    described: build.name,
    touches: touchedBy(state.bow.arrow?.build?.parts ?? null, build.parts),
    arrow: arrowFactsOf(build),
  };
}

/**
 * The saw and the other point that make one arrow into another; null where more than these two differ, or
 * it would have to grow.
 */
export function changesBetween(
  before: ArrowBuild,
  after: ArrowBuild,
): readonly { readonly control: Control; readonly amount: number }[] | null {
  const cutMm = withoutDust(before.shaft.lengthMm - after.shaft.lengthMm);
  const pointG = withoutDust(after.point.massG - before.point.massG);
  const same = {
    ...after,
    shaft: { ...after.shaft, lengthMm: before.shaft.lengthMm },
    point: { ...after.point, massG: before.point.massG },
  };
  if (cutMm < 0 || !isSameBuild(before, same)) return null;
  return [
    ...(cutMm === 0 ? [] : [{ control: 'shaftCut' as const, amount: cutMm }]),
    ...(pointG === 0 ? [] : [{ control: 'pointMass' as const, amount: pointG }]),
  ];
}

/** A hundredth of a millimetre or of a gram was never cut off or screwed in: it comes of another unit. */
function withoutDust(amount: number): number {
  return Math.abs(amount) < 0.01 ? 0 : amount;
}

/** What has to be looked at again after one arrow was taken for another; everything where the first is not known. */
export function touchedBy(before: ArrowBuild | null, after: ArrowBuild): readonly FacetId[] {
  if (before === null) return ITEM_TOUCHES.shaft;
  const touched = new Set<FacetId>();
  for (const { differs, touches } of DIFFERENCES)
    if (differs(before, after)) for (const facet of touches) touched.add(facet);
  return FACET_IDS.filter((facet) => touched.has(facet));
}

const differ =
  (of: (build: ArrowBuild) => unknown) =>
  (one: ArrowBuild, other: ArrowBuild): boolean =>
    JSON.stringify(of(one)) !== JSON.stringify(of(other));

const DIFFERENCES: readonly {
  readonly differs: (before: ArrowBuild, after: ArrowBuild) => boolean;
  readonly touches: readonly FacetId[];
}[] = [
  // A fatter shaft lies elsewhere on the rest and hangs elsewhere on the string.
  {
    differs: differ(({ shaft }) => [shaft.diameterAtPointMm, shaft.diameterAtNockMm]),
    touches: ITEM_TOUCHES.shaft,
  },
  {
    differs: differ(({ shaft }) => [shaft.material, shaft.spine, shaft.massPerLengthGPerM]),
    touches: ITEM_TOUCHES.spine,
  },
  { differs: differ(({ shaft }) => shaft.lengthMm), touches: changeTouches('shaftCut') },
  { differs: differ(({ point }) => point), touches: changeTouches('pointMass') },
  {
    differs: differ(({ insert, collar, footing }) => [insert, collar, footing]),
    touches: ITEM_TOUCHES.insert,
  },
  { differs: differ(({ nock }) => nock), touches: ITEM_TOUCHES.nock },
  { differs: differ(({ fletching, wrap }) => [fletching, wrap]), touches: ITEM_TOUCHES.fletching },
];

function changeTouches(control: Control): readonly FacetId[] {
  return FACET_IDS.filter((facet) =>
    upsets({ kind: 'change', index: 0, control, amount: 1, moveControls: [control] }, facet),
  );
}
