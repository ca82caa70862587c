import type { Control } from '../craft/controls.ts';
import type { ArrowFacts, BodyOf, BowFacts, FittedBuild } from './entry.ts';

type Correction = BodyOf<'factsSet'>['facts'];

/** A bow's facts after a correction; the maker's figures are merged in. */
export function withLaterFacts(bow: BowFacts, facts: Correction): BowFacts {
  const { anotherArcher = false, braceFigures: _how, arrowMassG, maker, ...plain } = facts;
  const said = Object.fromEntries(Object.entries(plain).filter(([, value]) => value !== undefined));
  const arrow =
    arrowMassG === undefined || bow.arrow === undefined
      ? bow.arrow
      : { ...bow.arrow, massG: arrowMassG };
  const corrected: BowFacts = { ...bow, ...said, arrow, maker: { ...bow.maker, ...maker } };
  const shiftMm = braceShiftMm(bow, facts);
  const moved = shiftMm === 0 ? corrected : { ...corrected, maker: movedBrace(corrected, shiftMm) };
  const drawGone = (anotherArcher || hookChanges(bow, facts)) && facts.amoDrawMm === undefined;
  return drawGone ? { ...moved, amoDrawMm: undefined } : moved;
}

/** Another hook, or another archer: what was measured at full draw was somebody else's. */
export function archerChanges(bow: BowFacts, facts: Correction): boolean {
  return facts.anotherArcher === true || hookChanges(bow, facts);
}

function hookChanges(bow: BowFacts, { hook }: Correction): boolean {
  return hook !== undefined && hook !== bow.hook;
}

/**
 * What is added to every brace figure when it is read to the other reference from now on, mm; 0 where
 * the reference stays, or was only written down wrongly.
 */
export function braceShiftMm(bow: BowFacts, facts: Correction): number {
  const to = facts.braceReference;
  if (to === undefined || to === bow.braceReference || facts.braceFigures !== 'convert') return 0;
  const offsetMm = facts.throatToPlungerMm ?? bow.throatToPlungerMm ?? 0;
  return to === 'plunger' ? offsetMm : -offsetMm;
}

function movedBrace({ maker }: BowFacts, shiftMm: number): BowFacts['maker'] {
  const moved = (mm: number | undefined) => (mm === undefined ? undefined : mm + shiftMm);
  return { ...maker, braceMinMm: moved(maker.braceMinMm), braceMaxMm: moved(maker.braceMaxMm) };
}

/** A cut shortens the shaft, another point changes its mass: the arrow's facts and its build follow. */
export function withArrowChanged(
  bow: BowFacts,
  { control, amount }: BodyOf<'change'>,
  entryId: string,
): BowFacts {
  if (bow.arrow === undefined) return bow;
  const { arrow } = bow;
  const { build } = arrow;
  const changed =
    build === undefined
      ? undefined
      : { ...build, ...changedParts(build, control, amount, entryId) };
  if (control === 'shaftCut')
    return { ...bow, arrow: { ...cutArrow(arrow, amount), build: changed } };
  if (control !== 'pointMass') return bow;
  const massG = arrow.massG === undefined ? undefined : arrow.massG + amount;
  return {
    ...bow,
    arrow: { ...arrow, pointMassG: arrow.pointMassG + amount, massG, build: changed },
  };
}

function changedParts(
  { parts, revisionId }: FittedBuild,
  control: Control,
  amount: number,
  entryId: string,
): Pick<FittedBuild, 'parts' | 'revisionId'> {
  const { shaft, point } = parts;
  if (control === 'shaftCut')
    return {
      parts: { ...parts, shaft: { ...shaft, lengthMm: shaft.lengthMm - amount } },
      revisionId: entryId,
    };
  if (control === 'pointMass')
    return {
      parts: { ...parts, point: { ...point, massG: point.massG + amount } },
      revisionId: entryId,
    };
  return { parts, revisionId };
}

/** What was cut off weighs nothing any more, where it is known what the shaft weighs. */
function cutArrow(arrow: ArrowFacts, cutMm: number): ArrowFacts {
  const gPerMm = (arrow.build?.parts.shaft.massPerLengthGPerM ?? 0) / 1000;
  return {
    ...arrow,
    lengthMm: arrow.lengthMm - cutMm,
    massG: arrow.massG === undefined ? undefined : arrow.massG - gPerMm * cutMm,
  };
}
