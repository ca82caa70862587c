import { useMemo } from 'react';
import useSWR from 'swr';
import { type WorkshopResponse, workshopResponseSchema } from '#contract/workshop.ts';
import type { NamedPart } from '#core/craft/catalogue-part.ts';
import { joinBuilds, joinParts } from '#core/arrows/workshop-builds.ts';
import type { Build } from '#core/log/builds.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { requestKept } from '../api/http.ts';

export interface Workshop {
  /** Every build there is: the server’s, and this bow’s, of which some may still wait to be sent. */
  readonly builds: readonly Build[];
  /** Names of the bows that shoot a build now. */
  readonly shotWith: (buildId: string) => readonly string[];
  /** The catalogue: parts as they lie in drawers, of every bow. */
  readonly parts: readonly NamedPart[];
  /** Masses of the points on the builds and in the catalogue, rising. */
  readonly pointsG: readonly number[];
  readonly loading: boolean;
  /** Why the other bows’ builds are not here; null while they are, or are on their way. */
  readonly error: Error | null;
}

/** The builds of all bows, those of the one in hand as new as its log. */
export function useWorkshop(state: BowState): Workshop {
  const { data, error, isLoading } = useSWR<WorkshopResponse, Error>(
    '/api/workshop',
    (path: string) => requestKept(path, workshopResponseSchema),
  );
  const { builds: own, bowId, bow, catalogue, droppedParts } = state;
  return useMemo(() => {
    const builds = joinBuilds([data?.builds ?? [], own.values()]);
    const elsewhere = (data?.fitted ?? []).filter((one) => one.bowId !== bowId);
    const here = bow.arrow?.build?.buildId;
    const parts = joinParts(
      [data?.parts ?? [], catalogue.values()],
      // What this bow keeps again is newer than what the server says of it.
      [...droppedParts, ...(data?.droppedParts ?? []).filter((id) => !catalogue.has(id))],
    );
    return {
      builds,
      parts,
      shotWith: (buildId) => [
        ...(here === buildId ? [bow.name] : []),
        ...elsewhere.filter((one) => one.buildId === buildId).map(({ bowName }) => bowName),
      ],
      pointsG: [
        ...new Set([
          ...builds.flatMap(({ revisions }) => revisions.map((one) => one.parts.point.massG)),
          ...parts.flatMap(({ part }) => (part.kind === 'point' ? [part.massG] : [])),
        ]),
      ].toSorted((one, other) => one - other),
      loading: isLoading,
      error: data === undefined ? (error ?? null) : null,
    };
  }, [data, error, isLoading, own, bowId, bow, catalogue, droppedParts]);
}
