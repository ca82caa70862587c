import { NavLink } from 'react-router';
import { HAND_LABEL } from '#core/craft/bow-terms.ts';
import { upperFirst } from '#core/craft/letter-case.ts';
import { momentIn } from '../bows/moment-address.ts';
import { useBow } from '../bows/use-bow.ts';
import { useAddress } from './use-address.ts';
import { BowMenu } from './bow-menu.tsx';
import { type View, viewPath } from './view.ts';

/** Wordmark, the bow in hand, the views, its hand and units. */
export function TopBar({
  views,
  bowId,
  target,
  onHelp,
}: {
  readonly views: readonly View[];
  readonly bowId: string | null;
  readonly target: string | null;
  readonly onHelp: () => void;
}) {
  return (
    <header className="no-print flex h-13 shrink-0 items-stretch gap-1 border-b border-ink px-4 @tablet:px-7">
      <NavLink
        to="/rack"
        className="flex min-w-11 items-center gap-2 pr-4 text-brand font-[720] [font-stretch:100%]"
        aria-label="Keen Limb, to the rack"
      >
        <svg width="20" height="26" viewBox="0 0 20 26" aria-hidden>
          <path className="s-bold" d="M15.5 25C15.5 17 6 15 4.2 7.6C3.6 4.4 6 2 10 1.6" />
          <path className="s-thin" d="M4.2 8V25" />
        </svg>
        <span className="whitespace-nowrap @max-tablet:hidden">Keen Limb</span>
      </NavLink>
      {bowId !== null && <BowMenu views={views} bowId={bowId} />}
      <nav aria-label="Views, top" className="mx-auto hidden @tablet:flex">
        {views.map((view) => (
          <NavLink
            key={view.number}
            to={viewPath(view, target)}
            className="relative flex items-center px-4 text-plain aria-[current=page]:font-[680]"
          >
            {({ isActive }) => (
              <>
                {view.name}
                {isActive && <span className="absolute right-3 -bottom-px left-3 h-1 bg-ink" />}
              </>
            )}
          </NavLink>
        ))}
      </nav>
      <div className="ml-auto flex items-center gap-1">
        {bowId !== null && <HandAndUnits bowId={bowId} />}
        <button
          type="button"
          className="grid size-11 place-items-center"
          onClick={onHelp}
          aria-label="Keys, look and name"
        >
          <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden>
            <path className="s-out" d="M3 5h14M3 10h14M3 15h14" />
            <circle className="s-out f-sheet" cx="7" cy="5" r="2" />
            <circle className="s-out f-sheet" cx="13" cy="10" r="2" />
            <circle className="s-out f-sheet" cx="6" cy="15" r="2" />
          </svg>
        </button>
      </div>
    </header>
  );
}

function HandAndUnits({ bowId }: { readonly bowId: string }) {
  const { state, append } = useBow(bowId);
  const { params } = useAddress();
  if (state === null) return null;
  // A bow as it once was is looked at, not set anew.
  const isNow = momentIn(params) === null;
  const { hand, lengthUnit, division } = state.bow;
  return (
    <>
      <span className="pr-3 text-plain whitespace-nowrap">{upperFirst(HAND_LABEL[hand])}</span>
      <span
        className={`hidden gap-1 ${isNow ? '@roomy:flex' : ''}`}
        role="group"
        aria-label="Unit of length"
      >
        {(['in', 'mm'] as const).map((unit) => (
          <button
            key={unit}
            type="button"
            aria-pressed={lengthUnit === unit}
            className="h-11 min-w-9 text-plain aria-pressed:font-[680] aria-pressed:underline aria-pressed:decoration-2 aria-pressed:underline-offset-4"
            onClick={() => {
              if (lengthUnit !== unit) append([{ kind: 'unitsSet', lengthUnit: unit, division }]);
            }}
          >
            {unit}
          </button>
        ))}
      </span>
    </>
  );
}
