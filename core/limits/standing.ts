import type { Control } from '../craft/controls.ts';
import { presentReading } from '../gains/present-reading.ts';
import { learnedGains, readingAfter } from '../gains/learned-gains.ts';
import { mixtureMean } from '../numeric/normal-mixture.ts';
import type { BowState } from '../log/bow-state.ts';
import { twistsTurned } from './twist-limits.ts';

/** Where the controls of a bow stand while proposals are gone through one after another. */
export class Standing {
  readonly state: BowState;
  private readonly moved = new Map<Control, number>();

  constructor(state: BowState) {
    this.state = state;
  }

  move(control: Control, amount: number): void {
    this.moved.set(control, this.by(control) + amount);
  }

  /** How far a control has gone since the state, in its unit. */
  by(control: Control): number {
    return this.moved.get(control) ?? 0;
  }

  copy(): Standing {
    const other = new Standing(this.state);
    for (const [control, amount] of this.moved) other.move(control, amount);
    return other;
  }

  /** Net from where the record begins. */
  net(control: Control): number {
    return (this.state.moved.get(control) ?? 0) + this.by(control);
  }

  /** Turns out from the stop; null while nobody has counted. + is in, so turns out go down. */
  get topOut(): number | null {
    const { topBoltTurnsOut } = this.state.positions;
    return topBoltTurnsOut === null ? null : topBoltTurnsOut - this.by('topBolt');
  }

  get bottomOut(): number | null {
    const { bottomBoltTurnsOut } = this.state.positions;
    return bottomBoltTurnsOut === null ? null : bottomBoltTurnsOut - this.by('bottomBolt');
  }

  get twists(): number | null {
    const { twists } = this.state.positions;
    return twists === null ? null : twists + this.by('twists');
  }

  /** Net into the string that is on, since it was put on. */
  get twistsTurned(): number {
    return twistsTurned(this.state) + this.by('twists');
  }

  get shaftMm(): number | null {
    const lengthMm = this.state.bow.arrow?.lengthMm;
    return lengthMm === undefined ? null : lengthMm - this.by('shaftCut');
  }

  get pointG(): number | null {
    const pointMassG = this.state.bow.arrow?.pointMassG;
    return pointMassG === undefined ? null : pointMassG + this.by('pointMass');
  }

  /** The whole arrow, where it was weighed. */
  get arrowG(): number | null {
    const massG = this.state.bow.arrow?.massG;
    return massG === undefined ? null : massG + this.by('pointMass');
  }

  /** Nocking height, mm; null while none has been read. */
  get nockingMm(): number | null {
    const present = presentReading(this.state, 'nockingHeight');
    return present === null
      ? null
      : present.value + this.by('nockingPoint') - this.by('restHeight');
  }

  /** What the brace should read, mm; null while this string's has not been read. */
  get braceMm(): number | null {
    const gains = learnedGains(this.state);
    if (!gains.plane.isRead('braceHeight')) return null;
    const turned = new Map(
      (['twists', 'topBolt', 'bottomBolt'] as const).map((control) => [control, this.by(control)]),
    );
    const after = readingAfter(gains, 'braceHeight', turned);
    return after === null ? null : mixtureMean(after);
  }
}
