import { redirect } from 'next/navigation';

export default async function Page({ params }: PageProps<'/jobs/[id]'>) {
  redirect(`/jobs/${(await params).id}/runs`);
}
