import { type MetadataRoute } from 'next';
import { palettes } from '@/ui';

/** What a browser needs to know to install it. */
export default function manifest(): MetadataRoute.Manifest {
  const { light } = palettes;
  return {
    name: 'Tovrik',
    short_name: 'Tovrik',
    description: 'Readings in, judgement out, next probe named.',
    start_url: '/',
    display: 'standalone',
    background_color: light.sheet,
    theme_color: light.petrol,
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
}
