'use client';

import { createContext, useContext } from 'react';

export type Mode = 'light' | 'dark';

export const ModeContext = createContext<{ mode: Mode; setMode: (mode: Mode) => void }>({
  mode: 'light',
  setMode: () => {},
});

/** The theme that is shown, and how to change it. */
export const useMode = () => useContext(ModeContext);
