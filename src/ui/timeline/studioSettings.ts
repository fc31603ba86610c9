'use client';

import { create } from 'zustand';
import { USUAL_STUDIO_MAP, type FrameRate, type StudioMapSettings } from '@/core/studio';

/** What a studio is sent: chosen as long as the page is open, no matter of the score. */
interface StudioSettings extends Omit<StudioMapSettings, 'start'> {
  rate: FrameRate;
  /** Code at the first bar, as a count of frames. */
  start: number;
  everyBar: boolean;
  change: (to: Partial<Omit<StudioSettings, 'change'>>) => void;
}

export const useStudioSettings = create<StudioSettings>()((set) => ({
  ...USUAL_STUDIO_MAP,
  click: null,
  rate: '25',
  start: 0,
  everyBar: true,
  change: (to) => set(to),
}));
