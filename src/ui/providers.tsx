'use client';

import { AntdRegistry } from '@ant-design/nextjs-registry';
import { App, ConfigProvider } from 'antd';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { KeepCopies } from './shared/KeepCopies';
import { ModeContext, type Mode } from './shared/mode';
import { catchStrayFiles } from './shared/strayFiles';
import { themeFor } from './shared/theme';

const STORED_MODE = 'dragoman-mode';

/** Theme, messages and dialogs for the whole application. */
export function Providers({ children }: { children: ReactNode }) {
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
        <ConfigProvider theme={themeFor(mode)} wave={{ disabled: true }}>
          <App message={{ maxCount: 3 }} style={{ height: '100%' }}>
            <KeepCopies />
            {children}
          </App>
        </ConfigProvider>
      </ModeContext.Provider>
    </AntdRegistry>
  );
}
