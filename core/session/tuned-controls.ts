import { shootsOffTheShelf, type School } from '../craft/bow-terms.ts';
import type { Control } from '../craft/controls.ts';

/** A control worth small steps, with the range and step it is usually tried over, in its unit. */
export interface TunedControl {
  readonly control: Control;
  /** With the bottom bolt the other way: tiller at constant weight. */
  readonly opposed?: true;
  readonly range: number;
  readonly step: number;
}

const TUNED_CONTROLS: readonly TunedControl[] = [
  { control: 'plungerPreload', range: 1, step: 0.25 },
  { control: 'nockingPoint', range: 1.5, step: 0.5 },
  { control: 'twists', range: 4, step: 1 },
  { control: 'topBolt', opposed: true, range: 0.5, step: 0.125 },
];

/** What can be fine-tuned on a bow of this school: off the shelf there is no plunger and no bolt. */
export function tunedControlsFor(school: School): readonly TunedControl[] {
  return shootsOffTheShelf(school)
    ? TUNED_CONTROLS.filter(({ control }) => !['plungerPreload', 'topBolt'].includes(control))
    : TUNED_CONTROLS;
}
