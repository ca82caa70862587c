import type { BraceSearch } from '../log/brace-searches.ts';
import { medianOf } from '../numeric/moments.ts';
import type { ShotSound } from '../sound/analyse-shot.ts';
import type { FoundShot, SoundFault } from '../sound/find-shots.ts';
import type { WavFault } from '../sound/wav-header.ts';

/** Why a recorded shot is not taken into a search. */
export type ShotRefusal =
  | SoundFault
  /** The room sounds louder or softer than at the other heights: moved, or turned up or down. */
  | 'gainChanged';

/** Why a whole recording gives nothing. */
export type RecordingFault = WavFault | 'noShot';

/** The room may be this much louder or softer from height to height, dB. */
const ROOM_WITHIN_DB = 10;

/** What speaks against taking a shot into a search; empty: it is taken. */
export function shotRefusals(
  search: Pick<BraceSearch, 'shots'>,
  { faults, sound }: Pick<FoundShot, 'faults' | 'sound'>,
): readonly ShotRefusal[] {
  return sound !== null && isGainChanged(search, sound) ? [...faults, 'gainChanged'] : faults;
}

function isGainChanged({ shots }: Pick<BraceSearch, 'shots'>, { roomDb }: ShotSound): boolean {
  if (shots.length === 0) return false;
  const usual = medianOf(shots.map((shot) => shot.roomDb));
  return Math.abs(roomDb - usual) > ROOM_WITHIN_DB;
}
