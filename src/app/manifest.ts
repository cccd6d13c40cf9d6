import type { MetadataRoute } from 'next';

/** The program as an application of a telephone: it begins at the rack. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Good Shelf',
    short_name: 'Good Shelf',
    description: 'Plan, patch and hand over a network cabinet',
    start_url: '/rack',
    scope: '/',
    display: 'standalone',
    background_color: '#f4eee1',
    theme_color: '#1e4d47',
    icons: [
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
