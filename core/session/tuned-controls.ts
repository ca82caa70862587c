import { shootsOffTheShelf, type School } from '../craft/bow-terms.ts';
import type { Control } from '../craft/controls.ts';

/** A control worth small steps, with the range and step it is usually tried over, in its unit. */
export interface TunedControl {
  readonly control: Control;
  readonly range: number;
  readonly step: number;
}

const TUNED_CONTROLS: readonly TunedControl[] = [
  { control: 'plungerPreload', range: 1, step: 0.25 },
  { control: 'nockingPoint', range: 1.5, step: 0.5 },
  { control: 'twists', range: 4, step: 1 },
];

/** What can be fine-tuned on a bow of this school: off the shelf there is no plunger. */
export function tunedControlsFor(school: School): readonly TunedControl[] {
  return shootsOffTheShelf(school)
    ? TUNED_CONTROLS.filter(({ control }) => control !== 'plungerPreload')
    : TUNED_CONTROLS;
}
