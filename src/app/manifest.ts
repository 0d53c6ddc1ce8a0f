import { getTranslations } from 'next-intl/server';
import type { MetadataRoute } from 'next';

/** What a phone shows once Dirigo is put on its home screen. */
export default async function manifest(): Promise<MetadataRoute.Manifest> {
  const t = await getTranslations();
  return {
    id: '/',
    name: t('pages.root.name'),
    short_name: t('pages.root.name'),
    description: t('pages.root.whatItIs'),
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
