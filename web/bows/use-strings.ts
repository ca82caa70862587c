import useSWR from 'swr';
import { type WorkshopResponse, workshopResponseSchema } from '#contract/workshop.ts';
import { stringIdBeyond, type WorkshopString } from '#core/care/workshop-strings.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { requestKept } from '../api/http.ts';

/**
 * The workshop's strings as the server knows them; none while it is away and never answered.
 *
 * @param wanted false where nothing is asked of them: then the server is not either
 */
export function useStrings(wanted = true): readonly WorkshopString[] {
  const { data } = useSWR<WorkshopResponse, Error>(
    wanted ? '/api/workshop' : null,
    (path: string) => requestKept(path, workshopResponseSchema),
  );
  return data?.strings ?? [];
}

/** Those of other bows, which this one's record does not know. */
export function stringsElsewhere(
  strings: readonly WorkshopString[],
  { bowId, strings: { all } }: BowState,
): readonly WorkshopString[] {
  const own = new Set(all.map(({ stringId }) => stringIdBeyond(bowId, stringId)));
  return strings.filter(({ stringId }) => !own.has(stringId));
}

/** What the workshop knows of a string of this bow; absent while it is not known there. */
export function stringInWorkshop(
  strings: readonly WorkshopString[],
  bowId: string,
  stringId: string,
): WorkshopString | undefined {
  return strings.find((one) => one.stringId === stringIdBeyond(bowId, stringId));
}
