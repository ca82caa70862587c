import type { Aiming } from '../craft/aiming.ts';
import { type Upset, upsets } from '../craft/upsets.ts';
import { arrowFigures } from '../arrows/arrow-figures.ts';
import { speedGuess } from '../arrows/speed-guess.ts';
import { presentWeightN } from '../gains/present-weight.ts';
import type { BowFacts } from '../log/entry.ts';
import type { ArrowBuild } from '../craft/arrow-build.ts';
import type { BowState, ItemChange } from '../log/bow-state.ts';
import { onceFor } from '../log/once-for.ts';
import { isCounted, type ShootingSession, type Shot } from '../log/shooting.ts';
import { meanOf, squaresAboutMean } from '../numeric/moments.ts';
import {
  AIR_KG_PER_M3,
  CHRONOGRAPH_SHARE,
  DRAG_COEFFICIENT,
  LOG_DRAG,
  LOG_DRAG_KNOWN_SD,
  LOG_SPEED,
  LOG_SPEED_GUESSED_SD,
} from '../priors/flight-priors.ts';
import {
  SHIFT_OF_CONTROL,
  SHIFT_OF_ITEM,
  SHIFT_OF_OTHER,
  shiftOfArrow,
  type TuneShift,
} from '../priors/tune-shifts.ts';
import { lastAiming } from './aiming-wish.ts';
import type { MarkShot } from './mark-shot.ts';
import type { TuneChange } from './marks-model.ts';
import type { FlightKnown } from './marks-posterior.ts';

/** What was done to the tune, with what the record knows of it. */
type Done = BowState['upsets'][number];

const MM_PER_M = 1000;
/** The newest speak: what was shot before them is of another year's string, and only costs time. */
const MOST_ENDS = 16;

/** One end as it was shot for its mark. */
export interface MarkEnd extends MarkShot {
  readonly sessionId: string;
  readonly endNumber: number;
  /** Mean of its shots outward of the mark, mm. */
  readonly outwardMm: number;
  readonly at: string;
}

/** All that the record says of where it hits. */
export interface MarksEvidence {
  readonly aiming: Aiming;
  readonly ends: readonly MarkEnd[];
  readonly known: FlightKnown;
  /** Things done to the tune since the newest mark that move it: none, and the marks hold as they are. */
  readonly since: readonly Upset[];
  /** To the side of the mark for each metre, outward, mm; null: no end. */
  readonly outwardMmPerM: number | null;
  /** Thickness of the shaft, mm: gaps are told by it. Null: not known. */
  readonly shaftMm: number | null;
  /** The crawl it is tuned at, mm; null: not said. */
  readonly tunedCrawlMm: number | null;
}

/** Null before a session of marks was opened with what this bow is aimed with now. */
export const marksEvidence = onceFor((state: BowState): MarksEvidence | null => {
  const aiming = lastAiming(state);
  if (aiming === null) return null;
  const turned = state.upsets.filter((one) => upsets(one, 'sightMarks'));
  const sessions = state.sessions.filter(
    (session) => session.aiming !== undefined && isComparable(session.aiming, aiming),
  );
  const shots = sessions.flatMap((session) => endsOf(session)).slice(-MOST_ENDS);
  const changes = changesBetween(
    turned,
    shots.map(({ index }) => index),
  );
  const ends = shots.map(
    ({ index, ...end }): MarkEnd => ({
      ...end,
      changesSince: changes.filter((change) => change.index > index).length,
    }),
  );
  const newest = Math.max(-1, ...shots.map(({ index }) => index));
  return {
    aiming,
    ends,
    shaftMm: state.bow.arrow?.diameterMm ?? null,
    tunedCrawlMm: state.bow.crawlMm ?? null,
    known: {
      logSpeed: speedKnown(state, sessions),
      logDrag: dragKnown(state),
      changes: changes.map(({ change }) => change),
    },
    since: shots.length === 0 ? [] : turned.filter(({ index }) => index > newest),
    outwardMmPerM:
      ends.length === 0
        ? null
        : meanOf(ends.map(({ outwardMm, distanceM }) => outwardMm / distanceM)),
  };
});

/** Marks of one scale and one aim can be taken together. */
function isComparable(one: Aiming, other: Aiming): boolean {
  if (one.kind === 'sight')
    return (
      other.kind === 'sight' &&
      one.mmPerUnit === other.mmPerUnit &&
      one.growsDown === other.growsDown &&
      one.eyeToApertureMm === other.eyeToApertureMm
    );
  return other.kind === one.kind && one.arrowMm === other.arrowMm;
}

type EndShot = Omit<MarkEnd, 'changesSince'> & { readonly index: number };

