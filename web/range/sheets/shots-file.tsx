import { useState } from 'react';
import type { Hand } from '#core/craft/bow-terms.ts';
import type { ShootingSession } from '#core/log/shooting.ts';
import { type FiledShot, readShots } from '#core/groups/read-shots.ts';
import { writeShots } from '#core/groups/shots-csv.ts';
import { shotsIntoSession } from '#core/groups/shots-into-session.ts';
import {
  againQuestion,
  commaQuestion,
  elsewhereQuestion,
  elsewhereSays,
  type ShotsQuestion,
} from '#core/words/shots-file-words.ts';
import { textOf } from '../../device/file-text.ts';
import { nameOfFile, saveFile } from '../../device/save-file.ts';
import type { PlottedShot } from '../plot/tap-queue.ts';

type Said =
  | { readonly kind: 'taken'; readonly words: string }
  | {
      readonly kind: 'refused';
      readonly says: string;
      readonly remedy: string;
    };

/** Read, and waiting for answers: nothing is taken before the last of them. */
interface Asked {
  readonly fileName: string;
  readonly shots: readonly FiledShot[];
  readonly questions: readonly ShotsQuestion[];
}

interface Into {
  readonly session: ShootingSession | null;
  readonly endNumber: number;
  /** What the session is shot from, or would be. */
  readonly distanceM: number;
  readonly hand: Hand;
  readonly onShots: (shots: readonly PlottedShot[]) => void;
}

/** Reads a file of shots, asks what has to be asked, and hands them on. */
function useShotsFile({ session, endNumber, distanceM, hand, onShots }: Into) {
  const [said, setSaid] = useState<Said | null>(null);
  const [asked, setAsked] = useState<Asked | null>(null);
  const take = ({ shots, fileName }: Pick<Asked, 'shots' | 'fileName'>) => {
    onShots(shots.map((shot) => plotted(shot, endNumber)));
    setAsked(null);
    setSaid({
      kind: 'taken',
      words: `${shots.length} ${shots.length === 1 ? 'shot' : 'shots'} taken from ${fileName}.`,
    });
  };
  const look = async (file: File) => {
    setSaid(null);
    setAsked(null);
    const bytes = await file.arrayBuffer().catch(() => null);
    if (bytes === null) {
      setSaid({
        kind: 'refused',
        says: `${file.name} could not be read from the disk.`,
        remedy: 'Choose it again.',
      });
      return;
    }
    const read = readShots(textOf(new Uint8Array(bytes)), hand);
    if (read.kind === 'refused') {
      setSaid(read);
      return;
    }
    const into = shotsIntoSession(read.shots, { session, distanceM });
    if (into.here.length === 0) {
      setSaid({
        kind: 'refused',
        says: elsewhereSays(into.elsewhere, distanceM),
        remedy: 'Open a session at that distance and load the file there.',
      });
      return;
    }
    const found = { fileName: file.name, shots: into.here };
    const questions = [
      ...(read.commaDoubt === null ? [] : [commaQuestion(read.commaDoubt)]),
      ...(into.elsewhere.length === 0 ? [] : [elsewhereQuestion(into, distanceM)]),
      ...(into.already === 0 ? [] : [againQuestion(into)]),
    ];
    if (questions.length === 0) take(found);
    else setAsked({ ...found, questions });
  };
  const answer = (question: ShotsQuestion, of: Asked) => {
    const questions = of.questions.filter((one) => one !== question);
    if (questions.length === 0) take(of);
    else setAsked({ ...of, questions });
  };
  const takeNothing = () => {
    setAsked(null);
    setSaid({ kind: 'taken', words: 'Nothing was taken.' });
  };
  return { said, asked, look, answer, takeNothing };
}

/** Shots out to a table and in from one. A file with a fault in it is refused whole. */
export function ShotsFilePanel({ bowName, ...into }: Into & { readonly bowName: string }) {
  const { session, hand } = into;
  const { said, asked, look, answer, takeNothing } = useShotsFile(into);
  const [question] = asked?.questions ?? [];
  return (
    <div className="grid gap-5">
      <section aria-label="In from a file">
        <h3 className="font-[640]">In from a file</h3>
        <p className="text-ink-2">
          A shot a line, the first line naming the columns, separated by commas; or by semicolons or
          tabs, where a comma may be the decimal point. right_mm and up_mm must be there, as the
          archer sees the butt; end, arrow, called_bad, arrow_number, distance_m, nock_right_deg and
          nock_up_deg may be.
        </p>
        <input
          type="file"
          accept=".csv,.txt,text/csv,text/plain"
          aria-label="File of shots"
          className="mt-2 min-h-11 w-full text-plain file:mr-3 file:min-h-11 file:border file:border-ink file:px-4"
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            if (file !== undefined) void look(file);
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
          {asked !== null && question !== undefined && (
            <>
              <p className="mt-2">{question.asks}</p>
              <p className="mt-2 flex flex-wrap gap-2">
                <button type="button" className="btn-ink" onClick={takeNothing}>
                  Take nothing
                </button>
                <button
                  type="button"
                  className="link min-h-11 px-2 text-left"
                  onClick={() => answer(question, asked)}
                >
                  {question.yes}
                </button>
              </p>
            </>
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
              `${nameOfFile(bowName)}-${session.openedAt.slice(0, 10)}.csv`,
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

function plotted(shot: FiledShot, endNumber: number): PlottedShot {
  return {
    arrow: shot.arrow,
    outwardMm: shot.outwardMm,
    upMm: shot.upMm,
    calledBad: shot.calledBad,
    endNumber: shot.endNumber ?? endNumber,
    ...(shot.arrowNumber === null ? {} : { arrowNumber: shot.arrowNumber }),
    ...(shot.distanceM === null ? {} : { distanceM: shot.distanceM }),
    ...(shot.attitude === null ? {} : { attitude: shot.attitude }),
  };
}
