import { useState } from 'react';
import type { Hand } from '#core/craft/bow-terms.ts';
import type { ShootingSession } from '#core/log/shooting.ts';
import { readShots, writeShots } from '#core/groups/shots-csv.ts';
import { saveFile } from '../../device/save-file.ts';
import type { PlottedShot } from '../plot/tap-queue.ts';

type Said =
  | { readonly kind: 'taken'; readonly words: string }
  | {
      readonly kind: 'refused';
      readonly says: string;
      readonly remedy: string;
    };

/** Shots out to a table and in from one. A file with a fault in it is refused whole. */
export function ShotsFilePanel({
  session,
  endNumber,
  hand,
  bowName,
  onShots,
}: {
  readonly session: ShootingSession | null;
  readonly endNumber: number;
  readonly hand: Hand;
  readonly bowName: string;
  readonly onShots: (shots: readonly PlottedShot[]) => void;
}) {
  const [said, setSaid] = useState<Said | null>(null);
  const take = async (file: File) => {
    const read = readShots(await file.text(), hand);
    if (read.kind === 'refused') {
      setSaid(read);
      return;
    }
    onShots(
      read.shots.map((shot) => ({
        arrow: shot.arrow,
        outwardMm: shot.outwardMm,
        upMm: shot.upMm,
        calledBad: shot.calledBad,
        endNumber: shot.endNumber ?? endNumber,
        ...(shot.arrowNumber === null ? {} : { arrowNumber: shot.arrowNumber }),
        ...(shot.distanceM === null ? {} : { distanceM: shot.distanceM }),
        ...(shot.attitude === null ? {} : { attitude: shot.attitude }),
      })),
    );
    setSaid({
      kind: 'taken',
      words: `${read.shots.length} ${read.shots.length === 1 ? 'shot' : 'shots'} taken from ${file.name}.`,
    });
  };
  return (
    <div className="grid gap-5">
      <section aria-label="In from a file">
        <h3 className="font-[640]">In from a file</h3>
        <p className="text-ink-2">
          Comma-separated, a shot a line, the first line naming the columns. right_mm and up_mm must
          be there, as the archer sees the butt; end, arrow, called_bad, arrow_number, distance_m,
          nock_right_deg and nock_up_deg may be.
        </p>
        <input
          type="file"
          accept=".csv,text/csv"
          aria-label="File of shots"
          className="mt-2 min-h-11 w-full text-plain file:mr-3 file:min-h-11 file:border file:border-ink file:px-4"
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            if (file !== undefined) void take(file);
            event.target.value = '';
          }}
        />
        <div role="status">
          {said?.kind === 'taken' && <p className="mt-2">{said.words}</p>}
          {said?.kind === 'refused' && (
            <p className="mt-2 text-stop">
              {said.says} Nothing was taken. {said.remedy}
            </p>
          )}
        </div>
      </section>
      <section aria-label="Out to a file">
        <h3 className="font-[640]">Out to a file</h3>
        <button
          type="button"
          className="btn-ink mt-2"
          disabled={session === null || session.shots.length === 0}
          onClick={() => {
            if (session === null) return;
            saveFile(
              `${bowName.toLowerCase().replace(/[^a-z0-9]+/g, '-')}-${session.openedAt.slice(0, 10)}.csv`,
              'text/csv',
              writeShots(session.shots, hand),
            );
          }}
        >
          Save this session’s {session?.shots.length ?? 0} shots
        </button>
      </section>
    </div>
  );
}
