import type { Metadata } from 'next';
import { Toaster } from 'sonner';
import { themeScript } from '@/ui/kit/theme';
import './globals.css';

export const metadata: Metadata = {
  title: { default: 'Good Shelf', template: '%s · Good Shelf' },
  description: 'Plan, patch and hand over a network cabinet',
};

export default function Layout({ children }: { children: React.ReactNode }) {
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        {/* biome-ignore lint/security/noDangerouslySetInnerHtml: our own constant, before the first paint */}
        <script dangerouslySetInnerHTML={{ __html: themeScript }} />
      </head>
      <body>
        {children}
        <Toaster
          position="top-center"
          toastOptions={{
            style: {
              background: 'var(--sheet)',
              color: 'var(--ink)',
              border: '1px solid var(--strong-rule)',
              borderRadius: 4,
            },
          }}
        />
      </body>
    </html>
  );
}
