import { Check } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { ComponentProps } from 'react';

/** A choice in a menu that is on or off; the menu stays open for the next one. */
export function MenuCheck({ children, ...rest }: ComponentProps<typeof DropdownMenu.CheckboxItem>) {
  return (
    <DropdownMenu.CheckboxItem
      onSelect={(event) => event.preventDefault()}
      className="flex items-center gap-2 rounded-[3px] px-2 py-1 data-disabled:text-soft data-highlighted:bg-well"
      {...rest}
    >
      <span className="grid size-4 place-items-center rounded-[2px] border border-strong bg-face">
        <DropdownMenu.ItemIndicator>
          <Check size={13} aria-hidden />
        </DropdownMenu.ItemIndicator>
      </span>
      {children}
    </DropdownMenu.CheckboxItem>
  );
}
