import '@fontsource/alegreya/400.css';
import '@fontsource/alegreya/500.css';
import '@fontsource/alegreya/400-italic.css';
import '@fontsource/source-sans-3/400.css';
import '@fontsource/source-sans-3/600.css';
import '@fontsource/jetbrains-mono/400.css';
import './globals.css';
import type { Metadata } from 'next';
import { connection } from 'next/server';
import type { ReactNode } from 'react';
import { Providers } from '@/ui/providers';

export const metadata: Metadata = {
  title: 'Dragoman',
  description: 'Turns sequenced MIDI into readable MusicXML and back, and shows that score and playback agree.',
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Each answer has a nonce of its own (src/policy.ts): pages are made when they are asked for.
  await connection();
  return (
    <html lang="en">
      <body>
        <Providers>{children}</Providers>
      </body>
    </html>
  );
}
