import { create } from 'zustand';
import { say, spokenLanguage, type Language } from '@/core/words';
import { isManualPage, type ManualPage } from './pages';

export interface ManualText {
  page: ManualPage;
  /** Markdown. */
  text: string;
}

interface Manual {
  /** What is read; null while it is closed. */
  open: { page: ManualPage; section: string | null } | null;
  /** All pages in the language that is spoken; null until they are fetched. */
  texts: { language: Language; pages: readonly ManualText[] } | null;
  failure: string | null;
  read: (page: ManualPage, section?: string | null) => void;
  close: () => void;
  /** Fetches the pages once a language. */
  fetch: () => Promise<void>;
}

export const useManual = create<Manual>((set, get) => ({
  open: null,
  texts: null,
  failure: null,
  read: (page, section = null) => {
    set({ open: { page, section } });
    void get().fetch();
  },
  close: () => set({ open: null }),
  fetch: async () => {
    const language = spokenLanguage();
    if (get().texts?.language === language) return;
    try {
      const answer = await fetch(`/api/manual/${language}`);
      if (!answer.ok) throw new Error(String(answer.status));
      set({ texts: { language, pages: pagesIn(await answer.json()) }, failure: null });
    } catch {
      set({ failure: say('manual.notFetched') });
    }
  },
}));

function pagesIn(answer: unknown): ManualText[] {
  if (!Array.isArray(answer)) return [];
  return answer.filter(
    (one): one is ManualText =>
      typeof one === 'object' && one !== null && isManualPage(String(one.page)) && typeof one.text === 'string',
  );
}

/** A heading of the manual and where it stands. */
export interface Heading {
  page: ManualPage;
  /** null for the page's own. */
  section: string | null;
  title: string;
}

/** Of all pages, in reading order. */
export function headingsOf(pages: readonly ManualText[]): Heading[] {
  return pages.flatMap(({ page, text }) =>
    [...text.matchAll(/^(##?) (.+)$/gm)].map(([, level, title]): Heading => ({
      page,
      section: level === '##' ? sectionOf(title!) : null,
      title: title!.replace(/^\d+\. /, ''),
    })),
  );
}

/** What a link to a heading says: its number where it has one, else its words. */
export const sectionOf = (title: string): string =>
  /^\d+(?=\. )/.exec(title)?.[0] ?? title.toLowerCase().replace(/[^\p{L}\d]+/gu, '-');
