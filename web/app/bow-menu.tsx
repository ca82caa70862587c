import { ChevronDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { lazy, Suspense } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { BOW_KIND_LABEL } from '#core/craft/bow-terms.ts';
import { lookAhead, useBow } from '../bows/use-bow.ts';
import { type View, viewAt, viewPath } from './view.ts';
import { useRack } from '../bows/use-rack.ts';

// Looked for only once the menu is open.
const LastGoodItem = lazy(() =>
  import('../bows/last-good-item.tsx').then((module) => ({ default: module.LastGoodItem })),
);

/** The bow in hand, and a way to take another one without leaving the view. */
export function BowMenu({
  views,
  bowId,
}: {
  readonly views: readonly View[];
  readonly bowId: string;
}) {
  const { state, log, loading } = useBow(bowId);
  // The bow on the page comes first, the list of the others after it.
  const { data } = useRack(!loading);
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const view = viewAt(views, pathname);
  return (
    // A modal menu has the browser style the whole page anew, twice. Only at the butt it must be
    // one: the tap that closes it would plot a shot.
    <DropdownMenu.Root modal={view?.tapsCount ?? false}>
      <DropdownMenu.Trigger className="flex max-w-96 min-w-0 items-center gap-2 text-plain">
        <span className="truncate font-[560]">{state?.bow.name ?? '…'}</span>
        {state !== null && (
          <span className="truncate text-ink-2 @max-wide:hidden">
            {state.bow.amoLengthIn} in {BOW_KIND_LABEL[state.bow.bowKind]}
          </span>
        )}
        <ChevronDown size={16} strokeWidth={1.6} aria-hidden className="shrink-0" />
        <span className="visually-hidden">, take another bow</span>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          className="sheet-panel z-50 max-h-[70dvh] min-w-64 overflow-y-auto py-2"
          align="start"
        >
          {state !== null && (
            <Suspense fallback={null}>
              <LastGoodItem state={state} log={log} />
            </Suspense>
          )}
          {(data?.bows ?? [])
            .filter((bow) => !bow.putAway || bow.bowId === bowId)
            .map((bow) => (
              <DropdownMenu.Item
                key={bow.bowId}
                className="flex min-h-11 items-center gap-3 px-4 data-[highlighted]:bg-ink data-[highlighted]:text-sheet"
                onFocus={() => lookAhead(bow.bowId)}
                onSelect={() => {
                  if (view !== undefined) void navigate(viewPath(view, bow.bowId));
                }}
              >
                <span className={bow.bowId === bowId ? 'font-[680]' : ''}>{bow.name}</span>
                <span className="ml-auto text-note">
                  {bow.amoLengthIn} in, {bow.hand}
                </span>
              </DropdownMenu.Item>
            ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
