'use client';

import { type ComponentProps, type ReactNode, useEffect, useId, useRef, useState } from 'react';
import { Refusal } from '@/core/base/text/refusal';
import { inputLook } from './Field';

/** What is wrong with a text, in words, or null once it was taken. */
export type Commit = (text: string) => string | null;

/** A commit that turns a refusal into its words. */
export const committing =
  (work: (text: string) => boolean): Commit =>
  (text) => {
    try {
      return work(text) ? null : 'It could not be taken.';
    } catch (fault) {
      if (fault instanceof Refusal) return fault.message;
      throw fault;
    }
  };

type Shared = { label: string; hideLabel?: boolean; unit?: string; help?: ReactNode; value: string; onCommit: Commit };

/** A field that takes what was typed on Enter or on leaving it. Escape puts back what was there. */
export function CommitField({
  label,
  hideLabel = false,
  unit,
  help,
  value,
  onCommit,
  className = '',
  ...rest
}: Shared & Omit<ComponentProps<'input'>, keyof Shared | 'value'>) {
  const id = useId();
  const [wrong, setWrong] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const committed = useRef(value);
  // What was taken, or changed elsewhere, is shown in the same field: one made anew would lose the focus.
  useEffect(() => {
    if (field.current && committed.current !== value) field.current.value = value;
    committed.current = value;
  }, [value]);
  const commit = (input: HTMLInputElement) => {
    if (input.value.trim() === committed.current.trim()) return setWrong(null);
    setWrong(onCommit(input.value));
  };
  return (
    <div className={`grid content-start gap-0.5 ${className}`}>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'font-semibold text-[13px] leading-tight'}>
        {label}
        {unit && <span className="font-normal text-soft"> ({unit})</span>}
      </label>
      <input
        ref={field}
        id={id}
        defaultValue={value}
        // What has no room in the field is read whole by pointing at it.
        title={value.length > 8 ? value : undefined}
        autoComplete="off"
        aria-invalid={wrong ? true : undefined}
        aria-describedby={`${id}-help`}
        className={`${inputLook} ${wrong ? 'outline-2 outline-wont' : ''}`}
        onBlur={(event) => commit(event.currentTarget)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            commit(event.currentTarget);
          } else if (event.key === 'Escape') {
            event.currentTarget.value = value;
            setWrong(null);
          }
        }}
        {...rest}
      />
      {(wrong || help) && (
        <p
          id={`${id}-help`}
          className={wrong ? 'font-semibold text-wont text-xs' : 'narrow text-soft text-xs leading-tight'}
        >
          {wrong ?? help}
        </p>
      )}
    </div>
  );
}

/** A choice that is taken at once. */
export function CommitSelect({
  label,
  hideLabel = false,
  help,
  value,
  options,
  onCommit,
  className = '',
}: Omit<Shared, 'unit' | 'onCommit'> & {
  options: readonly { value: string; words: string }[];
  onCommit: (value: string) => void;
  className?: string;
}) {
  const id = useId();
  return (
    <div className={`grid content-start gap-0.5 ${className}`}>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'font-semibold text-[13px] leading-tight'}>
        {label}
      </label>
      <select
        id={id}
        value={value}
        aria-describedby={help ? `${id}-help` : undefined}
        className={inputLook}
        onChange={(event) => onCommit(event.target.value)}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.words}
          </option>
        ))}
      </select>
      {help && (
        <p id={`${id}-help`} className="narrow text-soft text-xs leading-tight">
          {help}
        </p>
      )}
    </div>
  );
}
