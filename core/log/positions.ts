import type { Control } from '../craft/controls.ts';
import type { BowFacts } from './entry.ts';

/** Where the counted controls stand now; null while nobody has counted. */
export interface Positions {
  readonly twists: number | null;
  readonly topBoltTurnsOut: number | null;
  readonly bottomBoltTurnsOut: number | null;
}

/** Follows both bolts through a log: counted once, then moved. + is in, so turns out go down. */
export class PositionTally {
  private top: number | null;
  private bottom: number | null;

  constructor(bow: BowFacts) {
    this.top = bow.boltTurnsOutAtStart ?? null;
    this.bottom = bow.boltTurnsOutAtStart ?? null;
  }

  move(control: Control, turnsIn: number): void {
    if (control === 'topBolt' && this.top !== null) this.top -= turnsIn;
    if (control === 'bottomBolt' && this.bottom !== null) this.bottom -= turnsIn;
  }

  count(control: 'topBolt' | 'bottomBolt', turnsOut: number): void {
    if (control === 'topBolt') this.top = turnsOut;
    else this.bottom = turnsOut;
  }

  get positions(): Omit<Positions, 'twists'> {
    return { topBoltTurnsOut: this.top, bottomBoltTurnsOut: this.bottom };
  }
}
