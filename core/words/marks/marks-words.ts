import { crawlSays } from './crawl-words.ts';
import { distanceWords } from './distance-words.ts';
import type { Aiming } from '../../craft/aiming.ts';
import type { Hand } from '../../craft/bow-terms.ts';
import { CONTROL_FACTS } from '../../craft/controls.ts';
import { FIT_OUT_LABEL } from '../../craft/fit-out.ts';
import { sideOf } from '../../craft/handedness.ts';
import type { Upset } from '../../craft/upsets.ts';
import type { ShootingSession } from '../../log/shooting.ts';
import { showExact, showNumber, showSigned } from '../../quantity/show.ts';
import { chase } from '../../sight-marks/chase.ts';
import type { MarkSlip } from '../../sight-marks/mark-slips.ts';
import type { Interval } from '../../sight-marks/marks-asked.ts';
import type { MarkEnd, MarksEvidence } from '../../sight-marks/marks-evidence.ts';
import type { MarkRow, MarksFigures } from '../../sight-marks/marks-figures.ts';
import { METRES_PER_YARD } from '../../quantity/yards.ts';
import { gapInShafts } from '../../sight-marks/gap-in-shafts.ts';
import type { DistanceChoice, NotAsked } from '../../sight-marks/next-distance.ts';

/** What was shot for marks, in one line. */
export function marksShotWords({ shots, endNotes }: ShootingSession): string {
  const said = shots.filter(({ endNumber }) => endNotes.get(endNumber)?.aimSet != null);
  const distances = [...new Set(said.map(({ distanceM }) => distanceM))].toSorted((a, b) => a - b);
  const [near] = distances;
  if (near === undefined) return 'What was set was not said: no mark follows.';
  const far = distances.at(-1);
  return distances.length === 1
    ? `A mark for ${showNumber(near, 0)} m.`
    : `Marks from ${distances.length} distances, ${showNumber(near, 0)} to ${showNumber(far ?? near, 0)} m.`;
}

/** What is set, as a column or a field calls it. */
export const SET_NAME: Readonly<Record<Aiming['kind'], string>> = {
  sight: 'Sight reads',
  point: 'Point held above the mark, cm',
  crawl: 'Crawl, mm',
};

/** Decimals of a scale: as many as its smallest division has. */
function decimalsOf(division: number): number {
  return division >= 1 ? 0 : division >= 0.1 ? 1 : 2;
}

/** `4.35 ± 0.04`, as the scale is read; no finer than it can be. */
function markWords(aiming: Aiming, { middle, low, high }: Interval): string {
  const half = (high - low) / 2;
  if (aiming.kind === 'sight') {
    const decimals = decimalsOf(aiming.division / 2);
    const least = 10 ** -decimals;
    return `${showNumber(middle, decimals)} ± ${showNumber(Math.max(least, half), decimals)}`;
  }
  return `${showNumber(middle, 0)} ± ${showNumber(Math.max(1, half), 0)} mm`;
}

export const NOT_ASKED_WORDS: Readonly<Record<NotAsked, string>> = {
  leavesButt: 'what is not known yet and three scatters would leave the butt',
  outOfReach: 'out of this arrow’s reach',
};

/** The column of what is set. */
export const SET_COLUMN: Readonly<Record<Aiming['kind'], string>> = {
  sight: 'Sight',
  point: 'Point, against the mark',
  crawl: 'Crawl',
};

/** What is set for a row, as its table has it; a gap in thicknesses of the shaft too, where that is known. */
export function markRowWords(
  { aiming, shaftMm }: Pick<MarksEvidence, 'aiming' | 'shaftMm'>,
  { set, distanceM }: MarkRow,
): string {
  if (set === null) return 'out of reach';
  switch (aiming.kind) {
    case 'sight':
      return markWords(aiming, set);
    case 'point': {
      const half = Math.max(1, (set.high - set.low) / 20);
      const cm = Math.abs(set.middle) / 10;
      const gap = `${showNumber(cm, 0)} ± ${showNumber(half, 0)} cm ${set.middle < 0 ? 'below' : 'above'}`;
      if (shaftMm === null) return gap;
      const { arrowMm } = aiming;
      return `${gap}, ${showNumber(gapInShafts(set.middle, { distanceM, shaftMm, arrowMm }), 1)} shafts`;
    }
    case 'crawl': {
      if (set.high <= 0) return 'none, and it falls short';
      const stitches = aiming.division > 0 ? set.middle / aiming.division : 0;
      return `${markWords(aiming, set)}, ${showNumber(stitches, 1)} st.`;
    }
  }
}

