import type { BowState } from '#core/log/bow-state.ts';
import { useSettings } from '../theme/use-settings.ts';
import { SheetDialog } from '../ui/sheet-dialog.tsx';
import { BuyPanel } from './buy-panel.tsx';
import { NumberedPanel } from './numbered-panel.tsx';
import { MatchedSetPanel } from './matched-set-panel.tsx';

export type ArrowSheet = 'buy' | 'set' | 'parts' | 'numbers';

/** What may lie open over the arrows. */
export function ArrowSheets({
  sheet,
  state,
  onClose,
  onTake,
}: {
  readonly sheet: string | null;
  readonly state: BowState;
  readonly onClose: () => void;
  /** This spine is laid out as an arrow. */
  readonly onTake: (spine: number) => void;
}) {
  const { massUnit, buttUnit } = useSettings();
  if (sheet === 'buy')
    return (
      <SheetDialog
        title="Which shaft to buy"
        description="Spines that could be tuned to this bow, before one is bought."
        onClose={onClose}
      >
        <BuyPanel state={state} onTake={onTake} />
      </SheetDialog>
    );
  if (sheet === 'numbers')
    return (
      <SheetDialog
        title="Numbered shafts"
        description="What each arrow of this bow weighs, and where it lands from its fellows."
        onClose={onClose}
      >
        <NumberedPanel state={state} massUnit={massUnit} unit={buttUnit} />
      </SheetDialog>
    );
  if (sheet === 'set')
    return (
      <SheetDialog
        title="A matched set"
        description="The shafts of a lot that shoot most alike, by mass, spine and straightness."
        onClose={onClose}
      >
        <MatchedSetPanel state={state} massUnit={massUnit} />
      </SheetDialog>
    );
  return null;
}
