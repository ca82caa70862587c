import { changeWords, type Control } from '../craft/controls.ts';
import { showLength, showLengthFigure, showNumber, showTurns } from '../quantity/show.ts';
import { G_PER_GR } from '../quantity/units.ts';
import type { EntryBody } from '../log/entry.ts';
import type { BowState } from '../log/bow-state.ts';
import type { BraceLimit } from '../limits/brace-limit.ts';
import { MOST_BOLT_DIFFERENCE_TURNS } from '../limits/bolt-limits.ts';
import type { LimitPassed, LimitRefusal, ShootingBar } from '../limits/limit-refusal.ts';
import type { SafetyStop } from '../limits/stops.ts';

/** A refusal in words: what would happen, and the way on. */
export interface RefusalWords {
  readonly says: string;
  readonly remedy: string;
}

/** What is said of a refused proposal, the same at every door. */
export function refusalWords(
  refusal: LimitRefusal,
  bodies: readonly EntryBody[],
  { bow }: Pick<BowState, 'bow'>,
): RefusalWords {
  const body = bodies[refusal.at];
  const control = body?.kind === 'change' ? body.control : null;
  const amount = body?.kind === 'change' ? body.amount : 0;
  const lead = control === null ? 'That' : changeWords(control, amount);
  const { says, remedy } = passedWords(refusal, lead, bow);
  const nearest = nearestWords(control, refusal.nearest);
  return { says, remedy: nearest === null ? remedy : `${nearest} ${remedy}` };
}

function nearestWords(control: Control | null, nearest: number | null): string | null {
  if (control === null || nearest === null) return null;
  return `The most that is allowed: ${changeWords(control, nearest)}.`;
}

