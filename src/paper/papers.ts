import type { PaperSize } from '../core/documents';

export type { PaperSize };

/** Upright, in millimetres: ISO 216 A4 and A3; Letter as ANSI/ASME Y14.1 has it; the parts' format of American studios. */
export const PAPERS: Record<PaperSize, { width: number; height: number }> = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
  '9x12': { width: 228.6, height: 304.8 },
  A3: { width: 297, height: 420 },
};
