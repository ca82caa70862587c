import {
  type BowKind,
  hasAdjustableBolts,
  type Hand,
  type School,
  shootsOffTheShelf,
} from './bow-terms.ts';
import type { StepId } from './steps.ts';

/** One thing to have in hand, or to look at, with why. */
export interface CheckItem {
  readonly id: string;
  readonly words: string;
  readonly why: string;
}

/** What a list depends on. */
export interface ListFor {
  readonly bowKind: BowKind;
  readonly school: School;
  readonly hand: Hand;
  readonly amoLengthIn: number;
}

export const CHECKLISTS = ['parts', 'tools', 'assembly'] as const;
export type ChecklistName = (typeof CHECKLISTS)[number];
export const CHECKLIST_TITLE: Readonly<Record<ChecklistName, string>> = {
  parts: 'Parts',
  tools: 'Tools',
  assembly: 'Assembly',
};

/** The lists of a step, in the order they are gone through. */
export function stepLists(step: StepId): readonly ChecklistName[] {
  return step === 'inspect' ? ['parts', 'tools', 'assembly'] : [];
}

/** A string is this much shorter than the bow it is sold for, in. */
export function stringShorterIn(bowKind: BowKind): number {
  return bowKind === 'longbow' ? 3 : 4;
}

/**
 * What has to be on the bench before a bow is in pieces, and what to look at while it goes together.
 * Lengths and directions are for this bow; the rest is the same for all of its kind.
 */
export function checklist(name: ChecklistName, bow: ListFor): readonly CheckItem[] {
  switch (name) {
    case 'parts':
      return partsList(bow);
    case 'tools':
      return toolsList(bow);
    case 'assembly':
      return assemblyList(bow);
  }
}

const item = (id: string, words: string, why: string): CheckItem => ({ id, words, why });

function partsList(bow: ListFor): readonly CheckItem[] {
  const shelf = shootsOffTheShelf(bow.school);
  const stringIn = bow.amoLengthIn - stringShorterIn(bow.bowKind);
  return [
    ...(bow.bowKind === 'longbow'
      ? [item('bow', 'Bow', 'In one piece.')]
      : [
          item('riser', 'Riser', 'With both bolts or pockets.'),
          item(
            'limbs',
            'Both limbs',
            'Marked top and bottom; the marked one is usually the bottom.',
          ),
        ]),
    item(
      'string',
      `String, about ${stringIn} in`,
      `Sold by bow length: for a ${bow.amoLengthIn} in bow.`,
    ),
    shelf
      ? item('pad', 'Shelf pad and side plate', 'Cut to shape, contact point above the throat.')
      : item('rest', 'Rest and plunger', 'Plunger long enough for the riser.'),
    item('locators', 'Nocking-point locators and thread', 'Two, and spare thread.'),
    ...(bow.school === 'sighted'
      ? [item('sight', 'Sight and clicker', 'Everything that will be on it when shooting.')]
      : []),
    ...(shelf ? [] : [item('rods', 'Rods and weights', 'They move tiller and nocking point.')]),
    item(
      'arrows',
      'Test shafts, bare and fletched',
      'The expected spine, one stiffer, one weaker.',
    ),
  ];
}

function toolsList(bow: ListFor): readonly CheckItem[] {
  return [
    item('stringer', 'Stringer', 'Stepping through can twist a limb and hurt.'),
    item('square', 'Bow square', 'The same one every time.'),
    ...(hasAdjustableBolts(bow.school)
      ? [
          item('keys', 'Two hex keys', 'One holds the bolt while the other locks it.'),
          item('plungerKey', 'Plunger key', 'Locked as when shooting.'),
        ]
      : []),
    item('scale', 'Draw scale', 'Hook and safe direction.'),
    item('serving', 'Serving thread and solvent', 'Nock fit is cured by thread; ventilate.'),
    item('butt', 'A big, sound butt', 'Bare shafts stray; a soft butt twists shafts.'),
  ];
}

function assemblyList(bow: ListFor): readonly CheckItem[] {
  const roll = bow.hand === 'right' ? 'clockwise' : 'anticlockwise';
  return [
    item(
      'sound',
      'Limbs sound: no crack, lifted layer or twist',
      'A bad one is not drawn: a technician looks first.',
    ),
    ...(bow.bowKind === 'longbow'
      ? []
      : [
          item(
            'pockets',
            'Limbs in the right pockets, curving away from the archer, seated',
            'The marked limb is usually the bottom one.',
          ),
        ]),
    ...(hasAdjustableBolts(bow.school)
      ? [
          item(
            'bolts',
            'Bolts equal, in the middle of their travel, locked',
            'Too far out loses the seat, too far in pinches the limb.',
          ),
        ]
      : []),
    item(
      'worn',
      'String sound: no worn strand, serving tight',
      'A worn strand means a new string.',
    ),
    item(
      'loops',
      'Larger loop on the top limb, smaller on the bottom, both in their grooves',
      'Look again before the first draw.',
    ),
    item(
      'twists',
      `Twisted so that no finger slips between strands, and wound as its serving is: for a ${bow.hand}-hander usually ${roll}, seen from above`,
      'The way the fingers roll must tighten the serving, not open it.',
    ),
    item(
      'settle',
      'Strung with the stringer; a gentle pull of 5 to 8 cm, let down',
      'It settles loops and limbs. Never let go.',
    ),
  ];
}
