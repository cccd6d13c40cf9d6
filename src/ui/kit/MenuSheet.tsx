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

/** One line of a menu. */
export const MenuItem = ({ onSelect, children }: { onSelect: () => void; children: ReactNode }) => (
  <DropdownMenu.Item
    onSelect={onSelect}
    className="flex min-h-11 cursor-pointer items-center rounded-sm px-3 outline-none data-highlighted:bg-well"
  >
    {children}
  </DropdownMenu.Item>
);
