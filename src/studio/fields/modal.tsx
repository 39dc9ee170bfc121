import X from 'lucide-react/icons/x';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
  readonly title: string;
  readonly text?: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
  readonly width?: number;
}

/** A dialog of the studio: focus kept, Esc closes, named by its heading. */
export function Modal({ title, text, onClose, children, width = 560 }: Props) {
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-basalt/50" />
        <Dialog.Content
          aria-describedby={undefined}
          style={{ width }}
          className="fixed start-1/2 top-[12vh] z-50 flex max-h-[76vh] max-w-[92vw] -translate-x-1/2 flex-col overflow-hidden rounded-stone border border-mortar bg-limestone"
        >
          <header className="flex items-start justify-between gap-4 border-b border-mortar px-5 py-3.5">
            <div>
              <Dialog.Title>{title}</Dialog.Title>
              {text && <p className="help">{text}</p>}
            </div>
            <Dialog.Close aria-label="Close" className="plain">
              <X size={20} strokeWidth={1.75} />
            </Dialog.Close>
          </header>
          <div className="min-h-0 overflow-auto px-5 py-4">{children}</div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
