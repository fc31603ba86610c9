import type { PartId } from '@/core/base';
import type { Made } from '@/core/engine';
import type { Clef, InstrumentId } from '@/core/instruments';
import { QUARTER, type Bar, type WrittenUnits } from '@/core/time';
import type { Workspace } from './workspace';

/* What the job's direction has made, whichever it is. */

interface PartOnDesk {
  id: PartId;
  name: string;
  instrument: string;
}

type OnDesk = Pick<Workspace, 'direction' | 'summary' | 'sequence'>;

/** What the job's direction has made, once it has. */
export function madeOnDesk({ direction, summary, sequence }: OnDesk): Made | null {
  return direction === 'to-sequencer' ? sequence : summary;
}

/** Which way the job goes, and what goes to a sequencer: a score, or MIDI. */
export function kindOnDesk({ direction, original }: Pick<Workspace, 'direction' | 'original'>): Made['kind'] {
  return direction === 'to-score' ? 'to-score' : original;
}

export function barsOnDesk(state: OnDesk): readonly Bar[] {
  return madeOnDesk(state)?.bars ?? NO_BARS;
}

export function partsOnDesk(state: OnDesk): readonly PartOnDesk[] {
  return madeOnDesk(state)?.parts ?? NO_PARTS;
}

/** Which original gives its time, and how that went. */
export function timedOnDesk({ opened, direction, sequence }: OnDesk & Pick<Workspace, 'opened'>) {
  if (direction === 'to-score') return opened?.timed ?? null;
  return sequence?.kind === 'score' ? sequence.timed : null;
}

const NO_BARS: readonly Bar[] = [];
const NO_PARTS: readonly PartOnDesk[] = [];

/** A part whose notes can be changed by hand. */
export interface HandPart {
  /** What it is called on the desk. */
  shown: PartId;
  /** What decisions about its notes call it. */
  id: PartId;
  name: string;
  instrument: InstrumentId;
  unpitched: boolean;
  clefs: readonly Clef[];
  /** Written signatures, for each of the score's keys. */
  writtenKeys: readonly number[];
  smallest: WrittenUnits;
}

/** None for a MIDI file on its way to a sequencer: it has no page. */
export function handParts({ direction, summary, sequence }: OnDesk): HandPart[] {
  if (direction === 'to-score')
    return (summary?.parts ?? []).map((part) => ({ ...part, shown: part.id, smallest: part.report.smallest }));
  if (sequence?.kind !== 'score') return [];
  return sequence.parts.flatMap(({ byHand, ...part }) =>
    byHand === null ? [] : [{ ...part, shown: part.id, id: byHand, smallest: QUARTER / 4 }],
  );
}

/** Concert signatures of the score. */
export function keysOnDesk({ direction, summary, sequence }: OnDesk): readonly { bar: number }[] {
  if (direction === 'to-score') return summary?.keys ?? [];
  return sequence?.kind === 'score' ? sequence.signatures : [];
}
