import { format } from 'date-fns';
import { DropdownMenu } from 'radix-ui';
import { useNavigate } from 'react-router';
import type { BowState } from '#core/log/bow-state.ts';
import type { LoggedEntry } from '#core/log/entry.ts';
import { asItWas } from './moment-address.ts';
import { useLastGood } from './use-last-good.ts';

/** In the bow menu of every view: the bow as it was when it was last known to be right. */
export function LastGoodItem({
  state,
  log,
}: {
  readonly state: BowState;
  readonly log: readonly LoggedEntry[];
}) {
  const navigate = useNavigate();
  const goodMs = useLastGood(log, state);
  if (goodMs === null) return null;
  return (
    <>
      <DropdownMenu.Item
        className="flex min-h-11 items-center px-4 data-[highlighted]:bg-ink data-[highlighted]:text-sheet"
        onSelect={() => void navigate(asItWas(`/bench/${state.bowId}`, goodMs))}
      >
        {state.bow.name} when last good, {format(goodMs, 'd MMM yyyy HH:mm')}
      </DropdownMenu.Item>
      <DropdownMenu.Separator className="mx-4 my-2 border-t border-faint" />
    </>
  );
}
