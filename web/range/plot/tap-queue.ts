import type { PlacedPair } from '#core/entry-line/read-pairs.ts';
import type { BodyOf } from '#core/log/entry.ts';
import type { ArrowState } from '#core/craft/range-terms.ts';

/** Where a shot went, and what else is known of it than the plot's own settings. */
export type PlottedShot = PlacedPair &
  Partial<
    Pick<
      BodyOf<'shotPlaced'>,
      'arrow' | 'endNumber' | 'calledBad' | 'attitude' | 'arrowNumber' | 'distanceM' | 'readToMm'
    >
  >;

/** Shots tapped and drawn, but not yet in the log: for a frame or two. */
export interface FreshShots {
  readonly now: () => readonly FreshShot[];
  readonly subscribe: (listener: () => void) => () => void;
}
interface FreshShot extends PlottedShot {
  readonly arrow: ArrowState;
}

/**
 * Taps are drawn at once and logged when the frame with them has been shown: reckoning a long log
 * anew takes longer than a frame, and a mark must not wait for it.
 */
export class TapQueue implements FreshShots {
  private taken: (shots: readonly FreshShot[]) => void = () => undefined;
  private waiting: readonly FreshShot[] = [];
  private readonly listeners = new Set<() => void>();
  private frame: number | undefined;

  now = (): readonly FreshShot[] => this.waiting;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** What is done with taps once they have been shown. */
  onTaken(act: (shots: readonly FreshShot[]) => void): void {
    this.taken = act;
  }

  add(shot: FreshShot): void {
    this.set([...this.waiting, shot]);
    this.frame ??= requestAnimationFrame(() => setTimeout(() => this.flush()));
  }

  /** Draws nothing, once: or the first tap would wait while the browser compiles what draws it. */
  rehearse(): void {
    if (this.waiting.length === 0) this.set([]);
  }

  flush(): void {
    if (this.frame !== undefined) cancelAnimationFrame(this.frame);
    this.frame = undefined;
    const shots = this.waiting;
    if (shots.length === 0) return;
    this.set([]);
    this.taken(shots);
  }

  private set(next: readonly FreshShot[]): void {
    this.waiting = next;
    for (const listener of this.listeners) listener();
  }
}
