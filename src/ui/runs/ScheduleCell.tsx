'use client';

import { type ClipboardEvent, type KeyboardEvent, useRef, useState } from 'react';
import { toast } from '../session/toast';

/** Say what could not be taken, a few at a time. */
export function say(faults: string[]) {
  if (faults.length > 0)
    toast.error(faults.slice(0, 6).join('\n'), { duration: 12_000, style: { whiteSpace: 'pre-line' } });
}

export const cellLook =
  'h-full w-full min-w-0 text-ellipsis bg-transparent px-1.5 text-ink focus:bg-face focus:outline-2 focus:outline-[var(--focus)] focus:-outline-offset-2';

/** A cell that takes what was typed on Enter or on leaving it. */
export function Cell({
  name,
  value,
  cell,
  list,
  hint,
  look,
  onCommit,
  onFocus,
  onPaste,
  onMove,
}: {
  name: string;
  value: string;
  cell: string;
  list: string | undefined;
  hint: string;
  look: string;
  onCommit: (text: string) => boolean;
  onFocus: () => void;
  onPaste: (text: string) => boolean;
  onMove: (step: 1 | -1) => void;
}) {
  const [wrong, setWrong] = useState(false);
  // Enter commits and moves on, and the blur that follows must not commit once more.
  const committed = useRef(value);
  const commit = (input: HTMLInputElement): boolean => {
    if (input.value.trim() === committed.current) {
      setWrong(false);
      return true;
    }
    const taken = onCommit(input.value);
    if (taken) committed.current = input.value.trim();
    setWrong(!taken);
    return taken;
  };
  const press = (event: KeyboardEvent<HTMLInputElement>) => {
    const input = event.currentTarget;
    if (event.key === 'Enter') {
      event.preventDefault();
      if (commit(input)) onMove(1);
    } else if (event.key === 'Escape') {
      input.value = value;
      setWrong(false);
    } else if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && !list) {
      event.preventDefault();
      onMove(event.key === 'ArrowDown' ? 1 : -1);
    }
  };
  const paste = (event: ClipboardEvent<HTMLInputElement>) => {
    if (onPaste(event.clipboardData.getData('text/plain'))) event.preventDefault();
  };
  return (
    <input
      aria-label={name}
      aria-invalid={wrong || undefined}
      defaultValue={value}
      data-cell={cell}
      list={list}
      placeholder={hint}
      autoComplete="off"
      spellCheck={false}
      title={value || undefined}
      className={`${cellLook} ${look} ${wrong ? 'bg-wont/15 outline-2 outline-wont' : ''}`}
      onFocus={onFocus}
      onBlur={(event) => commit(event.currentTarget)}
      onKeyDown={press}
      onPaste={paste}
    />
  );
}
