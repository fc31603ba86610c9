/* Delivered files as their receivers would find them: a stand-in for opening them in the programs that wait. */
import { say } from '../words';
import type { CameFrom } from '../engine';
import { censusOf, censusOfAll, missingIn, missingInWords } from '../receivers/census';
import type { Delivered } from './deliver';
import { finding, type Finding } from '../receivers/finding';
import { checkSequence } from '../receivers/plain-sequencer';
import { checkScore } from '../receivers/strict-reader';

export interface Checked {
  path: string;
  findings: Finding[];
}

/** What concerns each file that a program reads; sound and pages are for people. Null for those and for originals. */
export function checkDelivered({ path, bytes, bars, from }: Delivered): Checked | null {
  if (path.startsWith('Originals/')) return null;
  try {
    if (/\.(?:musicxml|mxl)$/.test(path))
      return { path, findings: [...checkScore(bytes, bars), ...(from ? whatItLacks(bytes, from) : [])] };
    if (/\.mid$/.test(path)) return { path, findings: checkSequence(bytes, bars) };
  } catch (error) {
    return {
      path,
      findings: [
        {
          ok: false,
          words: say('dispatchCore.cannotBeReadError', {
            error: error instanceof Error ? error.message : String(error),
          }),
        },
      ],
    };
  }
  return null;
}

const MOST_NAMED = 8;

/** The file held against the score it was made of, element by element; nothing is claimed where that cannot be counted. */
function whatItLacks(bytes: Uint8Array, { files, partOf }: CameFrom): Finding[] {
  const source = censusOfAll(files);
  if (!source) return [];
  const missing = missingIn(censusOf(bytes), source, partOf);
  const named = missing.slice(0, MOST_NAMED).map(missingInWords).join('; ');
  const more = Math.max(0, missing.length - MOST_NAMED);
  return [
    finding(
      missing.length === 0,
      say('dispatchCore.everySignOfTheReceivedScoreBeside'),
      say('dispatchCore.theReceivedScoreHasWhatThisFile', { named, more }),
    ),
  ];
}
