import type { ComponentProps } from 'react';
import { CommitField } from './CommitField';

type Rest = Omit<ComponentProps<typeof CommitField>, 'value' | 'onCommit'>;
type Known = { empty?: false; value: number; onCommit: (value: number) => boolean };
type Open = { empty: true; value: number | null; onCommit: (value: number | null) => boolean };

/** A number, with a point or a comma. `empty`: nothing may stand there where it is not known. */
export function NumberField({ empty = false, value, onCommit, ...rest }: Rest & (Known | Open)) {
  return (
    <CommitField
      inputMode="decimal"
      {...rest}
      value={value === null ? '' : String(value)}
      onCommit={(text) => {
        const typed = text.trim().replace(',', '.');
        const number = typed === '' ? null : Number(typed);
        if (number === null ? !empty : !Number.isFinite(number))
          return empty ? 'Expected a number, or nothing where it is not known.' : 'Expected a number.';
        return (onCommit as Open['onCommit'])(number) ? null : 'It could not be taken.';
      }}
    />
  );
}