/** How far a mark is thought to have moved by what was done since. */
export function shiftWords(aiming: Aiming, { set, before }: MarkRow): string {
  if (set === null || before === null) return '';
  const moved = set.middle - before.middle;
  const half = (set.high - set.low) / 2;
  if (aiming.kind === 'sight') {
    const decimals = decimalsOf(aiming.division / 2);
    return `${showSigned(moved, decimals)} ± ${showNumber(Math.max(10 ** -decimals, half), decimals)}`;
  }
  if (aiming.kind === 'point')
    return `${showSigned(moved / 10, 0)} ± ${showNumber(Math.max(1, half / 10), 0)} cm`;
  return `${showSigned(moved, 0)} ± ${showNumber(Math.max(1, half), 0)} mm`;
}

/** What was done since the marks were shot. */
export function sinceWords(since: readonly Upset[]): string {
  const names = since.map((one) =>
    one.kind === 'change' ? CONTROL_FACTS[one.control].name.toLowerCase() : FIT_OUT_LABEL[one.item],
  );
  return [...new Set(names)].join(', ');
}

export const SLIP_WORDS: Readonly<Record<MarkSlip['likely'], string>> = {
  scaleTurned: 'Do the numbers of this scale grow the other way? Farther wants a lower aperture.',
  otherUnit: 'Was this distance paced in yards? In metres it fits no arrow with the others.',
  otherEdge: 'Was the scale read from its other edge? It stands a whole step beside the others.',
  unknown: 'It fits no arrow with the others: read it again, or shoot it again.',
};

/** Which mark a question is about. */
export function slipPlaceWords(
  { at }: MarkSlip,
  ends: readonly MarkEnd[],
  unit: 'm' | 'yd',
): string {
  const end = at === null ? undefined : ends[at];
  return end === undefined
    ? 'These marks run the wrong way.'
    : `The mark at ${distanceWords(end.distanceM, unit)}, ${showExact(end.set)}:`;
}

/** What marks say, line by line: what next, the point-on, what it rests on. */
export function marksSays(
  evidence: MarksEvidence,
  figures: MarksFigures,
  unit: 'm' | 'yd',
): readonly string[] {
  const { aiming, ends } = evidence;
  const { next, pointOnM, speedMps, misjudgedAtM } = figures;
  const half = ({ low, high }: Interval) => (high - low) / 2;
  const nextLine =
    next === null
      ? 'No distance is safe to shoot yet: a larger butt, or nearer.'
      : ends.length === 0
        ? `Begin near: ${distanceWords(next.distanceM, unit)} is safe by rule of thumb.`
        : `${distanceWords(next.distanceM, unit)} next would tell most${leavesWords(aiming, figures, unit)}.`;
  return [
    nextLine,
    ...(pointOnM === null || ends.length === 0 ? [] : [pointOnWords(pointOnM, unit)]),
    ends.length < 2
      ? 'Two distances at least: until then every figure is a rule of thumb.'
      : `From ${ends.length} ends: about ${showNumber(speedMps.middle, 0)} ± ${showNumber(Math.max(1, half(speedMps)), 0)} m/s. ± holds 9 times in 10.`,
    ...(aiming.kind === 'sight' && ends.length > 1 ? [extensionWords(aiming, figures, unit)] : []),
    ...(misjudgedAtM === null || ends.length < 2
      ? []
      : [
          `From ${distanceWords(misjudgedAtM, unit)} on a distance misjudged by a tenth costs more than your own scatter.`,
        ]),
    ...(aiming.kind === 'point' && ends.length > 1 && evidence.shaftMm !== null
      ? [
          'Shafts: how many of its own thickness the gap looks over the point, the eye over the nock.',
        ]
      : []),
    ...(aiming.kind === 'crawl' && ends.length > 1 ? crawlSays(evidence, figures, unit) : []),
  ];
}

