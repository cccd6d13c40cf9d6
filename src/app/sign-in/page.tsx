import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { withAccounts } from '@/server/door';
import { SignInForm } from '@/ui/people/SignInForm';

export const metadata: Metadata = { title: 'Sign in' };
export const dynamic = 'force-dynamic';

export default function Page() {
  if (!withAccounts()) notFound();
  return <SignInForm />;
}
