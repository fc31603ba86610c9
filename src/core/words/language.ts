/*
 * The language in which this thread speaks: the page and each of its workers choose theirs. The server and whatever chose
 * none speak English. Another language is one folder of texts and one line here.
 */
import { ENGLISH } from './en';

export type Texts = Readonly<Record<string, Readonly<Record<string, string>>>>;

/** Languages by their tags (BCP 47), each with its own name, fetched when it is first chosen. */
export const SPOKEN = {
  en: { name: 'English', texts: (): Promise<Texts> => Promise.resolve(ENGLISH) },
  de: { name: 'Deutsch', texts: async (): Promise<Texts> => (await import('./de')).GERMAN },
} as const;

export type Language = keyof typeof SPOKEN;

let now: { language: Language; texts: Texts } = { language: 'en', texts: ENGLISH };
const listeners = new Set<(language: Language) => void>();

export const spokenLanguage = (): Language => now.language;

export const spokenTexts = (): Texts => now.texts;

/** From now on this thread speaks so; what was said before is not said again. */
export async function speak(language: Language): Promise<void> {
  const texts = await SPOKEN[language].texts();
  if (now.language === language) return;
  now = { language, texts };
  for (const listener of listeners) listener(language);
}

/** @param listener called after each change @returns ends that */
export function onLanguage(listener: (language: Language) => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export const isLanguage = (tag: unknown): tag is Language => typeof tag === 'string' && Object.hasOwn(SPOKEN, tag);

/**
 * The first language of a list that is spoken here, else English.
 *
 * @param wanted as an HTTP header or a browser has it: `de-AT, de;q=0.9, en;q=0.8` (RFC 9110, 12.5.4; an order by weight
 *   is taken as sent, as browsers send it)
 */
export function firstSpoken(wanted: string): Language {
  const tags = wanted.split(',').map((tag) => tag.trim().toLowerCase().split(/[-;]/)[0]);
  return tags.find(isLanguage) ?? 'en';
}

/** A name in the middle of a sentence: German nouns keep their capitals. */
export const withinASentence = (name: string): string =>
  now.language === 'en' ? name.charAt(0).toLowerCase() + name.slice(1) : name;

/** For dates: English ones are written day first, as everywhere but in one country. */
export const dateLocale = (): string => (now.language === 'en' ? 'en-GB' : now.language);

const numbers = new Map<string, Intl.NumberFormat>();

/** 12,345.6 or 12.345,6: numbers as this language writes them. @param digits behind the point, also where they are zero */
export function inNumbers(value: number, digits?: number): string {
  const key = `${now.language} ${digits ?? ''}`;
  const known = numbers.get(key);
  if (known) return known.format(value);
  const fixed = digits === undefined ? {} : { minimumFractionDigits: digits, maximumFractionDigits: digits };
  const made = new Intl.NumberFormat(now.language, fixed);
  numbers.set(key, made);
  return made.format(value);
}

/** "G5, A5 and F♯6" */
export const inList = (words: readonly string[]): string => new Intl.ListFormat(dateLocale()).format(words);
