'use client';

import { create } from 'zustand';
import { USUAL_STUDIO_MAP, type StudioMapSettings } from '@/core/studio';

/** What a studio is sent: chosen as long as the page is open, no matter of the score. */
interface StudioSettings extends StudioMapSettings {
  everyBar: boolean;
  change: (to: Partial<Omit<StudioSettings, 'change'>>) => void;
}

export const useStudioSettings = create<StudioSettings>()((set) => ({
  ...USUAL_STUDIO_MAP,
  everyBar: true,
  change: (to) => set(to),
}));
