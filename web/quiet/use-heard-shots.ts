import { useCallback, useRef, useState } from 'react';
import { v7 as newId } from 'uuid';
import type { SearchStanding } from '#core/brace-search/search-next.ts';
import {
  type RecordingFault,
  type ShotRefusal,
  shotRefusals,
} from '#core/brace-search/shot-refusal.ts';
import type { SoundSource } from '#core/craft/search-terms.ts';
import type { BraceSearch } from '#core/log/brace-searches.ts';
import type { BowState } from '#core/log/bow-state.ts';
import type { EntryBody } from '#core/log/entry.ts';
import { drawSoundingBow } from '#core/simulate/bow-sound.ts';
import type { FoundShot } from '#core/sound/find-shots.ts';
import type { ShotSound } from '#core/sound/analyse-shot.ts';
import { writeWav } from '#core/sound/wav-samples.ts';
import { keepPicture } from '../api/keep-picture.ts';
import type { HeardRecording } from '../workers/sound-jobs.ts';
import { type SoundDoor, useSoundDoor } from '../workers/sound-door.ts';
import { type Microphone, useMicrophone } from './use-microphone.ts';

/** A recording, or a shot of it, that was not taken, and why. */
interface NotTaken {
  readonly from: string;
  readonly recording: RecordingFault | null;
  readonly shot: readonly ShotRefusal[];
}

/** What went wrong outside the recordings themselves. */
type SoundTrouble = 'notKept' | 'workerFailed';

export interface HeardShots {
  readonly microphone: Microphone;
  readonly door: SoundDoor;
  readonly notTaken: readonly NotTaken[];
  readonly trouble: SoundTrouble | null;
  /** Sounds of shots recorded since the page was opened, by their entry. */
  readonly clips: ReadonlyMap<string, FoundShot['clip']>;
  readonly takeFiles: (files: readonly File[], silenced: boolean) => void;
  readonly takeMicrophone: (silenced: boolean) => void;
  /** Shots of the stand-in. */
  readonly takeStandIn: (count: number, silenced: boolean) => void;
}

/** Recordings of this search: heard in the worker, taken into the log shot by shot, or refused by name. */
export function useHeardShots(
  state: BowState,
  search: BraceSearch,
  { here }: SearchStanding,
  store: (bodies: readonly EntryBody[]) => readonly string[],
): HeardShots {
  const door = useSoundDoor();
  const microphone = useMicrophone();
  const [notTaken, setNotTaken] = useState<readonly NotTaken[]>([]);
  const [trouble, setTrouble] = useState<SoundTrouble | null>(null);
  const [clips, setClips] = useState<ReadonlyMap<string, FoundShot['clip']>>(new Map());
  const { bowId } = state;
  const { searchId, keepsSounds } = search;

  const takeShots = useCallback(
    (shots: readonly FoundShot[], source: SoundSource, silenced: boolean) => {
      const named = shots.map((shot) => ({ shot, soundId: keepsSounds ? newId() : null }));
      const ids = store(
        named.flatMap(({ shot: { sound }, soundId }) =>
          sound === null ? [] : [heardBody(sound, { searchId, source, soundId, silenced })],
        ),
      );
      setClips((before) => {
        const clipped = new Map(before);
        for (const [at, id] of ids.entries()) {
          const clip = named[at]?.shot.clip;
          if (clip !== undefined) clipped.set(id, clip);
        }
        return clipped;
      });
      // The figures are logged; the sounds follow one by one, and it is said where the server did not take them.
      keepSounds(bowId, named).catch(() => setTrouble('notKept'));
    },
    [bowId, keepsSounds, searchId, store],
  );

  const take = useCallback(
    (
      from: string,
      heard: HeardRecording | null,
      how: { readonly source: SoundSource; readonly silenced: boolean },
    ) => {
      if (heard === null) return;
      const judged = heard.ok
        ? heard.shots.map((shot) => ({ shot, against: shotRefusals(search, shot) }))
        : [];
      setNotTaken((before) => [
        ...before,
        ...(heard.ok ? [] : [{ from, recording: heard.fault, shot: [] }]),
        ...judged.flatMap(({ against }) =>
          against.length === 0 ? [] : [{ from, recording: null, shot: against }],
        ),
      ]);
      const good = judged.flatMap(({ shot, against }) =>
        against.length === 0 && shot.sound !== null ? [shot] : [],
      );
      if (good.length > 0) takeShots(good, how.source, how.silenced);
    },
    [search, takeShots],
  );

  const during = useCallback((work: () => Promise<void>) => {
    setNotTaken([]);
    setTrouble(null);
    work().catch(() => setTrouble('workerFailed'));
  }, []);

  const seed = useRef(0);
  return {
    microphone,
    door,
    notTaken,
    trouble,
    clips,
    takeFiles: (files, silenced) =>
      during(async () => {
        for (const file of files)
          take(file.name, await door.ask('readFile', file), { source: 'file', silenced });
      }),
    takeMicrophone: (silenced) =>
      during(async () => {
        const recorded = await microphone.stop();
        const heard: HeardRecording | null =
          recorded === null ? { ok: false, fault: 'empty' } : await door.ask('findShots', recorded);
        take('the microphone', heard, { source: 'microphone', silenced });
      }),
    takeStandIn: (count, silenced) =>
      during(async () => {
        const { practiceSeed, lowMm, highMm, shots } = search;
        const braceHeightMm = here?.heightMm;
        if (practiceSeed === undefined || braceHeightMm == null) return;
        const bow = drawSoundingBow(practiceSeed, lowMm, highMm);
        for (let shot = 0; shot < count; shot += 1) {
          seed.current += 1;
          const order = {
            bow,
            braceHeightMm,
            seed: practiceSeed + 1000 * (shots.length + 1) + seed.current,
            silencers: silenced || search.silencers === 'on',
          };
          const heard = await door.ask('standIn', order);
          take('the stand-in', heard, { source: 'standIn', silenced });
        }
      }),
  };
}

/** One after the other: each is written out as a file of its own, and the page answers between them. All are tried. */
async function keepSounds(
  bowId: string,
  named: readonly { readonly shot: FoundShot; readonly soundId: string | null }[],
): Promise<void> {
  const failed: unknown[] = [];
  for (const { shot, soundId } of named)
    if (soundId !== null)
      await keepSound(bowId, soundId, shot).catch((error: unknown) => failed.push(error));
  if (failed.length > 0) throw failed[0];
}

async function keepSound(bowId: string, soundId: string, { clip }: FoundShot): Promise<void> {
  await keepPicture(bowId, soundId, new Blob([writeWav(clip)], { type: 'audio/wav' }));
}

function heardBody(
  { levelDb, decayMs, centroidHz, octavesDb, roomDb }: ShotSound,
  {
    searchId,
    source,
    soundId,
    silenced,
  }: {
    readonly searchId: string;
    readonly source: SoundSource;
    readonly soundId: string | null;
    readonly silenced: boolean;
  },
): EntryBody {
  return {
    kind: 'shotHeard',
    searchId,
    source,
    levelDb: hundredth(levelDb),
    ...(decayMs === null ? {} : { decayMs: Math.round(decayMs) }),
    centroidHz: Math.round(centroidHz),
    octavesDb: octavesDb.map(hundredth),
    roomDb: hundredth(roomDb),
    ...(soundId === null ? {} : { soundId }),
    ...(silenced ? { silenced } : {}),
  };
}

function hundredth(value: number): number {
  return Math.round(value * 100) / 100;
}
