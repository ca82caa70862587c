import type { CommaDoubt, FiledShot } from '../groups/read-shots.ts';
import type { ShotsIntoSession } from '../groups/shots-into-session.ts';

/** Something about a file of shots that is asked before they are taken, and what may be answered. */
export interface ShotsQuestion {
  readonly asks: string;
  readonly yes: string;
}

/** “10,5” under two columns. */
export function commaQuestion({ line, rightMm, upMm }: CommaDoubt): ShotsQuestion {
  return {
    asks: `Line ${line} reads as ${rightMm} mm right and ${upMm} mm up. If a comma is the decimal point there, it means ${rightMm}.${upMm} mm and the other figure is missing; then separate the columns by semicolons.`,
    yes: `${rightMm} right and ${upMm} up is meant`,
  };
}

/** Shots that are in the session already. */
export function againQuestion({ here, already }: ShotsIntoSession): ShotsQuestion {
  const isAll = already === here.length;
  return {
    asks: `${isAll ? counted(already, 'shot') : `${already} of the ${counted(here.length, 'shot')}`} in this file ${already === 1 ? 'is' : 'are'} in the session already, at the same places. Was the file loaded before?`,
    yes: isAll ? 'Take them a second time' : 'Take all of them, those again too',
  };
}

/** Shots from another distance than the session is shot from. */
export function elsewhereQuestion(
  { here, elsewhere }: ShotsIntoSession,
  distanceM: number,
): ShotsQuestion {
  return {
    asks: `${elsewhereSays(elsewhere, distanceM)} Open a session at that distance for ${elsewhere.length === 1 ? 'it' : 'them'}.`,
    yes: `Take the ${counted(here.length, 'shot')} from ${distanceM} m only`,
  };
}

/** What is wrong where none is from the session’s distance. */
export function elsewhereSays(elsewhere: readonly FiledShot[], distanceM: number): string {
  const distances = [...new Set(elsewhere.flatMap((shot) => shot.distanceM ?? []))]
    .toSorted((one, other) => one - other)
    .map((one) => `${one} m`)
    .join(', ');
  const first = elsewhere[0]?.line ?? 0;
  const which =
    elsewhere.length === 1
      ? `Line ${first} was`
      : `${elsewhere.length} lines, the first of them line ${first}, were`;
  return `${which} shot from ${distances}; this session is at ${distanceM} m.`;
}

function counted(count: number, what: string): string {
  return `${count} ${what}${count === 1 ? '' : 's'}`;
}
