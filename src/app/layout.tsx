import '@fontsource/alegreya/400.css';
import '@fontsource/alegreya/500.css';
import '@fontsource/alegreya/400-italic.css';
import '@fontsource/source-sans-3/400.css';
import '@fontsource/source-sans-3/600.css';
import '@fontsource/jetbrains-mono/400.css';
import './globals.css';
import type { Metadata } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { firstSpoken, isLanguage, type Language } from '@/core/words';
import { Providers } from '@/ui/providers';
import { LANGUAGE_COOKIE } from '@/ui/shared/language-cookie';

export const metadata: Metadata = {
  title: 'Dragoman',
  description: 'Turns sequenced MIDI into readable MusicXML and back, and shows that score and playback agree.',
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Each answer has a nonce of its own (src/policy.ts): pages are made when they are asked for.
  const language = await languageOfReader();
  return (
    <html lang={language}>
      <body>
        <Providers language={language}>{children}</Providers>
      </body>
    </html>
  );
}

/** The language chosen before, else the first of the browser's that is spoken here. */
async function languageOfReader(): Promise<Language> {
  const chosen = (await cookies()).get(LANGUAGE_COOKIE)?.value;
  return isLanguage(chosen) ? chosen : firstSpoken((await headers()).get('accept-language') ?? '');
}
