import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { type ReactNode, useState } from 'react';

/** A dialog on a plain sheet: Radix keeps the focus, Escape closes and the hand is back where it was. */
export function SheetDialog({
  title,
  description,
  onClose,
  children,
  wide = false,
  focusSheet = false,
}: {
  readonly title: string;
  readonly description: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
  readonly wide?: boolean;
  /** The sheet itself takes the focus, where Enter on the first button would log something. */
  readonly focusSheet?: boolean;
}) {
  const [openedFrom] = useState(() => document.activeElement);
  return (
    <Dialog.Root
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="scrim z-40" />
        <Dialog.Content
          onOpenAutoFocus={(event) => {
            if (!focusSheet || !(event.currentTarget instanceof HTMLElement)) return;
            event.preventDefault();
            event.currentTarget.focus();
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            giveFocusBack(openedFrom);
          }}
          className={`sheet-panel @container fixed top-1/2 left-1/2 z-50 max-h-[94dvh] -translate-x-1/2 -translate-y-1/2 overflow-y-auto p-(--sheet-pad) ${wide ? 'w-[min(67.5rem,96vw)]' : 'w-[min(42.5rem,94vw)]'}`}
        >
          <Dialog.Title className="pr-11 text-title leading-tight font-[560]">{title}</Dialog.Title>
          <Dialog.Description className="mt-1 text-ink-2">{description}</Dialog.Description>
          <div className="mt-5">{children}</div>
          <Dialog.Close
            className="absolute top-4 right-4 grid size-11 place-items-center"
            aria-label="Close"
          >
            <X size={20} strokeWidth={1.6} aria-hidden />
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** To where the sheet was opened from, or to the view when that is gone; never from where it went on purpose. */
function giveFocusBack(openedFrom: Element | null): void {
  const lost = document.activeElement === null || document.activeElement === document.body;
  if (!lost || openedFrom === document.body) return;
  const there = openedFrom?.isConnected === true ? openedFrom : document.getElementById('main');
  if (there instanceof HTMLElement || there instanceof SVGElement) there.focus();
}
