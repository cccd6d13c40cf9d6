'use client';

import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button } from './Button';

/** A sheet laid over the page. Escape puts it away. */
export function Sheet({
  open,
  onClose,
  title,
  about,
  wide = false,
  children,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  about: string;
  wide?: boolean;
  children: ReactNode;
}) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Dialog.Content
          className={`fixed top-[5vh] left-1/2 z-50 flex max-h-[90vh] -translate-x-1/2 flex-col rounded-md border border-strong bg-sheet shadow-xl ${wide ? 'w-[min(1160px,96vw)]' : 'w-[min(560px,94vw)]'}`}
        >
          <header className="flex items-start gap-3 border-b px-4 py-3">
            <div className="min-w-0 flex-1">
              <Dialog.Title className="wide font-bold text-lg leading-tight">{title}</Dialog.Title>
              <Dialog.Description className="text-soft">{about}</Dialog.Description>
            </div>
            <Dialog.Close asChild>
              <Button look="quiet" aria-label="Close">
                <X size={18} aria-hidden />
              </Button>
            </Dialog.Close>
          </header>
          <div className="min-h-0 flex-1 overflow-auto p-4">{children}</div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
