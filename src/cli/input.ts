import { readFileSync } from 'node:fs';
import { jobErrors, parseJob, type Decision, type Ledger, type Original } from '../core/job';
import { performanceFromSmf } from '../core/performance';
import { readSmf } from '../core/smf';
import { BadInput } from './errors';

const REASONS: Record<string, string> = {
  ENOENT: 'there is no such file',
  EISDIR: 'it is a folder',
  EACCES: 'it may not be read',
};

/** @throws BadInput when the file cannot be read from disk */
export function readFile(fileName: string): Uint8Array {
  try {
    return new Uint8Array(readFileSync(fileName));
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    throw new BadInput(`${fileName}: ${REASONS[code ?? ''] ?? (error as Error).message}.`);
  }
}

/** @throws BadInput naming the file, in front of what the reader says */
export function readPerformance(fileName: string): Original & { size: number } {
  const bytes = readFile(fileName);
  try {
    const reading = readSmf(bytes);
    return { reading, performance: performanceFromSmf(reading), size: bytes.length };
  } catch (error) {
    if ((error as Error).name === 'SmfError') throw new BadInput(`${fileName}: ${(error as Error).message}`);
    throw error;
  }
}

/** The ledger of a job file. @throws JobError or BadInput with one sentence */
export function jobLedger(fileName: string): Ledger {
  return parseJob(new TextDecoder().decode(readFile(fileName)), fileName).ledger;
}

/** The original's track behind a further player ("t3p2") and behind one split by channel or by what is struck ("t3c1", "t3s6"). */
function trackItCameFrom(id: string): string {
  return id.replace(/p\d+$/, '').replace(/s\d+$/, '').replace(/c\d+$/, '');
}

/** @throws JobError when a decision speaks of a track the original does not have */
export function checkTracks(decisions: readonly Decision[], tracks: readonly string[]): void {
  for (const decision of decisions) {
    const named: unknown[] =
      'tracks' in decision
        ? decision.tracks
        : 'track' in decision
          ? [decision.track]
          : 'part' in decision && decision.kind !== 'setPartSequencing'
            ? [decision.part]
            : [];
    const unknown = named
      .filter((id) => typeof id === 'string')
      .find((id) => !tracks.includes(id) && !tracks.includes(trackItCameFrom(id)));
    if (unknown) throw jobErrors.unknownTrack(unknown);
  }
}
