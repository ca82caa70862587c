import type { ArrowBuild } from '../craft/arrow-build.ts';
import type { NamedPart } from '../craft/catalogue-part.ts';
import type { Build, BuildRevision } from '../log/builds.ts';

/** The builds of several logs as one list: each with all its revisions, oldest first. */
export function joinBuilds(lists: Iterable<Iterable<Build>>): readonly Build[] {
  const joined = new Map<string, Map<string, BuildRevision>>();
  for (const builds of lists)
    for (const { buildId, revisions } of builds) {
      const known = joined.get(buildId) ?? new Map<string, BuildRevision>();
      for (const one of revisions) known.set(one.revisionId, one);
      joined.set(buildId, known);
    }
  return [...joined].map(([buildId, revisions]) => ({
    buildId,
    revisions: [...revisions.values()].toSorted(byTime).map((one, at, all) => ({
      ...one,
      // Changed at one bow, named at another.
      name:
        one.name === ''
          ? (all.slice(0, at).findLast(({ name }) => name !== '')?.name ?? '')
          : one.name,
    })),
  }));
}

function byTime(one: BuildRevision, other: BuildRevision): number {
  return one.at.localeCompare(other.at) || one.revisionId.localeCompare(other.revisionId);
}

/** What a build is now. */
export function newestOf({ revisions }: Build): BuildRevision {
  const newest = revisions.at(-1);
  if (newest === undefined) throw new Error('a build without a revision');
  return newest;
}

/** A revision’s number, as it is said: the first is 1; null where it is not of this build. */
export function revisionNumber({ revisions }: Build, revisionId: string): number | null {
  const at = revisions.findIndex((one) => one.revisionId === revisionId);
  return at < 0 ? null : at + 1;
}

/** Whether two arrows are the same, part by part. */
export function isSameBuild(one: ArrowBuild, other: ArrowBuild): boolean {
  return JSON.stringify(inOrder(one)) === JSON.stringify(inOrder(other));
}

/** Keys in one order, whoever wrote them. */
function inOrder(value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  return Object.entries(value)
    .toSorted(([one], [other]) => one.localeCompare(other))
    .map(([key, part]) => [key, inOrder(part)]);
}

/**
 * The parts of several bows’ catalogues as one list, each once and as it was said last of the lists, without what
 * was taken out anywhere.
 */
export function joinParts(
  lists: readonly Iterable<NamedPart>[],
  dropped: Iterable<string>,
): readonly NamedPart[] {
  const gone = new Set(dropped);
  const joined = new Map<string, NamedPart>();
  for (const parts of lists)
    for (const part of parts) if (!gone.has(part.partId)) joined.set(part.partId, part);
  return [...joined.values()];
}
