import type { Control } from '../craft/controls.ts';

/** Where twists and bolts stand, and how far the string has been shot in. */
export interface BenchSetting {
  /** Twists counted from where this string's turn on the bow began, in. */
  readonly twists: number;
  readonly topTurns: number;
  readonly bottomTurns: number;
  readonly shots: number;
  /** Which turn of a string on the bow, from 0: a string put on again, or other limbs, begin another. */
  readonly stringTurn: number;
}

/** One string's time on the bow, with one pair of limbs: until either was changed. */
export interface StringTurn {
  readonly stringId: string;
  readonly limbsId: string;
  /** How it stood when the string came off, or stands now. */
  readonly last: BenchSetting;
}

/** A setting with one control moved; itself where the control is none of its own. */
export function settingMoved(
  setting: BenchSetting,
  control: Control,
  amount: number,
): BenchSetting {
  switch (control) {
    case 'twists':
      return { ...setting, twists: setting.twists + amount };
    case 'topBolt':
      return { ...setting, topTurns: setting.topTurns + amount };
    case 'bottomBolt':
      return { ...setting, bottomTurns: setting.bottomTurns + amount };
    default:
      return setting;
  }
}

const AS_MADE: BenchSetting = { twists: 0, topTurns: 0, bottomTurns: 0, shots: 0, stringTurn: 0 };

/** Follows the setting through a log. A setting come back to is the same object again. */
export class SettingTally {
  now = AS_MADE;
  private readonly known = new Map([[keyOf(AS_MADE), AS_MADE]]);
  private readonly before: StringTurn[] = [];
  private stringId: string;
  private limbsId: string;

  constructor(firstStringId: string, firstLimbsId: string) {
    this.stringId = firstStringId;
    this.limbsId = firstLimbsId;
  }

  move(control: Control, amount: number): void {
    this.stand(settingMoved(this.now, control, amount));
  }

  shoot(count: number): void {
    this.stand({ ...this.now, shots: this.now.shots + count });
  }

  fitString(stringId: string): void {
    this.beginTurn(0);
    this.stringId = stringId;
  }

  /** Other limbs under the same string: every reading stands at another level, the string stays shot in. */
  fitLimbs(limbsId: string): void {
    this.beginTurn(this.now.shots);
    this.limbsId = limbsId;
  }

  private beginTurn(shots: number): void {
    this.before.push(this.turnNow);
    this.stand({ ...this.now, twists: 0, shots, stringTurn: this.before.length });
  }

  private get turnNow(): StringTurn {
    return { stringId: this.stringId, limbsId: this.limbsId, last: this.now };
  }

  private stand(setting: BenchSetting): void {
    if (setting === this.now) return;
    const key = keyOf(setting);
    this.now = this.known.get(key) ?? setting;
    this.known.set(key, this.now);
  }

  get turns(): readonly StringTurn[] {
    return [...this.before, this.turnNow];
  }
}

function keyOf({ twists, topTurns, bottomTurns, shots, stringTurn }: BenchSetting): string {
  return `${twists} ${topTurns} ${bottomTurns} ${shots} ${stringTurn}`;
}
