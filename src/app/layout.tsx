import '@fontsource/ibm-plex-sans-condensed/400.css';
import '@fontsource/ibm-plex-sans-condensed/500.css';
import '@fontsource/ibm-plex-sans-condensed/600.css';
import '@fontsource/libertinus-serif/400.css';
import '@fontsource/libertinus-serif/400-italic.css';
import '@fontsource/libertinus-math/400.css';
import './globals.css';
import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { Patterns } from '@/ui/fields/Patterns';
import { KeepOffline } from '@/ui/offline/KeepOffline';

export const metadata: Metadata = {
  title: 'Intarsia',
  description: 'Reinforced concrete members designed to code, every number explained.',
};

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body>
        <Patterns />
        {children}
        <KeepOffline />
      </body>
    </html>
  );
}
