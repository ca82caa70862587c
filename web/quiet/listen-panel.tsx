import { useEffect, useState } from 'react';
import { heightsShown, type HeightShown } from '#core/brace-search/curve-shown.ts';
import type { SearchStanding } from '#core/brace-search/search-next.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { showLength } from '#core/quantity/show.ts';
import type { Recording } from '#core/sound/wav-samples.ts';
import { Fractions } from '../ui/fractions.tsx';
import { fetchSound, playOneAfterOther } from './play-sounds.ts';
import { OctaveDrawing, WaveDrawing } from './sound-drawings.tsx';
import type { HeardShots } from './use-heard-shots.ts';

/** Two heights over one another, and one after the other at equal gain. */
export function ListenPanel({
  state,
  standing,
  heard,
}: {
  readonly state: BowState;
  readonly standing: SearchStanding;
  readonly heard: HeardShots;
}) {
  const recorded = heightsShown(standing).filter(({ visit }) => visit.shots.length > 0);
  const [chosen, setChosen] = useState<readonly [number, number] | null>(null);
  const [trouble, setTrouble] = useState(false);
  const places: readonly [number, number] = chosen ?? [recorded.length - 2, recorded.length - 1];
  const one = recorded[places[0]];
  const other = recorded[places[1]];
  const first = useSoundOf(state.bowId, one, heard);
  const second = useSoundOf(state.bowId, other, heard);
  if (recorded.length === 0) return null;
  const name = (height: HeightShown) => showLength(height.heightMm, state.bow);
  const choose = (which: 0 | 1, at: number) => {
    const next: [number, number] = [places[0], places[1]];
    next[which] = at;
    setChosen(next);
  };
  const pairs = [one, other].filter((height) => height !== undefined);
  return (
    <section aria-label="Two heights, one over the other" data-testid="listen">
      <h2 className="text-head font-[600]">Side by side</h2>
      {recorded.length > 1 && (
        <div className="grid grid-cols-2 gap-4">
          {([0, 1] as const).map((which) => (
            <label key={which}>
              <span className="label">
                {which === 0 ? 'One, drawn full' : 'Other, drawn dashed'}
              </span>
              <select
                className="field"
                value={places[which]}
                onChange={(event) => choose(which, Number(event.target.value))}
              >
                {recorded.map((height, at) => (
                  <option key={height.visit.from} value={at}>
                    {name(height)}
                  </option>
                ))}
              </select>
            </label>
          ))}
        </div>
      )}
      <OctaveDrawing heights={pairs} style={state.bow} />
      <WaveDrawing sounds={[first, second]} />
      {one !== undefined && other !== undefined && first !== null && second !== null && (
        <button
          type="button"
          className="link-btn -ml-2.5"
          onClick={() => {
            setTrouble(false);
            playOneAfterOther([first, second]).catch(() => setTrouble(true));
          }}
        >
          <Fractions text={`Play ${name(one)}, then ${name(other)}, as loud as they were`} />
        </button>
      )}
      {trouble && (
        <p className="text-stop" role="alert">
          This browser could not play it.
        </p>
      )}
    </section>
  );
}

/** The kept sound of one of a height's shots; null: none was kept, or it is on its way. */
function useSoundOf(
  bowId: string,
  height: HeightShown | undefined,
  { clips }: HeardShots,
): Recording | null {
  const shots = height?.visit.shots ?? [];
  const mine = shots.map(({ id }) => clips.get(id)).find((clip) => clip !== undefined) ?? null;
  const soundId = shots.find((shot) => shot.soundId !== undefined)?.soundId ?? null;
  const [fetched, setFetched] = useState<{ readonly id: string; readonly sound: Recording } | null>(
    null,
  );
  const wanted = mine === null ? soundId : null;
  useEffect(() => {
    if (wanted === null) return undefined;
    const asking = new AbortController();
    fetchSound(bowId, wanted, asking.signal)
      .then((sound) => {
        if (sound !== null) setFetched({ id: wanted, sound });
      })
      // Away or gone: it is neither drawn nor played.
      .catch(() => undefined);
    return () => asking.abort();
  }, [bowId, wanted]);
  return mine ?? (fetched !== null && fetched.id === wanted ? fetched.sound : null);
}
