import type { PartId } from '@/core/base';
import type { SequenceSummary, Summary } from '@/core/engine';
import type { Bar } from '@/core/time';
import type { Workspace } from './workspace';

/* What the job's direction has made, whichever it is. */

interface PartOnDesk {
  id: PartId;
  name: string;
  instrument: string;
}

type OnDesk = Pick<Workspace, 'direction' | 'summary' | 'sequence'>;

/** What the job's direction has made, once it has. */
export function madeOnDesk({ direction, summary, sequence }: OnDesk): Summary | SequenceSummary | null {
  return direction === 'to-sequencer' ? sequence : summary;
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
