/** A shot of one kind, measured from the middle of the others it is judged against. */
export interface ShotSeen {
  readonly outwardMm: number;
  readonly upMm: number;
  /** The number on the shaft, where it has one. */
  readonly arrowNumber: number | null;
  /** Shots with the same end share an aim; with the same block, the setting of the bow. */
  readonly end: number;
  readonly block: number;
}
