import type { ArrowBuild } from '../craft/arrow-build.ts';
import type { LoggedEntry } from './entry.ts';

type Place = Pick<LoggedEntry, 'id' | 'at' | 'by'>;

/** What a build was from one entry on, until the next. */
export interface BuildRevision {
  /** The entry that made it what it is: kept by somebody, or a cut or another point on the bow. */
  readonly revisionId: string;
  readonly at: string;
  readonly by: string;
  readonly name: string;
  readonly parts: ArrowBuild;
  readonly how: 'kept' | 'changed';
}

/** One build with all it has been, oldest first; the last is what it is. */
export interface Build {
  readonly buildId: string;
  readonly revisions: readonly BuildRevision[];
}

/** The builds a bow's log tells of, while it is folded. */
export class BuildShelf {
  private readonly known = new Map<string, BuildRevision[]>();

  keep(
    buildId: string,
    { name, parts }: Pick<BuildRevision, 'name' | 'parts'>,
    place: Place,
  ): void {
    this.add(buildId, { name, parts, how: 'kept', ...whenOf(place) });
  }

  /** Cut, or with another point, on the bow: it is not what it was. */
  change(buildId: string, parts: ArrowBuild, place: Place): void {
    const name = this.known.get(buildId)?.at(-1)?.name ?? '';
    this.add(buildId, { name, parts, how: 'changed', ...whenOf(place) });
  }

  get builds(): ReadonlyMap<string, Build> {
    return new Map(
      [...this.known].map(([buildId, revisions]) => [buildId, { buildId, revisions }]),
    );
  }

  private add(buildId: string, revision: BuildRevision): void {
    const revisions = this.known.get(buildId);
    if (revisions === undefined) this.known.set(buildId, [revision]);
    else revisions.push(revision);
  }
}

function whenOf({ id, at, by }: Place): Pick<BuildRevision, 'revisionId' | 'at' | 'by'> {
  return { revisionId: id, at, by };
}
