import type { BowFacts, StringFacts } from './entry.ts';

/** One string with its own numbers as they stand now. */
export interface BowString extends Omit<StringFacts, 'twists' | 'shotsBefore'> {
  readonly described: string;
  /** Twists in it now; null while nobody has counted. */
  readonly twists: number | null;
  /** Shots it has had in all. */
  readonly shots: number;
  readonly fittedAt: string;
  /** Put on as a new string in this record: its creep is still to be expected. */
  readonly knownNew: boolean;
}

export interface StringState {
  readonly fitted: BowString;
  /** Every string, the fitted one included, in the order they were first fitted. */
  readonly all: readonly BowString[];
}

/** The string the bow came with. */
export const FIRST_STRING = 'first';
/** A string with fewer shots than this when it is fitted is a new one. */
const NEW_BELOW_SHOTS = 20;

/** Follows the strings of a bow through its log: which is on, its twists, its shots. */
export class StringBag {
  private readonly strings = new Map<string, BowString>();
  private fittedId = FIRST_STRING;

  constructor(bow: BowFacts, madeAt: string) {
    this.strings.set(FIRST_STRING, {
      stringId: FIRST_STRING,
      described: 'the string it came with',
      material: 'unknown',
      twists: bow.twistsAtStart ?? null,
      shots: 0,
      fittedAt: madeAt,
      knownNew: bow.inParts,
    });
  }

  /** Puts a string on: a new one with its facts, or one from the bag with the numbers it left with. */
  fit(facts: StringFacts, described: string, at: string): void {
    this.fittedId = facts.stringId;
    const known = this.strings.get(facts.stringId);
    this.strings.set(
      facts.stringId,
      known === undefined
        ? {
            ...facts,
            described,
            twists: facts.twists ?? null,
            shots: facts.shotsBefore,
            fittedAt: at,
            knownNew: facts.shotsBefore < NEW_BELOW_SHOTS,
          }
        : {
            ...known,
            twists: facts.twists ?? known.twists,
            // It may have been shot on another bow meanwhile.
            shots: Math.max(known.shots, facts.shotsBefore),
            fittedAt: at,
          },
    );
  }

  twist(added: number): void {
    this.change(({ twists }) => ({ twists: twists === null ? null : twists + added }));
  }

  countTwists(twists: number): void {
    this.change(() => ({ twists }));
  }

  shoot(count: number): void {
    this.change(({ shots }) => ({ shots: shots + count }));
  }

  private change(how: (fitted: BowString) => Partial<BowString>): void {
    const { fitted } = this;
    this.strings.set(this.fittedId, { ...fitted, ...how(fitted) });
  }

  private get fitted(): BowString {
    const fitted = this.strings.get(this.fittedId);
    if (fitted === undefined) throw new RangeError(`StringBag: no string ${this.fittedId}`);
    return fitted;
  }

  get state(): StringState {
    return { fitted: this.fitted, all: [...this.strings.values()] };
  }
}
