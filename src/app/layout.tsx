import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource/atkinson-hyperlegible-mono/400.css';
import '@fontsource/atkinson-hyperlegible-mono/700.css';
import '@/ui/theme/global.css';
import { type Metadata, type Viewport } from 'next';
import { cookies } from 'next/headers';
import { type ReactNode } from 'react';
import { ReckonerPanel } from '@/features/reckoner';
import { Shell } from '@/features/shell';
import { BenchTheme, paletteStyles, shopZone, StyleRegistry, type ThemeName } from '@/ui';
import { admission, passCookie } from '@/workshop/door/server';
import { faces } from './faces';

export const metadata: Metadata = {
  title: { default: 'Tovrik', template: '%s · Tovrik' },
  description: 'Readings in, judgement out, next probe named.',
};

export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function Layout({ children }: { children: ReactNode }) {
  const kept = await cookies();
  const chosen = kept.get('tovrik-theme')?.value;
  const theme: ThemeName = (chosen ?? kept.get('tovrik-system')?.value) === 'dark' ? 'dark' : 'light';
  const door = admission();
  const isInShop = !door || door.guestOf(kept.get(passCookie)?.value) === 'shop';
  return (
    <html lang="en" className={faces} data-theme={theme} data-zone={shopZone()} suppressHydrationWarning>
      <head>
        <style>{paletteStyles}</style>
      </head>
      <body>
        <StyleRegistry>
          <BenchTheme initial={theme} chosen={chosen !== undefined}>
            <Shell isInShop={isInShop}>{children}</Shell>
            <ReckonerPanel />
          </BenchTheme>
        </StyleRegistry>
      </body>
    </html>
  );
}
