/** One end at one setting: its own spread, both axes together. */
export interface TunedEnd {
  /** Steps of the control from where it stood when the experiment began. */
  readonly setting: number;
  readonly squaresMm2: number;
  readonly degrees: number;
  /** Counts up from 0 with every day: an archer has better and worse ones. */
  readonly day: number;
  readonly windy: boolean;
  readonly tired: boolean;
  /** How still it sat on aim, 1 to 5; null where it was not noted. */
  readonly steady?: number | null;
}
