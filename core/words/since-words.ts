import { type Control, sinceWords } from '../craft/controls.ts';
import { FIT_OUT_LABEL } from '../craft/fit-out.ts';
import type { Upset } from '../craft/upsets.ts';

/** What has been done since, in words: `4 twists`, `4 twists, nocking point 1 mm`, `new string`. */
export function sinceUpsetWords(upsets: readonly Upset[]): string {
  const net = new Map<Control, number>();
  const items = new Set<string>();
  for (const upset of upsets) {
    if (upset.kind === 'change') {
      net.set(upset.control, (net.get(upset.control) ?? 0) + upset.amount);
    } else {
      const label = FIT_OUT_LABEL[upset.item];
      items.add(upset.described === '' ? `${label} off` : `new ${label}`);
    }
  }
  return [...items, ...[...net].map(([control, amount]) => sinceWords(control, amount))].join(', ');
}
