import type { Control } from '../craft/controls.ts';

/** Where twists and bolts stand, and how far the string has been shot in. */
export interface BenchSetting {
  /** Twists counted from where this string's turn on the bow began, in. */
  readonly twists: number;
  readonly topTurns: number;
  readonly bottomTurns: number;
  readonly shots: number;
  /** Which turn of a string on the bow, from 0: a string put on again begins another. */
  readonly stringTurn: number;
}

/** One string's time on the bow, from when it was put on until the next one was. */
export interface StringTurn {
  readonly stringId: string;
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

  constructor(firstStringId: string) {
    this.stringId = firstStringId;
  }

  move(control: Control, amount: number): void {
    this.stand(settingMoved(this.now, control, amount));
  }

  shoot(count: number): void {
    this.stand({ ...this.now, shots: this.now.shots + count });
  }

  fitString(stringId: string): void {
    this.before.push({ stringId: this.stringId, last: this.now });
    this.stringId = stringId;
    this.stand({ ...this.now, twists: 0, shots: 0, stringTurn: this.before.length });
  }

  private stand(setting: BenchSetting): void {
    if (setting === this.now) return;
    const key = keyOf(setting);
    this.now = this.known.get(key) ?? setting;
    this.known.set(key, this.now);
  }

  get turns(): readonly StringTurn[] {
    return [...this.before, { stringId: this.stringId, last: this.now }];
  }
}

function keyOf({ twists, topTurns, bottomTurns, shots, stringTurn }: BenchSetting): string {
  return `${twists} ${topTurns} ${bottomTurns} ${shots} ${stringTurn}`;
}
