'use client';

import { createContext, useContext } from 'react';
import { speak, type Language } from '@/core/words';
import { LANGUAGE_COOKIE } from './language-cookie';

const A_YEAR_IN_S = 365 * 24 * 60 * 60;

export const LanguageContext = createContext<{ language: Language; setLanguage: (language: Language) => void }>({
  language: 'en',
  setLanguage: () => {},
});

/** The language of all texts, and how to change it. */
export const useLanguage = () => useContext(LanguageContext);

/** Everything said from now on, here and in the workers, is in that language; the browser remembers it. */
export async function speakFromNowOn(language: Language): Promise<void> {
  await speak(language);
  document.documentElement.lang = language;
  document.cookie = `${LANGUAGE_COOKIE}=${language}; path=/; max-age=${A_YEAR_IN_S}; samesite=strict`;
}
