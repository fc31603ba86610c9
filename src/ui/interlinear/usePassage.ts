'use client';

import { partId, type PartId } from '@/core/base';
import { useEffect, useRef, useState } from 'react';
import type { Version } from '@/core/engine';
import type { Passage } from '@/core/proof';
import { engineWorker } from '@/workers/engine-client';
import type { Engraving } from '@/workers/engrave-client';
import { engravePassage } from './engrave';
import { sentence } from '../shared/receive';
import { useWorkspace } from '../workspace/workspace';

export interface Drawn {
  passage: Passage;
  engraving: Engraving;
}

interface Wanted {
  /** Changes with each conversion. */
  edition: number;
  parts: readonly PartId[];
  from: number;
  to: number;
  width: number;
  staffHeight: number;
  laneHeight: number;
  /** As it is, as it was before the last change, or as a decision that is tried out would have it. */
  which: Version;
  /** Of marks that are only suggested; without one they are not shown. */
  suggestionColour?: string;
  /** The written line above, the played one below: on the way to a sequencer. */
  below: boolean;
}

/** Room for marks below each part where they are shown. */
const MARKS_HEIGHT = 22;

/**
 * Has the music made again when the engine lost it; it is drawn with the next edition.
 *
 * @param before the edition it was last made again for: what is lost twice in a row is not asked for a third time
 * @returns whether it will be there again
 */
function madeAgain(edition: number, before: number | null): boolean {
  const { isLaidOut, stale, progress, compute } = useWorkspace.getState();
  if (isLaidOut() || stale || (before !== null && edition <= before + 1)) return false;
  if (!progress) void compute();
  return true;
}

/** Fetches and engraves the passage wanted; the last one stays in sight until the next is ready. */
export function usePassage({
  edition,
  parts,
  from,
  to,
  width,
  staffHeight,
  laneHeight,
  which,
  suggestionColour,
  below,
}: Wanted): { drawn: Drawn | null; busy: boolean; failure: string | null } {
  const [state, setState] = useState<{ drawn: Drawn | null; busy: boolean; failure: string | null }>({
    drawn: null,
    busy: true,
    failure: null,
  });
  const latest = useRef(0);
  const lost = useRef<number | null>(null);
  const partList = parts.join(' ');

  useEffect(() => {
    if (width < 100 || partList === '') return;
    const mine = ++latest.current;
    void (async () => {
      const began = performance.now();
      setState((before) => ({ ...before, busy: true }));
      try {
        const wanted = partList.split(' ').map(partId);
        const passage = await engineWorker().passage(wanted, from, to, which, suggestionColour);
        const engraving = await engravePassage(passage, {
          width,
          staffHeight,
          laneHeight,
          marksHeight: suggestionColour || below ? MARKS_HEIGHT : 0,
          below,
        });
        performance.measure('dragoman: draw passage', { start: began });
        if (mine !== latest.current) return;
        lost.current = null;
        setState({ drawn: { passage, engraving }, busy: false, failure: null });
      } catch (error) {
        if (mine !== latest.current) return;
        if (madeAgain(edition, lost.current)) lost.current = edition;
        else setState((before) => ({ ...before, busy: false, failure: sentence(error) }));
      }
    })();
  }, [edition, partList, from, to, width, staffHeight, laneHeight, which, suggestionColour, below]);
  return state;
}
