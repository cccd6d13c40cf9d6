import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl p-10">
      <h1 className="wide font-bold text-2xl">Page not found</h1>
      <p className="mt-2">The link is incomplete, or the job was removed.</p>
      <Link className="mt-4 inline-block font-semibold underline" href="/">
        To the list of jobs
      </Link>
    </main>
  );
}
