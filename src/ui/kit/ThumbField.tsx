import type { ComponentProps, ReactNode } from 'react';
import { inputLook } from './Field';

type Props = Omit<ComponentProps<'input'>, 'onChange' | 'value'> & {
  label: ReactNode;
  value: string;
  onText: (text: string) => void;
};

/** A field for a thumb at the rack: its text is kept by what is around it, and taken with what is pressed next. */
export const ThumbField = ({ label, value, onText, className = '', ...rest }: Props) => (
  <label className={`grid text-[13px] ${className}`}>
    {label}
    <input
      {...rest}
      value={value}
      onChange={(event) => onText(event.target.value)}
      className={`${inputLook} min-h-12`}
    />
  </label>
);
