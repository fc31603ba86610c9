'use client';

import { say } from '@/core/words';
import { Alert, Drawer, Select, Spin } from 'antd';
import { useEffect } from 'react';
import { BESIDE_THE_DESK } from '../job/takenKeys';
import { headingsOf, useManual, type ManualText } from './manual';
import { ManualArticle } from './ManualArticle';
import styles from './manual.module.css';

/** The manual beside the work. */
export function ManualDrawer() {
  const open = useManual((state) => state.open);
  const texts = useManual((state) => state.texts);
  const failure = useManual((state) => state.failure);
  const close = useManual((state) => state.close);
  const pages = texts?.pages ?? [];
  const shown = pages.find(({ page }) => page === open?.page);
  return (
    <Drawer
      title={say('manual.manual')}
      open={open !== null}
      onClose={close}
      size={560}
      mask={false}
      rootClassName={BESIDE_THE_DESK}
      // While it slides in there is nowhere to scroll to.
      afterOpenChange={(isOpen) => isOpen && toSection(open?.section ?? null)}
      extra={<PageChoice pages={pages} />}
    >
      {failure && !texts && <Alert type="error" title={failure} />}
      {!texts && !failure && <Spin description={say('manual.opening')} />}
      {shown && open && <OpenPage text={shown.text} section={open.section} />}
    </Drawer>
  );
}

/** Begins at its section, each time it is asked for. */
function OpenPage({ text, section }: { text: string; section: string | null }) {
  const open = useManual((state) => state.open);
  const read = useManual((state) => state.read);
  useEffect(() => toSection(section), [open, text, section]);
  return (
    <div id={ARTICLE} className={styles.article}>
      <ManualArticle text={text} section={section} onRead={read} />
    </div>
  );
}

const ARTICLE = 'manual-article';

function toSection(section: string | null): void {
  document.getElementById(section === null ? ARTICLE : `manual-${section}`)?.scrollIntoView({ block: 'start' });
}

function PageChoice({ pages }: { pages: readonly ManualText[] }) {
  const open = useManual((state) => state.open);
  const read = useManual((state) => state.read);
  return (
    <Select
      size="small"
      style={{ width: 260 }}
      aria-label={say('manual.page')}
      value={open?.page}
      onChange={(page) => read(page)}
      options={headingsOf(pages)
        .filter(({ section }) => section === null)
        .map(({ page, title }) => ({ value: page, label: title }))}
    />
  );
}