function pointOnWords({ middle, low, high }: Interval, unit: 'm' | 'yd'): string {
  const half = (high - low) / 2 / (unit === 'm' ? 1 : METRES_PER_YARD);
  return `Point-on at ${distanceWords(middle, unit)}, ± ${showNumber(Math.max(0.1, half), 1)} ${unit}.`;
}

/** Where an end landed and where the aperture goes for it; null: it landed where it should. */
export function chaseWords(
  aiming: Extract<Aiming, { readonly kind: 'sight' }>,
  end: Pick<MarkEnd, 'distanceM' | 'upMm' | 'outwardMm'>,
  hand: Hand,
): string | null {
  const { upMm, outwardMm, units } = chase(aiming, end);
  const parts = [
    ...(Math.abs(upMm) < LEAST_MOVE_MM
      ? []
      : [
          `${upMm > 0 ? 'up' : 'down'} ${showNumber(Math.abs(upMm), 1)} mm, ${showSigned(units, decimalsOf(aiming.division / 2))} on the scale`,
        ]),
    ...(Math.abs(outwardMm) < LEAST_MOVE_MM
      ? []
      : [`${sideOf(outwardMm, hand)} ${showNumber(Math.abs(outwardMm), 1)} mm`]),
  ];
  return parts.length === 0
    ? null
    : `For this end alone the sight would go ${parts.join(', and ')}.`;
}

/** Less than this nobody turns a sight by, mm. */
const LEAST_MOVE_MM = 0.1;

/** Which distances are not asked for, and why. */
export function notAskedWords(choices: readonly DistanceChoice[]): string | null {
  const refused = choices.find((one) => one.refused !== null);
  return refused?.refused == null
    ? null
    : `Not from ${refused.distanceM} m on: ${NOT_ASKED_WORDS[refused.refused]}.`;
}

/** What another hole of the extension does to the marks. */
function extensionWords(
  aiming: Extract<Aiming, { readonly kind: 'sight' }>,
  { rows }: MarksFigures,
  unit: 'm' | 'yd',
): string {
  const reached = rows.flatMap(({ distanceM, set }) =>
    set === null ? [] : [{ distanceM, mm: set.middle * aiming.mmPerUnit }],
  );
  const [near, far] = [reached[0], reached.at(-1)];
  const share = EXTENSION_MM / aiming.eyeToApertureMm;
  if (near === undefined || far === undefined) return '';
  const more = Math.abs(far.mm - near.mm) * share;
  return `The aperture ${EXTENSION_MM} mm farther out sets marks ${showNumber(100 * share, 1)} % wider apart: ${showNumber(more, 1)} mm more from ${distanceWords(near.distanceM, unit)} to ${distanceWords(far.distanceM, unit)}.`;
}

/** About from hole to hole of an extension, mm. */
const EXTENSION_MM = 10;

/** `: six shots leave 70 m ± 0.06`. */
function leavesWords(aiming: Aiming, { nextLeaves }: MarksFigures, unit: 'm' | 'yd'): string {
  if (nextLeaves === null) return '';
  const { distanceM, half } = nextLeaves;
  const at = `: six shots leave ${distanceWords(distanceM, unit)} ±`;
  switch (aiming.kind) {
    case 'sight': {
      const decimals = decimalsOf(aiming.division / 2);
      return `${at} ${showNumber(Math.max(10 ** -decimals, half), decimals)}`;
    }
    case 'point':
      return `${at} ${showNumber(Math.max(1, half / 10), 0)} cm`;
    case 'crawl':
      return `${at} ${showNumber(Math.max(1, half), 0)} mm`;
  }
}
