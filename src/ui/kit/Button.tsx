import type { ComponentProps } from 'react';

const LOOKS = {
  main: 'border-act bg-act text-act-ink hover:brightness-110',
  plain: 'border-strong bg-sheet text-ink hover:bg-well',
  quiet: 'border-transparent bg-transparent text-ink hover:bg-well',
};

const SHAPE =
  'inline-flex min-h-8 items-center gap-1.5 rounded-[3px] border px-2.5 py-1 font-semibold leading-tight disabled:cursor-not-allowed disabled:opacity-45';

/** The one button of the house. `main` is for the step that moves the job on. */
export function Button({
  look = 'plain',
  className = '',
  ...rest
}: ComponentProps<'button'> & { look?: keyof typeof LOOKS }) {
  return <button type="button" className={`${SHAPE} ${LOOKS[look]} ${className}`} {...rest} />;
}

/** A file to take away, looking like a button. */
export const FileLink = ({ look = 'plain', ...rest }: ComponentProps<'a'> & { look?: keyof typeof LOOKS }) => (
  <a download className={`${SHAPE} ${LOOKS[look]}`} {...rest} />
);
