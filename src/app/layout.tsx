import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { Toasts } from '@/ui/kit/Toasts';
import { themeScript } from '@/ui/kit/themeScript';
import { EARLY_ASK } from '@/ui/session/earlyAsk';
import './globals.css';

export const metadata: Metadata = {
  title: { default: 'Good Shelf', template: '%s · Good Shelf' },
  description: 'Plan, patch and hand over a network cabinet',
};

/** Zod tries whether it may make code out of text; the policy of our pages says no. */
const QUIET_ZOD = 'globalThis.__zod_globalConfig={jitless:true};';

export default async function Layout({ children }: { children: React.ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? '';
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <script
          nonce={nonce}
          suppressHydrationWarning
          // biome-ignore lint/security/noDangerouslySetInnerHtml: our own constants, before the first paint
          dangerouslySetInnerHTML={{ __html: `${QUIET_ZOD}${themeScript}${EARLY_ASK}` }}
        />
      </head>
      <body>
        {children}
        <Toasts />
      </body>
    </html>
  );
}
