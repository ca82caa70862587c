import type { LimbsFacts } from './entry.ts';

/** One pair of limbs with its own numbers as they stand now. */
export interface BowLimbs {
  readonly limbsId: string;
  readonly described: string;
  /** Shots they had in all, on whichever bow, as far as this record knows. */
  readonly shots: number;
  readonly fittedAt: string;
}

export interface LimbsState {
  readonly fitted: BowLimbs;
  /** Every pair, the fitted one included, in the order they were first fitted. */
  readonly all: readonly BowLimbs[];
}

/** The limbs the bow came with. */
export const FIRST_LIMBS = 'first';

/** Follows the limbs of a bow through its log: which pair is on, and what it was shot. */
export class LimbsRack {
  private readonly pairs = new Map<string, BowLimbs>();
  private fitted: BowLimbs;

  constructor(madeAt: string) {
    this.fitted = {
      limbsId: FIRST_LIMBS,
      described: 'the limbs it came with',
      shots: 0,
      fittedAt: madeAt,
    };
    this.pairs.set(FIRST_LIMBS, this.fitted);
  }

  /** Puts a pair on: a new one, or one from the rack with the shots it left with. */
  fit({ limbsId, shotsBefore }: LimbsFacts, described: string, at: string): void {
    const known = this.pairs.get(limbsId);
    this.stand({
      limbsId,
      described: known?.described ?? described,
      // They may have been shot on another bow meanwhile.
      shots: Math.max(known?.shots ?? 0, shotsBefore),
      fittedAt: at,
    });
  }

  shoot(count: number): void {
    this.stand({ ...this.fitted, shots: this.fitted.shots + count });
  }

  private stand(pair: BowLimbs): void {
    this.fitted = pair;
    this.pairs.set(pair.limbsId, pair);
  }

  get state(): LimbsState {
    return { fitted: this.fitted, all: [...this.pairs.values()] };
  }
}
