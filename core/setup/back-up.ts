import { READINGS, type ReadingKind } from '../craft/readings.ts';
import { presentReading } from '../gains/present-reading.ts';
import type { BodyOf, EntryBody } from '../log/entry.ts';
import type { BowState } from '../log/bow-state.ts';

/** The readings a back-up is matched by, one by one. Tiller is matched as a difference. */
const MATCHED: readonly ReadingKind[] = [
  'braceHeight',
  'drawWeight',
  'nockingHeight',
  'centreShotAtPoint',
  'restHeight',
];

/**
 * A second bow that is to shoot like the first: the same kind, hand and school, in parts, with the
 * first bow's present readings as its bands, each as wide as the bench tolerance. Its own limbs,
 * string and bolts start unknown: nothing counted on the first bow is carried over.
 *
 * @param name what the back-up is called
 */
export function backUpOf(state: BowState, name: string): readonly EntryBody[] {
  const { bow } = state;
  const made: BodyOf<'bowMade'> = {
    ...bow,
    kind: 'bowMade',
    name,
    described: `back-up of ${bow.name}`,
    maker: { ...bow.maker },
    twistsAtStart: undefined,
    boltTurnsOutAtStart: undefined,
    backupOf: state.bowId,
    inParts: true,
  };
  const targets: EntryBody[] = [];
  for (const kind of MATCHED) {
    const value = presentReading(state, kind)?.value;
    if (value !== undefined)
      targets.push(targetAround(bow.name, kind, value, READINGS[kind].tolerance));
  }
  const top = presentReading(state, 'tillerTop')?.value;
  const bottom = presentReading(state, 'tillerBottom')?.value;
  if (top !== undefined && bottom !== undefined)
    targets.push(targetAround(bow.name, 'tiller', top - bottom, READINGS.tillerTop.tolerance));
  const { landing } = state;
  // Where bare shafts land is how a tune is found again.
  if (landing !== null)
    targets.push({
      kind: 'landingSet',
      outwardMm: landing.outwardMm,
      upMm: landing.upMm,
      why: `as ${bow.name}`,
    });
  return [made, ...targets];
}

function targetAround(
  first: string,
  reading: BodyOf<'targetSet'>['reading'],
  value: number,
  half: number,
): EntryBody {
  return {
    kind: 'targetSet',
    reading,
    low: value - half,
    high: value + half,
    name: `as ${first}`.slice(0, 80),
    why: `What ${first} read when the back-up was made, within the bench tolerance.`,
  };
}
