import { TriangleAlert } from 'lucide-react';
import { Link } from 'react-router';
import { barWords, stopWords } from '#core/words/limit-words.ts';
import { shootingBars } from '#core/limits/shooting-bars.ts';
import { stopsOf } from '#core/limits/stops.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { Fractions } from '../ui/fractions.tsx';

/** Why this bow is not to be shot as it stands; nothing when nothing speaks against it. */
export function ShootingBar({ state }: { readonly state: BowState }) {
  const stops = stopsOf(state);
  const bars = shootingBars(state).filter((bar) => bar !== 'stop');
  if (stops.length === 0 && bars.length === 0) return null;
  return (
    <div
      role="alert"
      data-testid="shooting-bar"
      className="mb-3 grid grid-cols-[1.5rem_1fr] border-l-4 border-stop py-1 pl-3"
    >
      <TriangleAlert size={18} strokeWidth={1.8} className="mt-1 text-stop" aria-hidden />
      <div>
        <p className="text-head leading-tight font-[640] text-stop">
          {stops.length > 0 ? 'Stop: not to be shot' : 'Before a shot'}
        </p>
        {stops.map((stop) => {
          const { title, says } = stopWords(stop, state);
          return (
            <p key={title}>
              <b className="font-[600]">{title}.</b> <Fractions text={says} />
            </p>
          );
        })}
        {bars.map((bar) => (
          <p key={bar}>{barWords(bar)}</p>
        ))}
        <Link className="link inline-block min-h-11 content-center" to={`/bench/${state.bowId}`}>
          What comes first, on the bench
        </Link>
      </div>
    </div>
  );
}
