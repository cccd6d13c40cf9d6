import Link from 'next/link';
import type { ReactNode } from 'react';
import { ThemeButton } from '../kit/theme';

/** A page for one thing, before or beside the jobs. */
export function PlainPage({
  title,
  about,
  back,
  children,
}: {
  title: string;
  about?: string;
  back?: boolean;
  children: ReactNode;
}) {
  return (
    <main className="mx-auto max-w-3xl px-5 py-6">
      <header className="flex items-end gap-3 border-strong border-b-2 pb-3">
        <div className="min-w-0 flex-1">
          {back && (
            <Link href="/" className="inline-flex min-h-8 items-center font-semibold underline max-sm:min-h-11">
              To the list of jobs
            </Link>
          )}
          <h1 className="wide font-extrabold text-3xl tracking-tight">{title}</h1>
          {about && <p className="text-soft">{about}</p>}
        </div>
        <ThemeButton />
      </header>
      {children}
    </main>
  );
}

/** What went wrong with the whole form. */
export const Wrong = ({ words }: { words: string | null }) =>
  words && (
    <p role="alert" className="font-semibold text-wont">
      {words}
    </p>
  );
