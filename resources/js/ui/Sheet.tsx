import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { words } from '../words';

/** A dialog that rises from the bottom in the hand and stands in the middle at a desk. */
export function Sheet({
  open,
  onClose,
  title,
  about,
  children,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  about?: string | undefined;
  children: ReactNode;
}) {
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(now) => {
        if (!now) onClose();
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          {...(about ? {} : { 'aria-describedby': undefined })}
          className="fixed inset-x-0 bottom-0 z-50 max-h-[94dvh] overflow-y-auto rounded-t-2xl border border-line bg-paper p-5 pb-[max(1.25rem,env(safe-area-inset-bottom))] rail:inset-x-auto rail:top-1/2 rail:bottom-auto rail:left-1/2 rail:w-[36rem] rail:-translate-x-1/2 rail:-translate-y-1/2 rail:rounded-2xl"
        >
          <div className="mb-3 flex items-start justify-between gap-3">
            <div>
              <Dialog.Title className="text-2xl">{title}</Dialog.Title>
              {about && <Dialog.Description className="text-soft">{about}</Dialog.Description>}
            </div>
            <Dialog.Close
              aria-label={words.close}
              className="grid size-12 shrink-0 place-items-center rounded-full hover:bg-wash"
            >
              <X aria-hidden />
            </Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
