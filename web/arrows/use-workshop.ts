import { useMemo } from 'react';
import useSWR from 'swr';
import { type WorkshopResponse, workshopResponseSchema } from '#contract/workshop.ts';
import { joinBuilds } from '#core/arrows/workshop-builds.ts';
import type { Build } from '#core/log/builds.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { requestKept } from '../api/http.ts';

export interface Workshop {
  /** Every build there is: the server’s, and this bow’s, of which some may still wait to be sent. */
  readonly builds: readonly Build[];
  /** Names of the bows that shoot a build now. */
  readonly shotWith: (buildId: string) => readonly string[];
  /** Masses of the points on them, rising. */
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
  const { builds: own, bowId, bow } = state;
  return useMemo(() => {
    const builds = joinBuilds([data?.builds ?? [], own.values()]);
    const elsewhere = (data?.fitted ?? []).filter((one) => one.bowId !== bowId);
    const here = bow.arrow?.build?.buildId;
    return {
      builds,
      shotWith: (buildId) => [
        ...(here === buildId ? [bow.name] : []),
        ...elsewhere.filter((one) => one.buildId === buildId).map(({ bowName }) => bowName),
      ],
      pointsG: [
        ...new Set(
          builds.flatMap(({ revisions }) => revisions.map(({ parts }) => parts.point.massG)),
        ),
      ].toSorted((one, other) => one - other),
      loading: isLoading,
      error: data === undefined ? (error ?? null) : null,
    };
  }, [data, error, isLoading, own, bowId, bow]);
}
