import { notFound, redirect } from 'next/navigation';
import { STATIONS } from '@/core/job/records/stationIds';

/** Every place of a job is one page, so that the way from one to the other needs no server. */
export default async function Page({ params }: PageProps<'/jobs/[id]/[[...view]]'>) {
  const { id, view = [] } = await params;
  const past = view[0] === 'at';
  const [station] = past ? view.slice(2) : view;
  const base = `/jobs/${id}${past ? `/at/${view[1]}` : ''}`;
  if (past && !/^\d+$/.test(view[1] ?? '')) notFound();
  if (station === undefined) redirect(`${base}/runs`);
  if (!(STATIONS as readonly string[]).includes(station)) notFound();
  return null;
}
