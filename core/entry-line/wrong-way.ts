import { changeWords, type Control } from '../craft/controls.ts';
import type { ReadingKind } from '../craft/readings.ts';
import { READINGS } from '../craft/readings.ts';
import { upperFirst } from '../craft/letter-case.ts';
import { learnedGains } from '../gains/learned-gains.ts';
import { presentReading } from '../gains/present-reading.ts';
import { presentSpread } from '../gains/repeatability.ts';
import { meanOf } from '../numeric/moments.ts';
import type { BodyOf, EntryBody } from '../log/entry.ts';
import type { BowState, ChangeMade } from '../log/bow-state.ts';
import { checkProposal } from '../limits/check-proposal.ts';
import type { EntryLine } from './entry-line.ts';
import { sizeWords } from '../words/reading-words.ts';

/**
 * Which way a reading goes when a control goes in, where that is certain on every bow: a shorter
 * string stands farther from the bow, a bolt further in makes its limb stiffer and its tiller less.
 */
const SURE_WAY: Partial<Record<ReadingKind, Partial<Record<Control, -1 | 1>>>> = {
  braceHeight: { twists: 1 },
  tillerTop: { topBolt: -1 },
  tillerBottom: { bottomBolt: -1 },
  drawWeight: { topBolt: 1, bottomBolt: 1 },
};

/** A difference this many times its own spread is no slip of the hand. */
const BEYOND_SPREADS = 3;

/**
 * Asks, where a reading went the way that what was turned since cannot send it: mostly the turn was
 * written down the wrong way round, and everything learned from it would be wrong. Null when
 * nothing speaks against the reading, or something besides the turn may have moved it.
 */
export function wrongWayQuestion(
  state: BowState,
  kind: ReadingKind,
  text: string,
  entry: BodyOf<'reading'>,
): EntryLine | null {
  const present = presentReading(state, kind);
  if (present === null) return null;
  const { measured, movedBy } = present;
  const ways = movedBy.map(
    ({ control, amount }) => (SURE_WAY[kind]?.[control] ?? 0) * Math.sign(amount),
  );
  const [way] = ways;
  if (way === undefined || way === 0 || ways.some((one) => one !== way)) return null;
  // Another string, or this one shot in further, moves the reading too.
  const now = state.stringTurns.at(-1)?.last;
  if (now?.stringTurn !== measured.under.stringTurn || now.shots !== measured.under.shots)
    return null;
  const moved = meanOf(entry.values) - measured.mean;
  const { sd } = presentSpread(state, kind, learnedGains(state).repeatability);
  if (moved * way >= 0 || Math.abs(moved) < BEYOND_SPREADS * Math.SQRT2 * sd) return null;
  const turned = movedBy.map(({ control, amount }) => changeWords(control, amount)).join(', ');
  const opposite = movedBy.map(oppositeOf);
  const mended = [
    ...movedBy.map(({ entryId }): EntryBody => ({ kind: 'undone', entryId })),
    ...opposite,
  ];
  // From where the log has the controls now it is twice the way.
  const canHaveBeen = checkProposal(state, [...opposite, ...opposite]) === null;
  const other = movedBy.map(({ control, amount }) => changeWords(control, -amount)).join(', ');
  return {
    kind: 'question',
    asks: `${READINGS[kind].name} ${sizeWords(kind, moved)} the last reading, and ${turned} can only have ${way > 0 ? 'raised' : 'lowered'} it. Read again, or say what it was.`,
    choices: [
      ...(canHaveBeen
        ? [{ label: `It was ${other}: mend the log`, text, bodies: [...mended, entry] }]
        : []),
      {
        label: `${upperFirst(turned)} and the reading are right: store it`,
        text,
        bodies: [{ ...entry, confirmedUnlikely: true }],
      },
    ],
  };
}

function oppositeOf({ control, amount }: ChangeMade): EntryBody {
  return {
    kind: 'change',
    control,
    amount: -amount,
    because: 'Had been logged the other way round.',
  };
}
