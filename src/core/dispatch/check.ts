/* Delivered files as their receivers would find them: a stand-in for opening them in the programs that wait. */
import type { Delivered } from './deliver';
import type { Finding } from '../receivers/finding';
import { checkSequence } from '../receivers/plain-sequencer';
import { checkScore } from '../receivers/strict-reader';

export interface Checked {
  path: string;
  findings: Finding[];
}

/** What concerns each file that a program reads; sound and pages are for people. Null for those and for originals. */
export function checkDelivered({ path, bytes, bars }: Delivered): Checked | null {
  if (path.startsWith('Originals/')) return null;
  try {
    if (/\.(?:musicxml|mxl)$/.test(path)) return { path, findings: checkScore(bytes, bars) };
    if (/\.mid$/.test(path)) return { path, findings: checkSequence(bytes, bars) };
  } catch (error) {
    return {
      path,
      findings: [{ ok: false, words: `Cannot be read: ${error instanceof Error ? error.message : String(error)}` }],
    };
  }
  return null;
}
