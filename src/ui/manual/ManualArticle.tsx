import type { ReactNode } from 'react';
import Markdown, { type Components } from 'react-markdown';
import remarkGfm from 'remark-gfm';
import { sectionOf } from './manual';
import { isManualPage, type ManualPage } from './pages';

/** A page of the manual. Its links and pictures are written as they stand in docs/manual. */
export function ManualArticle({
  text,
  section,
  onRead,
}: {
  text: string;
  /** The one that was asked for. */
  section: string | null;
  onRead: (page: ManualPage) => void;
}) {
  const components: Components = {
    h2: ({ children }) => {
      const own = sectionOf(plain(children));
      return (
        <h2 id={`manual-${own}`} aria-current={own === section || undefined}>
          {children}
        </h2>
      );
    },
    a: ({ href = '', children }) => {
      const page = href.replace(/\.md$/, '');
      if (!isManualPage(page)) return <span>{children}</span>;
      return (
        <button type="button" onClick={() => onRead(page)}>
          {children}
        </button>
      );
    },
    img: ({ src, alt = '' }) => {
      const name = typeof src === 'string' ? src.split('/').at(-1)! : '';
      // Pictures of the screens, as they are: nothing for the framework to shrink.
      // oxlint-disable-next-line nextjs/no-img-element
      return <img src={`/api/pictures/${name}`} alt={alt} loading="lazy" />;
    },
  };
  return (
    <Markdown remarkPlugins={[remarkGfm]} components={components}>
      {text}
    </Markdown>
  );
}

const plain = (children: ReactNode): string =>
  Array.isArray(children) ? children.map(plain).join('') : String(children);
