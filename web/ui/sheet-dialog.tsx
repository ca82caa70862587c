import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

/** A dialog on a plain sheet: Radix keeps the focus, Escape closes. */
export function SheetDialog({
  title,
  description,
  onClose,
  children,
}: {
  readonly title: string;
  readonly description: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}) {
  return (
    <Dialog.Root
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="scrim z-40" />
        <Dialog.Content className="sheet-panel fixed left-1/2 top-1/2 z-50 max-h-[92dvh] w-[min(680px,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto p-6">
          <Dialog.Title className="text-[26px] leading-tight font-[560]">{title}</Dialog.Title>
          <Dialog.Description className="mt-1 text-ink-2">{description}</Dialog.Description>
          <Dialog.Close
            className="absolute top-4 right-4 grid size-11 place-items-center"
            aria-label="Close"
          >
            <X size={20} strokeWidth={1.6} aria-hidden />
          </Dialog.Close>
          <div className="mt-5">{children}</div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
