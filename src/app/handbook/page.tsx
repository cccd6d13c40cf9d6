import type { Metadata } from 'next';
import Link from 'next/link';
import { Handbook } from '@/ui/handbook/Handbook';

export const metadata: Metadata = { title: 'Handbook' };

export default function Page() {
  return (
    <main className="mx-auto max-w-6xl px-5 py-6">
      <header className="mb-4 border-strong border-b-2 pb-3">
        <Link href="/" className="font-semibold underline">
          To the list of jobs
        </Link>
        <h1 className="wide font-extrabold text-3xl tracking-tight">Handbook</h1>
        <p className="max-w-[70ch] text-soft">
          Formulas, tables and rules of thumb that the program reckons with, to be tried with other numbers and checked
          against a book. Local codes and licensed practice go before all of it.
        </p>
      </header>
      <Handbook />
    </main>
  );
}
