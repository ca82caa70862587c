import { showNumber } from '../quantity/show.ts';
import { fromStored } from '../quantity/units.ts';

/** `± 2.0 cm`, or `± 2.0 cm across, ± 2.6 cm up and down` where they differ as shown. */
export function toleranceWords(outwardMm: number, upMm: number, unit: 'cm' | 'in'): string {
  const show = (mm: number) => `± ${showNumber(fromStored(mm, unit), 1)} ${unit}`;
  const [across, up] = [show(outwardMm), show(upMm)];
  return across === up ? across : `${across} across, ${up} up and down`;
}
