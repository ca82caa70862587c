import { FACT_RANGES, type FigureRange } from '../limits/figure-ranges.ts';
import { type AmountsLook, readAmounts } from '../quantity/read-amounts.ts';
import { showLength, showLengthBoth, showNumber, showTurns } from '../quantity/show.ts';
import { G_PER_GR, type UnitSymbol } from '../quantity/units.ts';
import type { EntryBody } from '../log/entry.ts';
import type { BowState } from '../log/bow-state.ts';
import type { FactId } from './codes.ts';
import { FACT_HINTS } from './fact-hints.ts';
import { type EntryLine, readyLine } from './entry-line.ts';
import { boltCount, twistCount } from './read-count.ts';
import { type FigureWanted, readFigure } from '../quantity/read-figure.ts';
import { readBand } from './read-band.ts';
import { readLimbMark } from './read-limb-mark.ts';
import { weighedArrow, weighedShaft } from './read-weighed-arrow.ts';
import { refuseAmount, refuseText } from './refuse-text.ts';

/** How many numbers a fact is. */
const NUMBERS: Readonly<Record<FactId, readonly [fewest: number, most: number]>> = {
  twistCount: [1, 1],
  boltsOut: [1, 2],
  limbMark: [1, 2],
  makerBrace: [2, 2],
  makerTravel: [1, 1],
  makerScrews: [1, 1],
  makerArrow: [1, 1],
  arrowMass: [1, 1],
  shaftMass: [2, 2],
  throatToPlunger: [1, 1],
  crawl: [1, 1],
  window: [1, 1],
  band: [2, 2],
  shots: [1, 1],
};

const LOOKS: Partial<Record<FactId, AmountsLook>> = {
  boltsOut: { parts: 'turn', oneKind: true },
  makerTravel: { parts: 'turn', oneKind: true },
  makerScrews: { parts: 'turn', oneKind: true },
  limbMark: { parts: 'rule', oneKind: false },
  shaftMass: { parts: 'rule', oneKind: false },
};

/** Reads a fact about the bow: a count, a maker's figure, a band. */
export function readFact(
  text: string,
  argumentAt: number,
  fact: FactId,
  state: BowState,
): EntryLine {
  if (fact === 'band') return readBand(text, argumentAt, state);
  const read = readAmounts(text, argumentAt, LOOKS[fact]);
  if (!read.ok) return { kind: 'refused', refusal: read.refusal };
  const [fewest, most] = NUMBERS[fact];
  const extra = read.amounts[most];
  if (extra !== undefined)
    return refuseAmount(extra, 'That is one number too many.', FACT_HINTS[fact]);
  if (read.amounts.length < fewest)
    return refuseText(
      text,
      argumentAt,
      fact === 'shaftMass'
        ? 'A number and a mass.'
        : fewest > 1
          ? 'A range has two ends.'
          : 'There is no number.',
      FACT_HINTS[fact],
    );
  if (fact === 'limbMark') return readLimbMark(text, read.amounts, state);
  if (fact === 'shaftMass') return weighedShaft(read.amounts, state);
  const values: number[] = [];
  for (const amount of read.amounts) {
    const figure = readFigure(amount, wantedFor(fact, state));
    if (figure.kind === 'wrongUnit') return { kind: 'refused', refusal: figure.refusal };
    if (figure.kind === 'outside') return refuseAmount(amount, ...outsideWords(fact, state));
    values.push(figure.stored);
  }
  return entryFor(fact, text, argumentAt, values, state);
}

function entryFor(
  fact: Exclude<FactId, 'band' | 'limbMark' | 'shaftMass'>,
  text: string,
  at: number,
  [first = 0, second = first]: readonly number[],
  state: BowState,
): EntryLine {
  const { bow } = state;
  const maker = (facts: NonNullable<Extract<EntryBody, { kind: 'factsSet' }>['facts']['maker']>) =>
    [{ kind: 'factsSet', facts: { maker: facts } }] as const;
  switch (fact) {
    case 'twistCount':
      return twistCount(text, first, state);
    case 'boltsOut':
      return boltCount(text, first, second, state);
    case 'makerBrace':
      if (first >= second)
        return refuseText(text, at, 'The lowest comes first.', FACT_HINTS.makerBrace);
      return readyLine(
        'Maker’s brace range',
        `${showLengthBoth(first, bow.division)} to ${showLengthBoth(second, bow.division)}`,
        maker({ braceMinMm: first, braceMaxMm: second }),
      );
    case 'makerTravel':
      return readyLine(
        'Maker’s bolt travel',
        `${showTurns(first)} out`,
        maker({ boltTravelTurns: first }),
      );
    case 'makerScrews':
      return readyLine(
        'Maker’s side screws',
        `${showTurns(first)} either way`,
        maker({ sideScrewTurns: first }),
      );
    case 'makerArrow':
      return readyLine('Maker’s lightest arrow', grains(first), maker({ leastArrowMassG: first }));
    case 'arrowMass': {
      if (bow.arrow === undefined)
        return refuseText(
          text,
          at,
          'No arrow is written down for this bow.',
          'Enter the shaft in the fit-out first.',
        );
      return weighedArrow(state, first);
    }
    case 'throatToPlunger':
      return readyLine('Plunger brace less throat brace', showLengthBoth(first, bow.division), [
        { kind: 'factsSet', facts: { throatToPlungerMm: first } },
      ]);
    case 'crawl':
      return readyLine('Crawl', `${showNumber(first, 0)} mm below the nock`, [
        { kind: 'factsSet', facts: { crawlMm: first } },
      ]);
    case 'window':
      return readyLine('Window', windowWords(first), [
        { kind: 'factsSet', facts: { windowPastCentreMm: first } },
      ]);
    case 'shots':
      return readyLine('Shots', `${first}`, [
        { kind: 'shotsFired', count: first, note: 'counted' },
      ]);
  }
}

