import type { ArrowState } from './range-terms.ts';

/** What may stand in front of shots to say which arrows they are. */
const LEADS: Readonly<Record<string, ArrowState>> = {
  fletched: 'fletched',
  bare: 'bare',
  broadhead: 'broadhead',
  target: 'targetPoint',
  bh: 'broadhead',
  tgt: 'targetPoint',
  f: 'fletched',
  b: 'bare',
};

const ANY_LEAD = Object.keys(LEADS).join('|');
const LEAD = new RegExp(`^\\s*(?:(${ANY_LEAD})\\s+)?`, 'i');
const LEAD_THEN_PAIR = new RegExp(`^\\s*(?:(?:${ANY_LEAD})\\s+)?[-+−]?[\\d.]*\\s*[,;]`, 'i');

/** True for a text that is meant as shots rather than as a reading: it has a comma between numbers. */
export function looksLikePairs(text: string): boolean {
  return LEAD_THEN_PAIR.test(text);
}

/** What stands in front of shots, as typed and as what it means, and where the shots begin. */
export function shotLead(text: string): {
  readonly lead: string;
  readonly arrow: ArrowState | null;
  readonly from: number;
} {
  const found = LEAD.exec(text);
  const lead = (found?.[1] ?? '').toLowerCase();
  return { lead, arrow: LEADS[lead] ?? null, from: found?.[0].length ?? 0 };
}
