'use client';

export default function Fault({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="mx-auto max-w-xl p-10">
      <h1 className="wide font-bold text-2xl">This page could not be opened</h1>
      <p className="mt-2">
        Nothing that was saved is lost. Is the database running? The server’s own words are where it was started.
      </p>
      <button type="button" className="mt-4 font-semibold underline" onClick={reset}>
        Try again
      </button>
    </main>
  );
}
