/* Delivered files as their receivers would find them: a stand-in for opening them in the programs that wait. */
import type { Delivered } from '../deliver';
import type { Finding } from './finding';
import { checkSequence } from './plain-sequencer';
import { checkScore } from './strict-reader';

export interface Checked {
  path: string;
  findings: Finding[];
}

/** As many bars as the written score has, and as are played. */
export interface BarsExpected {
  written: number;
  played: number;
}

/** What concerns each file that a program reads; sound and pages are for people. */
export function checkDelivered({ path, bytes }: Delivered, bars: BarsExpected): Checked | null {
  const [folder, ...name] = path.split('/');
  const file = name.join('/');
  try {
    if (folder === 'Originals') return null;
    if (/\.(?:musicxml|mxl)$/.test(file)) return { path, findings: checkScore(bytes, bars.written) };
    // A clip or a part may begin and end elsewhere.
    if (/\.mid$/.test(file)) return { path, findings: checkSequence(bytes, folder === 'Studio' ? null : bars.played) };
  } catch (error) {
    return { path, findings: [{ ok: false, words: `Cannot be read: ${(error as Error).message}` }] };
  }
  return null;
}
