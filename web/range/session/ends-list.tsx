import { isCounted, type Shot } from '#core/log/shooting.ts';
import { ArrowMark } from '../../drawing/shot-marks.tsx';
import type { Plot } from '../plot/use-plot.ts';

const PITCH = 24;

/** The ends, shot by shot; a mark can be taken in hand here to nudge it or call it bad. */
export function EndsList({
  plot,
  speakingIds,
}: {
  readonly plot: Plot;
  readonly speakingIds: ReadonlySet<string>;
}) {
  const ends = new Map<number, Shot[]>();
  for (const shot of plot.session?.shots ?? []) {
    const end = ends.get(shot.endNumber) ?? [];
    ends.set(shot.endNumber, end);
    end.push(shot);
  }
  if (!ends.has(plot.endNumber)) ends.set(plot.endNumber, []);
  return (
    <section aria-label="Ends" className="text-note">
      <h2 className="border-b border-ink pb-1 font-[640]">Ends</h2>
      <ol>
        {[...ends.entries()].map(([endNumber, shots]) => (
          <li key={endNumber} className="border-b border-faint py-1.5">
            <div className="flex flex-wrap items-center">
              <span className="w-6 font-[640]">{endNumber}</span>
              {shots.map((shot) => (
                <button
                  key={shot.shotId}
                  type="button"
                  className="grid h-7 place-items-center aria-pressed:bg-metal @max-tablet:h-11 @max-tablet:min-w-9"
                  style={{ width: PITCH }}
                  aria-pressed={plot.selected?.shotId === shot.shotId}
                  aria-label={`${shot.arrow} shot, end ${endNumber}${shot.calledBad ? ', called bad' : shot.setAside ? ', set aside' : ''}`}
                  onClick={() => plot.select(shot.shotId)}
                >
                  <Mark shot={shot} old={!speakingIds.has(shot.shotId)} />
                </button>
              ))}
              {shots.length === 0 && <span className="text-ink-2">being shot</span>}
            </div>
            <p className="pl-6 text-ink-2">{endWords(shots, speakingIds)}</p>
          </li>
        ))}
      </ol>
    </section>
  );
}

function Mark({ shot, old }: { readonly shot: Shot; readonly old: boolean }) {
  return (
    <svg width={22} height={22} viewBox="-11 -11 22 22" aria-hidden>
      <ArrowMark arrow={shot.arrow} x={0} y={0} size={5.3} bad={!isCounted(shot)} old={old} />
    </svg>
  );
}

function endWords(shots: readonly Shot[], speakingIds: ReadonlySet<string>): string {
  if (shots.length === 0) return '';
  const bad = shots.filter((shot) => shot.calledBad).length;
  const aside = shots.filter((shot) => shot.setAside).length;
  const before = shots.every((shot) => !speakingIds.has(shot.shotId));
  const parts = [
    before ? 'before the last change' : null,
    bad > 0 ? `${bad} called bad` : null,
    aside > 0 ? `${aside} of a shaft set aside` : null,
  ];
  return parts.filter((part) => part !== null).join(', ');
}
