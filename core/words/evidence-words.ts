import { showChance } from '../quantity/show.ts';
import type { EvidenceSource, FusedAxis, SourceSays } from '../bare-shaft/evidence.ts';

const SOURCE_NAME: Readonly<Record<EvidenceSource, string>> = {
  impact: 'impact',
  attitude: 'nock attitude',
  paper: 'paper',
  flight: 'flight seen',
};
/** `nock attitude and flight seen`. */
export function sourcesWords(sources: readonly EvidenceSource[]): string {
  const names = sources.map((source) => SOURCE_NAME[source]);
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

/** Less sure than this is no side at all. */
const LEANS = 0.7;

function causeWords(axis: 'outward' | 'up', plusSide: number): string {
  if (Math.max(plusSide, 1 - plusSide) < LEANS) return 'neither way';
  const plus = plusSide >= 0.5;
  if (axis === 'outward') return plus ? 'stiff' : 'weak';
  return plus ? 'nocking point low' : 'nocking point high';
}

function surely(plusSide: number): string {
  return showChance(Math.max(plusSide, 1 - plusSide));
}

/** `nock attitude (3) stiff, 84 %`. */
export function sourceWords(axis: 'outward' | 'up', { source, count, plusSide }: SourceSays) {
  const often = source === 'impact' ? '' : ` (${count})`;
  return `${SOURCE_NAME[source]}${often} ${causeWords(axis, plusSide)}, ${surely(plusSide)}`;
}

/** All sources together: `with the impact stiff, 97 %`. */
export function togetherWords(axis: 'outward' | 'up', fused: FusedAxis): string {
  return `with the impact ${causeWords(axis, fused.plusSide)}, ${surely(fused.plusSide)}`;
}

/** Names a conflict with its usual causes; null when there is none. */
export function conflictWords(axis: 'outward' | 'up', fused: FusedAxis): string | null {
  const { conflict, says } = fused;
  if (conflict === null) return null;
  const side = (source: EvidenceSource) =>
    causeWords(axis, says.find((one) => one.source === source)?.plusSide ?? 0.5);
  const name = SOURCE_NAME[conflict.source];
  const split = `Impact says ${side('impact')}, ${name} says ${side(conflict.source)}.`;
  return conflict.normal
    ? `${split} Normal at this distance: a bare shaft swings slowly as it flies. Shoot nearer than 12 m to ask the nock.`
    : `${split} Usual causes: contact, a tail-light shaft, a soft butt, cant.`;
}
