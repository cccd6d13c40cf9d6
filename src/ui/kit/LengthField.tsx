import { lengthToField, parseLength } from '@/core/base/units/length';
import { useSession } from '../session/session';
import { CommitField } from './CommitField';

type Shared = {
  label: string;
  least?: number;
  hideLabel?: boolean;
  className?: string;
  placeholder?: string;
  onCommit: (mm: number) => boolean;
};

/** A length in metres or feet, as the job has it, typed and kept in whole millimetres. `onClear` allows none. */
export function LengthField({
  label,
  mm,
  least = 0,
  onCommit,
  onClear,
  ...look
}: Shared & ({ mm: number; onClear?: never } | { mm: number | null; onClear: () => boolean })) {
  const units = useSession((session) => session.job.units);
  const unit = units === 'metric' ? 'm' : 'ft';
  return (
    <CommitField
      {...look}
      label={label}
      unit={unit}
      inputMode="decimal"
      value={lengthToField(mm, units)}
      onCommit={(text) => {
        const taken = (done: boolean) => (done ? null : 'That does not go: see the message.');
        if (text.trim() === '' && onClear) return taken(onClear());
        const value = parseLength(text, unit);
        if (value === null || value < least)
          return `Expected a length${least > 0 ? ` of ${lengthToField(least, units)} ${unit} or more` : ''}, such as ${unit === 'm' ? '4.2' : '14'}.`;
        return taken(onCommit(value));
      }}
    />
  );
}
