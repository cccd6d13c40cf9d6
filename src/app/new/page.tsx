import type { Metadata } from 'next';
import { NewJobForm } from '@/ui/jobs/NewJobForm';

export const metadata: Metadata = { title: 'New job' };

export default function Page() {
  return <NewJobForm />;
}
