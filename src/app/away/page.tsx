import type { Metadata } from 'next';
import { PlainPage } from '@/ui/people/formParts';

export const metadata: Metadata = { title: 'The database does not answer' };
export const dynamic = 'force-dynamic';

const AGAIN_S = 10;

/** Where one comes to while the database is away: it asks for nothing of it, and leads back by itself. */
export default async function Page({ searchParams }: PageProps<'/away'>) {
  const { next } = await searchParams;
  // A place of ours, and nobody else's.
  const place = typeof next === 'string' && /^\/(?![/\\])/.test(next) ? next : '/';
  return (
    <PlainPage title="The database does not answer">
      <meta httpEquiv="refresh" content={`${AGAIN_S};url=${place}`} />
      <p className="mt-5 text-lg">
        Good Shelf runs, but its database does not answer. Everything that was saved is safe, and what waits on your
        devices stays there until it can be sent.
      </p>
      <p className="mt-3">
        This page tries again every {AGAIN_S} seconds. If it goes on, tell whoever runs the server.
      </p>
      <p className="mt-5">
        <a href={place} className="font-semibold underline">
          Try again now
        </a>
      </p>
    </PlainPage>
  );
}
