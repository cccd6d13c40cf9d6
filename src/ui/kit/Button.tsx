import type { ComponentProps } from 'react';

const LOOKS = {
  main: 'border-act bg-act text-act-ink hover:brightness-110',
  plain: 'border-strong bg-sheet text-ink hover:bg-well',
  quiet: 'border-transparent bg-transparent text-ink hover:bg-well',
};

const SHAPE =
  'inline-flex min-h-8 items-center gap-1.5 rounded-[3px] border px-2.5 py-1 font-semibold leading-tight disabled:cursor-not-allowed disabled:opacity-45';

/** For a thumb at the rack. */
const BIG = 'min-h-12! justify-center px-4 text-base';

/** The one button of the house. `main` is for the step that moves the job on. */
export function Button({
  look = 'plain',
  big = false,
  className = '',
  ...rest
}: ComponentProps<'button'> & { look?: keyof typeof LOOKS; big?: boolean }) {
  return <button type="button" className={`${SHAPE} ${LOOKS[look]} ${big ? BIG : ''} ${className}`} {...rest} />;
}

/** A file to take away, looking like a button. */
export const FileLink = ({ look = 'plain', ...rest }: ComponentProps<'a'> & { look?: keyof typeof LOOKS }) => (
  <a download className={`${SHAPE} ${LOOKS[look]}`} {...rest} />
);