function passedWords(passed: LimitPassed, lead: string, bow: BowState['bow']): RefusalWords {
  switch (passed.code) {
    case 'beyondBoltTravel':
      return {
        says: `${lead} would leave the ${passed.bolt} bolt ${passed.outTurns < 0 ? 'past the stop' : `${showTurns(passed.outTurns)} out`}; ${travelWords(passed)}.`,
        remedy: passed.guessed
          ? 'Enter the maker’s bolt travel (mt) first, or turn less.'
          : 'Turn less, or ask a bow technician.',
      };
    case 'boltsTooFarApart':
      return {
        says: `Top and bottom bolt would stand ${showTurns(passed.apartTurns)} apart; ${MOST_BOLT_DIFFERENCE_TURNS} is the most.`,
        remedy: 'Share the turn between both bolts.',
      };
    case 'recordHasGaps':
      return {
        says: `${passed.unreadable === 1 ? 'One entry of this bow' : `${passed.unreadable} entries of this bow`} cannot be read, so what it may safely lose is not known.`,
        remedy:
          'What cannot be undone waits until the record is whole: restore a copy, or measure the arrow and write it down anew.',
      };
    case 'boltsNotCounted':
      return {
        says: 'Nobody has counted where the bolts stand, so nobody knows how far they may still go.',
        remedy:
          'Unstrung: both gently in to the stop, then out again, counting. Enter the turns with bo.',
      };
    case 'twistsOutside':
      return {
        says: `That makes ${passed.twists} twists in this string; ${passed.fewest} to ${passed.most} is safe.`,
        remedy:
          passed.twists < passed.fewest
            ? 'Strands would separate: use a longer string with more twists.'
            : 'So many twists want a shorter string.',
      };
    case 'twistsNotCounted':
      return {
        says: `That makes ${Math.abs(passed.turned)} twists ${passed.turned < 0 ? 'out of' : 'into'} a string whose twists nobody has counted.`,
        remedy:
          'Unstrung: let one loop unwind, counting, wind it up again, and enter the count with tc.',
      };
    case 'shaftTooShort':
      return {
        says: `${lead} would leave a shaft of ${showNumber(passed.lengthMm, 0)} mm, shorter than the ${showNumber(Math.ceil(passed.leastMm), 0)} mm that are safe at the longest draw; ${showNumber(Math.floor(passed.leftMm), 0)} mm can go. Too short, it can fall behind the rest and into the hand.`,
        remedy: 'Cut less, take a longer shaft, or another remedy.',
      };
    case 'shaftNotMeasured':
      return {
        says: `Nothing is cut while ${missingWords(passed.missing)}: a shaft too short can fall behind the rest and into the hand.`,
        remedy:
          passed.missing === 'draw'
            ? 'Enter the longest draw length (dl) first.'
            : 'Enter the shaft in the fit-out first.',
      };
    case 'shaftCannotGrow':
      return {
        says: 'No saw makes a shaft longer.',
        remedy:
          'Type what was cut off without a sign, like cut 6. Another shaft goes into the fit-out.',
      };
    case 'braceOutside':
      return {
        says: `That should bring the brace to about ${showLength(passed.braceMm, bow)}, outside ${braceLimitWords(passed.limit)}: ${showLengthFigure(passed.limit.low, bow)} to ${showLength(passed.limit.high, bow)}.`,
        remedy:
          passed.limit.source === 'maker'
            ? 'The maker’s range is never left: turn less, or ask the maker or a bow technician.'
            : 'Enter the maker’s range with mb, or a band of your own with its reason: band b and both ends, then because and why.',
      };
    case 'locatorOutside':
      return {
        says: passed.measured
          ? `The nocking point would stand ${showLength(passed.heightMm, bow)} above square; ${showLengthFigure(passed.low, bow)} to ${showLength(passed.high, bow)} is as far as it goes.`
          : `That is ${showLength(Math.abs(passed.heightMm), bow)} from where it began, and nobody has measured where it stands.`,
        remedy: passed.measured
          ? 'Move it less.'
          : 'Measure nocking height (n) first, or move it less.',
      };
    case 'sideScrewsSpent':
      return {
        says: `The ${passed.limb} pocket’s side screws would stand ${showTurns(Math.abs(passed.turns))} from where they stood; ${showTurns(passed.mostTurns)} ${passed.guessed ? 'is allowed while the maker’s figure is unknown' : 'is the maker’s most'}.`,
        remedy: 'A pocket that does not answer is for a bow technician.',
      };
    case 'pointOutside':
      return {
        says: `That makes a point of ${grains(passed.pointG)}; there are points from ${grains(passed.lowG)} to ${grains(passed.highG)}.`,
        remedy: 'Change it less, or take another shaft.',
      };
    case 'arrowTooLight':
      return {
        says: `That makes an arrow of ${grains(passed.massG)}; ${passed.source === 'maker' ? `the maker asks for ${grains(passed.leastG)} at least` : `nothing under ${grains(passed.leastG)} is proposed on this draw weight`}. Too light is the same as a dry shot.`,
        remedy: 'Keep the heavier point.',
      };
    case 'shaftTooSoft':
      return {
        says: `Spine ${showNumber(passed.spine, 0)} would be ${showNumber(passed.stepsSoft, 1)} steps softer than where this bow begins, about ${showNumber(Math.round(passed.startingSpine / 10) * 10, 0)}: it can break.`,
        remedy:
          'Take a stiffer shaft or a lighter point; the shaft maker’s own chart has the last word.',
      };
    case 'distanceTooFar':
      return {
        says: distanceWords(passed),
        remedy: `Shoot at ${showNumber(passed.farthestM, 0)} m first.`,
      };
    case 'notToBeShot':
      return { says: barWords(passed.first), remedy: 'The bench says what comes first.' };
    case 'notOnThisBow':
      return { says: 'This bow has no such part.', remedy: 'Look at its school.' };
  }
}

function travelWords({ travelTurns, guessed }: { travelTurns: number; guessed: boolean }): string {
  return guessed
    ? `${showTurns(travelTurns)} out is allowed while the maker’s travel is unknown`
    : `the maker allows ${showTurns(travelTurns)} out`;
}

/** Whose brace range it is. */
export function braceLimitWords({ source }: BraceLimit): string {
  switch (source) {
    case 'maker':
      return 'the maker’s range';
    case 'table':
      return 'the limits used while the maker’s are unknown';
    case 'ownBand':
      return 'the limits and your own band';
  }
}

/** What is missing before anything may be cut. */
export function missingWords(missing: 'shaft' | 'draw'): string {
  return missing === 'shaft'
    ? 'the shaft has not been measured'
    : 'nobody has measured this archer’s longest draw';
}

