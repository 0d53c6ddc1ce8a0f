import type { MetadataRoute } from 'next';

/** What a phone shows once Dirigo is put on its home screen. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    id: '/',
    name: 'Dirigo',
    short_name: 'Dirigo',
    description: 'Gate drills for putting coaches: set them up, log them, score them',
    start_url: '/',
    scope: '/',
    display: 'standalone',
    background_color: '#fbf9f2',
    theme_color: '#18212d',
    icons: [
      { src: '/icons/192.png', sizes: '192x192', type: 'image/png', purpose: 'any' },
      { src: '/icons/512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
      { src: '/icons/maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
