import useSWR from 'swr';
import { type WorkshopResponse, workshopResponseSchema } from '#contract/workshop.ts';
import { limbsIdBeyond, type WorkshopLimbs } from '#core/care/workshop-limbs.ts';
import { stringIdBeyond, type WorkshopString } from '#core/care/workshop-strings.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { requestKept } from '../api/http.ts';

/**
 * The workshop's strings as the server knows them; none while it is away and never answered.
 *
 * @param wanted false where nothing is asked of them: then the server is not either
 */
export function useStrings(wanted = true): readonly WorkshopString[] {
  return useWorkshop(wanted)?.strings ?? [];
}

/** The workshop's limbs, as its strings. */
export function useLimbs(wanted = true): readonly WorkshopLimbs[] {
  return useWorkshop(wanted)?.limbs ?? [];
}

function useWorkshop(wanted: boolean): WorkshopResponse | undefined {
  const { data } = useSWR<WorkshopResponse, Error>(
    wanted ? '/api/workshop' : null,
    (path: string) => requestKept(path, workshopResponseSchema),
  );
  return data;
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

/** Limbs this bow's record knows, and those of other bows, but not the pair on it. */
export function limbsToPut(
  limbs: readonly WorkshopLimbs[],
  { bowId, limbs: own }: BowState,
): readonly WorkshopLimbs[] {
  const known = own.all.map(({ limbsId, described, shots }) => ({
    limbsId: limbsIdBeyond(bowId, limbsId),
    described,
    shots,
    stays: [],
  }));
  const ofWorkshop = new Map(limbs.map((pair) => [pair.limbsId, pair]));
  for (const pair of known) if (!ofWorkshop.has(pair.limbsId)) ofWorkshop.set(pair.limbsId, pair);
  ofWorkshop.delete(limbsIdBeyond(bowId, own.fitted.limbsId));
  return [...ofWorkshop.values()];
}

/** The id by which this bow's own record knows a pair of the workshop. */
export function limbsIdHere(
  { bowId, limbs }: BowState,
  pair: Pick<WorkshopLimbs, 'limbsId'>,
): string {
  const here = limbs.all.find(({ limbsId }) => limbsIdBeyond(bowId, limbsId) === pair.limbsId);
  return here?.limbsId ?? pair.limbsId;
}
