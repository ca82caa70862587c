import { lazy, Suspense, useEffect } from 'react';
import { Link, useMatch, useNavigate } from 'react-router';
import type { RackBow } from '#contract/rack.ts';
import { lookAhead } from '../bows/use-bow.ts';
import { useRackAsStored } from '../bows/use-rack.ts';
import { whenIdle } from '../device/when-idle.ts';
import { CannotShow, Loading } from '../app/page-states.tsx';
import { BenchRehearsal } from '../bench/bench-rehearsal.tsx';
import { NewBowDialog } from './new-bow-dialog.tsx';
import { RackRow } from './rack-row.tsx';

const FilesSheet = lazy(() =>
  import('../files/files-sheet.tsx').then((module) => ({ default: module.FilesSheet })),
);

const CardsPage = lazy(() =>
  import('./cards-page.tsx').then((module) => ({ default: module.CardsPage })),
);

/** Every bow on its pegs, the one worked on last on top; kits in parts below. */
export function RackPage() {
  const starting = useMatch('/rack/new') !== null;
  const filing = useMatch('/rack/files') !== null;
  const printing = useMatch('/rack/cards') !== null;
  const { data, error, mutate } = useRackAsStored();
  const navigate = useNavigate();
  const lastUsed = data?.bows.toSorted(newestFirst)[0]?.bowId;
  useEffect(() => {
    // Most likely it is opened next.
    if (lastUsed !== undefined) whenIdle(() => lookAhead(lastUsed));
  }, [lastUsed]);
  if (data === undefined && error !== undefined) {
    return <CannotShow error={error} retry={() => void mutate()} />;
  }
  if (data === undefined) return <Loading what="the rack" />;
  const bows = data.bows.toSorted(newestFirst);
  const used = bows.filter((bow) => !bow.putAway);
  const whole = used.filter((bow) => !bow.inParts);
  const kits = used.filter((bow) => bow.inParts);
  const away = bows.filter((bow) => bow.putAway);
  if (printing)
    return (
      <Suspense fallback={<Loading what="the cards" />}>
        <CardsPage bows={used} />
      </Suspense>
    );
  return (
    <div className="view-scroll px-4 pt-4 pb-8 @tablet:px-7">
      <div className="flex flex-wrap items-end justify-between gap-x-4 gap-y-2 border-b border-ink pb-2">
        <h1 className="flex-[1_1_12rem] text-title leading-none font-[560] [font-stretch:90%]">
          Rack{' '}
          <span className="text-body text-ink-2 @max-tablet:mt-1 @max-tablet:block">
            {countWords(whole, kits)}
          </span>
        </h1>
        <span className="flex shrink-0 items-center gap-2">
          <Link to="/rack/cards" className="link-btn grid place-items-center">
            Cards
          </Link>
          <Link to="/rack/files" className="link-btn grid place-items-center">
            Files
          </Link>
          <Link to="/rack/new" className="btn-ink grid place-items-center">
            New bow
          </Link>
        </span>
      </div>
      {data.unreadable.length > 0 && (
        <>
          <h2 className="mt-4 border-b border-ink pb-1 text-lead font-[560] text-stop">
            Cannot be read
          </h2>
          <ul>
            {data.unreadable.map((bow) => (
              <li key={bow.bowId} className="border-b border-faint py-3">
                <Link to={`/bench/${bow.bowId}`} className="link">
                  A bow whose first entry is damaged on the disk
                </Link>
              </li>
            ))}
          </ul>
        </>
      )}
      {bows.length === 0 && (
        <p className="mt-8 max-w-md">
          The rack is empty. A new bow takes under a minute: kind, length, hand, hook and purpose.
        </p>
      )}
      <ul>
        {whole.map((bow) => (
          <RackRow key={bow.bowId} bow={bow} />
        ))}
      </ul>
      {kits.length > 0 && (
        <>
          <h2 className="mt-6 border-b border-ink pb-1 text-lead font-[560]">In parts</h2>
          <ul>
            {kits.map((bow) => (
              <RackRow key={bow.bowId} bow={bow} />
            ))}
          </ul>
        </>
      )}
      {away.length > 0 && (
        <details className="mt-6">
          <summary className="min-h-11 cursor-pointer content-center text-lead font-[560]">
            Put away, {away.length}
          </summary>
          <ul className="border-t border-ink">
            {away.map((bow) => (
              <li key={bow.bowId} className="border-b border-faint">
                <Link
                  to={`/record/${bow.bowId}`}
                  data-bow={bow.name}
                  className="flex min-h-11 flex-wrap items-center gap-x-6 hover:bg-metal"
                >
                  <span className="font-[560]">{bow.name}</span>
                  <span className="text-ink-2">
                    {[bow.owner, bow.described].filter((part) => part !== '').join(', ')}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </details>
      )}
      <BenchRehearsal />
      {filing && (
        <Suspense fallback={null}>
          <FilesSheet
            bows={bows}
            onClose={() => void navigate('/rack')}
            onTaken={() => void mutate()}
          />
        </Suspense>
      )}
      {starting && <NewBowDialog onClose={() => void navigate('/rack')} bows={bows} />}
    </div>
  );
}

function newestFirst(one: RackBow, other: RackBow): number {
  return Date.parse(other.lastAt) - Date.parse(one.lastAt);
}

function countWords(whole: readonly RackBow[], kits: readonly RackBow[]): string {
  const due = whole.filter((bow) => bow.steps.stale > 0).length;
  const parts = [`${whole.length} ${whole.length === 1 ? 'bow' : 'bows'}`];
  if (due > 0) parts.push(`${due} with something due`);
  if (kits.length > 0) parts.push(`${kits.length} in parts`);
  return parts.join(', ');
}
