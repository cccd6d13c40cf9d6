import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';

/** The sheet of a menu. */
export const MenuSheet = ({ align = 'start', children }: { align?: 'start' | 'end'; children: ReactNode }) => (
  <DropdownMenu.Portal>
    <DropdownMenu.Content
      align={align}
      sideOffset={4}
      className="z-50 min-w-44 rounded-[4px] border border-strong bg-sheet p-1 shadow-lg"
    >
      {children}
    </DropdownMenu.Content>
  </DropdownMenu.Portal>
);