function wantedFor(
  fact: Exclude<FactId, 'band' | 'limbMark' | 'shaftMass'>,
  { bow }: BowState,
): FigureWanted {
  const lengths: readonly UnitSymbol[] = bow.lengthUnit === 'in' ? ['in', 'mm'] : ['mm', 'in'];
  const turns = (name: string, range: FigureRange): FigureWanted => ({
    name,
    quantity: 'turns',
    bare: ['turn'],
    range,
  });
  const count = (name: string, range: FigureRange): FigureWanted => ({
    name,
    quantity: 'count',
    bare: [],
    range,
  });
  const mass = (name: string): FigureWanted => ({
    name,
    quantity: 'mass',
    bare: ['gr', 'g'],
    range: FACT_RANGES.arrowMassG,
  });
  switch (fact) {
    case 'twistCount':
      return count('A count of twists', FACT_RANGES.twists);
    case 'shots':
      return count('A number of shots', FACT_RANGES.shots);
    case 'boltsOut':
      return turns('A bolt’s place', FACT_RANGES.boltTurnsOut);
    case 'makerTravel':
      return turns('Bolt travel', FACT_RANGES.boltTravelTurns);
    case 'makerScrews':
      return turns('Side-screw travel', FACT_RANGES.sideScrewTurns);
    case 'makerArrow':
    case 'arrowMass':
      return mass('An arrow');
    case 'makerBrace':
      return {
        name: 'Brace height',
        quantity: 'length',
        bare: lengths,
        range: FACT_RANGES.braceMm,
      };
    case 'crawl':
      return {
        name: 'A crawl',
        quantity: 'length',
        bare: ['mm', 'in'],
        range: FACT_RANGES.crawlMm,
      };
    case 'window':
      return {
        name: 'How far the window is cut',
        quantity: 'length',
        bare: ['mm', 'in'],
        range: FACT_RANGES.windowPastCentreMm,
      };
    case 'throatToPlunger':
      return {
        name: 'Throat to plunger',
        quantity: 'length',
        // Nobody's plunger lies inches from the throat: a bare number too large for inches is mm.
        bare: lengths,
        range: FACT_RANGES.throatToPlungerMm,
      };
  }
}

function outsideWords(
  fact: Exclude<FactId, 'band' | 'limbMark' | 'shaftMass'>,
  { bow }: BowState,
): readonly [says: string, remedy: string] {
  const hint = FACT_HINTS[fact];
  const lengths = ([low, high]: FigureRange) =>
    `between ${showLength(low, bow)} and ${showLength(high, bow)}`;
  switch (fact) {
    case 'twistCount':
      return ['Twists are a whole number, 0 to 90.', 'Count them from one end.'];
    case 'shots':
      return ['Shots are a whole number from 1 to 1000.', hint];
    case 'boltsOut':
      return [
        `Turns out from the stop are 0 to ${FACT_RANGES.boltTurnsOut[1]}, without a minus.`,
        hint,
      ];
    case 'makerTravel':
    case 'makerScrews':
      return ['Nothing has so much travel.', 'Give turns, 1/4 to 20.'];
    case 'makerArrow':
    case 'arrowMass':
      return [
        `An arrow weighs between ${grains(FACT_RANGES.arrowMassG[0])} and ${grains(FACT_RANGES.arrowMassG[1])}.`,
        hint,
      ];
    case 'makerBrace':
      return ['That is no brace height.', `Brace heights lie ${lengths(FACT_RANGES.braceMm)}.`];
    case 'window':
      return ['No window is cut so.', 'Give mm past the middle, −15 to 15.'];
    case 'crawl':
      return ['Nobody crawls so far.', 'Give mm below the nock, 0 to 80.'];
    case 'throatToPlunger':
      return [
        'The plunger is never so far from the throat.',
        `Give it ${lengths(FACT_RANGES.throatToPlungerMm)}.`,
      ];
  }
}

function grains(massG: number): string {
  return `${showNumber(massG / G_PER_GR, 0)} gr`;
}

/** Where the window ends, against the middle of the bow. */
function windowWords(pastCentreMm: number): string {
  if (pastCentreMm === 0) return 'cut to the middle';
  return `${showNumber(Math.abs(pastCentreMm), 1)} mm ${pastCentreMm > 0 ? 'past' : 'short of'} the middle`;
}