/** The ends of a session whose aim was said, each at its distance. */
function endsOf(session: ShootingSession): readonly EndShot[] {
  const byEnd = new Map<number, Shot[]>();
  for (const shot of session.shots)
    if (isCounted(shot) && shot.arrow === 'fletched')
      byEnd.set(shot.endNumber, [...(byEnd.get(shot.endNumber) ?? []), shot]);
  return [...byEnd].flatMap(([endNumber, shots]) => {
    const set = session.endNotes.get(endNumber)?.aimSet ?? null;
    const last = shots.at(-1);
    if (set === null || last === undefined) return [];
    const ups = shots.map(({ upMm }) => upMm);
    return [
      {
        sessionId: session.sessionId,
        endNumber,
        distanceM: last.distanceM,
        set,
        upMm: meanOf(ups),
        outwardMm: meanOf(shots.map(({ outwardMm }) => outwardMm)),
        shots: shots.length,
        squaresMm2: squaresAboutMean(ups),
        at: last.at,
        index: last.index,
      },
    ];
  });
}

/** What was done between marks, the newest first: everything between the same two ends is one change. */
function changesBetween(
  turned: readonly Done[],
  ends: readonly number[],
): readonly { readonly index: number; readonly change: TuneChange }[] {
  const first = Math.min(Number.POSITIVE_INFINITY, ...ends);
  const groups = new Map<number, Done[]>();
  for (const upset of turned.filter(({ index }) => index > first)) {
    const before = ends.filter((index) => index < upset.index).length;
    groups.set(before, [...(groups.get(before) ?? []), upset]);
  }
  return [...groups.values()]
    .map((group) => ({ index: group[0]?.index ?? 0, change: changeOf(group) }))
    .toSorted((one, other) => other.index - one.index);
}

/** Several things done add up, each with its own doubt. */
function changeOf(done: readonly Done[]): TuneChange {
  let [speed, speedVariance, zero, zeroVariance] = [0, 0, 0, 0];
  for (const upset of done) {
    const isTurn = upset.kind === 'change';
    const times = isTurn ? upset.amount : 1;
    const shift = isTurn ? SHIFT_OF_CONTROL[upset.control] : shiftOfItem(upset);
    speed += times * shift.speed;
    zero += times * shift.zero;
    speedVariance += (times * shift.speedSd) ** 2;
    zeroVariance += (times * shift.zeroSd) ** 2;
  }
  return {
    logSpeed: { mean: speed, sd: Math.sqrt(speedVariance) },
    zero: { mean: zero, sd: Math.sqrt(zeroVariance) },
  };
}

function shiftOfItem({ item, massesG, arrows }: ItemChange): TuneShift {
  if (item !== 'shaft') return SHIFT_OF_ITEM[item] ?? SHIFT_OF_OTHER;
  const ofParts = (build: ArrowBuild) => arrowFigures(build).massG;
  const known =
    massesG ??
    (arrows === undefined
      ? undefined
      : { before: ofParts(arrows.before), after: ofParts(arrows.after) });
  return known === undefined ? (SHIFT_OF_ITEM.shaft ?? SHIFT_OF_OTHER) : shiftOfArrow(known);
}

/** A chronograph's figure is worth more than any rule of thumb, and what bow and arrow weigh more than nothing. */
function speedKnown(
  state: BowState,
  sessions: readonly ShootingSession[],
): FlightKnown['logSpeed'] {
  const said = sessions.findLast(({ arrowSpeedMps }) => arrowSpeedMps !== undefined)?.arrowSpeedMps;
  if (said !== undefined) return { mean: Math.log(said), sd: CHRONOGRAPH_SHARE };
  const massG = massOf(state.bow.arrow);
  const weightN = presentWeightN(state);
  if (massG === null || weightN === null) return LOG_SPEED;
  return { mean: Math.log(speedGuess(massG, weightN).speedMps), sd: LOG_SPEED_GUESSED_SD };
}

/** Weighed whole, or by its parts. */
function massOf(arrow: BowFacts['arrow']): number | null {
  if (arrow?.massG !== undefined) return arrow.massG;
  return arrow?.build === undefined ? null : arrowFigures(arrow.build.parts).massG;
}

/** Where shaft and mass are known the drag is known but for its coefficient. */
function dragKnown({ bow }: BowState): FlightKnown['logDrag'] {
  const massG = massOf(bow.arrow);
  if (bow.arrow === undefined || massG === null) return LOG_DRAG;
  const { diameterMm } = bow.arrow;
  const areaM2 = (Math.PI / 4) * (diameterMm / MM_PER_M) ** 2;
  const coefficient = Math.sqrt(DRAG_COEFFICIENT.low * DRAG_COEFFICIENT.high);
  const drag = (AIR_KG_PER_M3 * coefficient * areaM2) / 2 / (massG / 1000);
  return { mean: Math.log(drag), sd: LOG_DRAG_KNOWN_SD };
}
