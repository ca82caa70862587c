import type { CataloguePart, PartKind } from '../../craft/catalogue-part.ts';
import { poundsOfSpine } from '../../arrows/static-spine.ts';
import { type LengthStyle, showLength, showNumber } from '../../quantity/show.ts';
import { fromStored } from '../../quantity/units.ts';

export const PART_KIND_NAME: Readonly<Record<PartKind, string>> = {
  shaft: 'Shafts',
  point: 'Points',
  insert: 'Inserts',
  collar: 'Collars',
  footing: 'Footings',
  nock: 'Nocks',
  fletching: 'Fletchings',
  wrap: 'Wraps',
};

/** What a part is, in figures: `spine 500, 8.4 gr an inch, 9/32 in thick`. */
export function partWords(
  part: CataloguePart,
  { style, massUnit }: { readonly style: LengthStyle; readonly massUnit: 'gr' | 'g' },
): string {
  const mass = (massG: number) =>
    `${showNumber(fromStored(massG, massUnit), massUnit === 'gr' ? 0 : 2)} ${massUnit}`;
  const length = (mm: number) => showLength(mm, style);
  switch (part.kind) {
    case 'shaft':
      return [
        part.material,
        part.material === 'wood'
          ? `${showNumber(poundsOfSpine(part.spine), 0)} lb`
          : `spine ${showNumber(part.spine, 0)}`,
        `${showNumber(part.diameterAtPointMm, 1)} mm thick`,
        `${length(part.fullLengthMm)} long`,
      ].join(', ');
    case 'point':
      return mass(part.massG);
    case 'nock':
      return `${mass(part.massG)}, ${showNumber(part.outsideHeightMm, 1)} mm high outside`;
    case 'fletching':
      return `${part.count} ${part.material}s of ${mass(part.massEachG)}, ${length(part.lengthMm)}`;
    case 'insert':
    case 'collar':
    case 'footing':
    case 'wrap':
      return `${mass(part.massG)}, ${length(part.lengthMm)}`;
  }
}