function distanceWords({
  distanceM,
  farthestM,
  why,
}: Extract<LimitPassed, { code: 'distanceTooFar' }>): string {
  const at = `${showNumber(distanceM, 0)} m`;
  switch (why) {
    case 'neverShot':
      return `Nobody has shot this build yet: it starts at ${showNumber(farthestM, 0)} m or nearer, not at ${at}.`;
    case 'shotNear':
      return `This build was only shot near: ${showNumber(farthestM, 0)} m comes before ${at}.`;
    case 'strayed':
      return `As these bare shafts have strayed, one could leave the butt at ${at}.`;
  }
}

/** What keeps a bow from being shot. */
export function barWords(bar: ShootingBar): string {
  switch (bar) {
    case 'stop':
      return 'This bow is not to be shot as it stands.';
    case 'notAssembled':
      return 'It came in parts, or got other limbs, and nobody has looked it over since.';
    case 'nockFitOpen':
      return 'The string is new: nock fit comes before any shot.';
    case 'braceUnread':
      return 'Its string or its limbs are new: the brace is read before any shot.';
  }
}

/** A stop in words: what is wrong, how it was reckoned, and what makes it safe. */
export function stopWords(
  stop: SafetyStop,
  { bow }: Pick<BowState, 'bow'>,
): { readonly title: string; readonly says: string; readonly remedy: string } {
  switch (stop.kind) {
    case 'shaftTooShort':
      return {
        title: 'Do not shoot this shaft',
        says: `It is ${showNumber(stop.lengthMm, 0)} mm long; ${showNumber(stop.leastMm, 0)} mm is the shortest that is safe at the longest draw${stop.rule === 'clicker' ? ' with the clicker' : stop.rule === 'broadhead' ? ' with a broadhead' : ''}. It can fall behind the rest and into the hand.`,
        remedy:
          stop.rule === 'plain'
            ? 'Fit a longer shaft. Is there a clicker on the bow? Then say so in the fit-out: it is reckoned with.'
            : 'Fit a longer shaft.',
      };
    case 'boltBeyondTravel':
      return {
        title: `${stop.bolt === 'top' ? 'Top' : 'Bottom'} bolt beyond its travel`,
        says: `It stands ${stop.outTurns < 0 ? 'past the stop' : `${showTurns(stop.outTurns)} out`}; ${travelWords(stop)}. ${stop.outTurns < 0 ? 'The limb is pinched.' : 'The limb may lose its seat.'}`,
        remedy: 'Do not draw it. Unstring, turn it back, count again.',
      };
    case 'boltsTooFarApart':
      return {
        title: 'Bolts too far apart',
        says: `Top stands ${showTurns(stop.topTurns)} out, bottom ${showTurns(stop.bottomTurns)}: ${MOST_BOLT_DIFFERENCE_TURNS} turns is the most between them.`,
        remedy: 'Unstring and bring them together.',
      };
    case 'twistsOutside':
      return {
        title: stop.twists < stop.fewest ? 'Too few twists' : 'Too many twists',
        says: `${stop.twists} twists in this string; ${stop.fewest} to ${stop.most} is safe. ${stop.twists < stop.fewest ? 'Its strands separate.' : 'It strains the strands.'}`,
        remedy:
          stop.twists < stop.fewest
            ? 'Twist it up, or fit a longer string with more twists.'
            : 'Untwist it, or fit a shorter string.',
      };
    case 'braceOutside': {
      const range = `${showLengthFigure(stop.limit.low, bow)} to ${showLength(stop.limit.high, bow)}`;
      return stop.turnedSince
        ? {
            title: 'Measure brace height before a shot',
            says: `It was read at ${showLength(stop.readMm, bow)} and has been turned since: about ${showLength(stop.braceMm, bow)} is expected (${braceLimitWords(stop.limit)}: ${range}).`,
            remedy: 'Read it again: inside, the stop is gone.',
          }
        : {
            title: 'Brace height outside the limits',
            says: `It stands at ${showLength(stop.braceMm, bow)}, outside ${braceLimitWords(stop.limit)}: ${range}.`,
            remedy: 'Do not shoot it. Bring it inside, or ask the maker or a bow technician.',
          };
    }
    case 'arrowTooLight':
      return {
        title: 'Do not shoot this arrow',
        says: `It weighs ${grains(stop.massG)}; under ${grains(stop.leastG)} on this bow a shot is a dry shot.`,
        remedy: 'Take a heavier arrow.',
      };
  }
}

function grains(massG: number): string {
  return `${showNumber(massG / G_PER_GR, 0)} gr`;
}
