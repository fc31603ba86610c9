'use client';

import { AntdRegistry } from '@ant-design/nextjs-registry';
import { App, ConfigProvider } from 'antd';
import deDE from 'antd/locale/de_DE';
import enGB from 'antd/locale/en_GB';
import { Fragment, useEffect, useMemo, useState, type ReactNode } from 'react';
import type { Language } from '@/core/words';
import { KeepCopies } from './shared/KeepCopies';
import { LanguageContext, speakFromNowOn } from './shared/language';
import { ModeContext, type Mode } from './shared/mode';
import { catchStrayFiles } from './shared/strayFiles';
import { themeFor } from './shared/theme';

const STORED_MODE = 'dragoman-mode';

/** What the component library says by itself. */
const COMPONENT_TEXTS: Record<Language, typeof enGB> = { en: enGB, de: deDE };

/** The language that is spoken; null until its texts are there. */
function useSpoken(first: Language) {
  const [spoken, setSpoken] = useState<Language | null>(first === 'en' ? 'en' : null);
  useEffect(() => {
    if (first !== 'en') void speakFromNowOn(first).then(() => setSpoken(first));
  }, [first]);
  const value = useMemo(
    () => ({
      language: spoken ?? first,
      setLanguage: (next: Language) => void speakFromNowOn(next).then(() => setSpoken(next)),
    }),
    [spoken, first],
  );
  return { spoken, value };
}

/** Theme, language, messages and dialogs for the whole application. @param language the first one, as the server read it */
export function Providers({ language, children }: { language: Language; children: ReactNode }) {
  const { spoken, value: speaking } = useSpoken(language);
  const [mode, setMode] = useState<Mode>('light');

  useEffect(() => {
    // Known only in the browser; the server draws the light theme.
    // oxlint-disable-next-line react/set-state-in-effect
    if (localStorage.getItem(STORED_MODE) === 'dark') setMode('dark');
  }, []);

  useEffect(() => {
    document.documentElement.dataset.mode = mode;
  }, [mode]);

  useEffect(catchStrayFiles, []);

  const value = useMemo(
    () => ({
      mode,
      setMode: (next: Mode) => {
        localStorage.setItem(STORED_MODE, next);
        setMode(next);
      },
    }),
    [mode],
  );

  return (
    <AntdRegistry>
      <ModeContext.Provider value={value}>
        <LanguageContext.Provider value={speaking}>
          <ConfigProvider theme={themeFor(mode)} wave={{ disabled: true }} locale={COMPONENT_TEXTS[speaking.language]}>
            <App message={{ maxCount: 3 }} style={{ height: '100%' }}>
              {spoken && (
                // Texts are said while things are drawn: in another language all is drawn anew.
                <Fragment key={spoken}>
                  <KeepCopies />
                  {children}
                </Fragment>
              )}
            </App>
          </ConfigProvider>
        </LanguageContext.Provider>
      </ModeContext.Provider>
    </AntdRegistry>
  );
}
